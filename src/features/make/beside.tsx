import { speciesByKey } from '@/core/species/species';
import { APART_WORDS, whyNotBeside, type Sharer } from '@/core/water/sharing';
import type { LotView } from '@/server/stock';
import css from './make.module.css';

const sharerOf = (lot: LotView, mouldy: readonly string[]): Sharer => ({
  lotId: lot.id,
  species: speciesByKey(lot.speciesKey),
  sapRuns: lot.sapOpen,
  droop: lot.droop,
  isApart: false,
  isMouldy: mouldy.includes(lot.id),
  stage: lot.stage,
  agedDays: lot.agedDays,
});

/** Pairs of what is in the vessel that do each other no good, each pair of kinds once. */
function pairsApart(lots: readonly LotView[], mouldy: readonly string[]): string[] {
  const said = new Map<string, string>();
  for (const [at, one] of lots.entries())
    for (const other of lots.slice(at + 1)) {
      const why = whyNotBeside(sharerOf(one, mouldy), sharerOf(other, mouldy));
      if (!why) continue;
      const names = [one, other].map((l) => l.name.split(',')[0] ?? l.name);
      said.set(`${[...names].sort().join()} ${why}`, `${names.join(' and ')}: ${APART_WORDS[why]}.`);
    }
  return [...said.values()];
}

/** What stands in the vessel and does not get along; nothing where all of it does. */
export function Beside({ lots, mouldy }: { lots: readonly LotView[]; mouldy: readonly string[] }) {
  const pairs = pairsApart(lots, mouldy);
  if (pairs.length === 0) return null;
  return (
    <ul className={css.apart} aria-label="What does not get along">
      {pairs.map((words) => (
        <li key={words}>{words}</li>
      ))}
    </ul>
  );
}
