'use client';
import { Button, NativeSelect, Stack, TextInput } from '@mantine/core';
import { useDebouncedCallback } from '@mantine/hooks';
import { useSpecies } from '@/shell/species';
import { DAY_MS } from '@/core/calendar/spans';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useMemo, useState, useRef } from 'react';
import { v4 } from 'uuid';
import { compareWithOrder, type OrderLine } from '@/core/dock/compare-order';
import type { DeliveryNote } from '@/core/dock/types';
import { useActions } from '@/shell/actions';
import { useKept } from '@/shell/kept';
import { notDoneWords } from '@/shell/outcome';
import css from './dock.module.css';
import { completeLine, isDate, keptLine, lacking, type DraftLine } from './draft-lines';
import { HALF_READ, type HalfRead } from './half-read';
import { PreviewLines } from './preview-lines';
import { Said } from '@/shell/said';
import { DeedBar } from '@/shell/deed-bar';
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

/** How the lines were read, in a sentence. */
function summary(lines: readonly DraftLine[]): string {
  const of = (status: DraftLine['status']): number => lines.filter((l) => l.status === status).length;
  const parts = [
    [of('understood'), 'read'],
    [of('guessed'), 'guessed'],
    [of('needs-decision'), 'to decide'],
  ] as const;
  return parts
    .filter(([n]) => n > 0)
    .map(([n, words]) => `${n} ${words}`)
    .join(', ');
}

/** What does not add up between a note and its lines; nothing when it does or bears no total. */
function Totals({ note }: { note: DeliveryNote }) {
  const { statedTotal, computedTotal } = note;
  if (statedTotal === null || computedTotal === null || Math.abs(statedTotal - computedTotal) < 0.01)
    return null;
  return (
    <Said isNote>
      The note says {statedTotal.toFixed(2)} in all; its lines come to {computedTotal.toFixed(2)}, repeats and
      all. That is {Math.abs(statedTotal - computedTotal).toFixed(2)} apart.
    </Said>
  );
}

/** Lines of the file that are no flowers, each with its reason: nothing is dropped in silence. */
function SetAside({ note }: { note: DeliveryNote }) {
  const aside = note.lines.filter((l) => l.status === 'ignored');
  if (aside.length === 0) return null;
  return (
    <details className={css.bin}>
      <summary>
        {aside.length} {aside.length === 1 ? 'line' : 'lines'} of the file set aside
      </summary>
      <ul className="rowlist">
        {aside.map((l) => (
          <li key={l.line}>
            {l.line} <span className="soft">{l.product}</span> {l.reasons.join(', ')}
          </li>
        ))}
      </ul>
    </details>
  );
}

function Missing({ lines }: { lines: readonly OrderLine[] }) {
  const { find } = useSpecies();
  if (lines.length === 0) return null;
  const words = lines.map((l) => `${find(l.speciesKey)?.name ?? l.speciesKey} ${l.stems}`);
  return <Said isNote>Ordered, and on no line of the note: {words.join(', ')}.</Said>;
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

/** The words on the deed: what stands against it, or what it will do. */
function deedWords(busy: boolean, open: number, booked: readonly DraftLine[], kept: number): string {
  if (busy) return 'Booking in …';
  if (open > 0) return `${open} to decide first`;
  const stems = booked.reduce((n, l) => n + (l.stems ?? 0), 0);
  const others = kept > 0 ? `, ${kept} kept aside` : '';
  return `Book in ${booked.length} ${booked.length === 1 ? 'lot' : 'lots'}, ${stems} stems${others}`;
}

/** The note line by line, as understood: correct what is wrong, then book it in. Nothing is booked before. */
export function NotePreview({
  start,
  expected,
  today,
  onClose,
  onColumns,
}: {
  start: HalfRead;
  expected: readonly Expected[];
  today: string;
  onClose: () => void;
  /** Says anew which column is what; null where there is no file to read again. */
  onColumns: (() => void) | null;
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
  const [, keep, forget] = useKept<HalfRead>(HALF_READ);
  const keepSoon = useDebouncedCallback(keep, KEEP_AFTER_MS);
  const { note, fileName, lines, supplier, deliveryRef } = half;
  const set = (changes: Partial<HalfRead>) => setHalf((h) => ({ ...h, ...changes }));
  useEffect(() => keepSoon(half), [keepSoon, half]);
  const heading = useRef<HTMLHeadingElement>(null);
  // What was asked for has come: whoever goes by keys goes on from here.
  useEffect(() => heading.current?.focus({ preventScroll: true }), []);
  const booked = lines.filter((l) => l.fate === 'book');
  const kept = lines.filter((l) => l.fate !== 'book');
  const open = booked.filter((l) => lacking(l) !== null).length;
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

  const isReady = open === 0 && booked.length > 0 && supplier.trim() !== '' && deliveryRef.trim() !== '';
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
            {fileName}: {summary(lines)}. Nothing is booked in yet.
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
      {isOld && (
        <Said isNote>
          Some lines were cut over three weeks ago by the shop’s clock. Check the year on the note.
        </Said>
      )}
      <Totals note={note} />
      <Missing lines={against?.missing ?? []} />
      <PreviewLines lines={lines} onChange={change} against={against?.lines} />
      <SetAside note={note} />
      <Said isAlert>{problem}</Said>
      <DeedBar>
        <Button
          variant="deed"
          disabled={busy}
          onClick={() => void (isReady ? book() : showWhatLacks())}
          data-step-in-hand
        >
          {deedWords(busy, open, booked, kept.length)}
        </Button>
      </DeedBar>
    </Stack>
  );
}
