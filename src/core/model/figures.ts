import { BrokenContractError } from '../errors';
import { registryWith, SHIPPED_SPECIES } from '../species/registry';
import type { Species } from '../species/species';
import { SOLUTIONS, type Solution, type SolutionKey } from '../water/solutions';
import { MODEL, type Constants } from './constants';

/** The figures of a species that a shop may put its own in the place of. */
export const SPECIES_FIGURES = [
  'lifeDays20C',
  'lifeSpread',
  'foodGain',
  'q10',
  'ethylene',
  'chillBelowC',
  'dryHours',
  'leafiness',
  'plug',
  'openDays20C',
] as const;
export type SpeciesFigure = (typeof SPECIES_FIGURES)[number];
export const SOLUTION_FIGURES = ['sugar', 'biocide', 'acid', 'harm'] as const;
export type SolutionFigure = (typeof SOLUTION_FIGURES)[number];

type Some<TKey extends string> = Readonly<Partial<Record<TKey, number>>>;

/** A shop's own figures, where they differ from those shipped. They travel with the input. */
export interface Overrides {
  readonly constants?: Partial<Constants>;
  readonly species?: Readonly<Record<string, Some<SpeciesFigure>>>;
  readonly solutions?: Readonly<Partial<Record<SolutionKey, Some<SolutionFigure>>>>;
  /** Species of the shop's own, whole, so that a forecast can be made again from its input alone. */
  readonly own?: readonly Species[];
}

/** Every figure a forecast rests on. */
export interface Figures {
  readonly constants: Constants;
  readonly solutions: Readonly<Record<SolutionKey, Solution>>;
  /** @throws BrokenContractError naming `field` when there is no such species */
  readonly speciesOf: (key: string, field?: string) => Species;
}

export const SHIPPED: Figures = { constants: MODEL, solutions: SOLUTIONS, speciesOf: SHIPPED_SPECIES.byKey };

/**
 * The shipped figures with a shop's own in their place.
 * @throws BrokenContractError for a species or solution nobody knows
 */
export function figuresWith(overrides: Overrides | undefined): Figures {
  if (!overrides) return SHIPPED;
  const { species = {}, solutions = {}, own: brought = [] } = overrides;
  const known = registryWith(brought).byKey;
  for (const key of Object.keys(species)) known(key, `overrides.species.${key}`);
  const mixed = { ...SOLUTIONS };
  for (const [key, own] of Object.entries(solutions)) {
    if (!Object.hasOwn(SOLUTIONS, key))
      throw new BrokenContractError([{ field: `overrides.solutions.${key}`, message: 'no such solution' }]);
    mixed[key as SolutionKey] = { ...SOLUTIONS[key as SolutionKey], ...own };
  }
  return {
    constants: { ...MODEL, ...overrides.constants },
    solutions: mixed,
    speciesOf: (key, field) => {
      const shipped = known(key, field);
      const own = Object.hasOwn(species, key) ? species[key] : undefined;
      return own ? { ...shipped, ...own } : shipped;
    },
  };
}
