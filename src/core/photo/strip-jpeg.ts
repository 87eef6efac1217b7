import { BrokenContractError } from '../errors';

/** A picture as it is kept: what it shows and nothing about where or with what it was taken. */
export interface StrippedJpeg {
  readonly bytes: Uint8Array;
  readonly widthPx: number;
  readonly heightPx: number;
}

const [START, START_OF_SCAN, END] = [0xd8, 0xda, 0xd9];
/** JFIF's own and the colour transform's: without them colours are read wrong. They hold no words. */
const KEPT_APPLICATION_SEGMENTS = new Set([0xe0, 0xee]);
const COMMENT = 0xfe;

const refuse = (message: string): never => {
  throw new BrokenContractError([{ field: 'photograph', message }]);
};

const isFrame = (marker: number): boolean =>
  marker >= 0xc0 && marker <= 0xcf && marker !== 0xc4 && marker !== 0xc8 && marker !== 0xcc;
const isDropped = (marker: number): boolean =>
  marker === COMMENT || (marker >= 0xe0 && marker <= 0xef && !KEPT_APPLICATION_SEGMENTS.has(marker));

/**
 * A JPEG without its notes: EXIF (place, camera, hour, its small preview), XMP, colour profiles and
 * comments are left out, the picture is untouched. Anything behind the picture's end is dropped.
 * @throws BrokenContractError when it is no JPEG, or is cut short
 */
export function stripJpeg(jpeg: Uint8Array): StrippedJpeg {
  if (jpeg[0] !== 0xff || jpeg[1] !== START) refuse('is not a JPEG picture');
  const kept: Uint8Array[] = [jpeg.subarray(0, 2)];
  let size: { widthPx: number; heightPx: number } | null = null;
  for (let at = 2; ;) {
    if (at + 4 > jpeg.length || jpeg[at] !== 0xff) refuse('is cut short or damaged');
    const marker = jpeg[at + 1] ?? 0;
    if (marker === 0xff) {
      at++;
      continue;
    }
    const length = ((jpeg[at + 2] ?? 0) << 8) | (jpeg[at + 3] ?? 0);
    if (length < 2 || at + 2 + length > jpeg.length) refuse('is cut short or damaged');
    const segment = jpeg.subarray(at, at + 2 + length);
    if (isFrame(marker) && segment.length >= 9)
      size = {
        heightPx: ((segment[5] ?? 0) << 8) | (segment[6] ?? 0),
        widthPx: ((segment[7] ?? 0) << 8) | (segment[8] ?? 0),
      };
    at += 2 + length;
    if (!isDropped(marker)) kept.push(segment);
    if (marker === START_OF_SCAN) {
      kept.push(scanFrom(jpeg, at));
      break;
    }
  }
  if (!size || size.widthPx === 0 || size.heightPx === 0) return refuse('has no size');
  const bytes = new Uint8Array(kept.reduce((n, part) => n + part.length, 0));
  let at = 0;
  for (const part of kept) {
    bytes.set(part, at);
    at += part.length;
  }
  return { bytes, ...size };
}

/** The picture's data to its end mark; later scans of a progressive picture and their tables with it. */
function scanFrom(jpeg: Uint8Array, from: number): Uint8Array {
  for (let at = from; at + 1 < jpeg.length; at++)
    if (jpeg[at] === 0xff && jpeg[at + 1] === END) return jpeg.subarray(from, at + 2);
  return refuse('is cut short: its end is missing');
}
