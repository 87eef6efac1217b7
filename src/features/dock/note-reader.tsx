'use client';
import { Box, Button, Group, Stack } from '@mantine/core';
import { useTimeout } from '@mantine/hooks';
import { useOwnSpecies } from '@/shell/own-species';
import dynamic from 'next/dynamic';
import { useRouter, useSearchParams } from 'next/navigation';
import { startTransition, useEffect, useState } from 'react';
import { useActions } from '@/shell/actions';
import { useStored } from '@/shell/half-done';
import { HALF_READ, type HalfRead, type NamedColumns } from './half-read';
import type { Expected } from './half-read';
import type { Open, Reading, Unnamed } from './reading';
import { TypedLines } from './typed-lines';
import { FileTap } from '@/shell/file-tap';
import { Feedback } from '@/shell/feedback';

// The preview and its species list are only wanted once a file is there.
const BeingRead = () => <p role="status">Reading the note …</p>;
const NotePreview = dynamic(() => import('./note-preview').then((m) => m.NotePreview), {
  loading: BeingRead,
});
const OrderPreview = dynamic(() => import('./order-preview').then((m) => m.OrderPreview), {
  loading: BeingRead,
});
const ColumnChooser = dynamic(() => import('./column-chooser').then((m) => m.ColumnChooser), {
  loading: BeingRead,
});

const DropAnywhere = dynamic(() => import('./drop-anywhere').then((m) => m.DropAnywhere), { ssr: false });

/** What may be chosen: tables, and what a supplier sends in their stead, which is named for what it is. */
const NOTE_FILES = '.csv,.tsv,.txt,.xlsx,.xls,.htm,.html,.pdf,.edi,.json';

/** What reads a note, and what shows its lines. */
const makeReady = () => {
  void import('@/shell/note-file').then(({ wakeReader }) => wakeReader());
  void import('./reading');
  void import('./note-preview');
};

/** Whether a file has been dragged over the page: what takes it is fetched then. */
function useDragged(): boolean {
  const [isDragged, setDragged] = useState(false);
  useEffect(() => {
    const see = () => setDragged(true);
    window.addEventListener('dragenter', see, { once: true });
    return () => window.removeEventListener('dragenter', see);
  }, []);
  return isDragged;
}

const QUIET_MS = 1000;
const NOT_FETCHED = 'What reads a note could not be fetched. Nothing was booked in; try again.';

/** The ways a note is read, each as it is first wanted. */
function useReading(
  reading: Reading,
  show: (next: Open) => void,
  setProblem: (words: string | null) => void,
) {
  const own = useOwnSpecies();
  const { act } = useActions();
  const around = { ...reading, own, act, show, setProblem };
  const ways = () =>
    import('./reading').catch(() => {
      setProblem(NOT_FETCHED);
      return null;
    });
  return {
    take: async (file: File | undefined) => {
      if (!file) return;
      makeReady();
      await (await ways())?.take(around, file);
    },
    takeNamed: async (file: Unnamed, named: NamedColumns, supplier: string) =>
      (await ways())?.takeNamed(around, file, named, supplier),
    askAgain: async (file: Unnamed, half: HalfRead, supplier: string) => {
      const how = await ways();
      return how ? how.askAgain(around, file, half, supplier) : NOT_FETCHED;
    },
    takeDemo: async () => (await ways())?.takeDemo(around),
    takeTyped: async (text: string, as: 'note' | 'order') => (await ways())?.takeTyped(around, text, as),
  };
}

/** What was read: a note, an order to come, or a file whose columns nobody has named. */
function Opened({
  open,
  today,
  expected,
  onClose,
  onColumns,
  onAskAgain,
  onNamed,
}: Reading & {
  open: Open;
  onClose: () => void;
  onColumns: (file: Unnamed) => void;
  onAskAgain: (file: Unnamed, half: HalfRead, supplier: string) => Promise<string | null>;
  onNamed: (file: Unnamed, named: NamedColumns, supplier: string) => void;
}) {
  switch (open.kind) {
    case 'note': {
      const { file, half } = open;
      return (
        <NotePreview
          start={half}
          expected={expected}
          today={today}
          onClose={onClose}
          onColumns={file && (() => onColumns(file))}
          onAskAgain={file && ((supplier) => onAskAgain(file, half, supplier))}
        />
      );
    }
    case 'order':
      return <OrderPreview start={open.lines} supplier={open.supplier} today={today} onClose={onClose} />;
    case 'columns':
      return (
        <ColumnChooser
          rows={open.file.rows}
          fileName={open.file.fileName}
          supplier={open.file.supplier ?? ''}
          onChosen={(named, supplier) => onNamed(open.file, named, supplier)}
          onClose={onClose}
        />
      );
  }
}

