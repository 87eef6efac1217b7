import { soundLot } from '../../../tests/support/lot-state';
import { SHIPPED_SPECIES } from '../species/registry';
import fc from 'fast-check';
import { COMMANDS } from '../door/commands';
import { FLAW_KINDS } from '../dock/flaws';
import { SPECIES } from '../species/species';
import { hasTrait } from '../species/traits';
import { recutSteps } from './aftercare';
import { comparedWithOrdinary, type Compared } from './compare';
import { composeProtocol, ordinaryProtocol, protocolOf } from './compose';
import { protocolEditSchema } from './edits';
import { checked } from '../door/check';
import { QUESTIONS } from './questions';
import type { Schools } from './schools';
import { NEEDS, type LotState } from './types';
import { DEFAULT_WAYS, PURPOSES, type Ways } from './ways';
import { m } from '../words/message';
import { inEnglish, say, spoken } from '../words/say';

const state = (key: string, over: Partial<LotState> = {}): LotState =>
  soundLot(SHIPPED_SPECIES.byKey(key), over);
const ways = (over: Partial<Ways>): Ways => ({ ...DEFAULT_WAYS, ...over });
const house = (house: Schools['house'], exceptions: Schools['exceptions'] = {}): Ways =>
  ways({ schools: { house, exceptions } });
const kinds = (key: string, over?: Partial<LotState>, way?: Ways): string[] =>
  composeProtocol(state(key, over), way).map((s) => s.kind);
const find = (key: string, kind: string, over?: Partial<LotState>, way?: Ways) =>
  spoken(composeProtocol(state(key, over), way), 'en').find((s) => s.kind === kind);

/** The opening of each plain protocol, by hand from the handbook: what is done before and as it drinks. */
const GOLDEN: readonly (readonly [key: string, steps: string])[] = [
  ['rose', 'unpack strip thorns cut drink look-back guard-petals move recut'],
  ['carnation', 'unpack strip cut drink look-back mist move recut'],
  ['daffodil', 'unpack sap-soak drink look-back move recut'],
  ['hyacinth', 'unpack sap-soak drink look-back move recut'],
  ['tulip', 'unpack rinse strip cut condition-upright drink look-back move recut'],
  ['peony', 'unpack strip cut drink look-back move recut'],
  ['hydrangea', 'unpack strip cut hot-dip hydrating-dip drink look-back mist move recut'],
  ['dahlia', 'unpack strip cut hot-dip drink look-back move recut'],
  ['amaryllis', 'unpack cut fill-stem wrap drink look-back move recut'],
  ['gerbera', 'unpack cut grid drink look-back move recut'],
  ['bird-of-paradise', 'unpack cut plunge lift-florets drink look-back move recut'],
  ['lily-oriental', 'unpack strip cut drink look-back de-pollen move recut'],
  ['tweedia', 'unpack strip cut sap-dab sap-soak drink look-back discard move recut'],
  ['euphorbia', 'unpack strip cut sap-dab sap-soak drink look-back discard move recut'],
  ['mimosa', 'unpack strip cut drink look-back wrap move recut'],
  ['lilac', 'unpack strip cut hot-dip drink look-back move recut'],
];

test.each(GOLDEN)('%s: %s', (key, steps) => {
  const misted = SHIPPED_SPECIES.byKey(key).mist === 'yes';
  const got = kinds(key).filter((k) => k !== 'mist' || steps.includes('mist') || !misted);
  expect(got.join(' ')).toBe(steps);
});

