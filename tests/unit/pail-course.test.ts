import fc from 'fast-check';
import { courseText, pointsOf } from '@/features/pails/pail-view';

test('a course is drawn as it was told, to a hundredth of a count', () => {
  const log10 = fc.double({ min: -2, max: 10, noNaN: true });
  const point = fc.record({ atHour: fc.nat(2000), p10: log10, p50: log10, p90: log10 });
  fc.assert(
    fc.property(fc.array(point, { maxLength: 60 }), (course) => {
      const drawn = pointsOf(courseText(course));
      expect(drawn.length).toBe(course.length);
      drawn.forEach(([atHour, ...counts], i) => {
        const told = course[i];
        if (!told) throw new Error('a point too many');
        expect(atHour).toBe(told.atHour);
        [told.p10, told.p50, told.p90].forEach((n, j) =>
          expect(Math.abs((counts[j] ?? NaN) - n)).toBeLessThan(0.0051),
        );
      });
    }),
  );
});
