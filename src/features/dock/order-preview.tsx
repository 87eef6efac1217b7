'use client';
import { Button, Stack, TextInput } from '@mantine/core';
import { useRouter } from 'next/navigation';
import { useCallback, useState } from 'react';
import { v4 } from 'uuid';
import { useActions } from '@/shell/actions';
import css from './dock.module.css';
import { lackingInOrder, type DraftLine } from './draft-lines';
import { PreviewLines } from './preview-lines';
import { Feedback } from '@/shell/feedback';
import { DayInput } from '@/shell/day-input';
import { ActionBar } from '@/shell/action-bar';
import { focusFirstLacking, SupplierInput } from './supplier-input';

/** What was ordered, line by line as understood, and the day it is to come. */
export function OrderPreview({
  start,
  supplier: from,
  today,
  onClose,
}: {
  start: readonly DraftLine[];
  supplier: string;
  today: string;
  onClose: () => void;
}) {
  const router = useRouter();
  const { act } = useActions();
  const [lines, setLines] = useState(start);
  const [supplier, setSupplier] = useState(from);
  const [orderRef, setOrderRef] = useState('');
  const [dueOn, setDueOn] = useState<string | null>(today);
  const [problem, setProblem] = useState<string | null>(null);
  const [isTried, setTried] = useState(false);
  const [actionKey] = useState(() => v4());
  const change = useCallback((line: number, changes: Partial<DraftLine>) => {
    setLines((all) => all.map((l) => (l.line === line ? { ...l, ...changes } : l)));
  }, []);
  const ordered = lines.filter((l) => l.fate === 'book');
  const open = ordered.filter((l) => lackingInOrder(l) !== null).length;
  const isReady =
    open === 0 && ordered.length > 0 && supplier.trim() !== '' && orderRef.trim() !== '' && dueOn !== null;
  const showWhatLacks = () => {
    setTried(true);
    setProblem(ordered.length === 0 ? 'No line of it is to be expected. Nothing was noted.' : null);
    focusFirstLacking();
  };
  const place = async () => {
    if (dueOn === null) return;
    const outcome = await act(
      'dock/order',
      {
        supplier,
        orderRef,
        dueOn,
        lines: ordered.flatMap(({ line, speciesKey, variety, lengthCm, stems }) =>
          speciesKey === null || stems === null ? [] : [{ line, speciesKey, variety, lengthCm, stems }],
        ),
      },
      '',
      actionKey,
    );
    if (outcome.ok) {
      onClose();
      return router.refresh();
    }
    setProblem(outcome.message);
  };
  return (
    <Stack component="section" aria-label="Order" gap="0.625rem">
      <header className={css.previewHead}>
        <div>
          <h1>{lines.length} lines to expect</h1>
          <p className="soft">The note that comes is held against them. Nothing is noted yet.</p>
        </div>
        <SupplierInput
          value={supplier}
          onChange={setSupplier}
          error={isTried && !supplier.trim() && 'Whose is it?'}
        />
        <TextInput
          label="Order"
          maxLength={60}
          value={orderRef}
          error={isTried && !orderRef.trim() && 'What is the order called?'}
          onChange={(e) => setOrderRef(e.target.value)}
        />
        <DayInput
          label="To come on"
          value={dueOn}
          error={isTried && dueOn === null && 'Which day?'}
          onChange={setDueOn}
        />
        <Button variant="quiet" onClick={onClose}>
          Put it away
        </Button>
      </header>
      <PreviewLines lines={lines} onChange={change} isOrder />
      <Feedback isAlert>{problem}</Feedback>
      <ActionBar>
        <Button variant="main" onClick={() => void (isReady ? place() : showWhatLacks())} data-step-in-hand>
          {open > 0 ? `${open} to decide first` : `Expect ${ordered.length} lines on ${dueOn ?? ''}`}
        </Button>
      </ActionBar>
    </Stack>
  );
}
