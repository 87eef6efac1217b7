import { SHIPPED_SPECIES, type SpeciesRegistry } from '../species/registry';
import { SPECIES, type Species } from '../species/species';
import tradeNames from '../species/trade-names.json';

/** Trade names that are not the table's own, in words a note may use. */
const SYNONYMS: Readonly<Record<string, string>> = tradeNames.names;

/** Short names and names that could mean more than one: read so, and said to be a guess. */
const ABBREVIATIONS: Readonly<Record<string, string>> = tradeNames.shortNames;

/** Words that say how a flower is grown or graded and not which it is. */
const QUALIFIERS =
  /\b(dbl|double|single|mix|mixed|asst|assorted|premium|extra|xl|fresh|cut|flowers?|standard|std)\b/g;

export interface SpeciesMatch {
  readonly species: Species;
  /** `named`: the note says it; `likely`: read past a plural or a slip of spelling. */
  readonly how: 'named' | 'likely';
  readonly reason: string;
}

/** Lower case, no accents or punctuation, single blanks. */
export function plainWords(text: string): string {
  return text
    .normalize('NFKD')
    .replace(/[\u0300-\u036f'’]/g, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, ' ')
    .trim();
}

function singular(words: string): string {
  return words.replace(/ies\b/g, 'y').replace(/([^s])s\b/g, '$1');
}

/** Edit distance that also counts swapped neighbours as one slip (optimal string alignment). */
export function slipsBetween(a: string, b: string): number {
  const rows: number[][] = Array.from({ length: a.length + 1 }, (_, i) => [i]);
  for (let j = 1; j <= b.length; j++) (rows[0] as number[])[j] = j;
  const at = (i: number, j: number): number => rows[i]?.[j] ?? Infinity;
  for (let i = 1; i <= a.length; i++)
    for (let j = 1; j <= b.length; j++) {
      const cost = a[i - 1] === b[j - 1] ? 0 : 1;
      let least = Math.min(at(i - 1, j) + 1, at(i, j - 1) + 1, at(i - 1, j - 1) + cost);
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
        least = Math.min(least, at(i - 2, j - 2) + 1);
      (rows[i] as number[])[j] = least;
    }
  return at(a.length, b.length);
}

const NAMED = new Map<string, Species>();
/** Botanical names that several species of the table bear, with the first of them. */
const SHARED = new Map<string, Species>();
for (const species of SPECIES)
  for (const name of [species.key, species.name, species.botanical].map(plainWords)) {
    const other = NAMED.get(name);
    if (!other || other === species) NAMED.set(name, species);
    else SHARED.set(name, other);
  }

const ofKey = (key: string | undefined): Species | undefined =>
  key === undefined ? undefined : SHIPPED_SPECIES.find(key);
const own = (map: Readonly<Record<string, string>>, words: string): string | undefined =>
  Object.hasOwn(map, words) ? map[words] : undefined;

function namedIn(words: string): Species | undefined {
  // A short name that could mean two is no name, though one of the two bears it.
  if (own(ABBREVIATIONS, words) ?? SHARED.get(words)) return undefined;
  return NAMED.get(words) ?? ofKey(own(SYNONYMS, words));
}

const MATCHES = new Map<string, SpeciesMatch | null>();
/** Words matched are kept: a long note says the same few names again and again. */
const MOST_KEPT = 5000;

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
  const words = plainWords(product);
  if (words === '') return null;
  const key = own(remembered, words);
  const chosen = key === undefined ? undefined : registry.find(key);
  if (chosen) return { species: chosen, how: 'named', reason: `chosen for “${product}” last time` };
  const mine = registry.own.find((s) => [s.name, s.botanical].map(plainWords).includes(words));
  if (mine) return { species: mine, how: 'named', reason: `“${product}” names it` };
  const kept = MATCHES.get(words);
  if (kept !== undefined) return kept;
  const match = matchWords(words, product);
  if (MATCHES.size >= MOST_KEPT) MATCHES.clear();
  MATCHES.set(words, match);
  return match;
}

/** The species whose name is spelled like those words, by the fewest slips; undefined where none is near. */
function misspelled(words: string): Species | undefined {
  let best: { species: Species; slips: number } | undefined;
  for (const [name, species] of NAMED) {
    if (Math.abs(name.length - words.length) > name.length / 5) continue;
    const slips = slipsBetween(words, name);
    if (slips <= Math.floor(name.length / 5) && (!best || slips < best.slips)) best = { species, slips };
  }
  return best?.species;
}

function matchWords(words: string, product: string): SpeciesMatch | null {
  const exact = namedIn(words);
  if (exact) return { species: exact, how: 'named', reason: `“${product}” names it` };
  const one = namedIn(singular(words));
  if (one) return { species: one, how: 'named', reason: `“${product}”: more than one ${one.name}` };
  const likely = (species: Species, how: string): SpeciesMatch => ({
    species,
    how: 'likely',
    reason: `“${product}” ${how} ${species.name}`,
  });
  const short = SHARED.get(words) ?? ofKey(own(ABBREVIATIONS, words) ?? own(ABBREVIATIONS, singular(words)));
  if (short) return likely(short, 'taken to be');
  const left = words.replace(QUALIFIERS, ' ').replace(/ +/g, ' ').trim();
  const bare = singular(left);
  const stripped =
    left === '' ? undefined : (namedIn(left) ?? namedIn(bare) ?? ofKey(own(ABBREVIATIONS, left)));
  if (stripped) return likely(stripped, 'taken to be');
  const near = misspelled(bare);
  return near ? likely(near, 'is spelled like') : null;
}
