const LOOKED_AT = 4000;

/** UTF-16 without its mark shows by every other byte of plain text being nought. */
function utf16Without(bytes: Uint8Array): 'utf-16le' | 'utf-16be' | null {
  const head = bytes.subarray(0, LOOKED_AT);
  const noughts = (from: number): number => head.filter((b, i) => i % 2 === from && b === 0).length;
  const half = head.length / 2;
  if (half < 4) return null;
  if (noughts(1) > 0.7 * half && noughts(0) < 0.1 * half) return 'utf-16le';
  return noughts(0) > 0.7 * half && noughts(1) < 0.1 * half ? 'utf-16be' : null;
}

/** Polish letters of Windows-1250 read as Windows-1252: signs that stand within no Western word. */
const POLISH_MISREAD = /\p{L}[³¹¿Ÿ]|[³¹¿]\p{L}|[œ£¥][\p{L}]/gu;

/** What Windows-1252 has where Latin-1 has control signs; some decoders take the one for the other. */
const WINDOWS_SIGNS = '€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f\u0090‘’“”•–—˜™š›œ\u009džŸ';

const western = (bytes: Uint8Array): string =>
  new TextDecoder('windows-1252')
    .decode(bytes)
    .replace(/[\u0080-\u009f]/g, (c) => WINDOWS_SIGNS[c.charCodeAt(0) - 0x80] ?? c);

/** Text of old Windows files: Central European where signs stand within words that are its letters. */
function windowsText(bytes: Uint8Array): string {
  const text = western(bytes);
  return text.match(POLISH_MISREAD) ? new TextDecoder('windows-1250').decode(bytes) : text;
}

/** Text of a file: UTF-16 where its mark or its bytes say so, UTF-8 where it is valid, else an old Windows page. */
export function decodeNote(bytes: Uint8Array): string {
  const [first, second] = bytes;
  if (first === 0xff && second === 0xfe) return new TextDecoder('utf-16le').decode(bytes.subarray(2));
  if (first === 0xfe && second === 0xff) return new TextDecoder('utf-16be').decode(bytes.subarray(2));
  const utf16 = utf16Without(bytes);
  if (utf16) return new TextDecoder(utf16).decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes).replace(/^\uFEFF/, '');
  } catch {
    return windowsText(bytes);
  }
}
