import type { Species } from '@/core/species/species';
import type { SpeciesRegistry } from '@/core/species/registry';
import { CONSTANTS, type ConstantKey } from '@/core/model/constants';
import { SOLUTION_FIGURES, SPECIES_FIGURES, type SpeciesFigure } from '@/core/model/figures';
import { solutionWords } from '@/core/water/solution-words';
import { SOLUTION_KEYS, SOLUTIONS } from '@/core/water/solutions';
import { inEnglish } from '@/core/words/say';
import type { OwnFigure } from '@/data/figures';

/** One figure as the desk shows it: ours, its unit and basis, and the shop's own where it has one. */
export interface FigureRow {
  readonly kind: OwnFigure['kind'];
  readonly subject: string;
  readonly figure: string;
  readonly name: string;
  readonly shipped: number | null;
  readonly unit: string;
  readonly basis: string;
  readonly own: { readonly value: number; readonly reason: string; readonly by: string } | null;
}

const SPECIES_WORDS: Readonly<Record<SpeciesFigure, readonly [name: string, unit: string]>> = {
  lifeDays20C: ['Median days presentable in clean plain water', 'days at 20 °C'],
  lifeSpread: ['Spread of life between stems of a lot', 'sigma'],
  foodGain: ['Factor on life in the right food', '×'],
  q10: ['Ageing per 10 °C', '×'],
  ethylene: ['Sensitivity to ethylene', '0 to 3'],
  chillBelowC: ['Injured by cold below', '°C'],
  dryHours: ['Hours dry after which it drinks poorly', 'h at 20 °C'],
  leafiness: ['Leafiness, a leafy rose being 2', ''],
  plug: ['How easily its vessels block', '×'],
  openDays20C: ['Days to open fully', 'days at 20 °C'],
};

type Own = readonly OwnFigure[];

function ownOf(own: Own, kind: OwnFigure['kind'], subject: string, figure: string): FigureRow['own'] {
  const found = own.find((o) => o.kind === kind && o.subject === subject && o.figure === figure);
  return found ? { value: found.value, reason: found.reason, by: found.setByName } : null;
}

export function speciesRows(species: Species, own: Own): FigureRow[] {
  return SPECIES_FIGURES.map((figure) => ({
    kind: 'species',
    subject: species.key,
    figure,
    name: SPECIES_WORDS[figure][0],
    shipped: species[figure],
    unit: SPECIES_WORDS[figure][1],
    basis: species.basis,
    own: ownOf(own, 'species', species.key, figure),
  }));
}

export function constantRows(own: Own): FigureRow[] {
  return (Object.keys(CONSTANTS) as ConstantKey[]).map((figure) => {
    const { value, unit, basis, says } = CONSTANTS[figure];
    return {
      kind: 'constant',
      subject: '',
      figure,
      name: says.charAt(0).toUpperCase() + says.slice(1),
      shipped: value,
      unit,
      basis,
      own: ownOf(own, 'constant', '', figure),
    };
  });
}

export function solutionRows(own: Own): FigureRow[] {
  return SOLUTION_KEYS.flatMap((key) =>
    SOLUTION_FIGURES.map((figure): FigureRow => ({
      kind: 'solution',
      subject: key,
      figure,
      name: `${inEnglish(solutionWords(key))}: ${figure}`,
      shipped: SOLUTIONS[key][figure],
      unit: 'share of a dose',
      basis: 'estimate',
      own: ownOf(own, 'solution', key, figure),
    })),
  );
}

const lowerFirst = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);

/** A figure's name in words, or null when there is no such figure. */
export function figureName(
  { kind, subject, figure }: Pick<OwnFigure, 'kind' | 'subject' | 'figure'>,
  { find }: SpeciesRegistry,
): string | null {
  if (kind === 'constant')
    return Object.hasOwn(CONSTANTS, figure) && subject === '' ? CONSTANTS[figure as ConstantKey].says : null;
  if (kind === 'species') {
    const species = find(subject);
    const isFigure = Object.hasOwn(SPECIES_WORDS, figure);
    return species && isFigure
      ? `${species.name}, ${lowerFirst(SPECIES_WORDS[figure as SpeciesFigure][0])}`
      : null;
  }
  return Object.hasOwn(SOLUTIONS, subject) && (SOLUTION_FIGURES as readonly string[]).includes(figure)
    ? `${inEnglish(solutionWords(subject))}, ${figure}`
    : null;
}
