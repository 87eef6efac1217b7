import type { RandomStream } from '../random';
import type { Dose } from './device-readings';

/** Whatever gives food by the stroke and says how much that was. */
export interface Doser {
  /** What so many strokes gave. */
  readonly give: (strokes: number) => { readonly ml: number };
}

/** A doser as it is bought, and as it wears. */
export interface DoserMake {
  /** When it was new. */
  readonly mlAStroke: number;
  /** What a thousand strokes add to it or take off it, as a share. */
  readonly driftPerThousand: number;
  /** How far one stroke is from the next, as a share. */
  readonly scatter: number;
  /** What its bottle holds. */
  readonly bottleMl: number;
}

/** A made-up doser: it drifts with every stroke, no two are alike, and its bottle runs empty. */
export function simulatedDoser(make: DoserMake, random: RandomStream): Doser {
  let done = 0;
  let left = make.bottleMl;
  return {
    give: (strokes) => {
      let ml = 0;
      for (let i = 0; i < strokes; i++) {
        const mean = make.mlAStroke * (1 + (make.driftPerThousand * done++) / 1000);
        const stroke = Math.min(left, Math.max(0, mean * (1 + make.scatter * (2 * random.uniform() - 1))));
        left -= stroke;
        ml += stroke;
      }
      return { ml };
    },
  };
}

/** How a doser stands by what it read. */
export interface DoserNow {
  /** What a stroke gives by the last of them. */
  readonly mlAStroke: number;
  /** Against the first of them, as a share: −0.08 is eight hundredths less. */
  readonly drift: number;
  /** Its last strokes gave next to nothing: its bottle is empty, or it sucks air. */
  readonly isEmpty: boolean;
}

/** So many strokes say what a stroke gives. */
const STROKES = 20;
/** A stroke that gives less than this share of the others gives air. */
const AIR_SHARE = 0.6;

type Given = Pick<Dose, 'strokes' | 'ml'>;
const aStroke = (doses: readonly Given[]): number =>
  doses.reduce((sum, d) => sum + d.ml, 0) / doses.reduce((sum, d) => sum + d.strokes, 0);

/** The first of some doses until they come to enough strokes to go by. */
function enough(doses: readonly Given[]): Given[] {
  let strokes = 0;
  const taken = doses.findIndex((d) => (strokes += d.strokes) >= STROKES);
  return doses.slice(0, taken < 0 ? doses.length : taken + 1);
}

/**
 * How a doser stands by its readings, the oldest first; null while there are none.
 * Estimate: twenty strokes are averaged at either end.
 */
export function doserNow(doses: readonly Given[]): DoserNow | null {
  const last = doses.at(-1);
  if (!last) return null;
  const usual = aStroke(enough(doses));
  const isEmpty = doses.length > 1 && last.ml / last.strokes < AIR_SHARE * usual;
  const full = doses.filter((d) => d.ml / d.strokes >= AIR_SHARE * usual);
  const now = full.length > 0 ? aStroke(enough([...full].reverse())) : usual;
  return { mlAStroke: now, drift: usual > 0 ? now / usual - 1 : 0, isEmpty };
}
