/**
 * What the counts of a note mean where its headings leave it open. One answer holds for the whole note,
 * and is remembered for that supplier's make of file.
 */
export interface Meaning {
  /** "Stems" beside bunches or boxes. */
  readonly stems?: 'in all' | 'a bunch' | 'a box' | undefined;
  /** "Bunches" beside boxes. */
  readonly bunches?: 'in all' | 'a box' | undefined;
  /** A quantity with no unit. */
  readonly quantity?: 'stems' | 'bunches' | 'boxes' | 'a bunch' | undefined;
  /** "1.000" in a column of counts: a thousand, or one. */
  readonly marks?: 'thousands' | 'decimals' | undefined;
}

export type Asked = keyof Meaning;
export const ASKED: readonly Asked[] = ['stems', 'bunches', 'quantity', 'marks'];

/** Whether one meaning says nothing against another. */
export const agrees = (meaning: Meaning, other: Meaning): boolean =>
  ASKED.every((key) => meaning[key] === undefined || other[key] === undefined || meaning[key] === other[key]);

const WORDS: Readonly<Record<Asked, Readonly<Record<string, string>>>> = {
  stems: {
    'in all': '“stems” are of the whole line',
    'a bunch': '“stems” are in each bunch',
    'a box': '“stems” are in each box',
  },
  bunches: { 'in all': '“bunches” are of the whole line', 'a box': '“bunches” are in each box' },
  quantity: {
    stems: 'the quantity counts stems',
    bunches: 'the quantity counts bunches',
    boxes: 'the quantity counts boxes',
    'a bunch': 'the quantity is in each bunch',
  },
  marks: { thousands: '“1.000” is a thousand', decimals: '“1.000” is one' },
};

/** A meaning as it is said, of the things that are asked about. */
export const meaningInWords = (meaning: Meaning, asked: readonly Asked[]): string =>
  asked
    .map((key) => WORDS[key][meaning[key] ?? ''] ?? '')
    .filter((w) => w !== '')
    .join(', ');
