import type { SpeciesRegistry } from '../species/registry';
import { findGrams, stemsByWeight, type GramsPerStem } from './grams';
import { matchSpecies, type SpeciesMatch } from './match-species';
import { readCount, readPrice, readWeightG } from './read-cells';
import { readDate } from './read-date';
import { ignoredLine } from './read-line';
import type { DeliveryNote, NoteLine } from './types';

export interface TypedHelp {
  /** ISO date of today: a day without a year is the last such day. */
  readonly today: string;
  readonly gramsPerStem?: GramsPerStem;
  /** The table, with the shop's own; the table alone where it is not told. */
  readonly species?: SpeciesRegistry;
}

/** Text of a line with pieces taken out of it as they are understood. */
class Piecewise {
  constructor(private left: string) {}

  /** Takes the first piece that matches out of what is left. */
  take(pattern: RegExp): RegExpExecArray | null {
    const match = pattern.exec(this.left);
    if (match)
      this.left = `${this.left.slice(0, match.index)} ${this.left.slice(match.index + match[0].length)}`;
    return match;
  }

  words(): string[] {
    return this.left.split(/[\s,;]+/).filter((w) => w !== '');
  }
}

/** The longest run of words that names a species, surest first; with the words left over. */
function takeSpecies(
  words: readonly string[],
  registry?: SpeciesRegistry,
): { match: SpeciesMatch | null; rest: string[] } {
  for (const how of ['named', 'likely'] as const)
    for (let length = Math.min(4, words.length); length > 0; length--)
      for (let at = 0; at + length <= words.length; at++) {
        const match = matchSpecies(words.slice(at, at + length).join(' '), {}, registry);
        if (match?.how === how) return { match, rest: [...words.slice(0, at), ...words.slice(at + length)] };
      }
  return { match: null, rest: [...words] };
}

function takeCounts(line: Piecewise) {
  const product =
    line.take(/(\d+)\s*[x×*]\s*(\d+)/i) ??
    line.take(/(\d+)\s*(?:bunch(?:es)?|bund|bos|bd)\s*(?:of|à|@|x)?\s*(\d+)/i);
  if (product) {
    const [bunches, stemsPerBunch] = [readCount(product[1] ?? ''), readCount(product[2] ?? '')];
    return { bunches, stemsPerBunch, stems: bunches && stemsPerBunch ? bunches * stemsPerBunch : null };
  }
  const stems = line.take(/(\d+)\s*(?:stems?|st|stk|pcs?)\b/i);
  return { bunches: null, stemsPerBunch: null, stems: stems && readCount(stems[1] ?? '') };
}

function readTypedLine(text: string, at: number, help: TypedHelp): NoteLine {
  if (text.trim() === '') return ignoredLine(at, '', 'an empty line');
  const line = new Piecewise(text);
  const guesses: string[] = [];
  const decide: string[] = [];
  const notes: string[] = [];
  const said = line.take(/\bcut\s+(?:on\s+)?([\dA-Za-z./-]+(?:\s+[A-Za-z]{3,}\.?)?(?:\s+\d{4})?)/i);
  const cut = said && readDate(said[1] ?? '', { noteDate: help.today, dayFirst: true });
  if (said && !cut) decide.push(`cut date “${said[1] ?? ''}” cannot be read`);
  if (!said) notes.push('the note does not say when it was cut');
  const variety = line.take(/[‘“"']([^’”"']+)[’”"']/)?.[1]?.trim() ?? null;
  const price = readPrice(
    line.take(
      /(?:@|€|£|\$)\s*\d[\d.,]*(?:\s*\/\s*\w+)?|\d+[.,]\d{2}\s*(?:€|£|\$|eur)(?:\s*\/\s*\w+)?/i,
    )?.[0] ?? '',
    '.',
  );
  const weighed = line.take(/\d+(?:[.,]\d+)?\s*(?:kg|gr?|grams?)\b/i);
  const weightG = weighed && readWeightG(weighed[0], '.');
  const counts = takeCounts(line);
  const length = line.take(/(\d{2,3})\s*cm\b/i);
  const bare = counts.stems === null && weightG === null ? line.take(/(?<![\d.,])(\d+)(?![\d.,])/) : null;
  // A number left over once the stems are counted is how long they are.
  const bareLength = length ?? line.take(/(?<![\d.,])([2-9]\d|1\d\d)(?![\d.,])/);
  const lengthCm = bareLength && Number(bareLength[1]);
  const { match, rest } = takeSpecies(line.words(), help.species);
  if (!match) decide.push(`no species we know is named in “${text.trim()}”`);
  else if (match.how === 'likely') guesses.push(match.reason);
  const speciesKey = match?.species.key ?? null;
  const grams = match && findGrams(help.gramsPerStem ?? {}, match.species, lengthCm);
  let stems = counts.stems ?? (bare && readCount(bare[1] ?? ''));
  if (stems === null && weightG !== null && grams !== null) {
    const told = stemsByWeight(weightG, grams);
    stems = told.stems;
    notes.push(told.words);
  } else if (stems === null)
    decide.push(weightG === null ? 'no count of stems' : `${weightG} g: how many stems?`);
  return {
    ...ignoredLine(at, text.trim(), ''),
    status: decide.length > 0 ? 'needs-decision' : guesses.length > 0 ? 'guessed' : 'understood',
    reasons: [...decide, ...guesses, ...notes],
    speciesKey,
    variety,
    colour: rest.join(' ') || null,
    ...counts,
    stems,
    weightG,
    lengthCm,
    cutDate: cut?.date ?? null,
    unitPrice: price?.amount ?? null,
    priceUnit: price && (price.unit ?? (weightG === null ? 'stem' : 'kg')),
    currency: price?.currency ?? null,
  };
}

/**
 * Reads lines as a florist types them: "6x25 rose 60 deep red, cut 19/11", "850 g mimosa",
 * "12 stems iris ‘Slack Water’ @0.30". Every line comes back, as from a file.
 */
export function readTypedLines(text: string, help: TypedHelp): DeliveryNote {
  const lines = text
    .replace(/\r\n?/g, '\n')
    .replace(/\n$/, '')
    .split('\n')
    .map((line, i) => readTypedLine(line, i + 1, help));
  return {
    supplier: null,
    deliveryRef: null,
    noteDate: help.today,
    statedTotal: null,
    computedTotal: null,
    lines,
  };
}