test('every species in every state, for every purpose, with and without what a shop may have, has steps that can be said', () => {
  const stateArb = fc.record({
    species: fc.constantFrom(...SPECIES),
    stage: fc.constantFrom(0, 0.2, 0.6, 0.9, 1.1),
    droop: fc.constantFrom('firm' as const, 'soft' as const, 'hanging' as const),
    packing: fc.constantFrom('dry box', 'wet pack', 'dry box mesh', 'capped'),
    hoursDry: fc.constantFrom(0, 5, 40),
    flaws: fc.subarray([...FLAW_KINDS]),
  });
  const schools = fc
    .tuple(...QUESTIONS.map((q) => fc.constantFrom(...q.schools.map((s) => s.key))))
    .map((picks) => ({
      house: Object.fromEntries(QUESTIONS.map((q, i) => [q.key, picks[i] ?? ''])),
      exceptions: {},
    }));
  const waysArb = fc.record({
    schools,
    has: fc.subarray([...NEEDS]),
    purpose: fc.constantFrom(...PURPOSES),
    eventInDays: fc.integer({ min: 0, max: 12 }),
    limits: fc.constant(DEFAULT_WAYS.limits),
    edits: fc.constant([]),
  });
  fc.assert(
    fc.property(stateArb, waysArb, (lot, way) => {
      const { steps, leftOut } = protocolOf(lot, way);
      expect(steps[0]?.kind).toBe('unpack');
      expect(steps.filter((s) => s.kind === 'drink')).toHaveLength(
        way.purpose === 'dry' && hasTrait(lot.species, 'dries well') ? 0 : 1,
      );
      for (const s of steps) {
        expect(inEnglish(s.title).length).toBeGreaterThan(5);
        expect(inEnglish(s.reason).length).toBeGreaterThan(10);
        expect(s.doneWord).not.toBe('');
        expect(s.needs.filter((n) => !way.has.includes(n))).toEqual([]);
        expect(s.because === 'species').toBe(s.changes.length === 0);
      }
      expect(leftOut.every((l) => inEnglish(l.change.says).length > 10)).toBe(true);
      // Sap runs alone until it has soaked, whatever the house, the shop or the purpose say.
      const soak = steps.findIndex((s) => s.kind === 'sap-soak');
      if (lot.species.sap !== 'none' && way.purpose !== 'dry') {
        expect(soak).toBeGreaterThan(0);
        expect(soak).toBeLessThan(steps.findIndex((s) => s.kind === 'drink'));
        expect(steps[soak]?.pail?.alone).toBe(true);
      }
      if ((lot.species.chillBelowC ?? 0) > 4)
        expect(steps.map((s) => inEnglish(s.title)).join()).not.toContain('cold room');
      const { differences } = comparedWithOrdinary(lot, way);
      for (const d of differences.filter((x) => x.what !== 'left out'))
        expect(d.because.length).toBeGreaterThan(0);
    }),
    { numRuns: 400 },
  );
});

test('a calla loses a sliver, a peony is cut under water, wood is split with secateurs', () => {
  expect(find('calla', 'cut')?.title).toContain('sliver');
  expect(find('peony', 'cut')?.title).toContain('under water');
  expect(find('lilac', 'cut')).toMatchObject({ who: 'secateurs', params: { split: true } });
});

test('a hanging rose is boiled, cut under water, drinks cold, deep and alone and is looked at after two hours; soft stems get the hot tap', () => {
  const rose = composeProtocol(state('rose', { droop: 'hanging' }));
  const order = rose.map((s) => s.kind);
  expect(order.indexOf('hot-dip')).toBeLessThan(order.indexOf('cut'));
  expect(rose.find((s) => s.kind === 'hot-dip')).toMatchObject({
    because: 'state',
    who: 'hot water',
    params: { tempC: 98, seconds: 30, depthCm: 5 },
  });
  expect(rose.find((s) => s.kind === 'drink')).toMatchObject({
    waitSeconds: 2 * 3600,
    pail: { alone: true, depth: 'deep', tempC: 6 },
  });
  expect(find('lisianthus', 'hot-dip', { droop: 'hanging' })?.params).toMatchObject({
    tempC: 50,
    untilCool: true,
  });
  const tap = house({ rescue: 'hot-tap' });
  expect(find('rose', 'hot-dip', { droop: 'hanging' }, tap)?.params).toMatchObject({ tempC: 50 });
  expect(kinds('gerbera', { droop: 'hanging' })).toContain('discard');
  expect(find('hydrangea', 'plunge', { droop: 'hanging' })?.params).toMatchObject({ part: 'whole heads' });
});

