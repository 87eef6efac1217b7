import fc from 'fast-check';
import { labelLayout, ROLL_HEIGHTS_MM, ROLL_WIDTHS_MM } from './printing';

const roll = fc.record({
  widthMm: fc.integer({ min: ROLL_WIDTHS_MM.least, max: ROLL_WIDTHS_MM.most }),
  heightMm: fc.integer({ min: ROLL_HEIGHTS_MM.least, max: ROLL_HEIGHTS_MM.most }),
});

test('a label’s code fits its roll, is large enough to be read, and leaves a line for its number', () => {
  fc.assert(
    fc.property(roll, ({ widthMm, heightMm }) => {
      const { codeMm, isStacked, lines } = labelLayout({ widthMm, heightMm });
      expect(codeMm).toBeGreaterThanOrEqual(11);
      expect(codeMm).toBeLessThanOrEqual(isStacked ? widthMm - 4 : heightMm - 4);
      expect(codeMm + (isStacked ? 0 : 10)).toBeLessThanOrEqual(widthMm - 4);
      expect(lines).toBeGreaterThanOrEqual(1);
      expect(lines * 4.2 + (isStacked ? codeMm : 0)).toBeLessThanOrEqual(Math.max(heightMm - 4, 4.2));
    }),
  );
});

test('a usual roll has its words beside the code, a narrow tall one under it', () => {
  expect(labelLayout({ widthMm: 57, heightMm: 32 })).toEqual({ codeMm: 28, isStacked: false, lines: 6 });
  expect(labelLayout({ widthMm: 30, heightMm: 60 })).toMatchObject({ codeMm: 26, isStacked: true });
});
