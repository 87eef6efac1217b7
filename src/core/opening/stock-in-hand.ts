import * as v from 'valibot';
import { addDays } from '../calendar/dates';
import type { DeliveryNote, NoteLine } from '../note/types';
import { LENGTHS_CM, MOST_STEMS, MOST_UNIT_PRICE, within } from '../stock/line-limits';

/** So many lines a shop begins with at most. */
export const MOST_STOCK_LINES = 500;
/** Where a line does not say when it was cut, days before today: stock that is neither new nor old (estimate). */
const USUAL_DAYS_CUT = 4;
/** From the cut to the door, days: by road, the commonest (estimate). */
const DAYS_TO_THE_DOOR = 1;
/** What was cut longer ago than this is no stock, days. */
const OLDEST_DAYS = 60;

const word = v.nullable(v.pipe(v.string(), v.trim(), v.maxLength(120)));
const day = v.pipe(v.string(), v.isoDate('A day such as 2026-11-24.'));

/** A line of what stands in a shop as it opens. */
export const stockLineSchema = v.strictObject({
  speciesKey: v.pipe(v.string(), v.minLength(1), v.maxLength(60)),
  variety: word,
  colour: word,
  lengthCm: v.nullable(v.pipe(v.number(), v.minValue(LENGTHS_CM.least), v.maxValue(LENGTHS_CM.most))),
  stems: v.pipe(v.number(), v.integer('Whole stems.'), v.minValue(1), v.maxValue(MOST_STEMS)),
  cutDate: day,
  unitPrice: v.nullable(v.pipe(v.number(), v.minValue(0), v.maxValue(MOST_UNIT_PRICE))),
});
export type StockLine = v.InferOutput<typeof stockLineSchema>;

/** What a file of stock comes to. */
export interface StockRead {
  readonly lines: readonly StockLine[];
  /** Lines whose day of cutting is a guess. */
  readonly guessed: number;
  /** What is left out, each with its line of the file and why. */
  readonly aside: readonly { readonly line: number; readonly product: string; readonly why: string }[];
}

/** Why a line is not taken; null where it is. Its words are in the language files are read in. */
function whyNot(line: NoteLine, cutDate: string, today: string): string | null {
  if (line.speciesKey === null) return 'which flower?';
  if (within(line.stems, 1, MOST_STEMS) === null) return 'how many stems?';
  if (cutDate > today) return `cut on ${cutDate}, which has not come yet`;
  if (cutDate < addDays(today, -OLDEST_DAYS)) return `cut on ${cutDate}, over sixty days ago`;
  return line.status === 'needs-decision' ? (line.reasons[0] ?? 'it can be read two ways') : null;
}

const clipped = (text: string | null): string | null => text?.slice(0, 120) ?? null;

/** A line as it is taken: what no stem can be is left out of it. */
const taken = (line: NoteLine, said: Pick<StockLine, 'speciesKey' | 'stems' | 'cutDate'>): StockLine => ({
  ...said,
  variety: clipped(line.variety),
  colour: clipped(line.colour),
  lengthCm: within(line.lengthCm, LENGTHS_CM.least, LENGTHS_CM.most),
  unitPrice: line.priceUnit === 'stem' ? within(line.unitPrice, 0, MOST_UNIT_PRICE) : null,
});

/**
 * A file of what stands in a shop, as it was read by the reader of delivery notes. Lines it cannot be
 * sure of are left out by name: they are booked at the dock, where each is asked about.
 * @param today the shop's day, ISO
 */
export function stockIn(note: DeliveryNote, today: string): StockRead {
  const lines: StockLine[] = [];
  const aside: StockRead['aside'][number][] = [];
  let guessed = 0;
  for (const line of note.lines.filter((l) => l.status !== 'ignored')) {
    const { speciesKey, stems, product } = line;
    const cutDate = line.cutDate ?? addDays(today, -USUAL_DAYS_CUT);
    const isOver = lines.length >= MOST_STOCK_LINES;
    const why = isOver ? `over ${MOST_STOCK_LINES} lines at once` : whyNot(line, cutDate, today);
    if (why !== null || speciesKey === null || stems === null) {
      aside.push({ line: line.line, product, why: why ?? 'which flower?' });
      continue;
    }
    if (line.cutDate === null) guessed++;
    lines.push(taken(line, { speciesKey, stems, cutDate }));
  }
  return { lines, guessed, aside };
}

/** The day a line is taken to have come: the one after it was cut, and today at the latest. ISO. */
export function cameOn({ cutDate }: Pick<StockLine, 'cutDate'>, today: string): string {
  const came = addDays(cutDate, DAYS_TO_THE_DOOR);
  return came < today ? came : today;
}
