'use client';
import { Button, NativeSelect, Stack, TextInput } from '@mantine/core';
import { useDebouncedCallback } from '@mantine/hooks';
import { useSpecies } from '@/shell/species';
import { DAY_MS } from '@/core/calendar/spans';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useMemo, useState, useRef } from 'react';
import { v4 } from 'uuid';
import { compareWithOrder, type OrderLine } from '@/core/dock/compare-order';
import { linesAnswered, waitsForAnswer } from '@/core/note/answer';
import type { Meaning } from '@/core/note/meaning';
import { useActions } from '@/shell/actions';
import { useStored } from '@/shell/half-done';
import { notDoneWords } from '@/shell/outcome';
import css from './dock.module.css';
import { completeLine, isDate, keptLine, lacking, type DraftLine } from './draft-lines';
import { HALF_READ, type HalfRead, type NamedColumns } from './half-read';
import { NoteQuestionPanel } from './note-question';
import { NoteTold, SetAside } from './note-told';
import { PreviewLines } from './preview-lines';
import { Feedback } from '@/shell/feedback';
import { ActionBar } from '@/shell/action-bar';
import { focusFirstLacking, SupplierInput } from './supplier-input';

const KEEP_AFTER_MS = 300;

/** An order that a note can be held against. */
export interface Expected {
  readonly id: string;
  readonly supplier: string;
  readonly orderRef: string;
  readonly dueOn: string;
  readonly lines: readonly OrderLine[];
}

/** How the lines were read, in a sentence; what is still to decide is counted as the main action counts it. */
function summary(lines: readonly DraftLine[], toDecide: number, waiting: number): string {
  const of = (test: (l: DraftLine) => boolean): number => lines.filter(test).length;
  const parts = [
    [of((l) => l.status === 'understood'), 'read'],
    [of((l) => l.status === 'guessed'), 'guessed'],
    [of((l) => l.status === 'needs-decision' && l.isSettled), 'settled'],
    [of((l) => l.fate !== 'book'), 'kept aside'],
    [waiting, waiting === 1 ? 'waits for one answer' : 'wait for one answer'],
    [toDecide, 'to decide'],
  ] as const;
  return parts
    .filter(([n]) => n > 0)
    .map(([n, words]) => `${n} ${words}`)
    .join(', ');
}

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

/** The words on the main action: what stands against it, or what it will do. */
function buttonWords(
  busy: boolean,
  isAsked: boolean,
  open: number,
  booked: readonly DraftLine[],
  kept: number,
): string {
  if (busy) return 'Booking in …';
  if (isAsked)
    return open > 0 ? `One question first, then ${open} to decide` : 'Say first what its counts mean';
  if (open > 0) return `${open} to decide first`;
  const stems = booked.reduce((n, l) => n + (l.stems ?? 0), 0);
  const others = kept > 0 ? `, ${kept} kept aside` : '';
  return `Book in ${booked.length} ${booked.length === 1 ? 'lot' : 'lots'}, ${stems} stems${others}`;
}

/** Whether a line waits for nothing but what is asked of the whole note. */
const isWaiting = (line: DraftLine): boolean =>
  line.fate === 'book' && !line.isSettled && waitsForAnswer(line);

