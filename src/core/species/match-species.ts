import { misspelledName, nameFor } from './known-names';
import { foundIn, splitProductName, type ProductName } from './product-name';
import { foldedWords, singular } from './folded-words';
import { SHIPPED_SPECIES, type SpeciesRegistry } from './registry';
import type { Species } from './species';

export interface SpeciesMatch {
  readonly species: Species;
  /** `named`: the note says it; `likely`: read past a short name, a word more or a slip of spelling. */
  readonly how: 'named' | 'likely';
  readonly reason: string;
}

const own = (map: Readonly<Record<string, string>>, words: string): string | undefined =>
  Object.hasOwn(map, words) ? map[words] : undefined;

const MATCHES = new Map<string, SpeciesMatch | null>();
/** More words than this round a name that nobody knows, and it may be a name for something else. */
const MOST_UNKNOWN = 3;
/** Words matched are kept: a long note says the same few names again and again. */
const MOST_CACHED = 5000;

/**
 * The species a note's product name means, with how sure that is; null when nobody could tell.
 * @param remembered what this shop chose last time for such words, by plain words
 * @param registry the table, with the shop's own
 */
export function matchSpecies(
  product: string,
  remembered: Readonly<Record<string, string>> = {},
  registry: SpeciesRegistry = SHIPPED_SPECIES,
): SpeciesMatch | null {
  const words = foldedWords(product);
  if (words === '') return null;
  const key = own(remembered, words);
  const chosen = key === undefined ? undefined : registry.find(key);
  if (chosen) return { species: chosen, how: 'named', reason: `chosen for “${product}” last time` };
  const mine = registry.own.find((s) => [s.name, s.botanical].map(foldedWords).includes(words));
  if (mine) return { species: mine, how: 'named', reason: `“${product}” names it` };
  const kept = MATCHES.get(product);
  if (kept !== undefined) return kept;
  const match = matchWords(words, product);
  if (MATCHES.size >= MOST_CACHED) MATCHES.clear();
  MATCHES.set(product, match);
  return match;
}

const named = (species: Species, reason: string): SpeciesMatch => ({ species, how: 'named', reason });

/** What the whole words name, as they stand or without the s of more than one. */
function wholeName(words: string, product: string): SpeciesMatch | null {
  const [whole, one] = [nameFor(words), nameFor(singular(words))];
  if (whole && !whole.isShort) return named(whole.species, `“${product}” names it`);
  if (one && !one.isShort) return named(one.species, `“${product}”: more than one ${one.species.name}`);
  const short = whole ?? one;
  return short ? likely(short.species, product, 'taken to be') : null;
}

const likely = (species: Species, product: string, how: string): SpeciesMatch => ({
  species,
  how: 'likely',
  reason: `“${product}” ${how} ${species.name}`,
});

/** What is named among other words: sure where all of them are colours, lengths and grades. */
function nameAmongOthers(split: ProductName, product: string): SpeciesMatch | null {
  const found = foundIn(split);
  if (!found || split.unknown.length > MOST_UNKNOWN) return null;
  const isSure = !found.isShort && split.doubtful.length === 0 && split.unknown.length === 0;
  return isSure
    ? named(found.species, `“${product}” names it`)
    : likely(found.species, product, 'taken to be');
}

function matchWords(words: string, product: string): SpeciesMatch | null {
  const whole = wholeName(words, product);
  if (whole) return whole;
  const split = splitProductName(product);
  const among = nameAmongOthers(split, product);
  if (among || split.found || split.isOther || split.isTorn) return among;
  const bare = foldedWords(split.unknown.join(' '));
  const near = bare === '' ? undefined : (misspelledName(bare) ?? misspelledName(singular(bare)));
  return near ? likely(near, product, 'is spelled like') : null;
}
