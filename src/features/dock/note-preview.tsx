'use client';
import { Button, Group, NativeSelect, Stack, TextInput } from '@mantine/core';
import { useCallback, useEffect, useRef, useState } from 'react';
import { ActionBar } from '@/shell/action-bar';
import { useActions } from '@/shell/actions';
import { Feedback } from '@/shell/feedback';
import type { DraftLine } from './draft-lines';
import type { Expected, HalfRead } from './half-read';
import { NoteQuestionPanel } from './note-question';
import { bookWords, hasOldDates, summary, type NoteStands } from './note-stands';
import { NoteTold, SetAside } from './note-told';
import { PreviewLines } from './preview-lines';
import { focusFirstLacking, SupplierInput } from './supplier-input';
import { useBooking, useHalfNote } from './use-half-note';

function AgainstOrder({
  expected,
  supplier,
  value,
  onChange,
}: {
  expected: readonly Expected[];
  supplier: string;
  value: string | null;
  onChange: (id: string | null) => void;
}) {
  if (expected.length === 0) return null;
  return (
    <NativeSelect
      label="Against the order"
      value={value ?? ''}
      onChange={(e) => onChange(e.target.value || null)}
      data={[
        { value: '', label: 'none' },
        ...expected.map((e) => ({
          value: e.id,
          label: e.supplier === supplier ? e.orderRef : `${e.orderRef}, ${e.supplier}`,
        })),
      ]}
    />
  );
}

/** Whose note it is and what it is held against; the ways out of it. */
function Head({
  half,
  stands,
  expected,
  isTried,
  onSet,
  onColumns,
  onClose,
}: {
  half: HalfRead;
  stands: NoteStands;
  expected: readonly Expected[];
  /** It was to be booked in: what lacks is marked. */
  isTried: boolean;
  onSet: (changes: Partial<HalfRead>) => void;
  onColumns: (() => void) | null;
  onClose: () => void;
}) {
  const { fileName, lines, supplier, deliveryRef } = half;
  const heading = useRef<HTMLHeadingElement>(null);
  // What was asked for has come: whoever goes by keys goes on from here.
  useEffect(() => {
    // In the frame that lays it out: here it would be laid out once more, in the same breath as it was drawn.
    const frame = requestAnimationFrame(() => heading.current?.focus({ preventScroll: true }));
    return () => cancelAnimationFrame(frame);
  }, []);
  return (
    <header className="row low">
      <Group w="100%" gap="0.25rem 1.125rem" align="baseline">
        <h1 ref={heading} tabIndex={-1}>
          {lines.length} lines read
        </h1>
        <p className="soft">
          {fileName}: {summary(lines, stands.toDecide, stands.waiting)}. Nothing is booked in yet.
        </p>
      </Group>
      <SupplierInput
        value={supplier}
        onChange={(to) => onSet({ supplier: to })}
        error={isTried && !supplier.trim() && 'Whose note is it?'}
      />
      <TextInput
        label="Delivery"
        error={isTried && !deliveryRef.trim() && 'What is the delivery called?'}
        value={deliveryRef}
        onChange={(e) => onSet({ deliveryRef: e.target.value })}
      />
      <AgainstOrder
        expected={expected}
        supplier={supplier}
        value={half.expectedId}
        onChange={(expectedId) => onSet({ expectedId })}
      />
      {onColumns && (
        <Button variant="quiet" onClick={onColumns}>
          Columns wrong?
        </Button>
      )}
      <Button variant="quiet" onClick={onClose}>
        Put it away
      </Button>
    </header>
  );
}

/** The note line by line, as understood: correct what is wrong, then book it in. Nothing is booked before. */
export function NotePreview({
  start,
  expected,
  today,
  onClose,
  onColumns,
  onAskAgain,
}: {
  start: HalfRead;
  expected: readonly Expected[];
  today: string;
  onClose: () => void;
  /** Says anew which column is what; null where there is no file to read again. */
  onColumns: (() => void) | null;
  /** Reads the file again and asks what was settled, forgetting what was remembered of its make; null without a file. */
  onAskAgain: ((supplier: string) => Promise<string | null>) | null;
}) {
  const { act } = useActions();
  const { half, order, against, stands, set, change, answer, isBooked } = useHalfNote(start, expected);
  const [problem, setProblem] = useState<string | null>(null);
  const [isTried, setTried] = useState(false);
  const { busy, book } = useBooking({ ...half, expectedId: order?.id ?? null }, stands, isBooked, setProblem);
  const { note, lines, supplier } = half;
  const { booked, isAsked, isReady } = stands;
  const forgetName = useCallback(
    (line: DraftLine) => {
      void act('dock/unlearn', { supplier, product: line.product }, '').then((forgotten) => {
        setProblem(forgotten.ok ? null : forgotten.message);
        if (forgotten.ok) change(line.line, { speciesKey: null, isRemembered: false });
      });
    },
    [act, change, supplier],
  );
  const showWhatLacks = () => {
    setTried(true);
    setProblem(
      booked.length === 0 ? 'No line of it is to be booked in. Take one back from what is kept aside.' : null,
    );
    focusFirstLacking();
  };

  return (
    <Stack component="section" aria-label="Delivery note" gap="0.625rem">
      <Head
        half={half}
        stands={stands}
        expected={expected}
        isTried={isTried}
        onSet={set}
        onColumns={onColumns}
        onClose={onClose}
      />
      {isAsked && note.question && <NoteQuestionPanel question={note.question} onAnswer={answer} />}
      <NoteTold
        note={note}
        isOld={hasOldDates(booked, today)}
        missing={against?.missing ?? []}
        onOtherwise={onAskAgain && (() => void onAskAgain(supplier).then(setProblem))}
      />
      <PreviewLines
        lines={lines}
        onChange={change}
        headings={note.readColumns}
        onForgetName={forgetName}
        against={against?.lines}
      />
      <SetAside note={note} />
      <Feedback isAlert>{problem}</Feedback>
      <ActionBar>
        <Button
          variant="main"
          disabled={busy}
          onClick={() => void (isReady ? book() : showWhatLacks())}
          data-step-in-hand
        >
          {bookWords(busy, stands)}
        </Button>
      </ActionBar>
    </Stack>
  );
}
