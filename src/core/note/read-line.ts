import { matchSpecies } from '../species/match-species';
import { splitProductName, type ProductName } from '../species/product-name';
import { nameFor } from '../species/known-names';
import { foldedWords } from '../species/folded-words';
import type { Species } from '../species/species';
import { findGrams, stemsByWeight, type GramsFound } from '../dock/grams';
import { readByHabit } from '../numbers/number-habit';
import type { Column } from './columns';
import type { LineCounts } from './line-counts';
import { readPriceOf } from './line-price';
import { isBlank, LineReading, type LineContext } from './line-reading';
import { readCutDate } from './note-dates';
import { readLengthCm } from './read-cells';
import type { NoteLine } from './types';

const SHORT_OR_OTHER =
  /\bsubs?\b|short|missing|back.?order|fehl|nicht geliefert|manqu|tekort|ontbre|falt|mancan|brak|substitut|instead|replac|ersatz|vervang|rempla|sustitu|sostitu|zamien|zamian/i;

/** A length that stands with the variety: "Explorer 70 cm". */
const LENGTH_WITHIN = /[\s,]*\b\d{2,3}(?:\s*[-–/]\s*\d{2,3})?\s*cm\b\s*$/i;

/** A variety that carries its colour: "Evening Ferry, deep red". */
function varietyAndColour(
  reading: LineReading,
  name: ProductName,
  isKnown: boolean,
): Pick<NoteLine, 'variety' | 'colour'> {
  const told = (column: Column): string => (isBlank(reading.cell(column)) ? '' : reading.cell(column));
  const [variety, colour] = [told('variety').replace(LENGTH_WITHIN, ''), told('colour')];
  const comma = variety.lastIndexOf(',');
  if (colour === '' && comma >= 0)
    return {
      variety: variety.slice(0, comma).trim() || null,
      colour: variety.slice(comma + 1).trim() || null,
    };
  // What stands round the flower's name is its variety and colour, where these have no columns of their own.
  const named = isKnown ? (name.quoted ?? (name.unknown.join(' ') || null)) : null;
  const coloured = isKnown ? name.colours.join(' ') || null : null;
  return { variety: variety || named, colour: colour || coloured };
}

/** Another species that the name and the variety's words name together: "Rose" and "Spray Tansy". */
function namedTogether(name: ProductName, variety: string, species: Species): Species | null {
  for (const word of foldedWords(variety).split(' ').slice(0, 2)) {
    const both = nameFor(`${foldedWords(name.named.join(' '))} ${word}`);
    if (word !== '' && both && !both.isShort && both.species !== species) return both.species;
  }
  return null;
}

/** The species a product's name means; one that is not sure is said so, one nobody knows is asked. */
function readSpecies(reading: LineReading, name: ProductName): Species | null {
  const product = reading.cell('product');
  const { remembered, species: registry } = reading.context;
  const match = matchSpecies(product, remembered, registry);
  const variety = reading.cell('variety');
  if (!match) {
    reading.decide.push(product === '' ? 'no product is named' : `nothing we know is called “${product}”`);
    return null;
  }
  const isRemembered = Object.hasOwn(remembered, foldedWords(product));
  const together = variety === '' || isRemembered ? null : namedTogether(name, variety, match.species);
  if (together) reading.guesses.push(`“${product} ${variety}” taken to be ${together.name}`);
  else if (match.how === 'likely') reading.guesses.push(match.reason);
  return together ?? match.species;
}