/** The file's button, and in the demo this morning's made-up note. */
function Ways({
  demo,
  onFile,
  onDemo,
}: {
  demo: boolean;
  onFile: (file: File | undefined) => void;
  onDemo: () => void;
}) {
  return (
    <Group>
      <FileTap label="Delivery note, its file" accept={NOTE_FILES} onFile={onFile} onReach={makeReady}>
        Drop or choose its note
      </FileTap>
      {demo && (
        <Button variant="quiet" onClick={onDemo}>
          Demo: this morning’s note
        </Button>
      )}
    </Group>
  );
}

/** Takes a delivery note from a drop, a choice or a few typed lines, and shows what was understood. */
export function NoteReader({
  demo,
  today,
  expected,
  booked,
}: {
  demo: boolean;
  today: string;
  expected: readonly Expected[];
  /** Deliveries that are in the book: a note of theirs that was left half read here is done with. */
  booked: readonly { readonly supplier: string; readonly deliveryRef: string }[];
}) {
  const router = useRouter();
  const search = useSearchParams();
  const isReading = search.has('read');
  const typed = search.get('typed') ?? '';
  const [open, setOpen] = useState<Open | null>(null);
  // Each reading is shown anew, of one file as of another.
  const [no, setNo] = useState(0);
  const [kept, , dropStored] = useStored<HalfRead>(HALF_READ);
  const [problem, setProblem] = useState<string | null>(null);
  const isDragged = useDragged();
  // A note may be dropped without a hand at the button: once the page is quiet, its reader is ready.
  useTimeout(makeReady, QUIET_MS, { autoInvoke: true });
  // What is booked meanwhile, here or on another tablet, is not offered again.
  const isBooked = booked.some((b) => b.supplier === kept?.supplier && b.deliveryRef === kept.deliveryRef);
  const left = isBooked ? null : kept;

  const show = (next: Open) => {
    // A note of many lines is drawn without holding up a finger.
    startTransition(() => {
      setNo((n) => n + 1);
      setProblem(null);
      setOpen(next);
    });
    // An address of its own, so that going back leaves the preview; the page itself has nothing new to fetch.
    if (!isReading) window.history.pushState(null, '', '/dock?read');
  };
  const { take, takeNamed, askAgain, takeDemo, takeTyped } = useReading(
    { today, expected },
    show,
    setProblem,
  );
  const close = () => {
    dropStored();
    setOpen(null);
    router.push('/dock', { scroll: false });
  };
  if (open && isReading)
    return (
      <>
        <Feedback isAlert>{problem}</Feedback>
        <Opened
          key={no}
          open={open}
          today={today}
          expected={expected}
          onClose={close}
          onColumns={(file) => show({ kind: 'columns', file })}
          onAskAgain={askAgain}
          onNamed={(file, named, supplier) => void takeNamed(file, named, supplier)}
        />
      </>
    );
  return (
    <Box p="0.875rem 1rem" mb="md" bd="2px dashed var(--ink-soft)" bdrs="lg">
      {isDragged && <DropAnywhere onFile={(file) => void take(file)} />}
      <Stack gap="sm">
        <strong>Van at the door?</strong>
        {left && (
          <Button onClick={() => show({ kind: 'note', half: left, file: null })}>
            Go on with {left.deliveryRef || left.fileName}, {left.lines.length} lines, not booked in yet
          </Button>
        )}
        <Ways demo={demo} onFile={(file) => void take(file)} onDemo={() => void takeDemo()} />
        <TypedLines key={typed} start={typed} onRead={takeTyped} />
        <Feedback isAlert>{problem}</Feedback>
      </Stack>
    </Box>
  );
}
