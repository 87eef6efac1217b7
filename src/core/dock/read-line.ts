import type { Species } from '../species/species';
import type { SpeciesRegistry } from '../species/registry';
import type { DecimalMark } from '../numbers/read-number';
import type { Column, ColumnMap } from './columns';
import { findGrams, stemsByWeight, type GramsFound, type GramsPerStem } from './grams';
import { matchSpecies } from './match-species';
import {
  currencyIn,
  priceUnitIn,
  readCountOf,
  readLengthCm,
  readPrice,
  readWeightG,
  type PriceUnit,
} from './read-cells';
import { readDate } from '../calendar/read-date';
import type { NoteLine } from './types';

/** What a file's lines share in being read. */
export interface LineContext {
  readonly columns: ColumnMap;
  readonly headings: readonly string[];
  readonly decimalMark: DecimalMark;
  readonly noteDate: string | null;
  readonly dayFirst: boolean;
  /** Species this shop chose for such words of this supplier, by plain words. */
  readonly remembered: Readonly<Record<string, string>>;
  /** Grams a stem, where the shop has weighed its own. */
  readonly gramsPerStem: GramsPerStem;
  readonly species: SpeciesRegistry;
}

const SHORT_OR_OTHER = /short|missing|back.?order|fehl|manqu|tekort|substitut|instead|replac|ersatz|vervang/i;
const PER_BUNCH =
  /(\d+)\s*(?:stems?|st|stk|st(?:ü|u)ck|stelen|tiges|tallos)\s*(?:\/|per|pro|je|par)\s*(?:bunch|bund|bd|bos|botte|ramo)/i;

/** A line with nothing read off it yet, left aside for a reason. */
export function ignoredLine(line: number, text: string, reason: string): NoteLine {
  return {
    line,
    status: 'ignored',
    reasons: [reason],
    product: text,
    speciesKey: null,
    variety: null,
    colour: null,
    bunches: null,
    stemsPerBunch: null,
    stems: null,
    weightG: null,
    headsMin: null,
    lengthCm: null,
    cutDate: null,
    origin: null,
    packing: null,
    unitPrice: null,
    priceUnit: null,
    currency: null,
    duplicateOf: null,
    remark: null,
  };
}

/** Collects what is read off one line: what was guessed and why, and what somebody must decide. */
class LineReading {
  readonly guesses: string[] = [];
  readonly decide: string[] = [];
  /** Told beside, and no doubt about the line. */
  readonly notes: string[] = [];

  constructor(
    private readonly row: readonly string[],
    private readonly context: LineContext,
  ) {}

  cell(column: Column): string {
    return (this.row[this.context.columns.get(column) ?? -1] ?? '').trim();
  }

  /** A cell read by `reader`; one that says something unreadable waits for a decision. */
  read<T>(column: Column, name: string, reader: (text: string) => T | null): T | null {
    const text = this.cell(column);
    if (text === '' || text === '-' || text === '–') return null;
    const value = reader(text);
    if (value === null) this.decide.push(`${name} “${text}” cannot be read`);
    return value;
  }
}

interface Counts {
  readonly bunches: number | null;
  readonly stemsPerBunch: number | null;
  readonly stems: number | null;
  readonly weightG: number | null;
}

/** Stems a bunch: of its column, else as the line's remark says. */
function readStemsPerBunch(reading: LineReading, bunches: number | null): number | null {
  const told = reading.read('stemsPerBunch', 'stems a bunch', readCountOf);
  const remark = PER_BUNCH.exec(reading.cell('remark'));
  if (told !== null || bunches === null || !remark) return told;
  const remarked = readCountOf(remark[1] ?? '');
  if (remarked !== null) reading.guesses.push(`${remarked} stems a bunch by its remark`);
  return remarked;
}

/** Stems of a weight, by what this shop has weighed; asked where it has weighed none. */
function stemsOfWeight(reading: LineReading, weightG: number, grams: GramsFound | null): number | null {
  if (grams === null) {
    reading.decide.push(`${weightG} g: how many stems? We have no grams a stem for it`);
    return null;
  }
  const told = stemsByWeight(weightG, grams);
  reading.notes.push(told.words);
  return told.stems;
}

function readCounts(
  reading: LineReading,
  speciesKey: string | null,
  grams: GramsFound | null,
  mark: DecimalMark,
  unit: 'g' | 'kg',
): Counts {
  const bunches = reading.read('bunches', 'bunches', readCountOf);
  const stemsPerBunch = readStemsPerBunch(reading, bunches);
  const counted = reading.read('stems', 'stems', readCountOf);
  const weightG = reading.read('weightG', 'weight', (t) => readWeightG(t, mark, unit));
  const byBunch = bunches !== null && stemsPerBunch !== null ? bunches * stemsPerBunch : null;
  if (counted !== null && byBunch !== null && counted !== byBunch)
    reading.decide.push(`${bunches} × ${stemsPerBunch} is ${byBunch}, yet it says ${counted} stems`);
  const found = { bunches, stemsPerBunch, stems: byBunch ?? counted, weightG };
  if (found.stems !== null) return found;
  if (weightG === null)
    reading.decide.push(bunches === null ? 'no count of stems' : 'no count of stems a bunch');
  else if (speciesKey) return { ...found, stems: stemsOfWeight(reading, weightG, grams) };
  return found;
}

