import { unzipSync } from 'fflate';

/** What a file is, by its bytes and not by its name. */
export type FileKind = 'text' | 'html' | 'xlsx' | NotATable;
type NotATable =
  | 'pdf'
  | 'picture'
  | 'edi'
  | 'old excel'
  | 'excel xml'
  | 'xlsb'
  | 'ods'
  | 'word'
  | 'zip'
  | 'gzip'
  | 'json'
  | 'xml'
  | 'e-mail'
  | 'rtf'
  | 'binary';

const AS_TABLE = 'Ask the supplier for the note as CSV or as an Excel workbook (.xlsx).';
const SAVE_AS = 'Open it and save it as .xlsx or CSV.';

/** What a file is that holds no table, and what to do about it; in words for the person who dropped it. */
export const NOT_A_TABLE: Readonly<Record<NotATable, string>> = {
  pdf: `This is a PDF: a page to look at, and no table to read. ${AS_TABLE}`,
  picture: `This is a picture, and no table to read. ${AS_TABLE} Or type its lines here.`,
  edi: `This is an EDI message, for machines that trade with one another. ${AS_TABLE}`,
  'old excel': `This is an Excel workbook of the old make (.xls), or one locked by a password. ${SAVE_AS}`,
  'excel xml': `This is an Excel workbook saved as XML. ${SAVE_AS}`,
  xlsb: `This is a binary Excel workbook (.xlsb). ${SAVE_AS}`,
  ods: `This is an OpenDocument table (.ods). ${SAVE_AS}`,
  word: `This is a text document, and no table to read. ${AS_TABLE}`,
  zip: 'This is a packed folder (.zip). Unpack it and choose the note itself.',
  gzip: 'This is a packed file (.gz). Unpack it and choose the note itself.',
  json: `This is JSON, a file for programs. ${AS_TABLE}`,
  xml: `This is XML, a file for programs. ${AS_TABLE}`,
  'e-mail': 'This is an e-mail. Open it and choose the note it carries.',
  rtf: `This is a text document, and no table to read. ${AS_TABLE}`,
  binary: `This is not a CSV file: it holds binary data. ${AS_TABLE}`,
};

export const isTable = (kind: FileKind): kind is 'text' | 'html' | 'xlsx' =>
  kind === 'text' || kind === 'html' || kind === 'xlsx';

const SIGNATURES: readonly (readonly [readonly number[], NotATable | 'zip'])[] = [
  [[0x25, 0x50, 0x44, 0x46], 'pdf'],
  [[0x89, 0x50, 0x4e, 0x47], 'picture'],
  [[0xff, 0xd8, 0xff], 'picture'],
  [[0x47, 0x49, 0x46, 0x38], 'picture'],
  [[0x42, 0x4d], 'picture'],
  [[0x49, 0x49, 0x2a, 0x00], 'picture'],
  [[0x4d, 0x4d, 0x00, 0x2a], 'picture'],
  [[0xd0, 0xcf, 0x11, 0xe0], 'old excel'],
  [[0x1f, 0x8b], 'gzip'],
  [[0x50, 0x4b, 0x03, 0x04], 'zip'],
];

const ascii = (bytes: Uint8Array, from: number, to: number): string =>
  String.fromCharCode(...bytes.subarray(from, to));

/** Names within a packed file, and how large each says it is unpacked; nothing is unpacked for it. */
export function packedNames(bytes: Uint8Array): Map<string, number> {
  const names = new Map<string, number>();
  unzipSync(bytes, {
    filter: ({ name, originalSize }) => {
      names.set(name, originalSize);
      return false;
    },
  });
  return names;
}

function packedKind(bytes: Uint8Array): FileKind {
  let names: readonly string[];
  try {
    names = [...packedNames(bytes).keys()];
  } catch {
    return 'zip';
  }
  if (names.includes('xl/workbook.xml')) return 'xlsx';
  if (names.includes('xl/workbook.bin')) return 'xlsb';
  if (names.some((n) => n.startsWith('word/'))) return 'word';
  return names.includes('content.xml') && names.includes('mimetype') ? 'ods' : 'zip';
}

/** A picture or document whose mark is not at the very beginning. */
function kindWithin(bytes: Uint8Array): NotATable | null {
  if (ascii(bytes, 0, 4) === 'RIFF' && ascii(bytes, 8, 12) === 'WEBP') return 'picture';
  return ascii(bytes, 4, 8) === 'ftyp' && /^(hei|hev|mif|avi)/.test(ascii(bytes, 8, 12)) ? 'picture' : null;
}

/** What a file is by its first bytes; null where they are those of any text. */
export function kindByBytes(bytes: Uint8Array): FileKind | null {
  const signed = SIGNATURES.find(([mark]) => mark.every((byte, i) => bytes[i] === byte))?.[1];
  // "BM" begins many a text.
  if (signed === 'picture' && bytes[0] === 0x42 && !bytes.subarray(2, 200).includes(0)) return null;
  if (signed === 'zip') return packedKind(bytes);
  return signed ?? kindWithin(bytes);
}

/** A page, a workbook saved as XML, or some other file between angle brackets. */
function markedUp(head: string, text: string): FileKind {
  if (/<(html|table|body)\b/i.test(head)) return 'html';
  if (/schemas-microsoft-com:office:spreadsheet/.test(head)) return 'excel xml';
  return /<table\b/i.test(text) ? 'html' : 'xml';
}

const isMail = (head: string): boolean =>
  /^(received|return-path|delivered-to|mime-version|message-id):/im.test(head.slice(0, 600)) &&
  /^subject:/im.test(head);

const BEGINNINGS: readonly (readonly [RegExp, FileKind])[] = [
  [/^(UNA.{6}|UNB\+|ISA[*|~^]|UNH\+)/, 'edi'],
  [/^\{\\rtf/, 'rtf'],
  [/^%PDF/, 'pdf'],
  [/^[[{]\s*["{[]/, 'json'],
];

/** What a text is by how it begins. */
export function kindByText(text: string): FileKind {
  const head = text.slice(0, 4000).trimStart();
  const begun = BEGINNINGS.find(([beginning]) => beginning.test(head))?.[1];
  if (begun) return begun;
  if (/^<(\?xml|!doctype|[a-z])/i.test(head)) return markedUp(head, text);
  if (isMail(head)) return 'e-mail';
  return /[\u0000-\u0008]/.test(head) ? 'binary' : 'text';
}