/** The make of the note with what was said of it: its columns as they were named, and what its counts mean. */
function madeSo({ columns, note }: HalfRead, meaning: Meaning): NamedColumns {
  const { shape, hasHeading, saved } = note.make;
  const named = columns?.saved ?? saved ?? { columns: {}, hasHeading };
  return {
    shape: columns?.shape ?? shape,
    saved: { ...named, meaning: { ...named.meaning, ...meaning } },
  };
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
  const router = useRouter();
  const { act } = useActions();
  const species = useSpecies();
  const [half, setHalf] = useState(start);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [isTried, setTried] = useState(false);
  // One key for this booking, however often the button is tapped.
  const [actionKey] = useState(() => v4());
  const [, keep, forget] = useStored<HalfRead>(HALF_READ);
  const keepSoon = useDebouncedCallback(keep, KEEP_AFTER_MS);
  const { note, fileName, lines, supplier, deliveryRef } = half;
  const set = (changes: Partial<HalfRead>) => setHalf((h) => ({ ...h, ...changes }));
  useEffect(() => keepSoon(half), [keepSoon, half]);
  const heading = useRef<HTMLHeadingElement>(null);
  // What was asked for has come: whoever goes by keys goes on from here.
  useEffect(() => heading.current?.focus({ preventScroll: true }), []);
  const booked = lines.filter((l) => l.fate === 'book');
  const kept = lines.filter((l) => l.fate !== 'book');
  const isAsked = note.question !== null && booked.some(isWaiting);
  const open = booked.filter((l) => lacking(l) !== null && !(isAsked && isWaiting(l))).length;
  const isOld = booked.some(
    (l) => isDate(l.cutDate) && Date.parse(today) - Date.parse(l.cutDate) > 21 * DAY_MS,
  );
  const order = expected.find((e) => e.id === half.expectedId);
  const against = useMemo(
    () =>
      order &&
      compareWithOrder(
        order.lines,
        lines.filter((l) => l.fate !== 'refused'),
        species,
      ),
    [order, lines, species],
  );
  const change = useCallback((line: number, changes: Partial<DraftLine>) => {
    setHalf((h) => ({ ...h, lines: h.lines.map((l) => (l.line === line ? { ...l, ...changes } : l)) }));
  }, []);

  const forgetName = useCallback(
    (line: DraftLine) => {
      void act('dock/unlearn', { supplier, product: line.product }, '').then((forgotten) => {
        setProblem(forgotten.ok ? null : forgotten.message);
        if (forgotten.ok) change(line.line, { speciesKey: null, isRemembered: false });
      });
    },
    [act, change, supplier],
  );
  const isReady =
    !isAsked && open === 0 && booked.length > 0 && supplier.trim() !== '' && deliveryRef.trim() !== '';
  const answer = (meaning: Meaning) =>
    setHalf((h) => ({
      ...h,
      note: { ...h.note, question: null, meaning, meaningBy: 'said' },
      lines: linesAnswered(h.lines, meaning, h.note.usual, (l) => l.isSettled),
      columns: madeSo(h, meaning),
    }));
  const showWhatLacks = () => {
    setTried(true);
    setProblem(
      booked.length === 0 ? 'No line of it is to be booked in. Take one back from what is kept aside.' : null,
    );
    focusFirstLacking();
  };
  const book = async () => {
    setBusy(true);
    setProblem(null);
    const chosen = booked
      .filter((l) => l.isChosen)
      .flatMap(({ product, speciesKey }) => (speciesKey === null ? [] : [{ product, speciesKey }]));
    const complete = booked.flatMap((l) => completeLine(l) ?? []);
    if (complete.length < booked.length) {
      setBusy(false);
      return setProblem('A line still lacks something. Nothing was booked in; settle it first.');
    }
    const body = {
      supplier,
      deliveryRef,
      chosen,
      columns: half.columns,
      expectedId: order?.id ?? null,
      kept: kept.map(keptLine),
      lines: complete,
    };
    const outcome = await act('dock/book-in', body, '', actionKey);
    setBusy(false);
    if (outcome.ok) {
      // What is booked is not half read any more, whatever still waits to be kept.
      keepSoon.cancel();
      forget();
      return router.push('/dock', { scroll: false });
    }
    setProblem(notDoneWords(outcome, 'booked in', 'the note stays open here'));
  };

  return (
    <Stack component="section" aria-label="Delivery note" gap="0.625rem">
      <header className={css.previewHead}>
        <div>
          <h1 ref={heading} tabIndex={-1}>
            {lines.length} lines read
          </h1>
          <p className="soft">
            {fileName}: {summary(lines, open, isAsked ? booked.filter(isWaiting).length : 0)}. Nothing is
            booked in yet.
          </p>
        </div>
        <SupplierInput
          value={supplier}
          onChange={(to) => set({ supplier: to })}
          error={isTried && !supplier.trim() && 'Whose note is it?'}
        />
        <TextInput
          label="Delivery"
          error={isTried && !deliveryRef.trim() && 'What is the delivery called?'}
          value={deliveryRef}
          onChange={(e) => set({ deliveryRef: e.target.value })}
        />
        <AgainstOrder
          expected={expected}
          supplier={supplier}
          value={half.expectedId}
          onChange={(expectedId) => set({ expectedId })}
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
      {isAsked && <NoteQuestionPanel question={note.question} onAnswer={answer} />}
      <NoteTold
        note={note}
        isOld={isOld}
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
          {buttonWords(busy, isAsked, open, booked, kept.length)}
        </Button>
      </ActionBar>
    </Stack>
  );
}
