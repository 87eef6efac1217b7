import type { NoteLine, UsualStems } from './types';

const TIMES_THE_USUAL = 100;
const FEWEST_LINES = 3;
/** More stems than this on one line are no shop's order, whatever else is on the note. */
const MOST_STEMS = 20_000;

/** What is usual for a line, and where: of that flower from this supplier, of any from it, else on this note. */
function usualFor(
  line: NoteLine,
  ofSupplier: UsualStems | null,
  ofNote: number | null,
): { readonly stems: number; readonly where: string } | null {
  const ofSpecies = ofSupplier?.bySpecies[line.speciesKey ?? ''];
  if (ofSpecies !== undefined) return { stems: ofSpecies, where: 'usual for it from this supplier' };
  if (ofSupplier) return { stems: ofSupplier.ofAny, where: 'usual for a line of this supplier' };
  return ofNote === null ? null : { stems: ofNote, where: 'usual on this note' };
}

/**
 * Asks about counts a hundred times what is usual for that supplier or, where nothing is known of it, on the
 * note; and about those no shop could want.
 * @param ofSupplier what this supplier sent before; null where too little did
 */
export function unlikelyCounts<L extends NoteLine>(
  lines: readonly L[],
  ofSupplier: UsualStems | null = null,
): L[] {
  const sorted = lines.flatMap((l) => l.stems ?? []).sort((a, b) => a - b);
  const ofNote = sorted.length < FEWEST_LINES ? null : (sorted[Math.floor((sorted.length - 1) / 2)] ?? null);
  return lines.map((line) => {
    const usual = usualFor(line, ofSupplier, ofNote);
    if (line.stems === null) return line;
    const isOdd = usual !== null && line.stems >= TIMES_THE_USUAL * usual.stems;
    if (!isOdd && line.stems <= MOST_STEMS) return line;
    const why = isOdd ? `, where ${usual.stems} is ${usual.where}` : ' on one line';
    return {
      ...line,
      status: 'needs-decision',
      decisions: line.decisions + 1,
      reasons: [`${line.stems} stems${why}: is that so?`, ...line.reasons],
    };
  });
}
