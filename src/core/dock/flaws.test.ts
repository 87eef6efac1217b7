import { SHIPPED_SPECIES } from '../species/registry';
import { claimedOutOf, claimsCsv, draftClaim, draftDecisionClaim, draftShortClaim } from './claims';
import { arrivalHazards } from './hazards';
import { adviseAtDock, FLAWS, flawInLot, flawInWords, type FlawSeen } from './flaws';
import { inEnglish } from '../words/say';

const counted = (kind: FlawSeen['kind'], seen: number, sample: number, lot = 160) =>
  flawInLot({ kind, seen, sample }, lot);
const advise = (flaws: ReturnType<typeof counted>[], daysLeftP50 = 9) =>
  adviseAtDock({ flaws, daysLeftP50, droop: 'firm' }).advice;

test('a count of a sample is carried over to its lot, with the range it supports', () => {
  const mould = counted('grey-mould', 3, 20);
  expect(mould.likelyStems).toBe(24);
  expect(flawInWords(mould)).toBe('3 of 20: between 6 and 35 %');
  expect(flawInWords(counted('broken', 4, 40, 40))).toBe('4 of 40, all counted: 10 %');
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
  expect(draftClaim(flaw, 0.62, flawInWords(flaw))).toEqual({
    kind: 'grey-mould',
    stems: 24,
    value: 14.88,
    words: 'grey mould: 3 of 20: between 6 and 35 %',
  });
  expect(draftClaim(flaw, null, '').value).toBeNull();
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
    state: 'open',
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
  expect(draftDecisionClaim(25, 160, 0.62, 'warm box')).toEqual({
    stems: 160,
    value: 24.8,
    words: 'kept at 25 % less: warm box',
  });
  expect(draftDecisionClaim(100, 160, 0.62, 'x'.repeat(400))).toMatchObject({ value: 99.2 });
  expect(draftDecisionClaim(100, 160, 0.62, 'x'.repeat(400)).words).toHaveLength(300);
});

test('a count that is short is claimed, a warm box asks for less, and mould goes before both', () => {
  const lot = { droop: 'firm', daysLeftP50: 9 } as const;
  expect(adviseAtDock({ ...lot, flaws: [], stemsShort: 20 })).toEqual({
    advice: 'claim',
    because: '20 stems short of the note',
  });
  expect(adviseAtDock({ ...lot, flaws: [], measured: ['box at 19 °C'] }).advice).toBe('reduced price');
  const mouldy = adviseAtDock({ ...lot, flaws: [counted('grey-mould', 18, 20)], stemsShort: 20 });
  expect(mouldy.advice).toBe('refuse');
});
