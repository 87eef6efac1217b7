import { foodDose, foodInAll, type FoodDose, type Foods } from './food';
import type { SolutionKey } from './solutions';

/** A pail whose water is due. */
export interface DuePail {
  readonly id: string;
  readonly name: string;
  /** Where it stands. */
  readonly room: string;
  readonly sizeL: number;
  readonly litres: number;
  /** What it stands in, and is turned over into. */
  readonly solution: SolutionKey;
  /** Stems in it; without any it is only tipped out. */
  readonly stems: number;
  readonly dueInHours: number;
}

/** A pail that stands clean. */
export interface ReadyPail {
  readonly id: string;
  readonly name: string;
  readonly sizeL: number;
}

/** One change of the round. */
export interface RoundStop {
  readonly pail: DuePail;
  /** What it is turned over into; null where it is tipped out, or no clean pail is left that holds it. */
  readonly into: ReadyPail | null;
}

/** The day's changes of water as a way through the shop. */
export interface ChangeRound {
  readonly stops: readonly RoundStop[];
  /** Water that is poured anew, L. */
  readonly litres: number;
  readonly minutes: number;
  /** Pails with stems in them for which none stands clean. */
  readonly short: number;
}

/** What of the shop's food is taken along for the whole round. */
export const foodForRound = ({ stops }: ChangeRound, foods: Foods): FoodDose[] =>
  foodInAll(stops.flatMap(({ pail, into }) => (into && foodDose(pail.solution, pail.litres, foods)) ?? []));

/** A change with stems in it, and a pail that is only tipped out, seconds (estimates). */
const CHANGE_S = 90;
const TIP_OUT_S = 20;

/** By room, so that nobody walks twice; in a room the most urgent first, of one hour by name. */
const onTheWay = (a: DuePail, b: DuePail): number =>
  a.room.localeCompare(b.room) ||
  a.dueInHours - b.dueInHours ||
  a.name.localeCompare(b.name, 'en', { numeric: true });

/**
 * The round: each pail that is due with the clean one it is turned over into. What is most urgent gets a
 * pail first; it takes the smallest that holds its water and is no smaller than its own where there is one.
 */
export function changeRound(due: readonly DuePail[], ready: readonly ReadyPail[]): ChangeRound {
  const left = [...ready].sort((a, b) => a.sizeL - b.sizeL);
  const taken = new Map<string, ReadyPail>();
  const urgent = due.filter((p) => p.stems > 0).sort((a, b) => a.dueInHours - b.dueInHours || onTheWay(a, b));
  for (const pail of urgent) {
    const found = left.find((r) => r.sizeL >= pail.sizeL) ?? left.findLast((r) => r.sizeL >= pail.litres);
    if (!found) continue;
    left.splice(left.indexOf(found), 1);
    taken.set(pail.id, found);
  }
  const stops = [...due].sort(onTheWay).map((pail) => ({ pail, into: taken.get(pail.id) ?? null }));
  const changed = stops.filter((s) => s.into !== null);
  const tipped = stops.filter((s) => s.pail.stems === 0);
  return {
    stops,
    litres: changed.reduce((sum, s) => sum + s.pail.litres, 0),
    minutes: (changed.length * CHANGE_S + tipped.length * TIP_OUT_S) / 60,
    short: stops.length - changed.length - tipped.length,
  };
}