test('a house’s way holds for every species but its exceptions, and tells whose way it is', () => {
  const bare = house({ foliage: 'bare' }, { lisianthus: { foliage: 'waterline' } });
  expect(find('rose', 'strip', {}, bare)).toMatchObject({ because: 'house', params: { to: 'bare' } });
  expect(find('lisianthus', 'strip', {}, bare)?.params).toMatchObject({ to: 'waterline' });
  expect(find('rose', 'drink', {}, house({ 'first-drink': 'hot-roses' }))?.params).toMatchObject({
    tempC: 48,
  });
  expect(find('rose', 'drink', {}, house({ remedy: 'plain' }))?.params).toMatchObject({ solution: 'plain' });
  expect(find('rose', 'recut', {}, house({ remedy: 'plain' }))?.params).toMatchObject({ everyHours: 48 });
  expect(kinds('rose', {}, house({ misting: 'roses-most' }))).toContain('mist');
  // Topped up only, the house's own limit still holds.
  expect(find('rose', 'recut', {}, house({ 'water-change': 'top-up' }))?.params).toMatchObject({
    everyHours: 96,
  });
  expect(find('rose', 'drink', {}, house({ acid: 'add-acid', remedy: 'bleach' }))?.params).toMatchObject({
    addsAcid: false,
  });
});

test('what the shop lacks bounds it, with the reason', () => {
  const none = protocolOf(state('hydrangea'), ways({ has: [] }));
  expect(none.steps.map((s) => s.kind)).not.toContain('hot-dip');
  expect(none.leftOut.map((l) => inEnglish(l.change.says)).join()).toMatch(/No kettle.*|No alum/);
  expect(find('rose', 'move', {}, ways({ has: [] }))?.title).toContain('coolest corner');
  expect(kinds('gerbera', {}, ways({ has: [] }))).toContain('collar');
});

test('what a lot is for changes where it stands and what it drinks', () => {
  expect(kinds('statice', {}, ways({ purpose: 'dry' }))).toEqual(['unpack', 'strip', 'dry-hang', 'move']);
  expect(find('rose', 'recut', {}, ways({ purpose: 'force' }))?.params).toMatchObject({ everyHours: 4 });
  expect(find('rose', 'drink', {}, ways({ purpose: 'hold' }))?.params).toMatchObject({ solution: 'holding' });
  expect(find('lily-oriental', 'move', {}, ways({ purpose: 'event', eventInDays: 9 }))?.reason).toContain(
    '9 days to go',
  );
  expect(find('lily-oriental', 'wrap', {}, ways({ purpose: 'event', eventInDays: 2 }))?.title).toContain(
    'loose bag',
  );
});

test('for an event and to hold: when it leaves the cold, by day and hour where the day is known', () => {
  const said = (over: Partial<Ways>, lot: Partial<LotState> = {}) =>
    find('lily-oriental', 'move', lot, ways(over))?.reason ?? '';
  const event = { purpose: 'event', eventInDays: 9, eventOn: '2026-12-05' } as const;
  const [, day = '', clock = '', hours = ''] =
    /on (\w+,? \d+ \w+) at (\d\d:\d\d), (\d+) h/.exec(said(event)) ?? [];
  // The hours before ten in the forenoon of its day, reckoned on the calendar.
  const at = new Date(Date.UTC(2026, 11, 5, 10) - Number(hours) * 3_600_000);
  expect([Number.parseInt(day.replace(/\D/g, ''), 10), clock]).toEqual([
    at.getUTCDate(),
    at.toISOString().slice(11, 16),
  ]);
  const midnight = m('why.out-of-the-cold-at', { days: 2, hours: 10, at: Date.UTC(2026, 11, 5) });
  expect(inEnglish(midnight)).toMatch(/on Sat,? 5 Dec at 00:00, 10 h before/);
  expect(say(midnight, 'es')).toMatch(/el sáb, 5 dic a las 00:00, 10 h antes/);
  // Tight buds want longer in the warmth than buds that show colour; a night more is no day less.
  const warmth = (stage: number): number => Number(/(\d+) h before/.exec(said(event, { stage }))?.[1]);
  expect(warmth(0)).toBeGreaterThan(warmth(0.4));
  expect(said({ purpose: 'hold' }, { stage: 0 })).toMatch(/Out into the warmth \d+ h before/);
  expect(find('chrysanthemum-spray', 'move', {}, ways({ purpose: 'hold' }))?.reason).not.toContain('warmth');
});

