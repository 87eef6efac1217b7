import { isTwofold, readByHabit } from '../numbers/number-habit';
import type { DecimalMark } from '../numbers/read-number';
import type { Column, Heading } from './columns';
import { COUNT_COLUMNS, readHeading } from './headings';
import type { Meaning } from './meaning';
import { readAmounts, type CellAmounts } from './quantity-cell';
import { areDutch, unitOf, type Unit } from './units';

/** How the numbers of a table's columns are written, by index of the column. */
export interface TableHabits {
  readonly marks: ReadonlyMap<number, DecimalMark | null>;
}

/** What a line says of how much there is, before anybody knows what an open count means. */
export interface LineFacts {
  boxes: number | null;
  bunches: number | null;
  /** Of a column called "stems": of the line, or in each bunch. */
  loose: number | null;
  inAll: number | null;
  /** With no unit. */
  quantity: number | null;
  perBunch: number | null;
  bunchesPerBox: number | null;
  perBox: number | null;
  /** Contents of whatever is counted. */
  pack: number | null;
  weightG: number | null;
  /** What was ordered, as it is written. */
  ordered: string | null;
  /** A count of this line could be so many thousands or so many ones. */
  isTwofold: boolean;
  readonly problems: string[];
}

type Field = Exclude<keyof LineFacts, 'ordered' | 'problems' | 'isTwofold'>;

type CountColumn = (typeof COUNT_COLUMNS)[number];

/** As a column is called where something in it cannot be read. */
const CALLED: Readonly<Record<CountColumn, string>> = {
  boxes: 'boxes',
  bunchesPerBox: 'bunches a box',
  stemsPerBox: 'stems a box',
  bunches: 'bunches',
  stemsPerBunch: 'stems a bunch',
  pack: 'pack',
  stems: 'stems',
  stemsInAll: 'stems in all',
  quantity: 'quantity',
};

const isBlank = (text: string): boolean => text === '' || /^[-–—.]$/.test(text);

/** Where a column's numbers go that have no unit beside them. */
const OF_COLUMN: Readonly<Record<CountColumn, Field>> = {
  boxes: 'boxes',
  bunchesPerBox: 'bunchesPerBox',
  stemsPerBox: 'perBox',
  bunches: 'bunches',
  stemsPerBunch: 'perBunch',
  pack: 'pack',
  stems: 'loose',
  stemsInAll: 'inAll',
  quantity: 'quantity',
};

const OF_UNIT: Readonly<Record<Exclude<Unit, 'kg' | 'g' | 'dozen'>, Field>> = {
  box: 'boxes',
  bunch: 'bunches',
  pack: 'bunches',
  stem: 'inAll',
};
const DOZEN = 12;
const HEAVIEST_G = 1_000_000;
const gramsIn = (unit: Unit | null): number | null => (unit === 'kg' ? 1000 : unit === 'g' ? 1 : null);

/** "bunch/20": so many in each; null where a unit says nothing of the kind. */
function bunchOf(text: string): number | null {
  const [, word = '', each = ''] = /^(\p{L}+)\s*[/x×]\s*(\d{1,3})$/u.exec(text) ?? [];
  const unit = unitOf(word);
  return unit === 'bunch' || unit === 'pack' ? Number(each) : null;
}

/** Reads what one row says of how much there is. */
class FactReader {
  readonly facts: LineFacts = {
    boxes: null,
    bunches: null,
    loose: null,
    inAll: null,
    quantity: null,
    perBunch: null,
    bunchesPerBox: null,
    perBox: null,
    pack: null,
    weightG: null,
    ordered: null,
    isTwofold: false,
    problems: [],
  };

  constructor(
    private readonly row: readonly string[],
    private readonly heading: Heading,
    private readonly habits: TableHabits,
    private readonly meaning: Meaning,
  ) {}

  cell(column: Column): string {
    return (this.row[this.heading.columns.get(column) ?? -1] ?? '').trim();
  }

  /** A number of a column of counts; "1.000" by what it was said to mean. */
  private number(at: number): (text: string) => number | null {
    return (text) => {
      const own = this.habits.marks.get(at) ?? null;
      if (own !== null || !isTwofold(text)) return readByHabit(text, own);
      this.facts.isTwofold = true;
      const mark = /[.,]/.exec(text)?.[0] ?? '.';
      const isThousands = this.meaning.marks !== 'decimals';
      return Number(text.replace(mark, isThousands ? '' : '.'));
    };
  }

  private put(field: Field, value: number | null, where: string): void {
    if (value === null) return;
    const was = this.facts[field];
    if (was !== null && was !== value)
      this.facts.problems.push(`two counts that differ, ${was} and ${value} (${where})`);
    else this.facts[field] = value;
  }

  /** The unit beside a quantity, and what it may say of its contents: "Bund", "bunch of 10". */
  private unitBeside(): { unit: Unit | null; perBunch: number | null } | null {
    const text = this.cell('unit');
    if (isBlank(text)) {
      const noun = this.nounOver('quantity');
      return { unit: noun, perBunch: null };
    }
    const unit = unitOf(text);
    if (unit === 'dozen' && /^dozen$/i.test(text) && areDutch(this.heading.cells))
      return { unit: 'box', perBunch: null };
    if (unit) return { unit, perBunch: null };
    const perBunch = bunchOf(text) ?? readAmounts(text, (t) => readByHabit(t, null))?.perBunch;
    return perBunch ? { unit: 'bunch', perBunch } : null;
  }

