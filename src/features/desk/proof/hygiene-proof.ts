import 'server-only';
import { addDays } from '@/core/calendar/dates';
import { DAY_MS } from '@/core/calendar/spans';
import { dayBeginsMs } from '@/core/calendar/zones';
import { proofOf, type Proof } from '@/core/sanitising/proof';
import type { SpeciesRegistry } from '@/core/species/registry';
import { hasTrait } from '@/core/species/traits';
import { longestUseHours } from '@/core/water/pail-water';
import { solutionInSentence } from '@/core/water/solution-words';
import { solutionOf } from '@/core/water/solutions';
import type { LanguageTag } from '@/core/words/catalogues';
import { say } from '@/core/words/say';
import type { Trx } from '@/data/connection';
import { manyFillsStood, manyPailEntries } from '@/data/hygiene';
import { houseOf } from '@/server/house';
import { readingOf, washOf } from '@/server/pail-entries';
import type { Period } from './period';

/** What was done for clean pails and water in a period, as an inspector wants it. */
export async function hygieneProof(
  trx: Trx,
  { from, to }: Period,
  {
    timeZone,
    species,
    language,
  }: {
    readonly timeZone: string;
    readonly species: SpeciesRegistry;
    readonly language: LanguageTag;
  },
  now: Date,
): Promise<Proof> {
  const began = dayBeginsMs(from, timeZone);
  const before = dayBeginsMs(addDays(to, 1), timeZone);
  const span = { from: new Date(began), before: new Date(before) };
  const isLily = (key: string): boolean => {
    const found = species.find(key);
    return found !== undefined && hasTrait(found, 'lily');
  };
  const [entries, fills, { limits }] = await Promise.all([
    // A contact that ends in the period may have begun the day before.
    manyPailEntries(trx, { ...span, from: new Date(began - DAY_MS) }),
    manyFillsStood(trx, span),
    houseOf(trx),
  ]);
  return proofOf(
    {
      washes: entries.flatMap(washOf),
      readings: entries.flatMap((e) => readingOf(e, language)).filter((r) => r.at >= began),
      fills: fills.map((f) => ({
        pail: f.pail,
        filledAt: f.filledAt.getTime(),
        emptiedAt: f.emptiedAt?.getTime() ?? null,
        solution: say(solutionInSentence(f.solution), language),
        who: f.who ?? '',
        isClean: f.start === 'clean',
        reason: f.reason,
        longestUseH: longestUseHours(solutionOf(f.solution), f.species.some(isLily), limits),
      })),
    },
    { from: began, before, now: now.getTime() },
  );
}
