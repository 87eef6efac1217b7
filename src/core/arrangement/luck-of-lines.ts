import type { ArrangementLine } from './types';

/** Text that is the same for the same line, whatever order its fields came in. */
function lineIdentity(line: ArrangementLine): string {
  const { agedDays, stage, droop } = line.arrival;
  return JSON.stringify([
    line.species,
    line.stems,
    agedDays,
    stage,
    droop,
    line.leafShare,
    line.events ?? [],
  ]);
}

/** Which stream of luck each line draws from: an order that does not depend on how they are listed. */
export function luckOfLines(lines: readonly ArrangementLine[]): number[] {
  const inOrder = lines.map((line, at) => ({ at, id: lineIdentity(line) }));
  inOrder.sort((a, b) => (a.id < b.id ? -1 : a.id > b.id ? 1 : a.at - b.at));
  const rankOf = new Map(inOrder.map((entry, rank) => [entry.at, rank]));
  return lines.map((_, at) => rankOf.get(at) ?? at);
}
