import { matchSpecies } from '../species/match-species';
import { foldedWords } from '../species/folded-words';
import type { SpeciesRegistry } from '../species/registry';
import type { QuickLot, QuickWorld } from './types';

/** What some words name, and how many of them it took. */
export interface Found<T> {
  readonly what: readonly T[];
  readonly words: number;
}

const NOTHING = { what: [], words: 0 } as const;
const NUMBER = /^\d{1,9}$/;
/** As long as a name of ours may be, in words. */
const LONGEST_NAME = 6;

/** Tries the longest run of leading words first. */
function longest<T>(words: readonly string[], of: (name: string) => readonly T[]): Found<T> {
  for (let n = Math.min(LONGEST_NAME, words.length); n > 0; n--) {
    const what = of(words.slice(0, n).join(' '));
    if (what.length > 0) return { what, words: n };
  }
  return NOTHING;
}

/** Lots named by number ("148", "lot 148") or by kind, variety or both. */
export function findLots(
  words: readonly string[],
  world: QuickWorld,
  registry: SpeciesRegistry,
): Found<QuickLot> {
  const skip = words[0] === 'lot' ? 1 : 0;
  const first = words[skip] ?? '';
  if (NUMBER.test(first)) {
    const what = world.lots.filter((l) => l.number === Number(first));
    return what.length > 0 ? { what, words: skip + 1 } : NOTHING;
  }
  return longest(words, (name) => {
    const byName = world.lots.filter((l) => {
      const variety = foldedWords(l.variety ?? '');
      const own = foldedWords(l.name);
      return [variety, own, `${own} ${variety}`, `${variety} ${own}`].includes(name);
    });
    if (byName.length > 0) return byName;
    const match = matchSpecies(name, {}, registry);
    return match?.how === 'named' ? world.lots.filter((l) => l.speciesKey === match.species.key) : [];
  });
}

/** Things that bear a name: the whole of it, or for those of several words its beginning. */
export function findNamed<T extends { readonly name: string }>(
  words: readonly string[],
  all: readonly T[],
): Found<T> {
  return longest(words, (name) => {
    const whole = all.filter((one) => foldedWords(one.name) === name);
    if (whole.length > 0 || name.length < 3) return whole;
    return all.filter((one) => ` ${foldedWords(one.name)}`.includes(` ${name}`));
  });
}

/** One of some fixed words ("grey mould", "hanging"). */
export function findWord<T extends string>(
  words: readonly string[],
  all: readonly { readonly value: T; readonly said: readonly string[] }[],
): Found<T> {
  return longest(words, (name) => all.filter((one) => one.said.includes(name)).map((one) => one.value));
}
