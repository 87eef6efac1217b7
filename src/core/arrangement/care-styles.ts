import { BrokenContractError } from '../errors';
import type { Species } from '../species/species';
import type { CareEvent, Stay, WaterPlan } from '../vase-life/types';
import { DAILY } from '../vase-life/vessel-hours';
import type { SolutionKey } from '../water/solutions';
import type { ArrangementInput, Care } from './types';

/** One way of keeping an arrangement, with how many of the draws are kept so. */
export interface CareStyle {
  readonly draws: number;
  readonly stays: readonly Stay[];
  readonly water: WaterPlan;
  /** Changes of water besides the plan's. */
  readonly changes: readonly CareEvent[];
  /** Actions done to the stems of every line. */
  readonly deeds: readonly CareEvent[];
  /** Factor on every line's leaves. */
  readonly leafFactor: number;
}

/** How customers divide, where nothing is known of this one (an estimate). */
export const CARE_MIX = { careful: 0.3, usual: 0.5, careless: 0.2 } as const;
const COOL_PLACE_C = 18;
const CARELESS_ROOM_C = 23;
const CAREFUL_CHANGE_DAYS = 4;
const USUAL_CHANGE_HOUR = 4 * 24;
/** Foam holds no reserve: it is watered morning and evening. */
const FOAM_TOP_UP = { everyHours: 12, with: 'same' } as const;

/** The food that suits most of the stems: bulb food as soon as they outnumber the rest. */
export function sharedSolution(species: readonly Pick<Species, 'foodKind'>[]): SolutionKey {
  const gentle = species.filter((s) => s.foodKind === 'bulb' || s.foodKind === 'holding').length;
  return gentle * 2 > species.length ? 'bulb-food' : 'flower-food';
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
  const plan = (solution: SolutionKey, changeEveryDays: number | null): WaterPlan =>
    planFor(input.vessel, {
      start: 'clean',
      solution,
      changeEveryDays,
      recutAtChange: changeEveryDays !== null,
      leafBelow: 0,
    });
  const food = sharedSolution(species);
  const plain = { draws, changes: [], deeds: [], leafFactor: 1, stays: input.stays };
  if (care === 'careful')
    return {
      ...plain,
      water: plan(food, CAREFUL_CHANGE_DAYS),
      stays: lastStayWith(input.stays, ({ tempC }) => ({ tempC: Math.min(tempC, COOL_PLACE_C) })),
    };
  if (care === 'careless')
    return {
      ...plain,
      water: plan('plain', null),
      stays: lastStayWith(input.stays, () => ({ tempC: CARELESS_ROOM_C })),
    };
  const atHour = (input.countFromHour ?? 0) + USUAL_CHANGE_HOUR;
  const changes: CareEvent[] =
    input.vessel.kind === 'foam' ? [] : [{ atHour, type: 'change', solution: 'plain' }];
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
        deeds: [],
        leafFactor: 1,
      },
    ];
  const { care = 'mixed' } = input;
  if (care !== 'mixed') return [styleOf(care, input.draws, input, species)];
  const careful = Math.round(input.draws * CARE_MIX.careful);
  const careless = Math.round(input.draws * CARE_MIX.careless);
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
