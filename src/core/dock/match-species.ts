import { SPECIES, type Species } from '../species/species';

/** Trade names that are not the table's own, in words a note may use. */
const SYNONYMS: Readonly<Record<string, string>> = {
  'spray roses': 'spray-rose',
  'lily oriental': 'lily-oriental',
  'oriental lilies': 'lily-oriental',
  'asiatic lily': 'lily-asiatic',
  'la lily': 'lily-asiatic',
  lily: 'lily-oriental',
  narcissus: 'daffodil',
  daffodil: 'daffodil',
  strelitzia: 'bird-of-paradise',
  oxypetalum: 'tweedia',
  gypsophila: 'gypsophila',
  gypso: 'gypsophila',
  'babys breath': 'gypsophila',
  acacia: 'mimosa',
  'leather fern': 'leatherleaf',
  leatherleaf: 'leatherleaf',
  aster: 'aster',
  alstro: 'alstroemeria',
  'chrysanthemum spray': 'chrysanthemum-spray',
  'chrys spray': 'chrysanthemum-spray',
  hippeastrum: 'amaryllis',
  zantedeschia: 'calla',
  'calla lily': 'calla',
  paeonia: 'peony',
  hypericum: 'hypericum',
  'sea lavender': 'limonium',
  limonium: 'limonium',
  eustoma: 'lisianthus',
};

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

const NAMED: ReadonlyMap<string, Species> = new Map(
  SPECIES.flatMap((s) => [s.key, s.name, s.botanical].map((n) => [plainWords(n), s] as const)),
);

function namedIn(words: string): Species | undefined {
  const synonym = SYNONYMS[words];
  return NAMED.get(words) ?? (synonym ? SPECIES.find((s) => s.key === synonym) : undefined);
}

/** The species a note's product name means, with how sure that is; null when nobody could tell. */
export function matchSpecies(product: string): SpeciesMatch | null {
  const words = plainWords(product);
  if (words === '') return null;
  const exact = namedIn(words);
  if (exact) return { species: exact, how: 'named', reason: `"${product}" names it` };
  const one = namedIn(singular(words));
  if (one) return { species: one, how: 'likely', reason: `"${product}" read as ${one.name}` };
  let best: { species: Species; slips: number } | null = null;
  for (const [name, species] of NAMED) {
    const slips = slipsBetween(singular(words), name);
    if (slips <= Math.floor(name.length / 5) && (!best || slips < best.slips)) best = { species, slips };
  }
  return (
    best && { species: best.species, how: 'likely', reason: `"${product}" spelled like ${best.species.name}` }
  );
}
