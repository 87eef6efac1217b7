import type { Species } from '@/core/species/species';
import type { SpeciesRegistry } from '@/core/species/registry';
import { CONSTANTS, type ConstantKey } from '@/core/model/constants';
import {
  SOLUTION_FIGURES,
  SPECIES_FIGURES,
  type SolutionFigure,
  type SpeciesFigure,
} from '@/core/model/figures';
import type { Measure } from '@/core/units/measures';
import { solutionWords } from '@/core/water/solution-words';
import { SOLUTION_KEYS, SOLUTIONS } from '@/core/water/solutions';
import { low, m, saidSpecies, type Words } from '@/core/words/message';
import type { Spoken } from '@/core/words/say';
import type { OwnFigure } from '@/data/figures';

/** One figure as the desk shows it: ours, its unit and basis, and the shop's own where it has one. */
export interface FigureRow {
  readonly kind: OwnFigure['kind'];
  readonly subject: string;
  readonly figure: string;
  readonly name: Words;
  readonly shipped: number | null;
  readonly unit: Words;
  /** What it is measured in, where readers have units of their own for it. */
  readonly measure: Measure | null;
  readonly basis: string;
  readonly own: { readonly value: number; readonly reason: string; readonly by: string } | null;
}

/** A row in its reader's language. */
export type SaidFigureRow = Spoken<FigureRow>;

const SPECIES_UNITS: Readonly<Record<SpeciesFigure, Words>> = {
  lifeDays20C: m('fact.unit.days-at-20'),
  lifeSpread: m('fact.unit.spread'),
  foodGain: '×',
  q10: '×',
  ethylene: m('fact.unit.0-to-3'),
  chillBelowC: '°C',
  dryHours: m('fact.unit.hours-at-20'),
  leafiness: '',
  plug: '×',
  openDays20C: m('fact.unit.days-at-20'),
};
const SPECIES_MEASURES: Readonly<Partial<Record<SpeciesFigure, Measure>>> = { chillBelowC: 'tempC' };

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
    name: m(`fact.species.${figure}`),
    shipped: species[figure],
    unit: SPECIES_UNITS[figure],
    measure: SPECIES_MEASURES[figure] ?? null,
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
      measure: null,
      basis,
      own: ownOf(own, 'constant', '', figure),
    };
  });
}

const solutionFact = (key: string, figure: SolutionFigure): Words =>
  m('fact.of', { of: solutionWords(key), fact: m(`fact.solution.${figure}`) });

export function solutionRows(own: Own): FigureRow[] {
  return SOLUTION_KEYS.flatMap((key) =>
    SOLUTION_FIGURES.map((figure): FigureRow => ({
      kind: 'solution',
      subject: key,
      figure,
      name: solutionFact(key, figure),
      shipped: SOLUTIONS[key][figure],
      unit: m('fact.unit.share-of-dose'),
      measure: null,
      basis: 'estimate',
      own: ownOf(own, 'solution', key, figure),
    })),
  );
}

const isSpeciesFigure = (figure: string): figure is SpeciesFigure => Object.hasOwn(SPECIES_UNITS, figure);
const isSolutionFigure = (figure: string): figure is SolutionFigure =>
  (SOLUTION_FIGURES as readonly string[]).includes(figure);

/** What a figure is called, or null when there is no such figure. */
export function figureName(
  { kind, subject, figure }: Pick<OwnFigure, 'kind' | 'subject' | 'figure'>,
  { find }: SpeciesRegistry,
): Words | null {
  if (kind === 'constant')
    return Object.hasOwn(CONSTANTS, figure) && subject === '' ? CONSTANTS[figure as ConstantKey].says : null;
  if (kind === 'species') {
    const species = find(subject);
    return species && isSpeciesFigure(figure)
      ? m('fact.of', { of: saidSpecies(species), fact: low(m(`fact.species.${figure}`)) })
      : null;
  }
  return Object.hasOwn(SOLUTIONS, subject) && isSolutionFigure(figure) ? solutionFact(subject, figure) : null;
}
