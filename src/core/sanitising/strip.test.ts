import fc from 'fast-check';
import { DEMAND_MG_PER_10_L, DIRT } from './figures';
import { relayJob, type RelayAsked } from './relay-job';
import { RELAY_MODES } from './relay';
import { USUAL_SANITISER } from './sanitiser';
import { readStoredJob } from './stored-job';
import { demandByStrip, demandOf, learntDemand, withStrip } from './strip';

const asked = (over: Partial<RelayAsked> = {}): RelayAsked => ({
  pails: Array.from({ length: 6 }, (_, i) => ({ id: `${i}`, litres: 10 })),
  dirt: 'scummed',
  people: 2,
  taps: 1,
  mode: 'relay',
  sanitiser: USUAL_SANITISER,
  today: '2026-11-24',
  ...over,
});
const TABLE = learntDemand([]);
const kept = (of: unknown): unknown => JSON.parse(JSON.stringify(of));

test('without a reading the demand is the table’s; four readings weigh as much as it', () => {
  expect(demandOf(TABLE)).toEqual(DEMAND_MG_PER_10_L);
  const learnt = learntDemand([{ dirt: 'scummed', readings: 4, meanMg: 250 }]);
  expect(learnt.scummed).toEqual({ mg: 200, tableMg: 150, readings: 4 });
  expect(learnt.slimy.mg).toBe(500);
});

test('a strip tells what the walls took beside what daylight did: 200 ppm, 10 minutes, 180 read', () => {
  // 200·e^(−0.02) = 196.04; 16.04 ppm more are gone: 160 mg for 10 L.
  expect(demandByStrip({ ppmAtStart: 200, minutes: 10 }, 180)).toBeCloseTo(160.4, 1);
  expect(demandByStrip({ ppmAtStart: 200, minutes: 10 }, 210)).toBe(0);
});

test('a strip that reads what was predicted changes next to nothing; one that reads low makes the next pass stronger', () => {
  const job = relayJob(asked());
  expect(job.passes.length).toBeGreaterThan(1);
  const predicted = job.passes[0]?.ppmAtEnd ?? NaN;
  const same = withStrip(job, 0, predicted, TABLE);
  expect(same?.demandMg).toBeCloseTo(DEMAND_MG_PER_10_L.scummed, 6);
  expect(same?.job.stockMl).toBeCloseTo(job.stockMl, 6);
  expect(same?.job.passes.map((p) => p.ppmAtStart)).toEqual(
    job.passes.map((p) => expect.closeTo(p.ppmAtStart, 6) as number),
  );
  const low = withStrip(job, 0, 60, TABLE);
  const next = low?.job.passes[1];
  expect(low?.predictedPpm).toBe(predicted);
  expect(next?.doseMl).toBeGreaterThan(job.passes[1]?.doseMl ?? 0);
  expect(next?.ppmAtStart).toBeGreaterThanOrEqual(100);
  expect(low?.job.passes[0]?.readPpm).toBe(60);
  expect(low?.job.stockMl).toBeGreaterThan(job.stockMl);
});

test('no such pass, or a relay of earlier days: nothing is reckoned', () => {
  const job = relayJob(asked());
  expect(withStrip(job, job.passes.length, 100, TABLE)).toBeNull();
  const { ways, ...older } = job;
  expect(ways).toBeDefined();
  expect(withStrip(older, 0, 100, TABLE)).toBeNull();
});

test('whatever a strip reads: no later pass begins under the floor, none is stronger than its target without a dose', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 400 }),
      fc.constantFrom(...DIRT),
      fc.integer({ min: 2, max: 14 }),
      fc.nat(3),
      (ppm, dirt, pails, pass) => {
        const job = relayJob(
          asked({
            dirt,
            pails: Array.from({ length: pails }, (_, i) => ({ id: `${i}`, litres: 7 + (i % 3) })),
          }),
        );
        const read = withStrip(job, pass, ppm, TABLE);
        if (!read) return expect(pass).toBeGreaterThanOrEqual(job.passes.length);
        let before = ppm;
        for (const next of read.job.passes.slice(pass + 1)) {
          expect(next.ppmAtStart).toBeGreaterThanOrEqual(100);
          if (next.doseMl === 0) expect(next.ppmAtStart).toBeCloseTo(before, 6);
          before = next.ppmAtEnd ?? NaN;
        }
        expect(read.demandMg).toBeGreaterThanOrEqual(0);
      },
    ),
  );
});

test('what a relay costs is its product and its water, beside filling all and a fresh batch each; nothing without a price', () => {
  const priced = { ...USUAL_SANITISER, pricePerL: 2.5, waterPerM3: 4 };
  const job = relayJob(asked({ sanitiser: priced }));
  for (const { cost, stockMl, litres } of [job, job.allAtOnce, job.freshEachPass ?? job])
    expect(cost).toBeCloseTo((stockMl / 1000) * 2.5 + (litres / 1000) * 4, 9);
  expect(job.cost ?? NaN).toBeLessThan(job.allAtOnce.cost ?? NaN);
  // Six pails of 10 L, each filled: 60 L in all, whichever way they are filled.
  expect([job.allAtOnce.litres, job.freshEachPass?.litres]).toEqual([60, 60]);
  const unpriced = relayJob(asked());
  expect([unpriced.cost, unpriced.allAtOnce.cost, unpriced.freshEachPass?.cost]).toEqual([null, null, null]);
});

test('a relay that is kept while it runs is read back as it was, before and after a strip', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...DIRT),
      fc.constantFrom(...RELAY_MODES),
      fc.integer({ min: 1, max: 20 }),
      (dirt, mode, n) => {
        const pails = Array.from({ length: n }, (_, i) => ({ id: `${i}`, litres: 4 + (i % 3) * 5 }));
        const job = relayJob(asked({ dirt, mode, pails }));
        expect(readStoredJob(kept(job))).toEqual(job);
        const after = withStrip(job, 0, 90, TABLE)?.job;
        if (after) expect(readStoredJob(kept(after))).toEqual(after);
      },
    ),
  );
});

test('a relay of before strips were read told less, and is read; what is none is refused', () => {
  const job = relayJob(asked());
  const older = Object.fromEntries(Object.entries(job).filter(([field]) => field !== 'ways'));
  expect(readStoredJob(kept(older))).toEqual(older);
  for (const none of [null, {}, { ...older, passes: [{}] }, { ...older, mode: 'by guess' }])
    expect(() => readStoredJob(none)).toThrow();
});
