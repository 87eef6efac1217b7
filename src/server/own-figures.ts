import 'server-only';
import type { Overrides } from '@/core/model/figures';
import type { Trx } from '@/data/connection';
import { manyOwnFigures, type OwnFigure } from '@/data/figures';
import { speciesOfOwn } from './own-species';

/** The shop's own figures as a forecast's input carries them; null when it has none. */
export function overridesOf(figures: readonly OwnFigure[]): Overrides | null {
  if (figures.length === 0) return null;
  const constants: Record<string, number> = {};
  const species: Record<string, Record<string, number>> = {};
  const solutions: Record<string, Record<string, number>> = {};
  for (const { kind, subject, figure, value } of figures) {
    if (kind === 'constant') constants[figure] = value;
    else {
      const group = kind === 'species' ? species : solutions;
      group[subject] = { ...group[subject], [figure]: value };
    }
  }
  return { constants, species, solutions };
}

/** All that a shop's forecasts rest on beside what is shipped: its own figures, and its own species whole. */
export async function shopOverrides(trx: Trx): Promise<Overrides | null> {
  const [rows, own] = await Promise.all([manyOwnFigures(trx), speciesOfOwn(trx)]);
  const figures = overridesOf(rows);
  return own.length === 0 ? figures : { ...figures, own };
}

/** Of a shop's own what bears on these species: an input is as long as it must be, and its like is known again. */
export function overridesFor(all: Overrides | null, speciesKeys: readonly string[]): Overrides | null {
  if (!all?.own) return all;
  const { own, ...figures } = all;
  const needed = own.filter(
    (s) => speciesKeys.includes(s.key) || Object.hasOwn(figures.species ?? {}, s.key),
  );
  if (needed.length > 0) return { ...figures, own: needed };
  return Object.keys(figures).length > 0 ? figures : null;
}
