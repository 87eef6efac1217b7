import { BrokenContractError } from '../errors';
import { figuresWith } from '../model/figures';
import type { FoodKind, Species } from '../species/species';
import type { CareEvent, Stay, TopUp, WaterPlan } from '../vase-life/types';
import { DAILY } from '../vase-life/vessel-hours';
import type { SolutionKey } from '../water/solutions';
import { ROLE_WEIGHT } from './role-weight';
import type { ArrangementInput, Care, Vessel } from './types';

/** One way of keeping an arrangement, with how many of the draws are kept so. */
export interface CareStyle {
  readonly draws: number;
  readonly stays: readonly Stay[];
  readonly water: WaterPlan;
  /** Changes of water besides the plan's. */
  readonly changes: readonly CareEvent[];
  /** Actions done to the stems of every line. */
  readonly careEvents: readonly CareEvent[];
  /** Factor on every line's leaves. */
  readonly leafFactor: number;
}

/** The coolest corner of a home is so much under its room, and no colder than this. */
const COOL_CORNER_BY_C = 3;
const COOL_CORNER_LEAST_C = 16;
/** A warm sill is so much over its room. */
const WARM_SILL_BY_C = 2;
const CAREFUL_CHANGE_DAYS = 4;
export const USUAL_CHANGE_HOUR = 4 * 24;
/** Foam as its directions have it: watered morning and evening. */
export const FOAM_TOP_UP: TopUp = { everyHours: 12, with: 'plain' };

/** How each customer tops up: the careless every other day, foam three days of five. */
const TOP_UPS: Readonly<Record<Exclude<Care, 'mixed'>, Readonly<Record<Vessel['kind'], TopUp>>>> = {
  careful: { vase: DAILY, foam: FOAM_TOP_UP },
  usual: { vase: DAILY, foam: DAILY },
  careless: {
    vase: { everyHours: 48, with: 'plain' },
    foam: { ...DAILY, missed: { first: 2, of: 5 } },
  },
};

/** Of a room at this warmth, °C, its coolest corner. */
export const coolCornerC = (roomC: number): number =>
  Math.min(roomC, Math.max(COOL_CORNER_LEAST_C, roomC - COOL_CORNER_BY_C));
/** Of a room at this warmth, °C, its warm sill. */
export const warmSillC = (roomC: number): number => roomC + WARM_SILL_BY_C;

/** What the lines of an arrangement weigh in the whole, for the food they share. */
export interface Weighed {
  readonly species: Pick<Species, 'foodKind' | 'role'>;
  readonly stems: number;
}

/** The food that suits most of the weight: a lone tulip among roses takes the roses' food. */
export function sharedSolution(lines: readonly Weighed[]): SolutionKey {
  const weightOf = (isOf: (kind: FoodKind) => boolean): number =>
    lines.reduce((sum, l) => sum + (isOf(l.species.foodKind) ? l.stems * ROLE_WEIGHT[l.species.role] : 0), 0);
  const gentle = weightOf((kind) => kind === 'bulb' || kind === 'holding');
  return gentle > weightOf((kind) => kind === 'standard') ? 'bulb-food' : 'flower-food';
}

/** The stays with the last one's air, where it is kept, changed. */
export function lastStayWith(stays: readonly Stay[], change: (last: Stay) => Partial<Stay>): Stay[] {
  return stays.map((stay, at) => (at === stays.length - 1 ? { ...stay, ...change(stay) } : stay));
}

/** What a vessel allows of a plan: foam takes neither a change nor a recut. */
function planFor(vessel: ArrangementInput['vessel'], plan: WaterPlan): WaterPlan {
  if (vessel.kind === 'vase') return { ...plan, topUp: plan.topUp ?? DAILY };
  return { ...plan, topUp: plan.topUp ?? FOAM_TOP_UP, changeEveryDays: null, recutAtChange: false };
}

function styleOf(
  care: Exclude<Care, 'mixed'>,
  draws: number,
  input: ArrangementInput,
  species: readonly Species[],
): CareStyle {
  const isFoam = input.vessel.kind === 'foam';
  const plan = (solution: SolutionKey, changeEveryDays: number | null): WaterPlan =>
    planFor(input.vessel, {
      start: 'clean',
      solution,
      changeEveryDays,
      recutAtChange: changeEveryDays !== null,
      leafBelow: 0,
      topUp: TOP_UPS[care][input.vessel.kind],
    });
  const food = sharedSolution(
    input.lines.flatMap((l, at) => (species[at] ? [{ species: species[at], stems: l.stems }] : [])),
  );
  const plain = { draws, changes: [], careEvents: [], leafFactor: 1, stays: input.stays };
  if (care === 'careful')
    return {
      ...plain,
      water: plan(food, CAREFUL_CHANGE_DAYS),
      stays: lastStayWith(input.stays, ({ tempC }) => ({ tempC: coolCornerC(tempC) })),
    };
  if (care === 'careless')
    return {
      ...plain,
      // Foam comes from the shop with its solution in it; a vase gets what its customer gives.
      water: plan(isFoam ? food : 'plain', null),
      stays: lastStayWith(input.stays, ({ tempC }) => ({ tempC: warmSillC(tempC) })),
    };
  const atHour = (input.countFromHour ?? 0) + USUAL_CHANGE_HOUR;
  const changes: CareEvent[] = isFoam ? [] : [{ atHour, type: 'change', solution: 'plain' }];
  return { ...plain, water: plan(food, null), changes };
}

/**
 * The ways of keeping that an input asks for, largest remainder deciding the odd draws.
 * @throws BrokenContractError unless exactly one of `water` and `care` is given
 */
export function careStyles(input: ArrangementInput, species: readonly Species[]): CareStyle[] {
  if ((input.water === undefined) === (input.care === undefined))
    throw new BrokenContractError([
      { field: 'water', message: 'give either water or care, not both and not neither' },
    ]);
  if (input.water)
    return [
      {
        draws: input.draws,
        stays: input.stays,
        water: planFor(input.vessel, input.water),
        changes: [],
        careEvents: [],
        leafFactor: 1,
      },
    ];
  const { care = 'mixed' } = input;
  if (care !== 'mixed') return [styleOf(care, input.draws, input, species)];
  const { careMixCareful, careMixCareless } = figuresWith(input.overrides).constants;
  const careful = Math.min(input.draws, Math.round(input.draws * careMixCareful));
  const careless = Math.min(input.draws - careful, Math.round(input.draws * careMixCareless));
  const usual = input.draws - careful - careless;
  return (
    [
      ['careful', careful],
      ['usual', usual],
      ['careless', careless],
    ] as const
  )
    .filter(([, draws]) => draws > 0)
    .map(([style, draws]) => styleOf(style, draws, input, species));
}

/**
 * Which style each draw is kept in, evenly mixed, so that the first so many draws of a run stand
 * for all of them.
 */
export function styleOfDraws(styles: readonly Pick<CareStyle, 'draws'>[]): Uint8Array {
  const draws = styles.reduce((sum, s) => sum + s.draws, 0);
  const done = styles.map(() => 0);
  return Uint8Array.from({ length: draws }, (_, draw) => {
    const owed = styles.map((s, i) => (s.draws / draws) * (draw + 1) - (done[i] ?? 0));
    const next = owed.indexOf(Math.max(...owed));
    done[next] = (done[next] ?? 0) + 1;
    return next;
  });
}
