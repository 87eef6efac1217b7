import type { BookLine } from '@/core/actions/fields';
import { addDays } from '@/core/calendar/dates';
import { LENGTHS_CM, MOST_HEADS, MOST_STEMS, MOST_UNIT_PRICE, within } from '@/core/stock/line-limits';
import type { DeliveryNote, NoteLine } from '@/core/note/types';

/** A line of the note as it stands in the preview, with what somebody has made of it. */
export interface DraftLine extends NoteLine {
  /** What becomes of it when the note is booked: a lot, a line that waits, or one refused. */
  readonly fate: 'book' | 'waiting' | 'refused';
  /** Somebody has settled what was to be decided. */
  readonly isSettled: boolean;
  /** A person chose its species here: worth remembering for this supplier. */
  readonly isChosen: boolean;
}

/** Days from the cut to the note, where a line does not say: the commonest journey. */
const USUAL_DAYS_CUT = 2;

export const isDate = (text: string | null): text is string =>
  text !== null && /^\d{4}-\d{2}-\d{2}$/.test(text);

/** The lines that may be booked, repeats left out to begin with, cut dates filled in where the note is silent. */
export function draftOf(note: DeliveryNote, today: string): DraftLine[] {
  const cutDate = addDays(note.noteDate ?? today, -USUAL_DAYS_CUT);
  return note.lines
    .filter((l) => l.status !== 'ignored')
    .map((l) => ({
      ...l,
      ...(l.cutDate === null && !l.reasons.some((r) => r.startsWith('cut date'))
        ? {
            cutDate,
            status: l.status === 'understood' ? 'guessed' : l.status,
            reasons: [
              ...l.reasons.filter((r) => !r.startsWith('the note does not say')),
              `no cut date: ${USUAL_DAYS_CUT} days before the note is a guess`,
            ],
          }
        : {}),
      fate: l.duplicateOf === null ? ('book' as const) : ('refused' as const),
      isSettled: false,
      isChosen: false,
    }));
}

/** What is asked of a line that can be booked as it was read. */
export const KEEP = 'right as it stands?';

/** What still stands against booking a line, in words; null when it can be booked. */
export function lacking(line: DraftLine): string | null {
  if (line.fate !== 'book') return null;
  if (!line.speciesKey) return 'which species?';
  if (within(line.stems, 1, MOST_STEMS) === null) return 'how many stems?';
  if (!isDate(line.cutDate)) return 'cut on which day?';
  return line.status === 'needs-decision' && !line.isSettled ? KEEP : null;
}

/** What still stands against ordering a line: no more than which flower and how many. */
export function lackingInOrder(line: DraftLine): string | null {
  if (line.fate !== 'book') return null;
  if (!line.speciesKey) return 'which species?';
  return within(line.stems, 1, MOST_STEMS) === null ? 'how many stems?' : null;
}

/** What is sent of a line that waits or is refused: all that was read, and why it is not booked. */
export function keptLine(line: DraftLine) {
  const said = bookedLine(line);
  const why =
    line.duplicateOf === null
      ? (lacking({ ...line, fate: 'book' }) ?? (line.fate === 'waiting' ? 'not for today' : 'left out'))
      : (line.reasons.find((r) => r.startsWith('says the same as'))?.split(':')[0] ?? 'written twice');
  return {
    fate: line.fate === 'refused' ? ('refused' as const) : ('waiting' as const),
    reason: why,
    product: line.product.slice(0, 300),
    said: {
      ...said,
      cutDate: isDate(said.cutDate) ? said.cutDate : null,
    },
  };
}

/** A cell as long as it is kept: what a file has beyond that is no name and no remark. */
const clip = (text: string | null, most: number): string | null => text && text.slice(0, most);

/** What is sent of a line when it is booked. */
export function bookedLine(line: DraftLine) {
  const { speciesKey, lengthCm, headsMin, stems, bunches, stemsPerBunch, cutDate, unitPrice } = line;
  return {
    line: line.line,
    supplierLine: clip(line.supplierLine, 20),
    speciesKey,
    variety: clip(line.variety, 120),
    colour: clip(line.colour, 120),
    // What no line can tell is a slip of the file's: it is left out, and what is needed of it is asked for.
    lengthCm: within(lengthCm, LENGTHS_CM.least, LENGTHS_CM.most),
    headsMin: within(headsMin, 1, MOST_HEADS),
    stems: within(stems, 1, MOST_STEMS),
    bunches: within(bunches, 1, MOST_STEMS),
    stemsPerBunch: within(stemsPerBunch, 1, MOST_STEMS),
    cutDate,
    origin: clip(line.origin, 120),
    packing: clip(line.packing, 60),
    remark: clip(line.remark, 300),
    // A price by weight or by bunch is kept per stem, so that lots compare.
    unitPrice: within(
      pricePerStem(line) ?? (line.priceUnit === 'stem' ? unitPrice : null),
      0,
      MOST_UNIT_PRICE,
    ),
    currency: clip(line.currency, 8),
  };
}

/** The same of a line that lacks nothing; null while it does. */
export function completeLine(line: DraftLine): BookLine | null {
  const { speciesKey, stems, cutDate, ...rest } = bookedLine(line);
  return speciesKey === null || stems === null || cutDate === null || lacking(line) !== null
    ? null
    : { ...rest, speciesKey, stems, cutDate };
}

/** What a line costs in all; null where its price is of something nobody has counted. */
function costOf({ unitPrice, priceUnit, stems, bunches, weightG }: DraftLine): number | null {
  if (unitPrice === null) return null;
  const counted = {
    kg: weightG === null ? null : weightG / 1000,
    bunch: bunches,
    box: null,
    line: 1,
    stem: stems,
  }[priceUnit ?? 'stem'];
  return counted === null ? null : unitPrice * counted;
}

function pricePerStem(line: DraftLine): number | null {
  const cost = costOf(line);
  return cost === null || !line.stems ? null : Math.round((cost / line.stems) * 100) / 100;
}
