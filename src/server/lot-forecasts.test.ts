import { SHIPPED_SPECIES } from '@/core/species/registry';
import type { LotInput } from '@/core/vase-life/types';
import type { StayRow } from '../data/stays';
import { closePool } from './pool/pool';
import { lotInputNow, lotsNow, staysHere, type Known } from './lot-forecasts';

const CAME = new Date('2026-11-24T06:00:00Z');
const hour = (h: number): Date => new Date(CAME.getTime() + h * 3_600_000);
const BENCH = { roomId: 'bench', tempC: 17, humidityPct: 62, litHours: 11 };
const COLD = { roomId: 'cold', tempC: 3.4, humidityPct: 88, litHours: 2 };

const stay = (from: number, to: number | null, over: Partial<StayRow> = {}): StayRow => ({
  id: `${from}`,
  subjectId: 'portion',
  ...BENCH,
  ethylenePpm: 0,
  wet: false,
  fillId: null,
  fromAt: hour(from),
  toAt: to === null ? null : hour(to),
  filledAt: null,
  fillSolution: null,
  fillTempC: null,
  fillStart: null,
  ...over,
});
const inPail = (fillId: string): Partial<StayRow> => ({
  wet: true,
  fillId,
  fillSolution: 'plain',
  fillTempC: 20,
  fillStart: 'clean',
});
const known = (...stays: StayRow[]): Known => ({
  lot: {
    speciesKey: 'rose',
    arrivedAt: CAME,
    agedDays: 0.5,
    stage: 0.2,
    droop: 'firm',
    airShare: 0,
    stemsLeft: 60,
  },
  stays,
  steps: [],
});
const daysLeft = async (of: LotInput): Promise<number> => {
  const [made] = await lotsNow([of], (input) => input);
  return made?.now.forecast.daysLeft.p50 ?? NaN;
};
const input = (of: Known, at: number) =>
  lotInputNow(of, null, hour(at), { timeZone: 'Etc/UTC', species: SHIPPED_SPECIES });

test('stays reach to now, those ahead are not told, and a pack’s own water is water', () => {
  const stays = [stay(0, 3, { wet: true }), stay(3, 5), stay(5, null, inPail('a'))];
  expect(staysHere(stays, CAME, hour(4)).map((s) => [s.fromHour, s.toHour, s.water?.name ?? 'dry'])).toEqual([
    [0, 3, 'pack'],
    [3, 4, 'dry'],
  ]);
  expect(staysHere(stays, CAME, hour(60)).at(-1)).toMatchObject({ fromHour: 5, toHour: 60 });
});

test('turned over at hour 50, it is forecast as wet since hour 2 with a change at 50, and not as 50 hours dry', async () => {
  const turned = known(stay(0, 2), stay(2, 50, inPail('a')), stay(50, null, inPail('b')));
  const made = input(turned, 60);
  expect(made.stays.map((s) => [s.hours, s.wet])).toEqual([
    [2, false],
    [58, true],
    [null, true],
  ]);
  expect(made.events).toContainEqual({ atHour: 50, type: 'change', solution: 'plain' });
  const dry = input(known(stay(0, 50), stay(50, null, inPail('b'))), 60);
  expect(await daysLeft(made)).toBeGreaterThan(await daysLeft(dry));
});

test('half of a few stems ends less surely than half of many; a single stem does as it did', async () => {
  const of = known(stay(0, 2), stay(2, null, inPail('a')));
  const bands = await lotsNow(
    [8, 300].map((stemsLeft) => ({ ...of, lot: { ...of.lot, stemsLeft } })),
    (one) => input(one, 20),
  );
  const [few, many] = bands.map(({ now }) => now.forecast);
  const wide = (q?: { p10: number; p90: number }) => (q ? q.p90 - q.p10 : NaN);
  expect(wide(few?.lotDaysLeft)).toBeGreaterThan(wide(many?.lotDaysLeft) + 0.1);
  expect(few?.daysLeft).toEqual(many?.daysLeft);
});

test('each place counts for the hours it was: two days on the bench, then the cold room', async () => {
  const moved = input(
    known(stay(0, 1), stay(1, 49, inPail('a')), stay(49, null, { ...COLD, ...inPail('a') })),
    97,
  );
  expect(moved.stays.slice(0, 3).map((s) => [s.hours, s.tempC, s.wet])).toEqual([
    [1, 17, false],
    [48, 17, true],
    [48, 3.4, true],
  ]);
  // One water in two places is no change of water.
  expect(moved.events?.filter((e) => e.type === 'change')).toHaveLength(1);
  const allCold = input(known(stay(0, 1), stay(1, null, { ...COLD, ...inPail('a') })), 97);
  expect(await daysLeft(moved)).toBeLessThan((await daysLeft(allCold)) - 0.5);
});

test('a dry spell in between is one: whoever tipped it out', async () => {
  const wet = input(known(stay(0, 1), stay(1, null, inPail('a'))), 40);
  const parched = input(
    known(stay(0, 1), stay(1, 20, inPail('a')), stay(20, 28), stay(28, null, inPail('b'))),
    40,
  );
  expect(parched.stays.map((s) => s.wet)).toEqual([false, true, false, true, true]);
  expect(await daysLeft(parched)).toBeLessThan(await daysLeft(wet));
});

afterAll(closePool);
