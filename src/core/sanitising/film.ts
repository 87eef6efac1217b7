/** What a drained pail keeps of its solution, mL (the trade's range is 10 to 20). */
export const FILM_ML = 15;
/** The usual strength of a batch, ppm free chlorine. */
export const BATCH_PPM = 200;
/** Under this the film may stay. */
export const FILM_LIMIT_PPM = 1;

/** Free chlorine at the first moment from the film left in a drained pail. */
export interface FilmSum {
  readonly ppm: number;
  readonly isUnderLimit: boolean;
}

/**
 * The film's chlorine in so many litres of fill.
 * @param litres of the fill, over 0
 */
export function filmSum(litres: number, filmMl = FILM_ML, batchPpm = BATCH_PPM): FilmSum {
  const ppm = (filmMl * batchPpm) / (litres * 1000);
  const isUnderLimit = ppm < FILM_LIMIT_PPM;
  return { ppm, isUnderLimit };
}
