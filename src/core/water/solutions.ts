import type { FoodKind } from '../species/species';

/** What may be in the water, in the order the house offers it. */
export const SOLUTION_KEYS = [
  'plain',
  'flower-food',
  'flower-food-half',
  'bulb-food',
  'holding',
  'copper',
  'soda',
  'bleach',
  'aspirin',
  'sugar-vinegar',
] as const;
export type SolutionKey = (typeof SOLUTION_KEYS)[number];
export const isSolutionKey = (key: string): key is SolutionKey =>
  (SOLUTION_KEYS as readonly string[]).includes(key);
/** A solution as it was stored; one that no version now knows counts as plain water. */
export const solutionOf = (key: string | null): SolutionKey =>
  key !== null && isSolutionKey(key) ? key : 'plain';

/** One solution's working parts, each a share of a full dose (estimates). */
export interface Solution {
  readonly sugar: number;
  readonly biocide: number;
  readonly acid: number;
  /** Extra rate of ageing the solution itself causes. */
  readonly harm: number;
  /** Share of a species' food gain it gives, by the food that species wants. */
  readonly gain: Readonly<Record<FoodKind, number>>;
  /** A made-up food, whose gain rests on its biocide still working. */
  readonly isFood: boolean;
}

const gain = (standard: number, bulb: number, holding: number) => ({
  standard,
  bulb,
  holding,
  none: 0,
});
const mild = { sugar: 0.25, biocide: 1, acid: 1, harm: 0 } as const;

export const SOLUTIONS: Readonly<Record<SolutionKey, Solution>> = {
  plain: { sugar: 0, biocide: 0, acid: 0, harm: 0, gain: gain(0, 0, 0), isFood: false },
  'flower-food': {
    sugar: 1,
    biocide: 1,
    acid: 1,
    harm: 0,
    gain: gain(1, 0.7, 0.7),
    isFood: true,
  },
  'flower-food-half': {
    sugar: 0.5,
    biocide: 0.35,
    acid: 0.5,
    harm: 0,
    gain: gain(0.5, 0.35, 0.35),
    isFood: true,
  },
  'bulb-food': { ...mild, gain: gain(0.35, 1, 1), isFood: true },
  holding: { ...mild, gain: gain(0.35, 1, 1), isFood: true },
  copper: {
    sugar: 0,
    biocide: 0.25,
    acid: 0,
    harm: 0,
    gain: gain(0, 0, 0),
    isFood: false,
  },
  soda: {
    sugar: 1,
    biocide: 0.2,
    acid: 0.8,
    harm: 0,
    gain: gain(0.3, 0.3, 0.3),
    isFood: false,
  },
  bleach: {
    sugar: 0,
    biocide: 0.9,
    acid: 0,
    harm: 0.4,
    gain: gain(0, 0, 0),
    isFood: false,
  },
  aspirin: {
    sugar: 0,
    biocide: 0,
    acid: 0.5,
    harm: 0.35,
    gain: gain(0, 0, 0),
    isFood: false,
  },
  'sugar-vinegar': {
    sugar: 1,
    biocide: 0,
    acid: 1,
    harm: 0.15,
    gain: gain(0.3, 0.3, 0.3),
    isFood: false,
  },
};

/** The made-up food a species is best served by; plain water where food does nothing for it. */
export function rightSolution(foodKind: FoodKind): SolutionKey {
  switch (foodKind) {
    case 'standard':
      return 'flower-food';
    case 'bulb':
      return 'bulb-food';
    case 'holding':
      return 'holding';
    case 'none':
      return 'plain';
  }
}