/** When it was cut; a day that cannot be, or is not told, is said. */
function readCut(reading: LineReading): string | null {
  const text = reading.cell('cutDate');
  if (isBlank(text)) {
    reading.notes.push('the note does not say when it was cut');
    return null;
  }
  const cut = readCutDate(text, reading.context.dates, reading.context.usualCut);
  if (cut.doubt) reading.decide.push(cut.doubt);
  if (cut.guess) reading.guesses.push(cut.guess);
  return cut.date;
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

/** The counts as they were settled, a weight made stems where nothing was counted. */
function takeCounts(
  reading: LineReading,
  counts: LineCounts,
  species: Species | null,
  lengthCm: number | null,
) {
  reading.decide.push(...counts.decide);
  reading.guesses.push(...counts.guesses);
  reading.notes.push(...counts.notes);
  const { bunches, stemsPerBunch, weightG } = counts;
  if (counts.stems !== null || counts.isAsked || weightG === null || !species)
    return { bunches, stemsPerBunch, stems: counts.stems, weightG };
  const grams = findGrams(reading.context.gramsPerStem, species, lengthCm);
  if (bunches !== null && bunches > 1 && grams !== null) {
    reading.decide.push(`${weightG} g: of all ${bunches} bunches together, or of each?`);
    return { bunches, stemsPerBunch, stems: null, weightG };
  }
  return { bunches, stemsPerBunch, stems: stemsOfWeight(reading, weightG, grams), weightG };
}

/** More heads than this no stem bears. */
const MOST_HEADS = 200;

function readHeads(reading: LineReading, name: ProductName): number | null {
  const text = reading.cell('headsMin');
  if (isBlank(text)) return name.headsMin;
  const heads = readByHabit(text.replace(/[+>≥]|\s*(heads?|buds?|\/.*|-.*)$/gi, '').trim(), null);
  const isCount = heads !== null && Number.isInteger(heads) && heads > 0 && heads <= MOST_HEADS;
  if (!isCount) reading.guesses.push(`heads “${text}” cannot be read`);
  return isCount ? heads : null;
}

function readRemark(reading: LineReading): string | null {
  const remark = reading.cell('remark') || null;
  if (remark && SHORT_OR_OTHER.test(remark)) reading.decide.push(`its remark: “${remark}”`);
  return remark;
}

/** The shortest stem that is graded by its length, cm: "A1" and "2" are qualities. */
const SHORTEST_GRADE_CM = 10;
function lengthOfGrade(grade: string): number | null {
  const lengthCm = readLengthCm(grade);
  return lengthCm !== null && lengthCm >= SHORTEST_GRADE_CM ? lengthCm : null;
}

/** Length of its own column, of a grade that is one, or as it stands in the name. */
function readLength(reading: LineReading, name: ProductName): number | null {
  const [length, grade] = [reading.cell('lengthCm'), reading.cell('grade')];
  const read = readLengthCm(length) ?? (length === '' ? lengthOfGrade(grade) : null);
  if (length !== '' && readLengthCm(length) === null) reading.notes.push(`grade “${length}”, no length`);
  else if (grade !== '' && (read === null || read !== lengthOfGrade(grade)))
    reading.notes.push(`grade “${grade}”`);
  return read ?? name.lengthCm ?? splitProductName(reading.cell('variety')).lengthCm;
}

/** How sure a line is, by what was guessed and what waits for a decision. */
export const statusOf = (guesses: readonly string[], decide: readonly string[]): NoteLine['status'] =>
  decide.length > 0 ? 'needs-decision' : guesses.length > 0 ? 'guessed' : 'understood';

/** Reads one line of the note. Whatever it holds, it comes back with what was made of it. */
export function readLine(
  row: readonly string[],
  line: number,
  context: LineContext,
  counts: LineCounts,
): NoteLine {
  const reading = new LineReading(row, context);
  const product = reading.cell('product');
  const name = splitProductName(product);
  const species = readSpecies(reading, name);
  const lengthCm = readLength(reading, name);
  const counted = takeCounts(reading, counts, species, lengthCm);
  const cutDate = readCut(reading);
  const remark = readRemark(reading);
  const read = {
    line,
    supplierLine: reading.cell('number') || null,
    product,
    speciesKey: species && species.key,
    isRemembered: Object.hasOwn(context.remembered, foldedWords(product)),
    ...varietyAndColour(reading, name, species !== null),
    ...counted,
    headsMin: readHeads(reading, name),
    lengthCm,
    cutDate,
    origin: reading.cell('origin') || null,
    packing: reading.cell('packing') || null,
    ...readPriceOf(reading, counts),
    ordered: counts.ordered,
    duplicateOf: null,
    remark,
    ...(counts.readings.length > 1 ? { readings: counts.readings } : {}),
    readFrom: reading.readFrom(),
  };
  return {
    ...read,
    status: statusOf(reading.guesses, reading.decide),
    reasons: [...reading.decide, ...reading.guesses, ...reading.notes],
    decisions: reading.decide.length,
    guesses: reading.guesses.length,
  };
}
