import {
  DATE_STYLES,
  Draw,
  flowersOf,
  isoOf,
  layoutOf,
  LAYOUTS,
  money,
  NOTE_DAY,
  type Cells,
  type Flower,
  type Habit,
  type Layout,
} from './note-layouts';
import { HEADINGS, LANGUAGES, TOTAL_WORDS, UNITS, type HeadingKey, type Language } from './note-words';
import { workbookOf } from './workbook';

/** What one line of a generated note truly says. */
export interface TrueLine {
  /** Line of the file. */
  readonly line: number;
  readonly speciesKey: string;
  /** Null where the note leaves it out, as with a weight. */
  readonly stems: number | null;
  readonly weightG: number | null;
  readonly cutDate: string | null;
}

export interface GeneratedNote {
  readonly kind: Layout;
  readonly language: Language;
  readonly file: Uint8Array;
  readonly format: string;
  readonly rows: number;
  readonly lines: readonly TrueLine[];
  /** Headings that mean nothing to a florist. */
  readonly strange: readonly string[];
}

/** What growers remark that changes nothing of the counts. */
const REMARKS = ['', '', 'top quality', 'mit freundlichen Grüßen', 'lot 12', 'keep cool'] as const;
const STRANGE = ['Zzq', 'Bay', 'QZ-7', 'Klp.', 'Wrl status'];
const DELIMITERS = [';', ',', '\t', '|'] as const;

function quoted(cell: string, delimiter: string): string {
  return cell.includes(delimiter) || cell.includes('"') ? `"${cell.replace(/"/g, '""')}"` : cell;
}

/** Letters of Windows-1250 that Western pages write otherwise, by their bytes. */
const POLISH = new Map(
  Array.from('ąćęłńóśźżĄĆĘŁŃÓŚŹŻ', (c, i): [string, number] => [
    c,
    [
      0xb9, 0xe6, 0xea, 0xb3, 0xf1, 0xf3, 0x9c, 0x9f, 0xbf, 0xa5, 0xc6, 0xca, 0xa3, 0xd1, 0xd3, 0x8c, 0x8f,
      0xaf,
    ][i] ?? 63,
  ]),
);
const inPolish = (c: string): boolean => c.charCodeAt(0) < 128 || POLISH.has(c);

function encoded(draw: Draw, text: string): { bytes: Uint8Array; name: string } {
  if (draw.chance(0.2) && Array.from(text).some((c) => POLISH.has(c)) && Array.from(text).every(inPolish))
    return { bytes: Uint8Array.from(text, (c) => POLISH.get(c) ?? c.charCodeAt(0)), name: 'windows-1250' };
  const isWestern = Array.from(text).every((c) => c.charCodeAt(0) < 256);
  const name = draw.one(isWestern ? ['utf-8', 'bom', 'utf-16', 'windows-1252'] : ['utf-8', 'bom', 'utf-16']);
  if (name === 'windows-1252') return { bytes: Uint8Array.from(text, (c) => c.charCodeAt(0)), name };
  if (name === 'utf-16') return { bytes: new Uint8Array(Buffer.from(`\ufeff${text}`, 'utf16le')), name };
  return { bytes: new TextEncoder().encode(name === 'bom' ? `\ufeff${text}` : text), name };
}

const page = (rows: readonly (readonly string[])[]): string =>
  `<html><body><table>${rows
    .map(
      (r) =>
        `<tr>${r.map((c) => `<td>${c.replace(/&/g, '&amp;').replace(/</g, '&lt;')}</td>`).join('')}</tr>`,
    )
    .join('\n')}</table></body></html>`;

/** Writes the rows down as a file of some kind. */
function written(
  draw: Draw,
  rows: readonly (readonly string[])[],
  habit: Habit,
): { file: Uint8Array; format: string } {
  const kind = draw.whole(1, 20);
  if (kind === 1) return { file: workbookOf({ Note: rows }), format: 'xlsx' };
  if (kind === 2) return { file: new TextEncoder().encode(page(rows)), format: 'html' };
  const delimiter = draw.one(habit.decimal === ',' ? [';', '\t', '|'] : DELIMITERS);
  const text = rows
    .map((r) => r.map((c) => quoted(c, delimiter)).join(delimiter))
    .join(draw.one(['\n', '\r\n']));
  const { bytes, name } = encoded(draw, `${text}\n`);
  return { file: bytes, format: `${delimiter === '\t' ? 'tab' : delimiter} ${name}` };
}

