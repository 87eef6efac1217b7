import fc from 'fast-check';
import { linear } from './linear';

const number = fc.double({ min: -1e6, max: 1e6, noNaN: true });

test('a straight scale meets its ends, keeps order, and what is beyond stands at them', () => {
  fc.assert(
    fc.property(
      number,
      fc.double({ min: 1e-3, max: 1e6, noNaN: true }),
      number,
      number,
      (from, span, a, b) => {
        const x = linear([from, from + span], [0, 100]);
        expect(x(from)).toBe(0);
        expect(x(from + span)).toBeCloseTo(100, 6);
        expect(x(from - 1)).toBe(0);
        expect(x(from + span + 1)).toBe(100);
        if (a <= b) expect(x(a)).toBeLessThanOrEqual(x(b));
      },
    ),
  );
});

test('a scale of no width puts everything in its middle, and one that falls falls', () => {
  expect(linear([3, 3], [0, 10])(3)).toBe(5);
  expect(linear([0, 1], [200, 20])(0.25)).toBe(155);
});
