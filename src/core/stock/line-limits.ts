/** Most stems, bunches or stems a bunch that one line of a note or an order tells: beyond it stands a slip. */
export const MOST_STEMS = 100_000;
/** Most a stem costs, in the note's currency. */
export const MOST_UNIT_PRICE = 100_000;
/** Most flowers a stem is said to bear at least. */
export const MOST_HEADS = 200;
/** Lengths of stems that there are, cm. */
export const LENGTHS_CM = { least: 1, most: 300 } as const;

/** A figure that a line may tell; null where it is beyond what there is. */
export const within = (figure: number | null, least: number, most: number): number | null =>
  figure !== null && figure >= least && figure <= most ? figure : null;
