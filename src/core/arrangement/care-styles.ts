import type { Species } from '../species/species';
import type { CareEvent, Stay, WaterPlan } from '../vase-life/types';
import type { SolutionKey } from '../water/solutions';
import { BrokenContractError } from '../errors';
import type { ArrangementInput, Care } from './types';

/** One way of keeping an arrangement, with the share of the draws that are kept so. */
export interface CareStyle {
  readonly draws: number;
  readonly stays: readonly Stay[];
  readonly water: WaterPlan;
  readonly events: readonly CareEvent[];
}

/** How customers divide, where nothing is known of this one (an estimate). */
export const CARE_MIX = { careful: 0.3, usual: 0.5, careless: 0.2 } as const;
const COOL_PLACE_C = 18;
const CARELESS_ROOM_C = 23;
const CAREFUL_CHANGE_DAYS = 4;
const USUAL_CHANGE_HOUR = 4 * 24;

/** The food that suits most of the stems: bulb food as soon as they outnumber the rest. */
export function sharedSolution(species: readonly Pick<Species, 'foodKind'>[]): SolutionKey {
  const gentle = species.filter((s) => s.foodKind === 'bulb' || s.foodKind === 'holding').length;
  return gentle * 2 > species.length ? 'bulb-food' : 'flower-food';
}

function lastStayWith(stays: readonly Stay[], tempOf: (tempC: number) => number): Stay[] {
  return stays.map((stay, at) => (at === stays.length - 1 ? { ...stay, tempC: tempOf(stay.tempC) } : stay));
}

function styleOf(
  care: Exclude<Care, 'mixed'>,
  draws: number,
  input: ArrangementInput,
  species: readonly Species[],
): CareStyle {
  const plan = (solution: SolutionKey, changeEveryDays: number | null): WaterPlan => ({
    start: 'clean',
    solution,
    changeEveryDays: input.vessel.kind === 'foam' ? null : changeEveryDays,
    recutAtChange: changeEveryDays !== null,
    leafBelow: 0,
  });
  const food = sharedSolution(species);
  if (care === 'careful')
    return {
      draws,
      water: plan(food, CAREFUL_CHANGE_DAYS),
      events: [],
      stays: lastStayWith(input.stays, (t) => Math.min(t, COOL_PLACE_C)),
    };
  if (care === 'careless')
    return {
      draws,
      water: plan('plain', null),
      events: [],
      stays: lastStayWith(input.stays, () => CARELESS_ROOM_C),
    };
  const atHour = (input.countFromHour ?? 0) + USUAL_CHANGE_HOUR;
  const events: CareEvent[] =
    input.vessel.kind === 'foam' ? [] : [{ atHour, type: 'change', solution: 'plain' }];
  return { draws, water: plan(food, null), events, stays: input.stays };
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
  if (input.water) {
    const water =
      input.vessel.kind === 'foam'
        ? { ...input.water, changeEveryDays: null, recutAtChange: false }
        : input.water;
    return [{ draws: input.draws, stays: input.stays, water, events: [] }];
  }
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
