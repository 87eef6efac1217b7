import fc from 'fast-check';
import { arrangementOf } from '../../../tests/support/bench-inputs';
import { randomStream } from '../random';
import { EvenStems } from '../even-normals';
import { drawnOfLines, DRAWN_SINGLY } from './drawn-together';
import { predictArrangement } from './predict-arrangement';
import type { ArrangementInput } from './types';

const stemsOfLines = fc.array(fc.integer({ min: 1, max: 5000 }), { minLength: 1, maxLength: 40 });

test('up to sixty stems are drawn one by one; of more no line gets more than it has, nor under a dozen', () => {
  fc.assert(
    fc.property(stemsOfLines, (stems) => {
      const drawn = drawnOfLines(stems);
      const total = stems.reduce((a, b) => a + b, 0);
      if (total <= DRAWN_SINGLY) expect(drawn).toEqual(stems);
      drawn.forEach((n, i) => {
        expect(n).toBeLessThanOrEqual(stems[i] ?? 0);
        expect(n).toBeGreaterThanOrEqual(Math.min(12, stems[i] ?? 0));
      });
      expect(drawn.reduce((a, b) => a + b, 0)).toBeLessThanOrEqual(DRAWN_SINGLY + 13 * stems.length);
    }),
  );
});

test('luck dealt evenly has the mean and spread of a normal, closer than chance would', () => {
  const even = new EvenStems(60);
  const strays = Array.from({ length: 200 }, (_, draw) => {
    even.begin(randomStream(5, draw));
    const lives = Array.from({ length: 60 }, () => [even.normal(), even.normal(), even.normal()][0] ?? 0);
    const mean = lives.reduce((a, b) => a + b, 0) / 60;
    return { mean, spread: Math.sqrt(lives.reduce((a, b) => a + (b - mean) ** 2, 0) / 60) - 1 };
  });
  const rms = (of: readonly number[]): number => Math.sqrt(of.reduce((a, b) => a + b * b, 0) / of.length);
  // Chance alone would stray by 0.129 and 0.091.
  expect(rms(strays.map((s) => s.mean))).toBeLessThan(0.02);
  expect(rms(strays.map((s) => s.spread))).toBeLessThan(0.04);
});

/** The same arrangement with every lot listed as many small ones, so that all its stems are drawn; no lot's luck is shared. */
function scaled(times: number, draws: number, seed: number): ArrangementInput {
  const input = arrangementOf(draws, 'mixed');
  return {
    ...input,
    seed,
    vessel: { kind: 'vase', litres: 2 * times },
    overrides: { constants: { lotLifeSpread: 0, cutDateErrorSdDays: 0 } },
    lines: input.lines.map((l) => ({ ...l, stems: 10 * times })),
  };
}

test('twelve hundred stems last as long as they do drawn one by one', () => {
  // Of one line with 300 stems 15 are drawn. The truth: the same stems listed as lines of 12, all of them drawn.
  const together = predictArrangement(scaled(30, 300, 3));
  const large = scaled(30, 40, 9);
  const singly = predictArrangement({
    ...large,
    lines: large.lines.flatMap((l) => Array.from({ length: 15 }, () => ({ ...l, stems: 20 }))),
  });
  for (const date of ['firstFade', 'stillAGift', 'lastStand'] as const)
    expect(Math.abs(together[date].p50 - singly[date].p50)).toBeLessThan(0.34);
});

test('more than five thousand stems are refused by name', () => {
  const input = arrangementOf(5, 'mixed');
  expect(() =>
    predictArrangement({ ...input, lines: input.lines.map((l) => ({ ...l, stems: 1251 })) }),
  ).toThrow('lines: an arrangement takes at most 5000 stems in all');
});
