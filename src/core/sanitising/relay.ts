import { stockMl } from './dilution';
import { DIRT, OVERNIGHT_MIN, POUR_OVER_S, SCRUB_S, TURN_OVER_S } from './figures';
import { onePass, type RelayPass, type RelayWays, type Solution } from './relay-pass';
import type { DirtyPail } from './contact';
import { withLessProduct } from './relay-order';

export const RELAY_MODES = ['relay', 'all-at-once', 'overnight', 'tubs'] as const;
export type RelayMode = (typeof RELAY_MODES)[number];

/** What product and water cost, in the shop's money. */
export interface Prices {
  readonly productPerL: number;
  readonly waterPerL: number;
}

/** So many pails started at once, and what comes of it. */
export interface Relay {
  readonly startAtOnce: number;
  readonly passes: readonly RelayPass[];
  /** From the first drop to the last pail upside down, scrubbing not counted. */
  readonly minutes: number;
  /** Solution made in all. */
  readonly litres: number;
  /** Product in all. */
  readonly stockMl: number;
  /** Of it, put in on the way. */
  readonly boostMl: number;
  /** Solution that goes to drains, floors and bins at the end, and its strength. */
  readonly drained: Solution;
  readonly isSanitised: boolean;
  /** Null where no prices were told. */
  readonly cost: number | null;
}

/** An alternative, without its passes told one by one. */
export type RelayInShort = Omit<Relay, 'passes' | 'drained'> & { readonly passes: number };

export interface RelayPlan extends Relay {
  /** Which pails go first, by their place in what was told: so many at once, in this order. */
  readonly order: readonly number[];
  /** Scrubbing beforehand, minutes of all hands there are. */
  readonly scrubMinutes: number;
  /** Every number that may be started at once, from one to all. */
  readonly alternatives: readonly RelayInShort[];
  /** A fresh batch for each pass of the plan, for comparison. */
  readonly freshEachPass: Pick<Relay, 'minutes' | 'litres' | 'stockMl' | 'cost'>;
}

/** The largest first, so that what is poured on fills the next; of one size the cleanest, so that chlorine lasts. */
const inTurn = <P extends DirtyPail>(pails: readonly P[]): P[] =>
  [...pails].sort(
    (a, b) =>
      b.litres - a.litres ||
      Number(b.isScrubbed) - Number(a.isScrubbed) ||
      DIRT.indexOf(a.dirt) - DIRT.indexOf(b.dirt),
  );

const costOf = (litres: number, ml: number, prices: Prices | null): number | null =>
  prices && (ml / 1000) * prices.productPerL + litres * prices.waterPerL;

/**
 * The relay with so many pails started at once, in the order told.
 * @param pails none larger than the one before it
 * @param startAtOnce from 1 to as many as there are
 */
export function relayOf(
  pails: readonly DirtyPail[],
  startAtOnce: number,
  ways: RelayWays,
  prices: Prices | null = null,
): Relay {
  const passes: RelayPass[] = [];
  const drained: Solution[] = [];
  let left: Solution | null = null;
  for (let at = 0; at < pails.length; at += startAtOnce) {
    const next: ReturnType<typeof onePass> = onePass(pails.slice(at, at + startAtOnce), left, ways);
    // What the smaller or fewer pails do not hold goes down the drain as it is poured on.
    if (left) drained.push({ litres: left.litres - next.left.litres, ppm: left.ppm });
    passes.push(next.pass);
    left = next.left;
  }
  if (left) drained.push(left);
  const litres = drained.reduce((sum, d) => sum + d.litres, 0);
  const boostMl = passes.reduce((sum, p) => sum + p.boostMl, 0);
  const ml = stockMl(litres, ways.targetPpm, ways.percent) + boostMl;
  return {
    startAtOnce,
    passes,
    minutes: passes.reduce((sum, p) => sum + p.minutes, 0),
    litres,
    stockMl: ml,
    boostMl,
    drained: { litres, ppm: drained.reduce((sum, d) => sum + d.litres * d.ppm, 0) / litres },
    isSanitised: passes.every((p) => p.isSanitised),
    cost: costOf(litres, ml, prices),
  };
}

/** So many pails can be poured over and turned within the handling of a pass: with more, those in contact wait for hands. */
function inStep({ people, handlingMin }: RelayWays): number {
  return Math.max(1, Math.floor((people * handlingMin * 60) / (POUR_OVER_S + TURN_OVER_S)));
}

const short = (relay: Relay): RelayInShort => {
  const { startAtOnce, passes, minutes, litres, stockMl, boostMl, isSanitised, cost } = relay;
  return { startAtOnce, passes: passes.length, minutes, litres, stockMl, boostMl, isSanitised, cost };
};

function withoutTubs(ways: RelayWays): RelayWays {
  const { tubs, ...rest } = ways;
  return tubs ? rest : ways;
}

/** The fewest and the most that may be started at once: in tubs as many as lie in them. */
function startsOf(n: number, mode: RelayMode, ways: RelayWays): readonly [least: number, most: number] {
  if (mode === 'relay') return [1, Math.min(inStep(ways), Math.ceil(n / 2))];
  const inTubs = ways.tubs ? Math.min(n, ways.tubs.count * ways.tubs.holds) : n;
  return [inTubs, inTubs];
}

type Numbered = DirtyPail & { readonly index: number };
const inOrder = (order: readonly Numbered[], relay: Relay) => ({
  ...relay,
  order: order.map(({ index }) => index),
});

/**
 * How a relay is run: how many pails are started at once, each pass with its strength, its kill and its
 * minutes. Of what hands can keep in step, and of what has each fill serve two pails at least, it is the
 * soonest done; of those, with the least solution.
 * @param pails at least one, each with its litres over 0
 */
export function planRelay(
  pails: readonly DirtyPail[],
  ways: RelayWays,
  mode: RelayMode,
  prices: Prices | null = null,
): RelayPlan {
  const n = pails.length;
  const soaking =
    mode === 'overnight' ? { ...ways, contactMin: Math.max(ways.contactMin, OVERNIGHT_MIN) } : ways;
  const turn = inTurn(pails.map((pail, index) => ({ ...pail, index })));
  const run = (at: number, as: RelayWays): Relay => relayOf(turn, at, as, prices);
  const all = Array.from({ length: n }, (_, i) => run(i + 1, soaking));
  const [least, most] = startsOf(n, mode, ways);
  const soonest = all
    .slice(least - 1, most)
    .reduce((best, one) =>
      one.minutes < best.minutes - 1e-9 ||
      (one.minutes < best.minutes + 1e-9 && one.litres < best.litres - 1e-9)
        ? one
        : best,
    );
  const plan = withLessProduct(turn, inOrder(turn, soonest), (order) =>
    inOrder(order, relayOf(order, soonest.startAtOnce, soaking, prices)),
  );
  const { tubs } = soaking;
  const filled = tubs
    ? plan.passes.length * tubs.count * tubs.litres
    : turn.reduce((sum, p) => sum + p.litres, 0);
  const fresh = stockMl(filled, ways.targetPpm, ways.percent);
  return {
    ...plan,
    scrubMinutes: turn.reduce((sum, p) => sum + SCRUB_S[p.dirt], 0) / 60 / ways.people,
    // Tubs are held against the pails themselves.
    alternatives: (soaking.tubs ? all.map((_, i) => run(i + 1, withoutTubs(soaking))) : all).map(short),
    freshEachPass: {
      minutes: plan.minutes,
      litres: filled,
      stockMl: fresh,
      cost: costOf(filled, fresh, prices),
    },
  };
}