  private nounOver(column: Column): Unit | null {
    const words = this.heading.cells[this.heading.columns.get(column) ?? -1];
    const noun = words === undefined ? null : (readHeading(words.trim())?.noun ?? null);
    return noun === null || noun === 'weight' || noun === 'cm' ? null : noun;
  }

  /** A quantity whose unit stands beside it: so many bunches, dozens, kilograms. */
  private putQuantity(text: string, at: number): void {
    const beside = this.unitBeside();
    const grams = gramsIn(beside?.unit ?? null);
    if (grams !== null && /^[\d.,\s'’]+$/.test(text)) {
      this.putGrams('quantity', text, readByHabit(text, this.habits.marks.get(at) ?? null), grams);
      return;
    }
    const said = this.read('quantity', text, at);
    if (!said) return;
    if (beside) this.put('perBunch', beside.perBunch, 'unit');
    if (said.plain !== null) this.putOfUnit(said.plain, beside && beside.unit);
    if (!beside) this.facts.problems.push(`unit “${this.cell('unit')}” is none we know`);
  }

  private putOfUnit(n: number, unit: Unit | null): void {
    if (unit === 'dozen') this.put('inAll', n * DOZEN, 'quantity');
    else if (unit === null || unit === 'kg' || unit === 'g') this.put('quantity', n, 'quantity');
    else this.put(OF_UNIT[unit], n, 'quantity');
  }

  private putGrams(called: string, text: string, n: number | null, grams: number | null): void {
    const weight = n === null || grams === null ? 0 : Math.round(n * grams);
    if (weight <= 0 || weight > HEAVIEST_G) this.facts.problems.push(`${called} “${text}” cannot be read`);
    else this.put('weightG', weight, called);
  }

  /** What a cell says beside a plain number goes where its own units say; the rest comes back. */
  private read(column: CountColumn, text: string, at: number): CellAmounts | null {
    const said = readAmounts(text, this.number(at));
    if (!said) {
      this.facts.problems.push(`${CALLED[column]} “${text}” cannot be read`);
      return null;
    }
    this.put('boxes', said.boxes, column);
    this.put('weightG', said.weightG, column);
    this.put('bunchesPerBox', said.bunchesPerBox, column);
    this.put('perBox', said.perBox, column);
    this.put('perBunch', said.perBunch, column);
    this.put('bunches', said.packs, column);
    if (said.dozens !== null) this.put('inAll', said.dozens * DOZEN, column);
    const isContents = column === 'pack' || column === 'stemsPerBunch' || column === 'stemsPerBox';
    // "10 x 25" in a column of packs: so many bunches in each box.
    this.put(isContents ? 'bunchesPerBox' : 'bunches', said.bunches, column);
    // Stems beside bunches in one cell may be of the line or of each; so may a column of stems.
    const isLoose = said.bunches !== null || column === 'stems';
    if (said.stems !== null)
      this.put(isContents ? OF_COLUMN[column] : isLoose ? 'loose' : 'inAll', said.stems, column);
    return said;
  }

  private putColumn(column: CountColumn): void {
    const at = this.heading.columns.get(column);
    const text = this.cell(column);
    if (at === undefined || isBlank(text)) return;
    if (column === 'quantity') return this.putQuantity(text, at);
    const said = this.read(column, text, at);
    if (said && said.plain !== null) this.put(OF_COLUMN[column], said.plain, column);
  }

  private putWeight(): void {
    const at = this.heading.columns.get('weightG');
    const text = this.cell('weightG');
    if (at === undefined || isBlank(text)) return;
    const mark = this.habits.marks.get(at) ?? null;
    const written = /^([\d.,\s'’]+)\s*(\p{L}+)?\.?$/u.exec(text);
    const n = written ? readByHabit(written[1] ?? '', mark) : null;
    const unit = written?.[2];
    const grams = gramsIn(unit === undefined ? this.nounOver('weightG') : unitOf(unit));
    this.putGrams(
      'weight',
      text,
      n,
      grams ?? (unit === undefined && n !== null ? gramsByMagnitude(n) : null),
    );
  }

  /** A second column of the same counts: as long as both say the same, it changes nothing. */
  private compareDoubles(): void {
    for (const [column, at] of this.heading.doubles) {
      if (!(COUNT_COLUMNS as readonly Column[]).includes(column)) continue;
      const [one, other] = [this.cell(column), (this.row[at] ?? '').trim()];
      if (!isBlank(other) && one !== other)
        this.facts.problems.push(
          `two columns of ${CALLED[column as CountColumn]}: “${one}” and “${other}” (${this.heading.cells[at] ?? ''})`,
        );
    }
  }

  readAll(): LineFacts {
    for (const column of COUNT_COLUMNS) this.putColumn(column);
    this.putWeight();
    this.compareDoubles();
    const ordered = this.cell('ordered');
    if (!isBlank(ordered)) this.facts.ordered = ordered;
    return this.facts;
  }
}

const LIGHTEST_IN_GRAMS = 50;
const HEAVIEST_IN_KG = 20;

/** A weight without its unit: from fifty up it is grams, a small fraction kilograms; else nobody can say. */
function gramsByMagnitude(n: number): number | null {
  if (n >= LIGHTEST_IN_GRAMS) return 1;
  return n <= HEAVIEST_IN_KG && !Number.isInteger(n) ? 1000 : null;
}

/** What a row says of how much there is, with counts such as "1.000" read as the meaning has them. */
export const factsOf = (
  row: readonly string[],
  heading: Heading,
  habits: TableHabits,
  meaning: Meaning,
): LineFacts => new FactReader(row, heading, habits, meaning).readAll();
