'use client';
import { Button, Collapse, Group } from '@mantine/core';
import { useDisclosure } from '@mantine/hooks';
import { useState } from 'react';
import { dirtiestFirst, dueInHours, type ToolClock } from '@/core/hygiene/tools';
import { useActions } from '@/shell/actions';
import { useShopNow } from '@/shell/clock';
import { Feedback } from '@/shell/feedback';
import { ago } from './ago';

/** A knife, snips, a stripper or vases, and its clock. */
export interface ToolView extends ToolClock {
  readonly id: string;
  readonly name: string;
}

function standsWords(tool: ToolView, now: number): string {
  const due = dueInHours(tool, now);
  if (tool.cleanedAt === null) return 'never cleaned in the record';
  const when = `cleaned ${ago(tool.cleanedAt, now)}`;
  return due < 0
    ? `${when}, due`
    : `${when}, due in ${due < 48 ? `${Math.ceil(due)} h` : `${Math.floor(due / 24)} days`}`;
}

/** Knives and the like, cleaned on clocks of their own: what waits longest first, one tap each. */
export function ToolsPanel({ tools }: { tools: readonly ToolView[] }) {
  const { act } = useActions();
  const clock = useShopNow();
  const [isOpen, { toggle }] = useDisclosure(false);
  const [feedback, setFeedback] = useState<string | null>(null);
  if (tools.length === 0) return null;
  // It stands there from the first moment: what came later would push away what a finger is on.
  const now = clock ?? 0;
  const due = tools.filter((t) => dueInHours(t, now) < 0);
  const clean = async ({ id, name }: ToolView) => {
    const outcome = await act('pails/clean-tool', { toolId: id }, `${name} cleaned`);
    setFeedback(outcome.ok || outcome.why === 'unavailable' ? null : outcome.message);
  };
  return (
    <section aria-label="Knives and the like">
      <Group gap="1rem">
        <Button onClick={toggle} aria-expanded={isOpen}>
          Knives and the like
        </Button>
        <span className={due.length > 0 ? 'late' : 'soft'}>
          {clock === null ? '' : due.length > 0 ? `${due.length} of ${tools.length} to clean` : 'all clean'}
        </span>
      </Group>
      <Collapse expanded={isOpen}>
        <ul className="rowlist">
          {dirtiestFirst(tools, now).map((tool) => (
            <li key={tool.id}>
              <Group gap="0.75rem" py="0.375rem" wrap="nowrap" justify="space-between">
                <span>
                  <strong>{tool.name}</strong>{' '}
                  <span className={dueInHours(tool, now) < 0 ? 'late' : 'soft'}>
                    {standsWords(tool, now)}
                  </span>
                </span>
                <Button miw="7rem" onClick={() => void clean(tool)} aria-label={`${tool.name} cleaned`}>
                  Cleaned
                </Button>
              </Group>
            </li>
          ))}
        </ul>
      </Collapse>
      <Feedback isAlert>{feedback}</Feedback>
    </section>
  );
}
