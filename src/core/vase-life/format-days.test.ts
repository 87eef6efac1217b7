import * as fc from 'fast-check';
import { HORIZON_DAYS } from '../model/constants';
import { formatDays } from './format-days';

test.each([
  [4.2, 4.4, { shape: 'about', from: 4, to: 4 }],
  [4.2, 6.6, { shape: 'between', from: 4, to: 7 }],
  // The low end is what may be promised: it is cut off, never rounded up.
  [4.9, 5.2, { shape: 'between', from: 4, to: 5 }],
  [0.3, 0.4, { shape: 'about', from: 0, to: 0 }],
  [5, HORIZON_DAYS + 1, { shape: 'long', from: 5, to: HORIZON_DAYS }],
  [HORIZON_DAYS, HORIZON_DAYS, { shape: 'past', from: HORIZON_DAYS, to: HORIZON_DAYS }],
])('%d to %d days', (p10, p90, said) => {
  expect(formatDays({ p10, p90 })).toEqual(said);
});

test('no band is told to begin later than it does, to end before it begins, or beyond the horizon', () => {
  const days = fc.double({ min: 0, max: HORIZON_DAYS * 1.5, noNaN: true });
  fc.assert(
    fc.property(days, days, (a, b) => {
      const [p10, p90] = [Math.min(a, b), Math.max(a, b)];
      const { shape, from, to } = formatDays({ p10, p90 });
      expect(from).toBeLessThanOrEqual(p10);
      expect(to).toBeGreaterThanOrEqual(from);
      expect(to).toBeLessThanOrEqual(HORIZON_DAYS);
      expect(shape === 'about' || shape === 'past').toBe(from === to);
    }),
  );
});
