'use client';
import dynamic from 'next/dynamic';
import { useRouter, useSearchParams } from 'next/navigation';
import { useRef, useState } from 'react';
import type { NoteHelp } from '@/core/dock/read-note';
import type { DeliveryNote } from '@/core/dock/types';
import css from './dock.module.css';

// The reader and its species list are only wanted once a file is there.
const NotePreview = dynamic(() => import('./note-preview').then((m) => m.NotePreview), {
  loading: () => <p role="status">Reading the note …</p>,
});

interface Read {
  readonly note: DeliveryNote;
  readonly fileName: string;
}

type Remembered = NonNullable<NoteHelp['remembered']>;

async function readFile(file: File, remembered: Remembered): Promise<Read | string> {
  const [{ NOTE_MAX_BYTES, UnreadableNoteError, readDeliveryNote }, { decodeNote }] = await Promise.all([
    import('@/core/dock/read-note'),
    import('@/core/dock/decode'),
  ]);
  if (file.size > NOTE_MAX_BYTES)
    return `“${file.name}” is ${Math.round(file.size / 1e6)} MB; a delivery note is never more than 2 MB. Nothing was read or booked in. Choose the note’s CSV file.`;
  try {
    return {
      note: readDeliveryNote(decodeNote(new Uint8Array(await file.arrayBuffer())), { remembered }),
      fileName: file.name,
    };
  } catch (error) {
    if (error instanceof UnreadableNoteError) return error.message;
    return `“${file.name}” could not be read. Nothing was booked in; try choosing it again.`;
  }
}

/** Takes a delivery note from a drop or a choice, reads it here, and shows what was understood. */
export function NoteReader({
  demo,
  today,
  remembered,
}: {
  demo: boolean;
  today: string;
  remembered: Remembered;
}) {
  const router = useRouter();
  const isOpen = useSearchParams().has('read');
  const [read, setRead] = useState<Read | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [over, setOver] = useState(false);
  const [typed, setTyped] = useState('');
  const input = useRef<HTMLInputElement>(null);

  const take = async (file: File | undefined) => {
    if (!file) return;
    const got = await readFile(file, remembered);
    setProblem(typeof got === 'string' ? got : null);
    setRead(typeof got === 'string' ? null : got);
    if (typeof got !== 'string' && !isOpen) router.push('/dock?read', { scroll: false });
  };
  const takeDemo = async () => {
    const response = await fetch('/dock/demo-note').catch(() => null);
    if (!response?.ok)
      return setProblem('The demo’s note could not be fetched. Nothing was booked in; try again.');
    await take(new File([await response.blob()], `note-${today}.csv`));
  };
  const takeTyped = async () => {
    const { readTypedLines } = await import('@/core/dock/read-typed');
    setProblem(null);
    setRead({ note: readTypedLines(typed, { today }), fileName: 'typed here' });
    if (!isOpen) router.push('/dock?read', { scroll: false });
  };
  const close = () => {
    setRead(null);
    router.push('/dock', { scroll: false });
  };
  if (read && isOpen)
    return (
      <NotePreview
        key={read.fileName}
        note={read.note}
        fileName={read.fileName}
        today={today}
        onClose={close}
      />
    );
  return (
    <div
      className={css.drop}
      data-over={over || undefined}
      onDragOver={(e) => {
        e.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(e) => {
        e.preventDefault();
        setOver(false);
        void take(e.dataTransfer.files[0]);
      }}
    >
      <strong>Van at the door?</strong>
      <div className={css.dropRow}>
        <button type="button" className="plain" onClick={() => input.current?.click()}>
          Drop or choose its note
        </button>
        {demo && (
          <button type="button" className="quiet" onClick={() => void takeDemo()}>
            Demo: this morning’s note
          </button>
        )}
      </div>
      <input
        ref={input}
        type="file"
        accept=".csv,text/csv,text/plain"
        aria-label="Delivery note, CSV"
        className="visually-hidden"
        tabIndex={-1}
        onChange={(e) => {
          void take(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
      <details className={css.bin}>
        <summary>No file? Type or paste its lines</summary>
        <form
          className={css.typed}
          onSubmit={(event) => {
            event.preventDefault();
            void takeTyped();
          }}
        >
          <textarea
            aria-label="Lines of the delivery"
            className={css.cell}
            rows={4}
            maxLength={20_000}
            placeholder={'6x25 rose 60 deep red, cut 19/11\n850 g mimosa'}
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
          />
          <button type="submit" className="plain" disabled={typed.trim() === ''}>
            Read them
          </button>
        </form>
      </details>
      {problem && (
        <p className="said" role="alert">
          {problem}
        </p>
      )}
    </div>
  );
}
