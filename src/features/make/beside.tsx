import { useSpecies } from '@/shell/species';
import type { SpeciesRegistry } from '@/core/species/registry';
import type { SapCost } from '@/core/habits/sap-costs';
import { APART_WORDS, givesGas, whyNotBeside, type Sharer, type WhyApart } from '@/core/water/sharing';
import type { MakeLot } from './make-lot';

const sharerOf = (lot: MakeLot, mouldy: readonly string[], species: SpeciesRegistry): Sharer => ({
  lotId: lot.id,
  species: species.byKey(lot.speciesKey),
  sapRuns: lot.sapOpen,
  droop: lot.stands,
  isApart: false,
  isMouldy: mouldy.includes(lot.id),
  stage: lot.stage,
  agedDays: lot.agedDays,
});

const nameOf = (lot: MakeLot): string => lot.name.split(',')[0]?.toLowerCase() ?? lot.name;
const list = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1) ?? ''}`;
const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** What does not get along, a line for each kind and reason, with all it harms or is harmed by. */
function apartWords(lots: readonly MakeLot[], mouldy: readonly string[], species: SpeciesRegistry): string[] {
  const said = new Map<string, { one: string; others: Set<string>; why: WhyApart }>();
  for (const [at, a] of lots.entries())
    for (const b of lots.slice(at + 1)) {
      const [ofA, ofB] = [sharerOf(a, mouldy, species), sharerOf(b, mouldy, species)];
      const why = whyNotBeside(ofA, ofB);
      if (!why) continue;
      // The one that gives off gas is named first, its neighbours after it.
      const [one, other] = why === 'gas' && !givesGas(ofA) ? [b, a] : [a, b];
      const key = `${nameOf(one)} ${why}`;
      const line = said.get(key) ?? { one: nameOf(one), others: new Set<string>(), why };
      line.others.add(nameOf(other));
      said.set(key, line);
    }
  return [...said.values()].map(
    ({ one, others, why }) => `${capital(one)} beside ${list([...others])}: ${APART_WORDS[why]}.`,
  );
}

/** What running sap costs, a line in all: "The sap costs tulip 1.3 days and rose 0.5." */
function sapWords(lots: readonly MakeLot[], costs: readonly SapCost[]): string[] {
  const each = costs.flatMap(({ line, days }) => {
    const lot = lots[line];
    return lot ? [`${nameOf(lot)} ${days.toFixed(1)} days`] : [];
  });
  return each.length === 0
    ? []
    : [`The sap that still runs costs ${list(each)}. Soaked alone first, nothing.`];
}

/** What stands in the vessel and does not get along; nothing where all of it does. */
export function Beside({
  lots,
  mouldy,
  sapCosts,
}: {
  lots: readonly MakeLot[];
  mouldy: readonly string[];
  /** What running sap costs each line, once it is worked out. */
  sapCosts: readonly SapCost[];
}) {
  const pairs = [...apartWords(lots, mouldy, useSpecies()), ...sapWords(lots, sapCosts)];
  if (pairs.length === 0) return null;
  return (
    <ul className="bare tray late" aria-label="What does not get along">
      {pairs.map((words) => (
        <li key={words}>{words}</li>
      ))}
    </ul>
  );
}
