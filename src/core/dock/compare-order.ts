import { SHIPPED_SPECIES, type SpeciesRegistry } from '../species/registry';
import { gradeOf } from './grams';
import { foldedWords } from '../species/folded-words';

/** A line of what the shop ordered. */
export interface OrderLine {
  readonly line: number;
  readonly speciesKey: string;
  readonly variety: string | null;
  readonly lengthCm: number | null;
  readonly stems: number;
}

/** What of a delivered line is held against the order. */
export interface DeliveredLine {
  readonly line: number;
  readonly speciesKey: string | null;
  readonly variety: string | null;
  readonly lengthCm: number | null;
  readonly stems: number | null;
}

export type AgainstOrder = 'as ordered' | 'short' | 'over' | 'substitute' | 'not ordered';

/** How one delivered line stands to the order, and how to say it. */
export interface LineAgainstOrder {
  readonly kind: AgainstOrder;
  readonly orderLine: number | null;
  readonly words: string;
}

export interface OrderComparison {
  /** By line of the note. */
  readonly lines: ReadonlyMap<number, LineAgainstOrder>;
  /** Ordered, and on no line of the note. */
  readonly missing: readonly OrderLine[];
}

const sameVariety = (a: string | null, b: string | null): boolean =>
  foldedWords(a ?? '') === foldedWords(b ?? '');

/** Order lines of a species, those of the very variety first, then of the very grade. */
function bestOrderLine(line: DeliveredLine, order: readonly OrderLine[]): OrderLine | undefined {
  const score = (o: OrderLine): number =>
    (sameVariety(o.variety, line.variety) ? 2 : 0) + (gradeOf(o.lengthCm) === gradeOf(line.lengthCm) ? 1 : 0);
  return order
    .filter((o) => o.speciesKey === line.speciesKey)
    .sort((a, b) => score(b) - score(a) || a.line - b.line)[0];
}

/** What is other than ordered in a line of the right species: its variety, or a lower grade. */
function otherThan(line: DeliveredLine, ordered: OrderLine): string | null {
  if (ordered.variety && line.variety && !sameVariety(ordered.variety, line.variety))
    return `‘${line.variety}’ for ‘${ordered.variety}’`;
  const [came, wanted] = [gradeOf(line.lengthCm), gradeOf(ordered.lengthCm)];
  return came !== null && wanted !== null && came < wanted
    ? `${line.lengthCm} cm, ordered ${ordered.lengthCm} cm: another grade`
    : null;
}

function countWords(came: number, ordered: number): Pick<LineAgainstOrder, 'kind' | 'words'> {
  if (came === ordered) return { kind: 'as ordered', words: 'as ordered' };
  return came < ordered
    ? { kind: 'short', words: `${ordered - came} short of the ${ordered} ordered` }
    : { kind: 'over', words: `${came - ordered} over the ${ordered} ordered` };
}

/** A stranger to the order may stand for what did not come: one of its role, in about its number. */
function standsFor(
  line: DeliveredLine,
  missing: readonly OrderLine[],
  { find }: SpeciesRegistry,
): OrderLine | undefined {
  const role = find(line.speciesKey ?? '')?.role;
  return missing.find(
    (o) =>
      role !== undefined &&
      find(o.speciesKey)?.role === role &&
      (line.stems ?? 0) <= 2 * o.stems &&
      (line.stems ?? 0) >= o.stems / 2,
  );
}

/** A line nobody ordered, as it is told: perhaps for what did not come. */
function strangerOf(instead: OrderLine | undefined, species: SpeciesRegistry): LineAgainstOrder {
  if (!instead) return { kind: 'not ordered', orderLine: null, words: 'not ordered' };
  const name = species.find(instead.speciesKey)?.name ?? instead.speciesKey;
  return {
    kind: 'substitute',
    orderLine: instead.line,
    words: `not ordered; perhaps for the ${name.toLowerCase()} that did not come`,
  };
}

/**
 * Holds a note against what was ordered: each line as ordered, short, over, something else in its
 * place, or never ordered; and what did not come at all. Several lines of one flower are counted
 * together against the line they were ordered on.
 */
export function compareWithOrder(
  order: readonly OrderLine[],
  note: readonly DeliveredLine[],
  species: SpeciesRegistry = SHIPPED_SPECIES,
): OrderComparison {
  const lines = new Map<number, LineAgainstOrder>();
  const matched = new Map<OrderLine, DeliveredLine[]>();
  for (const line of note) {
    const ordered = bestOrderLine(line, order);
    if (ordered) matched.set(ordered, [...(matched.get(ordered) ?? []), line]);
  }
  for (const [ordered, came] of matched) {
    const count = countWords(
      came.reduce((n, l) => n + (l.stems ?? 0), 0),
      ordered.stems,
    );
    for (const line of came) {
      const other = otherThan(line, ordered);
      const words = [other, count.kind === 'as ordered' && other ? null : count.words]
        .filter((w) => w !== null)
        .join('; ');
      lines.set(line.line, { kind: other ? 'substitute' : count.kind, orderLine: ordered.line, words });
    }
  }
  const missing = order.filter((o) => !matched.has(o));
  for (const line of note) {
    if (lines.has(line.line)) continue;
    lines.set(line.line, strangerOf(standsFor(line, missing, species), species));
  }
  return { lines, missing };
}

const kindsIn = (lines: readonly { readonly speciesKey: string | null }[]): Set<string> =>
  new Set(lines.flatMap((l) => l.speciesKey ?? []));

/**
 * The order a note most likely answers: its supplier's, and half of either's kinds in the other.
 * The first such of a list that has the soonest due first; undefined where none is like it.
 */
export function likelyOrder<T extends { readonly supplier: string; readonly lines: readonly OrderLine[] }>(
  supplier: string,
  note: readonly { readonly speciesKey: string | null }[],
  expected: readonly T[],
): T | undefined {
  const came = kindsIn(note);
  return expected.find((order) => {
    if (foldedWords(order.supplier) !== foldedWords(supplier)) return false;
    const ordered = kindsIn(order.lines);
    const both = [...came].filter((key) => ordered.has(key)).length;
    return both >= came.size / 2 && both >= ordered.size / 2;
  });
}
