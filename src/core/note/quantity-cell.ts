import { foldedUmlauts, foldedWords } from '../species/folded-words';
import { HEADING_WORDS, unitOf, type Unit } from './units';

/** What one cell says of how much there is: each number with its unit, as it stands there. */
export interface CellAmounts {
  /** A number with no unit beside it. */
  readonly plain: number | null;
  readonly boxes: number | null;
  readonly packs: number | null;
  readonly bunches: number | null;
  readonly stems: number | null;
  readonly dozens: number | null;
  readonly weightG: number | null;
  /** Stems in a bunch or pack, said so: "25 a bunch", "4 x 10". */
  readonly perBunch: number | null;
  readonly bunchesPerBox: number | null;
  readonly perBox: number | null;
}

const NOTHING: CellAmounts = {
  plain: null,
  boxes: null,
  packs: null,
  bunches: null,
  stems: null,
  dozens: null,
  weightG: null,
  perBunch: null,
  bunchesPerBox: null,
  perBox: null,
};

interface Piece {
  readonly n: number;
  readonly unit: Unit | null;
  /** What it is in each of. */
  readonly per: Unit | null;
  /** Joined to the piece before by "x", "of", "à": so many in each. */
  readonly isEach: boolean;
}

type Token =
  | { readonly kind: 'number'; readonly n: number }
  | { readonly kind: 'unit'; readonly unit: Unit }
  | { readonly kind: 'per' }
  | { readonly kind: 'times' }
  | { readonly kind: 'gap' };

