import * as fc from 'fast-check';
import { SHIPPED_SPECIES } from '../species/registry';
import {
  claimedOutOf,
  claimsCsv,
  draftClaim,
  draftDecisionClaim,
  draftShortClaim,
  withEvidence,
} from './claims';
import { arrivalHazards } from './hazards';
import {
  adviseAtDock,
  FLAW_KINDS,
  FLAWS,
  flawCounted,
  flawInLot,
  flawName,
  flawNote,
  type FlawSeen,
} from './flaws';
import { LANGUAGES } from '../words/catalogues';
import { m } from '../words/message';
import { inEnglish, NOT_YET, say, spoken } from '../words/say';

const counted = (kind: FlawSeen['kind'], seen: number, sample: number, lot = 160) =>
  flawInLot({ kind, seen, sample }, lot);
const advise = (flaws: ReturnType<typeof counted>[], daysLeftP50 = 9) =>
  adviseAtDock({ flaws, daysLeftP50, droop: 'firm' }).advice;

test('a count of a sample is carried over to its lot, with the range it supports', () => {
  const mould = counted('grey-mould', 3, 20);
  expect(mould.likelyStems).toBe(24);
  expect(inEnglish(flawCounted(mould))).toBe('3 of 20: between 6 and 35 %');
  expect(inEnglish(flawCounted(counted('broken', 4, 40, 40)))).toBe('4 of 40, all counted: 10 %');
  // More looked at than the lot holds is the whole of it.
  expect(counted('broken', 4, 40, 10).likelyStems).toBe(4);
});

test('advice goes by the low end of what was counted, and by the days left', () => {
  expect(advise([])).toBe('accept');
  expect(advise([counted('bruised-outer', 20, 20)])).toBe('accept');
  expect(advise([counted('broken', 1, 30)])).toBe('reduced price');
  expect(advise([counted('grey-mould', 6, 20)])).toBe('claim');
  expect(advise([counted('grey-mould', 18, 20)])).toBe('refuse');
  expect(advise([], 3)).toBe('use first');
  expect(advise([], 0.8)).toBe('refuse');
});

test('a claim is the likely stems at the price paid, its count the evidence', () => {
  const flaw = counted('grey-mould', 3, 20);
  expect(spoken(draftClaim(flaw, 0.62), 'en')).toEqual({
    kind: 'grey-mould',
    stems: 24,
    value: 14.88,
    says: 'grey mould: 3 of 20: between 6 and 35 %',
  });
  expect(draftClaim(flaw, null).value).toBeNull();
  expect(FLAWS['bruised-outer'].claim).toBe(false);
});

test('a claim sheet is a table that no spreadsheet runs', () => {
  const row = {
    number: 1,
    supplier: '=SUM(A1)',
    deliveryRef: 'QN-1',
    line: 3,
    supplierLine: '2',
    product: 'Rose, “Pale Ferry”',
    words: 'broken: 3 of 20',
    stems: 24,
    stemsDelivered: 160,
    outOf: 160,
    value: 14.88,
    currency: 'EUR',
    state: 'open' as const,
    openedAt: '2026-11-24T06:50:00Z',
    dueAt: '2026-11-25T06:50:00Z',
    settledValue: null,
  };
  const [head, first] = claimsCsv([row]).split('\r\n');
  expect(head).toBe(
    'claim,supplier,delivery,line,row,product,what,stems,delivered,value,currency,state,opened,due,credited',
  );
  expect(first).toContain("'=SUM(A1)");
  expect(first).toContain('"Rose, “Pale Ferry”"');
});

test('hazards are told as the box is opened: sap, cold, cats, imports', () => {
  const of = (key: string, origin: string | null = null) =>
    arrivalHazards(SHIPPED_SPECIES.byKey(key), origin).map(inEnglish).join(' ');
  expect(of('tweedia')).toMatch(/Gloves: milky sap/);
  expect(of('anthurium', 'island farms by sea and air')).toMatch(/Tropical: never under 1\d °C.*Imported/);
  expect(of('lily-oriental')).toMatch(/Deadly to cats/);
  expect(of('statice', 'glasshouse by road')).toBe('');
});

