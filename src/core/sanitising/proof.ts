import { HOUR_MS, MINUTE_MS } from '../calendar/spans';

/** A pail going into the solution, or out of it upside down, as the record has it. Times in milliseconds. */
export interface Wash {
  readonly pailId: string;
  readonly pail: string;
  readonly at: number;
  readonly who: string;
  readonly to: 'contact' | 'sanitised';
  /** What it was put into; null where the record of its day did not tell. */
  readonly dose: WashDose | null;
}

export interface WashDose {
  readonly product: string;
  readonly ppm: number;
  readonly ml: number;
  readonly contactMin: number;
}

/** Water that stood in a pail. */
export interface Fill {
  readonly pail: string;
  readonly filledAt: number;
  /** Null while it stands. */
  readonly emptiedAt: number | null;
  readonly solution: string;
  readonly who: string;
  /** Whether the pail was sanitised when it was filled. */
  readonly isClean: boolean;
  /** Why it was filled all the same. */
  readonly reason: string | null;
  /** The house's longest use of such water, hours. */
  readonly longestUseH: number;
}

/** What somebody saw in a pail's water. */
export interface Reading {
  readonly pail: string;
  readonly at: number;
  readonly who: string;
  readonly look: string;
}

/** What is missing in what was done. */
export const GAPS = [
  'dose not told',
  'contact not in the record',
  'contact too short',
  'filled unsanitised',
  'water stood too long',
] as const;
export type Gap = (typeof GAPS)[number];

/** One line of the proof. */
export interface ProofRow {
  readonly at: number;
  readonly pail: string;
  readonly what: 'sanitised' | 'filled' | 'changed' | 'not changed' | 'looked at';
  readonly who: string;
  /** Product with its strength and dose, the solution, the reason, or what was seen. */
  readonly how: string;
  /** Minutes of contact or hours of use; null where there is no such figure. */
  readonly minutes: number | null;
  readonly hours: number | null;
  readonly gap: Gap | null;
}

export interface Proof {
  /** The oldest first. */
  readonly rows: readonly ProofRow[];
  /** How many lines have each gap. */
  readonly gaps: Readonly<Record<Gap, number>>;
}

const doseWords = ({ product, ppm, ml }: WashDose): string => `${Math.round(ml)} mL ${product}, ${ppm} ppm`;

function sanitisedRow(out: Wash, into: Wash | null): ProofRow {
  const minutes = into && Math.round((out.at - into.at) / MINUTE_MS);
  const dose = into?.dose ?? null;
  const gap: Gap | null = !into
    ? 'contact not in the record'
    : dose && (out.at - into.at) / MINUTE_MS < dose.contactMin
      ? 'contact too short'
      : dose
        ? null
        : 'dose not told';
  const { pail, at, who } = out;
  return { at, pail, what: 'sanitised', who, how: dose ? doseWords(dose) : '', minutes, hours: null, gap };
}

function washRows(washes: readonly Wash[], from: number): ProofRow[] {
  const inContact = new Map<string, Wash>();
  return [...washes]
    .sort((a, b) => a.at - b.at)
    .flatMap((wash) => {
      if (wash.to === 'contact') {
        inContact.set(wash.pailId, wash);
        return [];
      }
      const into = inContact.get(wash.pailId) ?? null;
      inContact.delete(wash.pailId);
      return wash.at < from ? [] : [sanitisedRow(wash, into)];
    });
}

function fillRows(fill: Fill, from: number, before: number, now: number): ProofRow[] {
  const { pail, who, solution, filledAt, emptiedAt, isClean, reason, longestUseH } = fill;
  const hours = ((emptiedAt ?? now) - filledAt) / HOUR_MS;
  const isOver = hours > longestUseH;
  const rows: ProofRow[] = [];
  const row = { pail, who, minutes: null };
  if (filledAt >= from && filledAt < before)
    rows.push({
      ...row,
      at: filledAt,
      what: 'filled',
      how: reason === null ? solution : `${solution}; ${reason}`,
      hours: null,
      gap: isClean ? null : 'filled unsanitised',
    });
  // Water that stands still is told once it stands too long.
  if (emptiedAt !== null ? emptiedAt >= from && emptiedAt < before : isOver)
    rows.push({
      ...row,
      at: emptiedAt ?? Math.min(before - 1, now),
      what: emptiedAt === null ? 'not changed' : 'changed',
      how: solution,
      hours: Math.round(hours * 10) / 10,
      gap: isOver ? 'water stood too long' : null,
    });
  return rows;
}

/**
 * Sanitising, changes and readings of a period, with what is missing in them plainly said.
 * @param told washes may begin before the period, so that a contact that spans its first hour is seen
 * @param period from its first millisecond to before its last, and the moment it is asked at
 */
export function proofOf(
  told: {
    readonly washes: readonly Wash[];
    readonly fills: readonly Fill[];
    readonly readings: readonly Reading[];
  },
  { from, before, now }: { readonly from: number; readonly before: number; readonly now: number },
): Proof {
  const rows = [
    ...washRows(told.washes, from),
    ...told.fills.flatMap((fill) => fillRows(fill, from, before, now)),
    ...told.readings.map(({ pail, at, who, look }): ProofRow => ({
      ...{ at, pail, what: 'looked at', who, how: look, minutes: null, hours: null, gap: null },
    })),
  ].sort((a, b) => a.at - b.at);
  const gaps = Object.fromEntries(GAPS.map((g) => [g, rows.filter((r) => r.gap === g).length]));
  return { rows, gaps: gaps as Proof['gaps'] };
}