const TIMES = /^(x|×|\*|@)$/;
const OF_EACH = /^(of|a|mit|with|de|von|van|met|con|da|di|po|zu)$/;
const NUMBER = /^-?\d+(?:[.,'’]\d+)*$/;

/** The tokens of a cell; null where a word of it is not known here. */
function tokensOf(text: string, number: (text: string) => number | null): Token[] | null {
  const spaced = text
    .replace(/(\d)[ \u00a0\u202f](?=\d{3}(?:\D|$))/g, '$1')
    .replace(/(\d)\s*er[\s-](?=\p{L})/giu, '$1 / ')
    .replace(/(\d)(?=[\p{L}×*@/(])/gu, '$1 ')
    .replace(/([×*@/(),;:+])/g, (mark, _m, at: number, whole: string) =>
      (mark === ',' || mark === ':') && /\d/.test(whole[at - 1] ?? '') && /\d/.test(whole[at + 1] ?? '')
        ? mark
        : ` ${mark} `,
    )
    .replace(/\b(x)(?=\d)/gi, '$1 ')
    .replace(/([\p{L}])\.(?=\s|$|\/)/gu, '$1')
    .trim();
  const tokens: Token[] = [];
  for (const part of spaced.split(/\s+/)) {
    const plain = foldedWords(part);
    const unit = unitOf(part);
    if (NUMBER.test(part)) {
      const n = number(part);
      if (n === null) return null;
      tokens.push({ kind: 'number', n });
    } else if (TIMES.test(part.toLowerCase())) tokens.push({ kind: 'times' });
    else if (part === '/' || (HEADING_WORDS.get(plain) ?? HEADING_WORDS.get(foldedUmlauts(plain))) === 'per')
      tokens.push(plain === 'a' ? { kind: 'times' } : { kind: 'per' });
    else if (unit) tokens.push({ kind: 'unit', unit });
    else if (OF_EACH.test(plain)) tokens.push({ kind: 'times' });
    else if (plain === '') tokens.push({ kind: 'gap' });
    else return null;
  }
  return tokens;
}

const unitAt = (tokens: readonly Token[], at: number): Unit | null => {
  const token = tokens[at];
  return token?.kind === 'unit' ? token.unit : null;
};

/** What stands behind a number: its unit, and what it is in each of; with how many tokens that took. */
function behind(
  tokens: readonly Token[],
  at: number,
): { unit: Unit | null; per: Unit | null; taken: number } {
  const unit = unitAt(tokens, at);
  const taken = unit ? 1 : 0;
  const kind = tokens[at + taken]?.kind;
  // "25 stems a bunch": what else is of each is "4 bunches of 10".
  const isPer = kind === 'per' || (kind === 'times' && unit === 'stem');
  const per = isPer ? unitAt(tokens, at + taken + 1) : null;
  return { unit, per, taken: taken + (per ? 2 : 0) };
}

/** Numbers with what they count: "30 ramos, 25 tallos por ramo", "4 x 10", "bunch of 10", "10 / bunch". */
function piecesOf(tokens: readonly Token[]): Piece[] | null {
  const pieces: Piece[] = [];
  let isEach = false;
  // A unit before any number: "bunch of 10".
  const outer = unitAt(tokens, 0);
  let at = outer ? 1 : 0;
  for (let token = tokens[at]; token !== undefined; token = tokens[++at]) {
    if (token.kind === 'unit' || token.kind === 'per') return null;
    isEach ||= token.kind === 'times';
    if (token.kind !== 'number') continue;
    const { unit, per, taken } = behind(tokens, at + 1);
    at += taken;
    pieces.push({ n: token.n, unit, per: per ?? (pieces.length === 0 ? outer : null), isEach });
    isEach = false;
  }
  // "4 x" says of how many, and leaves it out.
  return pieces.length === 0 || isEach ? null : pieces;
}

const FIELD: Readonly<Partial<Record<Unit, 'boxes' | 'packs' | 'bunches' | 'stems' | 'dozens'>>> = {
  box: 'boxes',
  pack: 'packs',
  bunch: 'bunches',
  stem: 'stems',
  dozen: 'dozens',
};

const WHOLE_UP_TO = 100_000;
const isCount = (n: number): boolean => Number.isInteger(n) && n > 0 && n <= WHOLE_UP_TO;

const isHolding = (unit: Unit | null): boolean => unit === 'bunch' || unit === 'pack';

/** Of a piece that is said to be in each of something. */
function inEach(unit: Unit | null, outer: Unit): keyof CellAmounts | null {
  if (outer === 'box') return isHolding(unit) ? 'bunchesPerBox' : 'perBox';
  return isHolding(outer) && (unit === null || unit === 'stem') ? 'perBunch' : null;
}

/** Which of the cell's amounts a piece is; null where it fits none. */
function fieldOf({ unit, per, isEach }: Piece, before: Piece | undefined): keyof CellAmounts | null {
  if (per !== null) return inEach(unit, per);
  if (!isEach || before === undefined) return unit === null ? 'plain' : (FIELD[unit] ?? 'plain');
  if (unit === 'box' || unit === 'dozen') return null;
  return before.unit === 'box' ? inEach(unit, 'box') : 'perBunch';
}

function weightOf({ n, unit }: Piece): number | null {
  const grams = Math.round(n * (unit === 'kg' ? 1000 : 1));
  return n > 0 && grams <= 1_000_000 ? grams : null;
}

/** Puts one piece into what the cell says; null where it does not fit. */
function withPiece(said: CellAmounts, piece: Piece, before: Piece | undefined): CellAmounts | null {
  const isWeight = piece.unit === 'kg' || piece.unit === 'g';
  const value = isWeight ? weightOf(piece) : isCount(piece.n) ? piece.n : null;
  const field = isWeight ? ('weightG' as const) : fieldOf(piece, before);
  if (value === null || field === null) return null;
  // "2 boxes x 10 x 25": the last is in each bunch.
  if (field === 'perBunch' && said.perBox !== null && before?.isEach)
    return { ...said, bunchesPerBox: said.perBox, perBox: null, perBunch: value };
  return said[field] === null ? { ...said, [field]: value } : null;
}

/**
 * Reads a cell that counts or weighs: "40", "4 Bund", "30 ramos, 25 tallos por ramo", "4 x 10", "600 g".
 * Null where any word or number of it is not understood: a count is never half read.
 * @param number reads a number as the cell's column writes it
 */
export function readAmounts(text: string, number: (text: string) => number | null): CellAmounts | null {
  const tokens = tokensOf(text, number);
  const pieces = tokens && piecesOf(tokens);
  if (!pieces) return null;
  let said: CellAmounts | null = NOTHING;
  for (const [at, piece] of pieces.entries()) {
    said = withPiece(said, piece, pieces[at - 1]);
    if (!said) return null;
  }
  // "4 x 10" with no unit beside: so many bunches of so many.
  if (said.plain !== null && said.perBunch !== null && pieces.some((p) => p.isEach))
    return said.bunches === null ? { ...said, bunches: said.plain, plain: null } : null;
  return said;
}
