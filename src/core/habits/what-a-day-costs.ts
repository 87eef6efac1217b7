import { careStyles, sharedSolution, type CareStyle } from '../arrangement/care-styles';
import { luckOfLines } from '../arrangement/luck-of-lines';
import { advance, startArrangement } from '../arrangement/run';
import type { ArrangementInput } from '../arrangement/types';
import { figuresWith } from '../model/figures';
import { HORIZON_DAYS } from '../model/constants';
import { daysLeftByDraw } from '../vase-life/predict-lot';
import type { Species } from '../species/species';
import type { LotInput } from '../vase-life/types';
import {
  foodOf,
  HABITS,
  MORE_TO_DO,
  type Habit,
  type HabitKey,
  type HabitSetting,
  type Keeping,
} from './habits';
import { sapCosts, type SapCost } from './sap-costs';
import { medianOf, pairedInterval, pairedSpread, type Interval } from './paired';

export type PredictInput = LotInput | ArrangementInput;

/** What one habit is worth. */
export interface HabitWorth {
  readonly habit: HabitKey;
  readonly name: string;
  /** True where the input has the habit, and the rerun is without it. */
  readonly isObserved: boolean;
  readonly withIt: string;
  readonly without: string;
  /** Median days with the habit less the median without it. */
  readonly medianGainDays: number;
  /** 90 % interval of that: what another seed could have made of it. */
  readonly interval: Interval;
  /** How much it varies from one lot or vase to the next, draw by draw. */
  readonly spread: { readonly p10: number; readonly p90: number };
  /** With it half outlives the horizon: it is worth at least that. */
  readonly isPastHorizon: boolean;
}

/** Two habits together against one after the other; their worths do not add. */
export interface Interaction {
  readonly habits: readonly [HabitKey, HabitKey];
  /** What each is worth by itself, as the list has it. */
  readonly firstAloneDays: number;
  readonly secondAloneDays: number;
  /** What both are worth over having neither. */
  readonly bothDays: number;
  /** Both, less the sum of each by itself. */
  readonly interactionDays: number;
  readonly interval: Interval;
}

export interface DayCosts {
  /** Median days as the input stands: a lot's days left, an arrangement's still-a-gift. */
  readonly medianDays: number;
  readonly draws: number;
  /** Largest gain first. */
  readonly habits: readonly HabitWorth[];
  readonly interaction: Interaction | null;
  /** Of what can be done beyond the promise, the two things that buy most, together; null where only one buys any. */
  readonly more: Interaction | null;
  /** What the sap of others costs lines of an arrangement. */
  readonly sapCosts: readonly SapCost[];
}

/** A way to rerun an input with its keeping changed and every draw's luck as it was. */
interface Rerun {
  readonly setting: HabitSetting;
  readonly keepings: readonly Keeping[];
  readonly daysByDraw: (keepings: readonly Keeping[]) => Float64Array;
}

function isArrangement(input: PredictInput): input is ArrangementInput {
  return 'lines' in input;
}

const HORIZON_HOURS = HORIZON_DAYS * 24;

function rerunOfLot(input: LotInput): Rerun {
  const species = figuresWith(input.overrides).speciesOf(input.species);
  const keeping: Keeping = {
    stays: input.stays,
    water: input.water,
    changes: (input.events ?? []).filter((e) => e.type === 'change'),
    careEvents: (input.events ?? []).filter((e) => e.type !== 'change'),
    leafFactor: 1,
    pullsEnded: false,
  };
  return {
    setting: {
      species: [species],
      food: foodOf(species),
      vessel: 'lot',
      countFromHour: input.countFromHour ?? 0,
      horizonHours: HORIZON_HOURS,
    },
    keepings: [keeping],
    daysByDraw: ([kept = keeping]) =>
      daysLeftByDraw({
        ...input,
        stays: kept.stays,
        water: kept.water,
        events: [...kept.changes, ...kept.careEvents],
        leafShare: input.leafShare * kept.leafFactor,
      }),
  };
}

function rerunOfArrangement(input: ArrangementInput): Rerun {
  const figures = figuresWith(input.overrides);
  const species = input.lines.map((l, at) => figures.speciesOf(l.species, `lines[${at}].species`));
  const styles = careStyles(input, species);
  const luck = luckOfLines(input.lines);
  return {
    setting: {
      species,
      food: sharedSolution(input.lines.map((l, at) => ({ stems: l.stems, species: species[at] as Species }))),
      vessel: input.vessel.kind,
      countFromHour: input.countFromHour ?? 0,
      horizonHours: HORIZON_HOURS,
    },
    keepings: styles.map((style) => ({ ...style, pullsEnded: input.pullsEnded ?? false })),
    daysByDraw: (keepings) => {
      const kept = styles.map((style, i): CareStyle => ({ ...style, ...keepings[i] }));
      const pullsEnded = keepings.every((k) => k.pullsEnded);
      const run = startArrangement({ ...input, pullsEnded }, luck, kept);
      advance(run, input.draws);
      return run.stillAGift;
    },
  };
}

interface Toggled {
  readonly habit: Habit;
  readonly isObserved: boolean;
  readonly days: Float64Array;
  readonly toggle: (keepings: readonly Keeping[]) => Keeping[];
}

