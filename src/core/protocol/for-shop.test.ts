import * as fc from 'fast-check';
import { house, kindsOf, paramsOf, stepsOf, lotOfKey, ways } from '../../../tests/support/protocol-steps';
import { checked } from '../door/check';
import { SHIPPED_SPECIES } from '../species/registry';
import { inEnglish } from '../words/say';
import { protocolOf } from './compose';
import { protocolEditSchema } from './edits';
import { NEEDS, type Need } from './types';

const without = (...lacking: readonly Need[]) => ways({ has: NEEDS.filter((n) => !lacking.includes(n)) });
const edit = (of: unknown) => checked(protocolEditSchema, of);
const anySpecies = fc.constantFrom(...SHIPPED_SPECIES.all);

test('without a kettle nothing is boiled, and what the hot tap does is still done', () => {
  const { leftOut } = protocolOf(lotOfKey('hydrangea'), without('kettle'));
  expect(kindsOf('hydrangea', without('kettle'))).not.toContain('hot-dip');
  expect(leftOut.map((l) => [l.kind, inEnglish(l.change.says)])).toContainEqual([
    'hot-dip',
    'No kettle in the shop: no hot dip.',
  ]);
  // A hanging rose gets the tap’s heat instead: no boiling water is needed for that.
  const rescue = paramsOf('rose', 'hot-dip', without('kettle'), { droop: 'hanging' });
  expect(rescue).toMatchObject({ tempC: 50, untilCool: true });
});

test('without a thermometer no hot water at all: never by the hand', () => {
  for (const { key } of SHIPPED_SPECIES.all)
    for (const droop of ['firm', 'hanging'] as const)
      expect([key, kindsOf(key, without('thermometer'), { droop }).includes('hot-dip')]).toEqual([
        key,
        false,
      ]);
});

test('without secateurs wood is cut with a long slant and not split', () => {
  expect(paramsOf('lilac', 'cut')).toMatchObject({ tool: 'secateurs', split: true });
  expect(paramsOf('lilac', 'cut', without('secateurs'))).toMatchObject({ tool: 'snips', split: false });
  expect(paramsOf('rose', 'cut', without('secateurs'))).toEqual(paramsOf('rose', 'cut'));
});

test('what holds heads or leads to a place gives way to the next best', () => {
  expect(kindsOf('gerbera')).toContain('grid');
  const noGrid = kindsOf('gerbera', without('grid'));
  expect(noGrid).toContain('collar');
  expect(noGrid).not.toContain('grid');
  expect(paramsOf('rose', 'move')?.place).toBe('the cold room');
  expect(paramsOf('rose', 'move', without('cold room'))?.place).toBe('the coolest corner');
  const tropical = 'anthurium';
  expect(paramsOf(tropical, 'move')?.place).toBe('the tropical shelf');
  expect(paramsOf(tropical, 'move', without('tropical shelf'))?.place).toBe('the shop floor');
  // A shop without a cold room sends no tropical there either.
  expect(paramsOf(tropical, 'move', without('cold room'))?.place).toBe('the tropical shelf');
});

test('whatever a shop lacks, no step needs it, and each that went says so', () => {
  fc.assert(
    fc.property(anySpecies, fc.subarray([...NEEDS]), fc.boolean(), (species, has, hangs) => {
      const lot = lotOfKey(species.key, hangs ? { droop: 'hanging' } : {});
      const { steps, leftOut } = protocolOf(lot, ways({ has }));
      expect(steps.flatMap((s) => s.needs).filter((n) => !has.includes(n))).toEqual([]);
      const kinds = new Set(steps.map((s) => s.kind));
      for (const gone of leftOut.filter((l) => !kinds.has(l.kind)))
        expect(inEnglish(gone.change.says).length).toBeGreaterThan(10);
    }),
    { numRuns: 200 },
  );
});

test('a shop’s own edits come last: they hold against house, purpose and what it lacks', () => {
  const edits = [edit({ op: 'change', kind: 'drink', params: { tempC: 12 }, reason: 'Our tap.' })];
  expect(paramsOf('rose', 'drink', { ...house({ 'first-drink': 'warm' }), edits })?.tempC).toBe(12);
  expect(paramsOf('rose', 'drink', ways({ purpose: 'force', edits }))?.tempC).toBe(12);
});

test('an edit to a step that is not there changes nothing', () => {
  const edits = [
    edit({ op: 'change', kind: 'sap-soak', params: { hours: 9 }, reason: 'We soak.' }),
    edit({ op: 'leave out', kind: 'hot-dip', reason: 'We do not.' }),
  ];
  expect(stepsOf('rose', ways({ edits })).map((s) => s.params)).toEqual(stepsOf('rose').map((s) => s.params));
});

test('an edit that adds stands behind the step it names; several keep their order', () => {
  const add = (step: unknown, after: string) => edit({ op: 'add', after, step, reason: 'Ours.' });
  const edits = [add({ kind: 'collar' }, 'cut'), add({ kind: 'rinse' }, 'unpack')];
  const kinds = kindsOf('rose', ways({ edits }));
  expect(kinds.indexOf('rinse')).toBe(kinds.indexOf('unpack') + 1);
  expect(kinds.indexOf('collar')).toBe(kinds.indexOf('cut') + 1);
});

test('a title of the shop’s own is said as it was written, in every language', () => {
  const edits = [edit({ op: 'change', kind: 'cut', title: 'Cut by the sea door', reason: 'It is cooler.' })];
  const cut = stepsOf('rose', ways({ edits })).find((s) => s.kind === 'cut');
  expect(cut?.title).toBe('Cut by the sea door');
  expect(cut?.because).toBe('own protocol');
});

test('an edit whose figures cannot be is refused by its field', () => {
  for (const [params, field] of [
    [{ cm: -1 }, 'cm'],
    [{ angleDeg: 400 }, 'angleDeg'],
    [{ tool: 'teeth' }, 'tool'],
    [{ where: 'at sea' }, 'where'],
  ] as const)
    expect(() => edit({ op: 'change', kind: 'cut', params, reason: 'because' })).toThrow(new RegExp(field));
});