/** A variety that carries its colour: "Evening Ferry, deep red". */
function varietyAndColour(
  variety: string,
  colour: string,
): { variety: string | null; colour: string | null } {
  const comma = variety.lastIndexOf(',');
  if (colour !== '' || comma < 0) return { variety: variety || null, colour: colour || null };
  return { variety: variety.slice(0, comma).trim() || null, colour: variety.slice(comma + 1).trim() || null };
}

function readPriceOf(reading: LineReading, context: LineContext, counts: Counts) {
  const price = reading.read('unitPrice', 'price', (t) => readPrice(t, context.decimalMark));
  if (!price) return { unitPrice: null, priceUnit: null, currency: reading.cell('currency') || null };
  const heading = context.headings[context.columns.get('unitPrice') ?? -1] ?? '';
  const usual: PriceUnit = counts.weightG !== null ? 'kg' : 'stem';
  return {
    unitPrice: price.amount,
    priceUnit: price.unit ?? priceUnitIn(reading.cell('priceUnit')) ?? priceUnitIn(heading) ?? usual,
    currency: reading.cell('currency') || price.currency || currencyIn(heading),
  };
}

/** The species a product's name means; one that is not sure is said so, one nobody knows is asked. */
function readSpecies(reading: LineReading, product: string, context: LineContext): Species | null {
  const match = matchSpecies(product, context.remembered, context.species);
  if (!match)
    reading.decide.push(product === '' ? 'no product is named' : `nothing we know is called “${product}”`);
  else if (match.how === 'likely') reading.guesses.push(match.reason);
  return match?.species ?? null;
}

/** When it was cut; a day that cannot be, or is not told, is said. */
function readCut(reading: LineReading, context: LineContext): string | null {
  const cut = reading.read('cutDate', 'cut date', (t) => readDate(t, context));
  if (cut?.yearGuessed) reading.guesses.push(`cut on ${cut.date}: the note leaves the year out`);
  if (cut && context.noteDate && cut.date > context.noteDate)
    reading.decide.push(`cut on ${cut.date}, after the note was written`);
  if (!cut && reading.cell('cutDate') === '') reading.notes.push('the note does not say when it was cut');
  return cut?.date ?? null;
}

function readRemark(reading: LineReading): string | null {
  const remark = reading.cell('remark') || null;
  if (remark && SHORT_OR_OTHER.test(remark)) reading.decide.push(`its remark: “${remark}”`);
  return remark;
}

/** How sure a line is, by what was guessed and what waits for a decision. */
export const statusOf = (guesses: readonly string[], decide: readonly string[]): NoteLine['status'] =>
  decide.length > 0 ? 'needs-decision' : guesses.length > 0 ? 'guessed' : 'understood';

/** Reads one line of the note. Whatever it holds, it comes back with what was made of it. */
export function readLine(row: readonly string[], line: number, context: LineContext): NoteLine {
  const reading = new LineReading(row, context);
  const product = reading.cell('product');
  const species = readSpecies(reading, product, context);
  const speciesKey = species && species.key;
  const gradeText = reading.cell('lengthCm');
  const lengthCm = readLengthCm(gradeText);
  const grams = species && findGrams(context.gramsPerStem, species, lengthCm);
  const weightHeading = context.headings[context.columns.get('weightG') ?? -1] ?? '';
  const weightUnit = /kg|kilo/i.test(weightHeading) ? 'kg' : 'g';
  const counts = readCounts(reading, speciesKey, grams, context.decimalMark, weightUnit);
  const cutDate = readCut(reading, context);
  const remark = readRemark(reading);
  if (gradeText !== '' && lengthCm === null) reading.notes.push(`grade “${gradeText}”, no length`);
  return {
    line,
    status: statusOf(reading.guesses, reading.decide),
    reasons: [...reading.decide, ...reading.guesses, ...reading.notes],
    product,
    speciesKey,
    ...varietyAndColour(reading.cell('variety'), reading.cell('colour')),
    ...counts,
    headsMin: reading.read('headsMin', 'heads', readCountOf),
    lengthCm,
    cutDate,
    origin: reading.cell('origin') || null,
    packing: reading.cell('packing') || null,
    ...readPriceOf(reading, context, counts),
    duplicateOf: null,
    remark,
  };
}
