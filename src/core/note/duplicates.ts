import { foldedWords } from '../species/folded-words';
import { lineName } from './line-name';
import type { NoteLine } from './types';

const repeated = (line: NoteLine): string =>
  JSON.stringify([
    foldedWords(line.product),
    line.variety,
    line.colour,
    line.lengthCm,
    line.bunches,
    line.stemsPerBunch,
    line.stems,
    line.weightG,
    line.cutDate,
    line.unitPrice,
    line.readings?.map((r) => r.stems),
  ]);

/** Points out lines that say just what an earlier one said. */
export function withDuplicates(lines: readonly NoteLine[]): NoteLine[] {
  const first = new Map<string, NoteLine>();
  return lines.map((line) => {
    const key = repeated(line);
    const earlier = first.get(key);
    if (!earlier) {
      first.set(key, line);
      return line;
    }
    return {
      ...line,
      status: 'needs-decision',
      decisions: line.decisions + 1,
      reasons: [`says the same as line ${lineName(earlier)}: twice sent, or written twice?`, ...line.reasons],
      duplicateOf: earlier.line,
    };
  });
}