test('both ways with daffodils’ sap and with leaves that crisp: four hours or a night, a damp bag or a spray', () => {
  const soak = (way?: Ways) => find('daffodil', 'sap-soak', {}, way)?.params;
  const night = house({ 'sap-soak': 'overnight' });
  expect(soak()).toMatchObject({ hours: 4, company: 'alone' });
  expect(soak(night)).toMatchObject({ hours: 12, company: 'alone' });
  expect(recutSteps(SHIPPED_SPECIES.byKey('hyacinth'), 1, night)[1]?.params).toMatchObject({ hours: 12 });
  // Milk is sealed in its hour, whatever is done with daffodils.
  expect(find('euphorbia', 'sap-soak', {}, night)?.params).toMatchObject({ hours: 1 });
  const spray = house({ 'dry-air': 'spray' });
  expect(kinds('eucalyptus')).toContain('wrap');
  expect(kinds('eucalyptus', {}, spray)).toContain('anti-transpirant');
  expect(kinds('eucalyptus', {}, spray)).not.toContain('wrap');
  expect(find('eucalyptus', 'anti-transpirant', {}, spray)?.caution).toMatch(/window|open air/i);
  expect(kinds('rose', {}, spray)).toEqual(kinds('rose'));
});

test('a shop’s own protocol adds, changes and leaves out, and every other parameter stands', () => {
  const edits = [
    { op: 'change', kind: 'cut', params: { cm: 4 }, reason: 'Our van is slow.' },
    { op: 'leave out', kind: 'thorns', reason: 'Nobody holds them here.' },
    {
      op: 'add',
      after: 'strip',
      step: { kind: 'collar' },
      title: 'A collar of our brown paper',
      reason: 'It stands in a draught.',
    },
  ].map((e) => checked(protocolEditSchema, e));
  const mine = ways({ edits });
  expect(find('rose', 'cut', {}, mine)).toMatchObject({
    title: 'Cut 4 cm, slanted',
    because: 'own protocol',
    params: { cm: 4, where: 'in air' },
  });
  expect(kinds('rose', {}, mine)).not.toContain('thorns');
  expect(find('rose', 'collar', {}, mine)?.title).toBe('A collar of our brown paper');
  expect(() =>
    checked(protocolEditSchema, { op: 'change', kind: 'cut', params: { cm: 400 }, reason: 'because' }),
  ).toThrow(/cm/);
  expect(() =>
    checked(protocolEditSchema, { op: 'add', after: 'cut', step: { kind: 'dance' }, reason: 'because' }),
  ).toThrow(/kind/);
});

test('the door tells steps, what differs and why, and every field that is wrong', () => {
  const told = COMMANDS.protocol?.run({
    species: 'rose',
    droop: 'hanging',
    equipment: ['thermometer'],
  }) as Compared;
  expect(told.differences.find((d) => d.kind === 'hot-dip')).toMatchObject({ what: 'added' });
  expect(told.differences.find((d) => d.kind === 'move')?.because[0]?.because).toBe('equipment');
  expect(told.plain).toEqual(spoken(ordinaryProtocol(SHIPPED_SPECIES.byKey('rose')).steps, 'en'));
  expect(() =>
    COMMANDS.protocol?.run({ species: 'rose', schools: { house: { thorns: 'chew' } }, purpose: 'x' }),
  ).toThrow(/schools\.house\.thorns.*purpose/s);
});
