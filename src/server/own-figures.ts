import 'server-only';
import type { Overrides } from '@/core/model/figures';
import type { Trx } from '@/data/connection';
import { manyOwnFigures, type OwnFigure } from '@/data/figures';

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

export async function shopOverrides(trx: Trx): Promise<Overrides | null> {
  return overridesOf(await manyOwnFigures(trx));
}
