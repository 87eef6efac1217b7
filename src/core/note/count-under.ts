import type { LineFacts } from './line-facts';
import type { Meaning } from './meaning';

/** How many there are, as one meaning of a note's counts has it. */
export interface Counted {
  readonly boxes: number | null;
  readonly bunches: number | null;
  readonly stemsPerBunch: number | null;
  readonly stems: number | null;
  /** Two things the line says that cannot both be so under this meaning. */
  readonly contradiction: string | null;
  /** Its stems do not go evenly into its bunches: possible, and rare. */
  readonly isUneven: boolean;
}

/** Stems of the line by each way of reckoning that it has numbers for. */
function stemsBy(
  boxes: number | null,
  bunches: number | null,
  perBunch: number | null,
  perBox: number | null,
  inAll: number | null,
): { stems: number | null; contradiction: string | null } {
  const ways: [number, string][] = [];
  if (inAll !== null) ways.push([inAll, `${inAll} stems`]);
  if (bunches !== null && perBunch !== null)
    ways.push([bunches * perBunch, `${bunches} × ${perBunch} is ${bunches * perBunch}`]);
  if (boxes !== null && perBox !== null)
    ways.push([boxes * perBox, `${boxes} boxes of ${perBox} are ${boxes * perBox}`]);
  const [first] = ways;
  const other = ways.find(([n]) => n !== first?.[0]);
  if (first && other)
    return {
      stems: null,
      contradiction:
        inAll === null ? `${first[1]}, yet ${other[1]}` : `${other[1]}, yet it says ${inAll} stems`,
    };
  return { stems: first?.[0] ?? null, contradiction: null };
}

/** Two numbers of one thing; a contradiction where they differ. */
const both = (a: number | null, b: number | null): { n: number | null; differ: boolean } => ({
  n: a ?? b,
  differ: a !== null && b !== null && a !== b,
});

/** More stems than this are sold in no bunch. Estimate: the largest the trade bundles are fifties and hundreds. */
const MOST_IN_A_BUNCH = 200;

type Told = ReturnType<typeof both>;
const when = (isSo: boolean, n: number | null): number | null => (isSo ? n : null);

/** Bunches of the line: told, counted by the quantity, or so many boxes of so many. */
function bunchesUnder(facts: LineFacts, meaning: Meaning, boxes: number | null): Told {
  if (boxes !== null && facts.bunches !== null && meaning.bunches === 'a box')
    return both(boxes * facts.bunches, null);
  const told = both(facts.bunches, when(meaning.quantity === 'bunches', facts.quantity));
  if (boxes === null || facts.bunchesPerBox === null) return told;
  const byBox = both(told.n, boxes * facts.bunchesPerBox);
  return { n: byBox.n, differ: told.differ || byBox.differ };
}

/** Stems of the whole line, as its columns of stems or its quantity tell them. */
function inAllUnder(facts: LineFacts, meaning: Meaning, isAlone: boolean): Told {
  const isOfLine = meaning.stems === 'in all' || (isAlone && meaning.stems === undefined);
  const stems = both(facts.inAll, when(isOfLine, facts.loose));
  const all = both(stems.n, when(meaning.quantity === 'stems', facts.quantity));
  return { n: all.n, differ: stems.differ || all.differ };
}

/** What cannot be, of stems that are reckoned: fewer than bunches, less than a pack, more than any bunch. */
function impossible(
  stems: number | null,
  bunches: number | null,
  each: { readonly told: number | null; readonly pack: number | null },
): string | null {
  if (stems !== null && bunches !== null && stems < bunches)
    return `${stems} stems cannot be ${bunches} bunches`;
  // No flower is bundled by the hundreds: such a number is of the whole line.
  if (each.told !== null && each.told > MOST_IN_A_BUNCH) return `${each.told} stems are no bunch`;
  // Stems fewer than one pack of them, "4 pieces, pack 10", were hardly counted in stems.
  return stems !== null && each.pack !== null && stems < each.pack
    ? `${stems} stems are less than a pack of ${each.pack}`
    : null;
}

/** Bunches and stems a bunch as far as the one tells the other; uneven where they do not go into one another. */
function evenly(stems: number | null, bunches: number | null, perBunch: number | null) {
  if (stems === null) return { bunches, stemsPerBunch: perBunch, isUneven: false };
  if (bunches !== null) {
    const isEven = stems % bunches === 0;
    return { bunches, stemsPerBunch: perBunch ?? (isEven ? stems / bunches : null), isUneven: !isEven };
  }
  const isEven = perBunch === null || stems % perBunch === 0;
  return {
    bunches: isEven && perBunch !== null ? stems / perBunch : null,
    stemsPerBunch: perBunch,
    isUneven: !isEven,
  };
}

/** What a line's counts come to under one meaning of them. */
export function countUnder(facts: LineFacts, meaning: Meaning): Counted {
  const { quantity, loose } = facts;
  const boxes = both(facts.boxes, when(meaning.quantity === 'boxes', quantity));
  const bunches = bunchesUnder(facts, meaning, boxes.n);
  const inEachBox = boxes.n !== null && bunches.n === null;
  const inEachBunch = both(
    when(meaning.stems === 'a bunch', loose),
    when(meaning.quantity === 'a bunch', quantity),
  );
  const perBunch = both(facts.perBunch ?? when(!inEachBox, facts.pack), inEachBunch.n);
  const perBox = both(facts.perBox ?? when(inEachBox, facts.pack), when(meaning.stems === 'a box', loose));
  const isAlone = bunches.n === null && boxes.n === null;
  const inAll = inAllUnder(facts, meaning, isAlone);
  const told = stemsBy(boxes.n, bunches.n, perBunch.n, perBox.n, inAll.n);
  const differ = [boxes, bunches, inEachBunch, perBunch, perBox, inAll].some((t) => t.differ);
  return {
    boxes: boxes.n,
    ...evenly(told.stems, bunches.n, perBunch.n),
    stems: told.stems,
    contradiction:
      told.contradiction ??
      (differ ? 'two of its counts contradict each other' : null) ??
      impossible(told.stems, bunches.n, {
        told: inEachBunch.n,
        pack: when(bunches.n === null, perBunch.n),
      }),
  };
}
