import { readNumber, type DecimalMark } from './read-number';

/** Of a number with one mark: a fraction, unless it could as well be so many thousands. */
function ofOneMark(figures: string, mark: DecimalMark): DecimalMark | null {
  const [whole = '', part = ''] = figures.split(mark);
  const couldBeThousands = part.length === 3 && /^-?[1-9]\d{0,2}$/.test(whole);
  return couldBeThousands ? null : mark;
}

/** What a number's own marks say of the file's habit: which mark is the decimal one; null where they say nothing. */
function decimalMarkSaid(text: string): DecimalMark | null {
  const figures = /-?\d[\d.,'’ \u00a0]*/.exec(text)?.[0].trim().replace(/[.,]$/, '') ?? '';
  const marks = Array.from(figures).filter((c): c is DecimalMark => c === '.' || c === ',');
  const [first, last] = [marks[0], marks.at(-1)];
  if (first === undefined || last === undefined) return null;
  if (first !== last) return last;
  // "1.000.000": one mark again and again parts thousands.
  if (marks.length > 1) return last === ',' ? '.' : ',';
  return ofOneMark(figures, last);
}

/** Whether a number could be so many thousands or so many thousandths: "1.000", "2,500". */
export const isTwofold = (text: string): boolean =>
  /^\d{1,3}[.,]\d{3}$/.test(text.trim()) && decimalMarkSaid(text) === null;

/** Which mark parts wholes from fractions in cells of one column, and whether all of them agree. */
export interface NumberHabit {
  /** Null where no cell says, or two contradict each other. */
  readonly mark: DecimalMark | null;
  readonly isTorn: boolean;
}

export function numberHabitOf(cells: readonly string[]): NumberHabit {
  const said = new Set(cells.map(decimalMarkSaid).filter((m) => m !== null));
  const [only] = said;
  return said.size === 1 && only ? { mark: only, isTorn: false } : { mark: null, isTorn: said.size > 1 };
}

/**
 * A number by its own marks where they say enough, else by the habit of its column; null where it is
 * none, or where it could be two and nothing says which.
 */
export function readByHabit(text: string, habit: DecimalMark | null): number | null {
  const plain = text.trim().replace(/[ '’\u00a0\u202f](?=\d{3}(?:\D|$))/g, '');
  const mark = decimalMarkSaid(plain) ?? habit;
  if (!/[.,]/.test(plain)) return readNumber(plain);
  if (mark === null) return null;
  const other = mark === ',' ? '.' : ',';
  const grouped = new RegExp(`^-?\\d{1,3}(?:\\${other}\\d{3})+(?:\\${mark}\\d+)?$`);
  const bare = new RegExp(`^-?\\d*(?:\\${mark}\\d+)?$`);
  if (!grouped.test(plain) && !bare.test(plain)) return null;
  const value = Number(plain.split(other).join('').replace(mark, '.'));
  return Number.isFinite(value) ? value : null;
}
