'use client';
import { Button, Stack, VisuallyHidden } from '@mantine/core';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { ignoredLine } from '@/core/note/ignored-line';
import { useActions } from '@/shell/actions';
import { Feedback } from '@/shell/feedback';
import { completeLine, lacking, type DraftLine } from './draft-lines';
import type { KeptLineView } from './slip-view';
import { CutDateInput, StemsInput } from './line-inputs';

const SpeciesCell = dynamic(() => import('./note-line').then((m) => m.SpeciesCell), { ssr: false });

const draftOf = (kept: KeptLineView): DraftLine => ({
  ...ignoredLine(kept.line, kept.product, ''),
  ...kept.said,
  priceUnit: 'stem',
  status: 'needs-decision',
  fate: 'book',
  isSettled: true,
  isChosen: false,
});

/** A line that waits: settled here and booked in, or refused. */
export function KeptWaiting({ kept }: { kept: KeptLineView }) {
  const { act } = useActions();
  const [line, setLine] = useState(() => draftOf(kept));
  const [problem, setProblem] = useState<string | null>(null);
  const lack = lacking(line);
  const change = (_: number, changes: Partial<DraftLine>) => setLine({ ...line, ...changes });
  const book = async () => {
    const complete = completeLine(line);
    if (!complete) return;
    const outcome = await act(
      'dock/book-kept',
      { keptId: kept.id, line: complete },
      `line ${kept.line} booked in`,
    );
    setProblem(outcome.ok ? null : outcome.message);
  };
  const refuse = async () => {
    const outcome = await act(
      'dock/refuse-kept',
      { keptId: kept.id, reason: kept.reason || 'did not come' },
      `line ${kept.line} refused`,
    );
    setProblem(outcome.ok ? null : outcome.message);
  };
  return (
    <details>
      <summary>
        <span>
          line {kept.line} waits: {kept.product} <span className="soft">{kept.reason}</span>
        </span>
      </summary>
      <Stack gap="0.5rem" align="start" pb="0.75rem">
        <SpeciesCell line={line} onChange={change} />
        <StemsInput line={line} onChange={(stems) => change(0, { stems })} />
        <CutDateInput line={line} onChange={(cutDate) => change(0, { cutDate })} />
        <Button onClick={() => void (lack === null ? book() : setProblem(`First: ${lack}.`))}>
          {lack ?? 'Book it in now'}
        </Button>
        <Button variant="quiet" onClick={() => void refuse()}>
          Refuse it<VisuallyHidden>, line {kept.line}</VisuallyHidden>
        </Button>
      </Stack>
      <Feedback isAlert>{problem}</Feedback>
    </details>
  );
}
