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

const wordAt = (bytes: Uint8Array, at: number): number => ((bytes[at] ?? 0) << 8) | (bytes[at + 1] ?? 0);

/** Where the segment that begins at or behind `at` begins: any marker may have filling before it. */
function pastFilling(jpeg: Uint8Array, at: number): number {
  let begins = at;
  while (begins + 4 <= jpeg.length && jpeg[begins] === 0xff && jpeg[begins + 1] === 0xff) begins++;
  return begins;
}

/** The segment that begins there, its marker and length with it. */
function segmentAt(jpeg: Uint8Array, at: number): Uint8Array {
  const isMarked = at + 4 <= jpeg.length && jpeg[at] === 0xff;
  const length = wordAt(jpeg, at + 2);
  if (!isMarked || length < 2 || at + 2 + length > jpeg.length) refuse('is cut short or damaged');
  return jpeg.subarray(at, at + 2 + length);
}

function joined(parts: readonly Uint8Array[]): Uint8Array {
  const bytes = new Uint8Array(parts.reduce((n, part) => n + part.length, 0));
  let at = 0;
  for (const part of parts) {
    bytes.set(part, at);
    at += part.length;
  }
  return bytes;
}

/**
 * A JPEG without its notes: EXIF (place, camera, hour, its small preview), XMP, colour profiles and
 * comments are left out, the picture is untouched. Anything behind the picture's end is dropped.
 * @throws BrokenContractError when it is no JPEG, or is cut short
 */
export function stripJpeg(jpeg: Uint8Array): StrippedJpeg {
  if (jpeg[0] !== 0xff || jpeg[1] !== START) refuse('is not a JPEG picture');
  const kept: Uint8Array[] = [jpeg.subarray(0, 2)];
  let size = { widthPx: 0, heightPx: 0 };
  let at = 2;
  for (let isScan = false; !isScan;) {
    at = pastFilling(jpeg, at);
    const segment = segmentAt(jpeg, at);
    const marker = segment[1] as number;
    if (isFrame(marker) && segment.length >= 9)
      size = { heightPx: wordAt(segment, 5), widthPx: wordAt(segment, 7) };
    at += segment.length;
    if (!isDropped(marker)) kept.push(segment);
    isScan = marker === START_OF_SCAN;
  }
  kept.push(scanFrom(jpeg, at));
  if (size.widthPx === 0 || size.heightPx === 0) return refuse('has no size');
  return { bytes: joined(kept), ...size };
}

/** The picture's data to its end mark; later scans of a progressive picture and their tables with it. */
function scanFrom(jpeg: Uint8Array, from: number): Uint8Array {
  for (let at = from; at + 1 < jpeg.length; at++)
    if (jpeg[at] === 0xff && jpeg[at + 1] === END) return jpeg.subarray(from, at + 2);
  return refuse('is cut short: its end is missing');
}
