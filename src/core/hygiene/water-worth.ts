import { USUAL_CHANGE_HOUR } from '../arrangement/care-styles';
import { hasTrait } from '../species/traits';
import { forecastInputOf, PACK_WATER, type LotHistory, type StayHere } from '../vase-life/lot-history';
import { daysLeftByDraw } from '../vase-life/predict-lot';
import type { CareEvent } from '../vase-life/types';
import { longestUseHours, type LongestUse } from '../water/pail-water';
import { rightSolution, SOLUTIONS } from '../water/solutions';
import { freshWater, hoursUntilDue } from '../water/vessel-water';

/** What is wrong with a pail or its water, as far as it costs flowers days. */
export const WATER_CAUSES = ['pail not sanitised', 'water stood too long'] as const;
export type WaterCause = (typeof WATER_CAUSES)[number];

/** What more could be done for stems in pails. */
export const MORE_CARE = ['a change every day', 'food in every pail', 'every pail scrubbed'] as const;
export type MoreCare = (typeof MORE_CARE)[number];

/** Days of a stem's vase life that one pail's water cost it. */
export interface LostInWater {
  /** The water, by the name the history gives it. */
  readonly water: string;
  readonly cause: WaterCause;
  readonly days: number;
  /** Hours since it came at which the fault began. */
  readonly fromHour: number;
}

/** What water and pails meant for a lot's stems. Expected days, of the same stems in the same luck. */
export interface WaterWorth {
  /** Days left as it was kept, and as it should have been. */
  readonly asKeptDays: number;
  readonly asShouldDays: number;
  readonly lost: readonly LostInWater[];
  /** Days more, had this been done beside all that was. */
  readonly gains: Readonly<Record<MoreCare, number>>;
}

/** A water of a history: from its first hour in it to its last. */
interface Stood {
  readonly water: NonNullable<StayHere['water']>;
  readonly fromHour: number;
  readonly toHour: number;
  readonly tempC: number;
}

const SEED = 1;
/** A difference smaller than this is none. */
const LEAST_DAYS = 0.005;

/** The pails of a history in their order, each once: its stays in one place after the other count together. */
function watersOf({ stays }: LotHistory): Stood[] {
  const waters: Stood[] = [];
  for (const { water, fromHour, toHour, air } of stays) {
    if (water === null || water.name === PACK_WATER) continue;
    const last = waters.at(-1);
    if (last?.water.name !== water.name) waters.push({ water, fromHour, toHour, tempC: air.tempC });
    else
      waters[waters.length - 1] = {
        ...last,
        toHour,
        tempC: toHour - fromHour > last.toHour - last.fromHour ? air.tempC : last.tempC,
      };
  }
  return waters;
}

/** Hours after which such a water, begun in a clean pail, is to be changed: by its count or by the house. */
function dueAfterH({ water, tempC }: Stood, { species }: LotHistory, use: LongestUse): number {
  const byCount = hoursUntilDue(freshWater('clean', water.solution), tempC, 0) ?? Infinity;
  return Math.max(1, Math.min(byCount, longestUseHours(water.solution, hasTrait(species, 'lily'), use)));
}

/** Changes of a water every so many hours while it stood, not in its last hour. */
function changesEvery(stood: Stood, hours: number): CareEvent[] {
  const events: CareEvent[] = [];
  for (let at = stood.fromHour + hours; at < stood.toHour - 1; at += hours)
    events.push({ atHour: at, type: 'change', solution: stood.water.solution });
  return events;
}

const withWaters = (
  history: LotHistory,
  of: (water: NonNullable<StayHere['water']>) => NonNullable<StayHere['water']>,
): LotHistory => ({
  ...history,
  stays: history.stays.map((stay) =>
    stay.water && stay.water.name !== PACK_WATER ? { ...stay, water: of(stay.water) } : stay,
  ),
});

/**
 * Expected days left of a history, with changes of water beside those it tells of, at a usual customer's: cut
 * and fed as it leaves, and one change into plain water after. Who cuts again every few days forgives a
 * shop's pails nearly all.
 */
function meanDays(history: LotHistory, more: readonly CareEvent[], draws: number): number {
  const input = forecastInputOf(history, SEED, draws);
  const changed = {
    atHour: (input.countFromHour ?? 0) + USUAL_CHANGE_HOUR,
    type: 'change',
    solution: 'plain',
  } as const;
  const events = [...(input.events ?? []), ...more, changed].sort((a, b) => a.atHour - b.atHour);
  const water = { ...input.water, changeEveryDays: null, recutAtChange: false };
  const days = daysLeftByDraw({ ...input, water, events });
  return days.reduce((sum, d) => sum + d, 0) / days.length;
}

/** Shares a loss out over what was at fault, by the hours each was. */
function sharedOut(
  days: number,
  cause: WaterCause,
  faults: readonly { stood: Stood; fromHour: number }[],
): LostInWater[] {
  const hours = faults.reduce((sum, f) => sum + f.stood.toHour - f.fromHour, 0);
  if (days < LEAST_DAYS || hours <= 0) return [];
  return faults.map(({ stood, fromHour }) => ({
    water: stood.water.name,
    cause,
    days: (days * (stood.toHour - fromHour)) / hours,
    fromHour,
  }));
}

/**
 * What water and pails cost a lot's stems, and what more care would have brought them: the lot is forecast
 * from its history as it was kept, then with every pail sanitised, then with every water changed when it was
 * due, and each time with the same draws, so that what differs is the water alone. What a fault cost is shared
 * out over the pails that had it by their hours in it (estimate).
 * @param draws stems drawn; the differences are paired, so that few do
 * @throws BrokenContractError for an unknown species
 */
export function waterWorth(history: LotHistory, use: LongestUse, draws: number): WaterWorth {
  const waters = watersOf(history);
  const unclean = waters.filter((w) => w.water.start !== 'clean');
  const late = waters
    .map((stood) => ({ stood, fromHour: stood.fromHour + dueAfterH(stood, history, use) }))
    .filter(({ stood, fromHour }) => fromHour < stood.toHour - 1);
  const kept = meanDays(history, [], draws);
  const washed = withWaters(history, (water) => ({ ...water, start: 'clean' }));
  const washedDays = unclean.length > 0 ? meanDays(washed, [], draws) : kept;
  const onTime = late.flatMap(({ stood, fromHour }) => changesEvery(stood, fromHour - stood.fromHour));
  const should = late.length > 0 ? meanDays(washed, onTime, draws) : washedDays;
  const right = rightSolution(history.species.foodKind);
  const isFed = waters.every(({ water }) => SOLUTIONS[water.solution].isFood || water.solution === right);
  const fed = withWaters(history, (water) =>
    SOLUTIONS[water.solution].isFood ? water : { ...water, solution: right },
  );
  const daily = waters.flatMap((stood) => changesEvery(stood, 24));
  const gain = (days: number): number => (days - kept < LEAST_DAYS ? 0 : days - kept);
  return {
    asKeptDays: kept,
    asShouldDays: should,
    lost: [
      ...sharedOut(
        washedDays - kept,
        'pail not sanitised',
        unclean.map((stood) => ({ stood, fromHour: stood.fromHour })),
      ),
      ...sharedOut(should - washedDays, 'water stood too long', late),
    ],
    gains: {
      'a change every day': daily.length > 0 ? gain(meanDays(history, daily, draws)) : 0,
      'food in every pail': isFed ? 0 : gain(meanDays(fed, [], draws)),
      'every pail scrubbed': gain(washedDays),
    },
  };
}
