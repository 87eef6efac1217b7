import fc from 'fast-check';
import { arrangementInput, lotInput } from '../../../tests/support/lot-inputs';
import { twinArrangement, twinLot } from '../../../tests/support/twin';
import { luckOfLines } from '../arrangement/luck-of-lines';
import { advance, startArrangement } from '../arrangement/run';
import { predictLot } from './predict-lot';
import { END_CAUSES } from './types';

test('a lot’s stem ends in the same instant as its plain twin, of the same cause', () => {
  fc.assert(
    fc.property(lotInput, (drawn) => {
      const input = { ...drawn, draws: 1 };
      const forecast = predictLot(input);
      const [twin] = twinLot(input, 0);
      const left = twin?.end == null ? 40 : (twin.end - (input.countFromHour ?? 0)) / 24;
      expect(forecast.daysLeft.p50).toBeCloseTo(Math.min(40, Math.max(0, left)), 9);
      expect(Object.entries(forecast.endCauses).find(([, share]) => share === 1)?.[0]).toBe(twin?.cause);
    }),
    { numRuns: 250 },
  );
});

test('every stem of an arrangement ends as its plain twin does, in one water, level and gas', () => {
  fc.assert(
    fc.property(arrangementInput, (input) => {
      const run = startArrangement(input);
      advance(run, input.draws);
      const luck = luckOfLines(input.lines);
      for (let draw = 0; draw < input.draws; draw++)
        twinArrangement(input, draw, luck).forEach((stems, line) =>
          stems.forEach((twin, at) => {
            const ends = run.lines[line]?.ends;
            const row = draw * stems.length + at;
            const ended = ends?.endHour[row] ?? NaN;
            expect(Number.isNaN(ended)).toBe(twin.end === null);
            if (twin.end !== null) expect(ended / 24).toBeCloseTo(twin.end / 24, 9);
            expect(END_CAUSES[ends?.cause[row] ?? 0]).toBe(twin.cause);
          }),
        );
    }),
    { numRuns: 100 },
  );
});
