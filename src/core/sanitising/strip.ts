import { CHLORINE_LOSS_PER_MIN, DEMAND_MG_PER_10_L, DIRT, type Dirt } from './figures';
import type { Demand } from './contact';
import type { JobPass, RelayJob } from './relay-job';
import { onePass, type Solution } from './relay-pass';

/** The table's demand weighs as much as so many readings of the shop's own. */
const TABLE_WEIGHT = 4;

/** What a shop's strips say its pails take up, mg for the wall of 10 L. */
export interface LearntDemand {
  readonly mg: number;
  /** Of the table, to set beside it. */
  readonly tableMg: number;
  readonly readings: number;
}

/** Readings of one kind of dirt: how many, and the mean of what they say, mg for the wall of 10 L. */
export interface StripsOf {
  readonly dirt: Dirt;
  readonly readings: number;
  readonly meanMg: number;
}

/** The demand by kind of dirt: the table's, moved by the shop's own readings as they come. */
export function learntDemand(strips: readonly StripsOf[]): Readonly<Record<Dirt, LearntDemand>> {
  const of = (dirt: Dirt): LearntDemand => {
    const { readings = 0, meanMg = 0 } = strips.find((s) => s.dirt === dirt) ?? {};
    const tableMg = DEMAND_MG_PER_10_L[dirt];
    return {
      tableMg,
      readings,
      mg: (TABLE_WEIGHT * tableMg + readings * meanMg) / (TABLE_WEIGHT + readings),
    };
  };
  return Object.fromEntries(DIRT.map((dirt) => [dirt, of(dirt)])) as Record<Dirt, LearntDemand>;
}

/** That demand as a relay is planned with it. */
export const demandOf = (learnt: Readonly<Record<Dirt, LearntDemand>>): Demand =>
  Object.fromEntries(DIRT.map((dirt) => [dirt, learnt[dirt].mg])) as unknown as Demand;

/** What the walls of a pass took up by a strip that was read as it came out, mg for the wall of 10 L. */
export function demandByStrip(
  { ppmAtStart, minutes }: Pick<JobPass, 'ppmAtStart' | 'minutes'>,
  readPpm: number,
): number {
  // What daylight took is not the walls'. A pail of any size takes by its litres, so 1 ppm is 10 mg for 10 L.
  return Math.max(0, 10 * (ppmAtStart * Math.exp(-CHLORINE_LOSS_PER_MIN * minutes) - readPpm));
}

/** What a strip changed. */
export interface StripRead {
  readonly job: RelayJob;
  readonly predictedPpm: number;
  /** mg for the wall of 10 L, by this one reading. */
  readonly demandMg: number;
}

/**
 * A strip read as a pass comes out of the solution, before it is poured on: its figure takes the place of the
 * predicted one, and what is still to come is reckoned from it, with the demand as this reading moves it.
 * @param pass which, from 0; one that is followed by none is read for the record and for what it teaches
 * @param learnt the demand before this reading
 * @returns null for a relay that was begun without what it takes to reckon on, or where there is no such pass
 */
export function withStrip(
  job: RelayJob,
  pass: number,
  readPpm: number,
  learnt: Readonly<Record<Dirt, LearntDemand>>,
): StripRead | null {
  const { ways, passes } = job;
  const read = passes[pass];
  if (!ways || read?.ppmAtEnd === undefined) return null;
  const demandMg = demandByStrip(read, readPpm);
  const { mg, readings } = learnt[ways.dirt];
  const weight = TABLE_WEIGHT + readings;
  const moved = { ...demandOf(learnt), [ways.dirt]: (weight * mg + demandMg) / (weight + 1) };
  const dirtyOf = ({ pailIds }: JobPass) =>
    pailIds.map((id) => ({ litres: ways.litresOf[id] ?? 0, dirt: ways.dirt, isScrubbed: true }));
  let left: Solution = {
    litres: dirtyOf(read).reduce((sum, p) => sum + p.litres, 0),
    ppm: readPpm,
  };
  const after = passes.slice(pass + 1).map((next): JobPass => {
    const made = onePass(dirtyOf(next), left, { ...ways, demand: moved });
    ({ left } = made);
    const { ppmAtStart, ppmAtEnd, logReduction, minutes, boostMl } = made.pass;
    return { ...next, ppmAtStart, ppmAtEnd, logReduction, minutes, doseMl: boostMl };
  });
  const all = [...passes.slice(0, pass), { ...read, readPpm }, ...after];
  const boosts = (of: readonly JobPass[]): number => of.slice(1).reduce((sum, p) => sum + p.doseMl, 0);
  return {
    predictedPpm: read.ppmAtEnd,
    demandMg,
    job: { ...job, passes: all, stockMl: job.stockMl - boosts(passes) + boosts(all) },
  };
}
