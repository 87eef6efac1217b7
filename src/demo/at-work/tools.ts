import { manyTools } from '../../data/tools';
import { writeEntry } from '../../data/record';
import { hourOfDay } from '../history';
import type { TimedAction } from '../timed-actions';

/** Whose turn it was, and when: what cuts each evening, the vases at the week's beginning; one knife was forgotten. */
const CLEANED: readonly (readonly [name: string, person: number, daysAgo: number, hour: number])[] = [
  ['Wen’s knife', 1, 1, 6.7],
  ['Bram’s snips', 2, 1, 18.9],
  ['Stripper', 2, 1, 18.95],
  ['Vases that came back', 3, 3, 17.5],
];

/** Knives and the like as they were cleaned before this morning. */
export const toolActions = (now: Date): TimedAction[] =>
  CLEANED.map(([name, person, daysAgo, hour]) => ({
    at: hourOfDay(now, daysAgo, hour),
    person,
    does: async (trx, action) => {
      const tool = (await manyTools(trx)).find((t) => t.name === name);
      if (!tool) return;
      await writeEntry(trx, action, {
        kind: 'tool-cleaned',
        subjectKind: 'tool',
        subjectId: tool.id,
        says: { message: 'record.tool-cleaned', with: { name } },
        detail: { toolId: tool.id },
      });
    },
  }));
