import fc from 'fast-check';
import { airLeft, flowLeft, isSummed, lineSums } from './line-sums';

const column = (hours: number, max: number) =>
  fc.array(fc.double({ min: 0, max, noNaN: true }), { minLength: hours, maxLength: hours });
const HOURS = 60;
const hoursOfALine = fc.record({
  plugging: column(HOURS, 0.0126),
  halfLife: fc.array(fc.double({ min: 1.5, max: 10, noNaN: true }), { minLength: HOURS, maxLength: HOURS }),
  ppm: fc.array(fc.constantFrom(0, 0, 0, 0.1), { minLength: HOURS, maxLength: HOURS }),
  dry: fc.array(fc.integer({ min: 0, max: HOURS - 1 }), { maxLength: 3 }),
  plug: fc.double({ min: 0.2, max: 3, noNaN: true }),
  ends: fc.tuple(fc.nat(HOURS), fc.nat(HOURS)),
});

test('what many hours leave of flow and air is what they leave one after the other', () => {
  fc.assert(
    fc.property(hoursOfALine, ({ plugging, halfLife, ppm, dry, plug, ends }) => {
      const [from, to] = [Math.min(...ends), Math.max(...ends)];
      const wet = new Uint8Array(HOURS).fill(1);
      for (const hour of dry) wet[hour] = 0;
      const breakAt = Int32Array.from(wet, (_, hour) => {
        const next = wet.indexOf(0, hour);
        return next < 0 ? HOURS : next;
      });
      const sums = lineSums(
        { hours: HOURS, wet, ethylenePpm: Float64Array.from(ppm) },
        {
          ageing: new Float64Array(HOURS).fill(1),
          demand: new Float64Array(HOURS).fill(2),
          plugging: Float64Array.from(plugging),
          airHalfLifeH: Float64Array.from(halfLife),
          breakAt,
        },
      );
      let [flow, air, hoursWet] = [1, 1, 0];
      for (let hour = from; hour < to; hour++) {
        flow *= 1 - (plugging[hour] ?? 0) * plug;
        if (wet[hour] === 1) air *= 0.5 ** (1 / (plug * plug * (halfLife[hour] ?? 1)));
        hoursWet += wet[hour] ?? 0;
      }
      if (isSummed(sums, plug)) expect(flowLeft(sums, plug, from, to)).toBeCloseTo(flow, 10);
      expect(airLeft(sums, plug, from, to)).toBeCloseTo(air, 10);
      expect((sums.agedTo[to] ?? 0) - (sums.agedTo[from] ?? 0)).toBe(hoursWet);
      expect((sums.demandTo[to] ?? 0) - (sums.demandTo[from] ?? 0)).toBe(2 * hoursWet);
      for (let hour = 0; hour < HOURS; hour++) {
        const until = sums.steadyUntil[hour] ?? 0;
        for (let within = hour; within < until; within++)
          expect([wet[within], ppm[within]]).toEqual([1, ppm[hour]]);
        // It ends where something changes, no sooner.
        if (until < HOURS)
          expect(wet[until] === 0 || ppm[until] !== ppm[Math.max(hour, until - 1)]).toBe(true);
      }
    }),
    { numRuns: 100 },
  );
});