/** A delivery note of some supplier's habits with what it truly says, the same from a seed. */
export function generateNote(seed: number): GeneratedNote {
  const draw = new Draw(seed);
  const language = draw.one(LANGUAGES);
  const kind = draw.one(LAYOUTS);
  const decimal = language === 'en' ? '.' : draw.one([',', ',', '.'] as const);
  const habit: Habit = {
    decimal,
    thousands: draw.one(decimal === ',' ? (['', '.', ' '] as const) : (['', ',', "'"] as const)),
    date: language === 'en' ? draw.one(DATE_STYLES) : draw.one(DATE_STYLES.slice(0, 4)),
  };
  const layout = layoutOf(kind, draw, language, habit);
  const words = HEADINGS[language];
  const strange = draw.chance(0.3) ? [draw.one(STRANGE)] : [];
  const keys: HeadingKey[] = [
    ...(draw.chance(0.5) ? (['number'] as const) : []),
    ...(draw.chance(0.3) ? (['code'] as const) : []),
    'product',
    ...(draw.chance(0.4) ? (['length'] as const) : []),
    ...layout.keys,
    ...(draw.chance(0.6) ? (['cut'] as const) : []),
    ...(draw.chance(0.3) ? (['origin'] as const) : []),
    ...(draw.chance(0.3) ? (['remark'] as const) : []),
  ];
  const heading = [...keys.map((k) => draw.one(words[k === 'shipped' ? 'shipped' : k])), ...strange];
  const rows: string[][] = [];
  const note = new Date(NOTE_DAY);
  if (draw.chance(0.5)) {
    rows.push(['Norrholt Growers', '', `NG-${draw.whole(1000, 9999)}`, isoOf(note.getTime())]);
    if (draw.chance(0.3)) rows.push([]);
  }
  const isDouble = draw.chance(0.1);
  if (isDouble) {
    // The group's word over its columns, each column's own under it.
    rows.push(
      heading.map((h, i) => (i % 2 === 0 ? h : '')),
      heading.map((h, i) => (i % 2 === 0 ? '' : h)),
    );
  } else rows.push(heading);
  const lines: TrueLine[] = [];
  const flowers = flowersOf(draw, language);
  const put = (flower: Flower, at: number): void => {
    const { cells, stems, weightG } = layout.cells(flower);
    const all: Cells = {
      ...cells,
      number: String(at + 1),
      code: String(draw.whole(10_000, 99_999)),
      product: flower.name,
      length: draw.one([String(flower.length), `${flower.length} cm`]),
      cut: habit.date(flower.cut),
      origin: 'NL',
      remark: draw.one(REMARKS),
    };
    rows.push([...keys.map((k) => all[k] ?? ''), ...strange.map(() => 'x')]);
    lines.push({
      line: rows.length,
      speciesKey: flower.key,
      stems,
      weightG: weightG ?? null,
      cutDate: keys.includes('cut') ? isoOf(flower.cut.getTime()) : null,
    });
  };
  flowers.forEach((flower, at) => {
    if (at === 3 && !isDouble && draw.chance(0.2)) rows.push(heading);
    put(flower, at);
  });
  // A line that is sent, or written, twice: it may only be asked about.
  const repeated = draw.chance(0.1) ? flowers[0] : undefined;
  if (repeated && kind !== 'boxes') put(repeated, flowers.length);
  if (kind === 'bunches and "stems", each' && draw.chance(0.2))
    rows.push([
      `${TOTAL_WORDS[language]}: ${lines.reduce((n, l) => n + (l.stems ?? 0), 0)} ${UNITS[language].stem[0]}`,
    ]);
  if (draw.chance(0.4)) {
    const total = keys.map((k) => (k === 'amount' ? money(draw.whole(100, 900), habit) : ''));
    total[keys.indexOf('product')] = TOTAL_WORDS[language];
    rows.push(total);
  }
  if (draw.chance(0.2)) rows.push([], ['Thank you, and mind the frost']);
  const { file, format } = written(draw, rows, habit);
  return { kind, language, file, format, rows: rows.length, lines, strange };
}