test('a claim is a part of what came, and of what the note said where too few came', () => {
  expect(claimedOutOf({ kind: 'broken', stems: 12, stemsDelivered: 40 })).toBe(40);
  expect(claimedOutOf({ kind: 'short', stems: 20, stemsDelivered: 140 })).toBe(160);
});

test('what is short and what is kept for less are claimed at the price paid, all of it and no more', () => {
  expect(draftShortClaim(140, 20, 0.62)).toMatchObject({ stems: 20, value: 12.4 });
  expect(draftShortClaim(140, 20, null).value).toBeNull();
  expect(spoken(draftDecisionClaim(25, 160, 0.62, 'warm box'), 'en')).toEqual({
    stems: 160,
    value: 24.8,
    says: 'kept at 25 % less: warm box',
  });
  expect(spoken(draftDecisionClaim(100, 160, 0.62, 'mould'), 'es')).toMatchObject({
    value: 99.2,
    says: 'rechazado: mould',
  });
});

test('a count that is short is claimed, a warm box asks for less, and mould goes before both', () => {
  const lot = { droop: 'firm', daysLeftP50: 9 } as const;
  expect(spoken(adviseAtDock({ ...lot, flaws: [], stemsShort: 20 }), 'en')).toEqual({
    advice: 'claim',
    because: '20 stems short of the note',
  });
  expect(adviseAtDock({ ...lot, flaws: [], measured: ['box at 19 °C'] }).advice).toBe('reduced price');
  const mouldy = adviseAtDock({ ...lot, flaws: [counted('grey-mould', 18, 20)], stemsShort: 20 });
  expect(mouldy.advice).toBe('refuse');
});

test('every flaw has a name and, where it has one, a note, in each language; no language lends another its words', () => {
  const names = FLAW_KINDS.map((kind) => flawName(kind));
  for (const tag of LANGUAGES) {
    const told = [...names, ...FLAW_KINDS.map(flawNote).filter((n) => n !== null)].map((n) => say(n, tag));
    expect(told.filter((words) => words === '' || words.startsWith(NOT_YET) || /[{}]/.test(words))).toEqual(
      [],
    );
    expect(new Set(told).size).toBe(told.length);
  }
  expect(names.filter((name) => say(name, 'en') === say(name, 'es'))).toEqual([]);
});

test('a claim is told with its evidence in whoever reads its language and units', () => {
  const { says } = draftShortClaim(140, 20, null);
  const told = withEvidence(says, [m('claim.box-at', { tempC: 14 }), m('claim.photographs', { n: 1 })]);
  expect(say(told, 'en')).toBe('short of the note: 140 counted, 160 on the note; box at 14 °C; 1 photograph');
  expect(say(told, 'en-US')).toContain('box at 57 °F');
  expect(say(told, 'es')).toBe(
    'faltan respecto al albarán: 140 contados, 160 en el albarán; caja a 14 °C; 1 fotografía',
  );
  expect(withEvidence(says, [])).toBe(says);
});

test('the range a sample supports holds the share that was seen, and narrows as more are looked at', () => {
  const sampled = fc
    .integer({ min: 5, max: 60 })
    .chain((sample) => fc.record({ sample: fc.constant(sample), seen: fc.integer({ min: 0, max: sample }) }));
  fc.assert(
    fc.property(sampled, ({ seen, sample }) => {
      const few = flawInLot({ kind: 'broken', seen, sample }, 1000);
      const many = flawInLot({ kind: 'broken', seen: seen * 4, sample: sample * 4 }, 1000);
      expect(few.lowShare).toBeLessThanOrEqual(seen / sample + 1e-9);
      expect(few.highShare).toBeGreaterThanOrEqual(seen / sample - 1e-9);
      expect(many.highShare - many.lowShare).toBeLessThanOrEqual(few.highShare - few.lowShare + 1e-9);
    }),
  );
});