function worthOf({ habit, isObserved, days }: Toggled, base: Float64Array, seed: number): HabitWorth {
  const [more, less] = isObserved ? [base, days] : [days, base];
  return {
    habit: habit.key,
    name: habit.name,
    isObserved,
    withIt: habit.says[0],
    without: habit.says[1],
    medianGainDays: medianOf(more) - medianOf(less),
    interval: pairedInterval([more, less], [1, -1], seed),
    spread: pairedSpread(more, less),
    isPastHorizon: medianOf(more) >= HORIZON_DAYS,
  };
}

/** The four corners of two habits, and what they are worth together against one by one. */
function interactionOf(
  first: Toggled,
  second: Toggled,
  base: Float64Array,
  rerun: Rerun,
  seed: number,
): Interaction {
  const changed = rerun.daysByDraw(second.toggle(first.toggle(rerun.keepings)));
  const corner = (hasFirst: boolean, hasSecond: boolean): Float64Array => {
    const toggledFirst = hasFirst !== first.isObserved;
    const toggledSecond = hasSecond !== second.isObserved;
    if (toggledFirst && toggledSecond) return changed;
    if (toggledFirst) return first.days;
    return toggledSecond ? second.days : base;
  };
  // By itself a habit is worth what the list says: with it and without, all else as it stands.
  const runs = [
    corner(true, true),
    corner(false, false),
    corner(true, second.isObserved),
    corner(false, second.isObserved),
    corner(first.isObserved, true),
    corner(first.isObserved, false),
  ];
  const [both = 0, none = 0, withFirst = 0, lessFirst = 0, withSecond = 0, lessSecond = 0] =
    runs.map(medianOf);
  const [firstAloneDays, secondAloneDays] = [withFirst - lessFirst, withSecond - lessSecond];
  return {
    habits: [first.habit.key, second.habit.key],
    firstAloneDays,
    secondAloneDays,
    bothDays: both - none,
    interactionDays: both - none - firstAloneDays - secondAloneDays,
    interval: pairedInterval(runs, [1, -1, -1, 1, -1, 1], seed),
  };
}

/**
 * What each habit is worth for a lot or an arrangement: one-change reruns with the same draws, so
 * that luck cancels, ranked by median days gained, and the interaction of the two that matter most.
 * A generator, so that a worker may give way between reruns: it yields the share that is done.
 * @throws BrokenContractError for an unknown species; other fields are taken as checked
 */
export function* dayCostsInSteps(input: PredictInput): Generator<number, DayCosts> {
  const rerun = isArrangement(input) ? rerunOfArrangement(input) : rerunOfLot(input);
  const { setting, keepings, daysByDraw } = rerun;
  const habits = HABITS.filter((habit) => keepings.every((k) => habit.applies(setting, k)));
  const steps = habits.length + 3;
  const base = daysByDraw(keepings);
  yield 1 / steps;
  const toggled: Toggled[] = [];
  for (const habit of habits) {
    const isObserved = keepings.every((k) => habit.isObserved(k, setting));
    // Where only some keep to it, it is added to the others: what it would be worth if all did.
    const toggle = (all: readonly Keeping[]): Keeping[] =>
      all.map((k) => {
        if (isObserved) return habit.drop(k, setting);
        return habit.isObserved(k, setting) ? k : habit.add(k, setting);
      });
    toggled.push({ habit, isObserved, toggle, days: daysByDraw(toggle(keepings)) });
    yield (toggled.length + 1) / steps;
  }
  const worths = toggled.map((t) => ({ toggled: t, worth: worthOf(t, base, input.seed) }));
  worths.sort((a, b) => b.worth.medianGainDays - a.worth.medianGainDays);
  const [first, second] = [...worths].sort(
    (a, b) => Math.abs(b.worth.medianGainDays) - Math.abs(a.worth.medianGainDays),
  );
  const pairOf = (a: Ranked | undefined, b: Ranked | undefined): Interaction | null =>
    a && b ? interactionOf(a.toggled, b.toggled, base, rerun, input.seed) : null;
  const interaction = pairOf(first, second);
  yield (habits.length + 2) / steps;
  const [most, next] = bestOfEach(worths);
  const isSame = most && next && interaction?.habits.join() === [most, next].map((w) => w.worth.habit).join();
  return {
    medianDays: medianOf(base),
    draws: input.draws,
    habits: worths.map((w) => w.worth),
    interaction,
    more: isSame ? interaction : pairOf(most, next),
    sapCosts: isArrangement(input) ? sapCosts(input) : [],
  };
}

interface Ranked {
  readonly toggled: Toggled;
  readonly worth: HabitWorth;
}
/** Less than this is not worth a line on a card. */
const WORTH_A_LINE_DAYS = 0.5;

/** Of each thing that can be done beyond the promise, the habit that buys most; largest first, as they come. */
function bestOfEach(ranked: readonly Ranked[]): Ranked[] {
  const done = new Set<string>();
  return ranked.filter(({ worth }) => {
    const doing = MORE_TO_DO[worth.habit];
    if (doing === undefined || done.has(doing) || worth.medianGainDays < WORTH_A_LINE_DAYS) return false;
    done.add(doing);
    return true;
  });
}

/** The same in one go. */
export function whatADayCosts(input: PredictInput): DayCosts {
  const steps = dayCostsInSteps(input);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}
