import fc from 'fast-check';
import { BrokenContractError } from '../errors';
import { stripJpeg } from './strip-jpeg';

const segment = (marker: number, data: readonly number[]): number[] => [
  0xff,
  marker,
  (data.length + 2) >> 8,
  (data.length + 2) & 0xff,
  ...data,
];
const words = (text: string): number[] => [...Buffer.from(text, 'latin1')];
const FRAME = segment(0xc0, [8, 0x01, 0x2c, 0x01, 0x90, 1, 1, 0x11, 0]);
const SCAN = [...segment(0xda, [1, 1, 0, 0, 63, 0]), 1, 2, 0xff, 0x00, 3];
const PLACE = words('Exif\0\0GPSLatitude 54.1');
const picture = (extra: readonly number[] = [], after: readonly number[] = []): Uint8Array =>
  Uint8Array.from([
    0xff,
    0xd8,
    ...segment(0xe0, words('JFIF\0')),
    ...extra,
    ...segment(0xdb, [0, 1, 2]),
    ...FRAME,
    ...SCAN,
    0xff,
    0xd9,
    ...after,
  ]);
const holds = (bytes: Uint8Array, text: string): boolean => Buffer.from(bytes).includes(text);

test('where and with what it was taken is left out; the picture and its size stay', () => {
  const notes = [
    ...segment(0xe1, PLACE),
    ...segment(0xe1, words('http://ns.adobe.com/xap/1.0/\0GPS')),
    ...segment(0xed, words('Photoshop town')),
    ...segment(0xfe, words('by Wen')),
  ];
  const { bytes, widthPx, heightPx } = stripJpeg(picture(notes, words('trailing GPS')));
  expect([widthPx, heightPx]).toEqual([400, 300]);
  expect(Buffer.from(bytes).equals(picture())).toBe(true);
  for (const text of ['GPS', 'town', 'Wen']) expect(holds(bytes, text)).toBe(false);
});

test('what is no picture, or is cut short, is refused and never loops', () => {
  const whole = picture(segment(0xe1, PLACE));
  const refused = (bytes: Uint8Array): boolean => {
    try {
      stripJpeg(bytes);
      return false;
    } catch (error) {
      if (error instanceof BrokenContractError) return true;
      throw error;
    }
  };
  for (let length = 0; length < whole.length; length++) expect(refused(whole.subarray(0, length))).toBe(true);
  fc.assert(
    fc.property(fc.uint8Array({ maxLength: 300 }), (bytes) => {
      // Either refused or stripped: anything else throws.
      refused(Uint8Array.from([0xff, 0xd8, ...bytes]));
    }),
  );
});
