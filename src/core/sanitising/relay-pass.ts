import { chlorineAfter, demandMg, logReduction, meanChlorine, type Demand, type DirtyPail } from './contact';
import { stockMl } from './dilution';
import { POUR_OVER_S, SANITISED_LOG10, TAP_L_PER_MIN, TURN_OVER_S } from './figures';

/** Tubs that pails are laid in, in the place of pails that are filled and poured on. */
export interface Tubs {
  readonly count: number;
  /** Solution in each. */
  readonly litres: number;
  /** Pails that lie in one at once. */
  readonly holds: number;
}

/** What a relay is planned with. */
export interface RelayWays {
  readonly people: number;
  readonly taps: number;
  readonly contactMin: number;
  /** Minutes of handling a pass takes at least, whoever is there. */
  readonly handlingMin: number;
  readonly targetPpm: number;
  /** No pass begins below it. */
  readonly floorPpm: number;
  /** Available chlorine in the product now. */
  readonly percent: number;
  readonly demand?: Demand;
  readonly tubs?: Tubs;
}

/** The solution between two passes. */
export interface Solution {
  readonly litres: number;
  readonly ppm: number;
}

/** One pass: some pails in contact at once. */
export interface RelayPass {
  /** How many pails are in contact. */
  readonly pails: number;
  readonly ppmAtStart: number;
  readonly ppmAtEnd: number;
  /** log10, of the pail that fares worst in it; not capped. */
  readonly logReduction: number;
  readonly minutes: number;
  /** Product put in as it begins to bring it back to its target, beside the first dose. */
  readonly boostMl: number;
  /** Whether every pail of it counts as sanitised. */
  readonly isSanitised: boolean;
}

const sum = (numbers: readonly number[]): number => numbers.reduce((a, b) => a + b, 0);

/** Minutes of hands and taps: people share taps, not pours. */
function handlingMinutes(pails: readonly DirtyPail[], freshL: number, ways: RelayWays): number {
  // Out of a tub they are lifted and turned over; nothing is poured on.
  const each = ways.tubs ? TURN_OVER_S : POUR_OVER_S + TURN_OVER_S;
  const hands = (pails.length * each) / 60 / ways.people;
  const taps = freshL / (TAP_L_PER_MIN * Math.min(ways.taps, ways.people));
  return Math.max(ways.handlingMin, hands, taps);
}

/** Solution that some pails are in contact with: what they hold, or what stands in the tubs. */
const litresFor = (pails: readonly DirtyPail[], { tubs }: RelayWays): number =>
  tubs ? tubs.count * tubs.litres : sum(pails.map((p) => p.litres));

/** Chlorine their walls take out of so much, ppm. */
const takenPpm = (pails: readonly DirtyPail[], litres: number, ways: RelayWays): number =>
  sum(pails.map((p) => demandMg(p, ways.demand))) / litres;

/** How the pail that fares worst fares, by the strength a pass begins at. */
function worstReduction(pails: readonly DirtyPail[], ppm: number, ways: RelayWays): number {
  return Math.min(
    ...pails.map((pail) => {
      const taken = ways.tubs
        ? takenPpm(pails, litresFor(pails, ways), ways)
        : demandMg(pail, ways.demand) / pail.litres;
      return logReduction(meanChlorine(ppm, ways.contactMin, taken), ways.contactMin, pail.isScrubbed);
    }),
  );
}

/** Whether a pass may begin at a strength: not below the floor, and every pail comes out sanitised. */
const isEnough = (pails: readonly DirtyPail[], ppm: number, ways: RelayWays): boolean =>
  ppm >= ways.floorPpm && worstReduction(pails, ppm, ways) >= SANITISED_LOG10;

/**
 * One pass, from the solution of the one before, or with null from the tap over the first dose. What would
 * begin too weak is brought back to its target.
 * @param left at least as much as the pails hold
 */
export function onePass(
  pails: readonly DirtyPail[],
  left: Solution | null,
  ways: RelayWays,
): { readonly pass: RelayPass; readonly left: Solution } {
  const litres = litresFor(pails, ways);
  const ppm = left?.ppm ?? ways.targetPpm;
  const ppmAtStart = isEnough(pails, ppm, ways) ? ppm : Math.max(ppm, ways.targetPpm);
  const minutes = ways.contactMin + handlingMinutes(pails, left ? 0 : litres, ways);
  const taken = takenPpm(pails, litres, ways);
  const ppmAtEnd = chlorineAfter(ppmAtStart, minutes, taken);
  const reduction = worstReduction(pails, ppmAtStart, ways);
  const pass: RelayPass = {
    pails: pails.length,
    ppmAtStart,
    ppmAtEnd,
    logReduction: reduction,
    minutes,
    boostMl: stockMl(litres, ppmAtStart - ppm, ways.percent),
    isSanitised: reduction >= SANITISED_LOG10,
  };
  return { pass, left: { litres, ppm: ppmAtEnd } };
}
