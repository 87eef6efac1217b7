/** Figures of sanitising, each a start value (estimate unless said); a shop's label, local rules and own timing win. */

/** Share of its chlorine a bottle loses a month at 20 °C: a fifth in six months. */
export const BOTTLE_LOSS_PER_MONTH = 0.037;
/** A bottle loses twice as fast for every so many °C over 20. */
export const BOTTLE_DOUBLES_PER_C = 6;
export const BOTTLE_REFERENCE_C = 20;

/** Percent to parts per million: one percent is 10 000 mg in a litre. */
export const PPM_PER_PERCENT = 10_000;

/** Chick–Watson: log10 of bacteria killed for each ppm of free chlorine and minute, on a scrubbed plastic wall. */
export const KILL_PER_PPM_MIN = 0.004;
/** What is left of it where slime was not scrubbed off first. */
export const UNSCRUBBED_KILL_SHARE = 0.25;
/** From this many log10 a pail counts as sanitised. */
export const SANITISED_LOG10 = 3;

/** What daylight and warmth take of free chlorine, a share a minute. */
export const CHLORINE_LOSS_PER_MIN = 0.002;

/** How dirty a pail was before it was scrubbed. */
export const DIRT = ['rinsed', 'scummed', 'slimy'] as const;
export type Dirt = (typeof DIRT)[number];
/** Free chlorine that the wall of a pail of 10 L takes up, mg. */
export const DEMAND_MG_PER_10_L: Readonly<Record<Dirt, number>> = { rinsed: 30, scummed: 150, slimy: 500 };

/** Hands and taps. */
export const SCRUB_S: Readonly<Record<Dirt, number>> = { rinsed: 40, scummed: 75, slimy: 150 };
export const TAP_L_PER_MIN = 10;
export const POUR_OVER_S = 15;
export const TURN_OVER_S = 10;
/** A soak that is left overnight, minutes: ten hours. */
export const OVERNIGHT_MIN = 600;
