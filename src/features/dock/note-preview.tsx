'use client';
import { useRouter } from 'next/navigation';
import { useCallback, useState } from 'react';
import { v4 } from 'uuid';
import type { DeliveryNote } from '@/core/dock/types';
import { useDeeds } from '@/shell/deeds';
import css from './dock.module.css';
import { bookedLine, draftOf, isDate, lacking, type DraftLine } from './draft-lines';
import { NoteLineRow } from './note-line';

const DAY_MS = 86_400_000;
const SHOWN_AT_A_TIME = 100;

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
    <p className="said">
      The note says {statedTotal.toFixed(2)} in all; its lines come to {computedTotal.toFixed(2)}, repeats and
      all. That is {Math.abs(statedTotal - computedTotal).toFixed(2)} apart.
    </p>
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

/** The note line by line, as understood: correct what is wrong, then book it in. Nothing is booked before. */
export function NotePreview({
  note,
  fileName,
  today,
  onClose,
}: {
  note: DeliveryNote;
  fileName: string;
  today: string;
  onClose: () => void;
}) {
  const router = useRouter();
  const { send } = useDeeds();
  const [lines, setLines] = useState<readonly DraftLine[]>(() => draftOf(note, today));
  const [supplier, setSupplier] = useState(note.supplier ?? '');
  const [deliveryRef, setDeliveryRef] = useState(note.deliveryRef ?? '');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [shown, setShown] = useState(SHOWN_AT_A_TIME);
  // One key for this booking, however often the button is tapped.
  const [actionKey] = useState(() => v4());
  const booked = lines.filter((l) => !l.leaveOut);
  const open = booked.filter((l) => lacking(l) !== null).length;
  const stems = booked.reduce((n, l) => n + (l.stems ?? 0), 0);
  const isOld = booked.some(
    (l) => isDate(l.cutDate) && Date.parse(today) - Date.parse(l.cutDate) > 21 * DAY_MS,
  );
  // A long note shows what somebody must settle, and of the rest so many at a time.
  const inSight = lines.filter((l, i) => i < shown || (l.status === 'needs-decision' && !l.isSettled));
  const change = useCallback((line: number, changes: Partial<DraftLine>) => {
    setLines((all) => all.map((l) => (l.line === line ? { ...l, ...changes } : l)));
  }, []);

  const book = async () => {
    setBusy(true);
    setProblem(null);
    const chosen = booked
      .filter((l) => l.isChosen)
      .map(({ product, speciesKey }) => ({ product, speciesKey }));
    const body = { supplier, deliveryRef, chosen, lines: booked.map(bookedLine) };
    const outcome = await send('dock/book-in', body, actionKey);
    setBusy(false);
    if (outcome.ok) return router.push('/dock', { scroll: false });
    setProblem(
      `${outcome.message}${outcome.why === 'unavailable' ? ' Nothing was booked in; the note stays open here. Try again in a moment.' : ''}`,
    );
  };

  return (
    <section aria-label="Delivery note" className={css.preview}>
      <header className={css.previewHead}>
        <div>
          <h1>{lines.length} lines read</h1>
          <p className="soft">
            {fileName}: {summary(lines)}. Nothing is booked in yet.
          </p>
        </div>
        <label>
          Supplier
          <input className={css.cell} value={supplier} onChange={(e) => setSupplier(e.target.value)} />
        </label>
        <label>
          Delivery
          <input className={css.cell} value={deliveryRef} onChange={(e) => setDeliveryRef(e.target.value)} />
        </label>
        <button type="button" className="quiet" onClick={onClose}>
          Put the note away
        </button>
      </header>
      {isOld && (
        <p className="said">
          Some lines were cut over three weeks ago by the shop’s clock. Check the year on the note.
        </p>
      )}
      <Totals note={note} />
      <div className={css.tableWrap}>
        <table className={css.table}>
          <thead>
            <tr>
              <th>Line</th>
              <th>Species</th>
              <th>As sold</th>
              <th>Stems</th>
              <th>Cut on</th>
              <th>Journey</th>
              <th>
                <span className="visually-hidden">Keep or leave out</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {inSight.map((line) => (
              <NoteLineRow key={line.line} line={line} onChange={change} />
            ))}
          </tbody>
        </table>
      </div>
      {inSight.length < lines.length && (
        <button type="button" className="plain" onClick={() => setShown(shown + SHOWN_AT_A_TIME)}>
          Show {Math.min(SHOWN_AT_A_TIME, lines.length - inSight.length)} more of{' '}
          {lines.length - inSight.length} lines that need nothing
        </button>
      )}
      <SetAside note={note} />
      {problem && (
        <p className="said" role="alert">
          {problem}
        </p>
      )}
      <div className={css.bookBar}>
        <button
          type="button"
          className="deed"
          disabled={busy || open > 0 || booked.length === 0 || !supplier.trim() || !deliveryRef.trim()}
          onClick={() => void book()}
          data-step-in-hand
        >
          {busy
            ? 'Booking in …'
            : open > 0
              ? `${open} to decide first`
              : `Book in ${booked.length} ${booked.length === 1 ? 'lot' : 'lots'}, ${stems} stems`}
        </button>
      </div>
    </section>
  );
}
