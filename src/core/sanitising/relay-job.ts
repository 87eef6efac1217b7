import type { Demand } from './contact';
import { planRelay, type RelayInShort, type RelayMode } from './relay';
import type { RelayWays, Tubs } from './relay-pass';
import { stockMl } from './dilution';
import type { Dirt } from './figures';
import { strengthNow } from './dilution';
import { monthsOld, pricesOf, type Sanitiser } from './sanitiser';

/** No pass begins below it, whatever the target: it would not count as contact. */
const FLOOR_PPM = 100;
/** A pass takes so much handling at least, minutes (estimate). */
const HANDLING_MIN = 3;

/** One pass of a relay that is run. */
export interface JobPass {
  readonly pailIds: readonly string[];
  /** Product that goes in as it begins, mL; none where what is poured on is strong enough. */
  readonly doseMl: number;
  readonly ppmAtStart: number;
  /** As it comes out, by the plan; not told by a relay of earlier days. */
  readonly ppmAtEnd?: number;
  /** The same by a strip. */
  readonly readPpm?: number;
  readonly logReduction: number;
  readonly minutes: number;
}

/** What a relay was planned with, to reckon on from a strip. */
export interface JobWays extends Omit<RelayWays, 'demand'> {
  readonly dirt: Dirt;
  readonly litresOf: Readonly<Record<string, number>>;
}

/** What another way of washing the same pails takes. */
export interface Compared {
  readonly minutes: number;
  readonly litres: number;
  readonly stockMl: number;
  readonly cost?: number | null;
}

/** A relay as it is run: which pails when, and what goes in. */
export interface RelayJob {
  readonly mode: RelayMode;
  readonly product: string;
  readonly passes: readonly JobPass[];
  readonly minutes: number;
  readonly scrubMinutes: number;
  readonly litres: number;
  readonly stockMl: number;
  /** In the shop's money; null where no prices were told, nothing on a relay of earlier days. */
  readonly cost?: number | null;
  /** The same with all filled at once, for comparison. */
  readonly allAtOnce: Compared;
  /** The same with a fresh batch for each pass. */
  readonly freshEachPass?: Compared;
  readonly isSanitised: boolean;
  readonly ways?: JobWays;
}

/** What a relay is run with. */
export interface RelayAsked {
  readonly pails: readonly { readonly id: string; readonly litres: number }[];
  /** How dirty most of them are. */
  readonly dirt: Dirt;
  readonly people: number;
  readonly taps: number;
  readonly mode: RelayMode;
  /** What they are laid in, where it is tubs. */
  readonly tubs?: Tubs | undefined;
  readonly sanitiser: Sanitiser;
  /** ISO date. */
  readonly today: string;
  /** What the shop's own strips say; the table's where none is told. */
  readonly demand?: Demand;
}

const comparedOf = ({
  minutes,
  litres,
  stockMl,
  cost,
}: Pick<RelayInShort, 'minutes' | 'litres' | 'stockMl' | 'cost'>) => ({
  minutes,
  litres,
  stockMl,
  cost,
});

/** The relay of a shop's own pails, with what it sanitises with. @param asked at least one pail */
export function relayJob(asked: RelayAsked): RelayJob {
  const { pails, dirt, people, taps, mode, tubs, sanitiser, today, demand } = asked;
  const { targetPpm, contactMin } = sanitiser;
  const percent = strengthNow({ ...sanitiser, months: monthsOld(sanitiser.madeOn, today) });
  const ways = {
    ...{ people, taps, contactMin, targetPpm, percent },
    handlingMin: HANDLING_MIN,
    floorPpm: Math.min(FLOOR_PPM, targetPpm),
    ...(mode === 'tubs' && tubs ? { tubs } : {}),
  };
  const dirty = pails.map(({ litres }) => ({ litres, dirt, isScrubbed: true }));
  const plan = planRelay(dirty, { ...ways, ...(demand ? { demand } : {}) }, mode, pricesOf(sanitiser));
  const all = plan.alternatives.at(-1) ?? plan;
  const first = stockMl(plan.litres, targetPpm, percent);
  return {
    mode,
    product: sanitiser.name,
    passes: plan.passes.map((pass, i) => ({
      pailIds: plan.order
        .slice(i * plan.startAtOnce, (i + 1) * plan.startAtOnce)
        .map((index) => pails[index]?.id ?? ''),
      doseMl: i === 0 ? first : pass.boostMl,
      ppmAtStart: pass.ppmAtStart,
      ppmAtEnd: pass.ppmAtEnd,
      logReduction: pass.logReduction,
      minutes: pass.minutes,
    })),
    minutes: plan.minutes,
    scrubMinutes: plan.scrubMinutes,
    litres: plan.litres,
    stockMl: plan.stockMl,
    cost: plan.cost,
    allAtOnce: comparedOf(all),
    freshEachPass: comparedOf(plan.freshEachPass),
    isSanitised: plan.isSanitised,
    ways: { ...ways, dirt, litresOf: Object.fromEntries(pails.map(({ id, litres }) => [id, litres])) },
  };
}
