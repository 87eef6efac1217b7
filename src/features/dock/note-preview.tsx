'use client';
import { Select } from '@mantine/core';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v4 } from 'uuid';
import type { DeliveryNote, NoteLine } from '@/core/dock/types';
import { SPECIES } from '@/core/species/species';
import { useDeeds } from '@/shell/deeds';
import css from './dock.module.css';

interface DraftLine extends NoteLine {
  readonly leaveOut: boolean;
}

const OPTIONS = SPECIES.map((s) => ({ value: s.key, label: s.name }));
const isDate = (text: string | null): text is string => text !== null && /^\d{4}-\d{2}-\d{2}$/.test(text);

/** What still stands against booking a line, in words; null when it can be booked. */
function missing(line: DraftLine): string | null {
  if (line.leaveOut) return null;
  if (!line.speciesKey) return 'which species?';
  if (!line.stems || line.stems < 1) return 'how many stems?';
  return isDate(line.cutDate) ? null : 'cut on which day?';
}

function LineRow({ line, onChange }: { line: DraftLine; onChange: (changes: Partial<DraftLine>) => void }) {
  const lack = missing(line);
  const byWeight = line.weightG !== null && line.bunches === null;
  return (
    <tr className={line.leaveOut ? css.leftOut : undefined}>
      <td>{line.line - 1}</td>
      <td>
        <Select
          aria-label={`Species of line ${line.line - 1}`}
          data={OPTIONS}
          value={line.speciesKey}
          onChange={(key) => onChange({ speciesKey: key, status: 'understood', reasons: [] })}
          searchable
          size="md"
          allowDeselect={false}
          comboboxProps={{ withinPortal: true }}
          placeholder={line.product}
        />
        {line.variety && <span className="soft">‘{line.variety}’ </span>}
        {line.reasons.map((r) => (
          <span key={r} className={line.status === 'needs-decision' ? 'late' : 'soft'}>
            {r}{' '}
          </span>
        ))}
      </td>
      <td className={css.number}>
        {byWeight ? `${line.weightG} g` : `${line.bunches ?? '–'} × ${line.stemsPerBunch ?? '–'}`}
      </td>
      <td>
        <input
          aria-label={`Stems of line ${line.line - 1}`}
          className={css.cell}
          inputMode="numeric"
          value={line.stems ?? ''}
          onChange={(e) =>
            onChange({
              stems: e.target.value === '' ? null : Number(e.target.value.replace(/\D/g, '').slice(0, 6)),
            })
          }
        />
      </td>
      <td>
        <input
          aria-label={`Cut date of line ${line.line - 1}`}
          className={css.cell}
          placeholder="2026-11-18"
          maxLength={10}
          value={line.cutDate ?? ''}
          onChange={(e) => onChange({ cutDate: e.target.value || null })}
        />
      </td>
      <td>
        {line.origin}
        <span className="soft"> {line.packing}</span>
      </td>
      <td>
        <button
          type="button"
          className="quiet"
          aria-pressed={line.leaveOut}
          onClick={() => onChange({ leaveOut: !line.leaveOut })}
        >
          {line.leaveOut ? 'put back' : 'leave out'}
        </button>
        {lack && <span className="late">{lack}</span>}
      </td>
    </tr>
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
  const [lines, setLines] = useState<readonly DraftLine[]>(() =>
    note.lines.map((l) => ({ ...l, leaveOut: false })),
  );
  const [supplier, setSupplier] = useState(note.supplier ?? '');
  const [deliveryRef, setDeliveryRef] = useState(note.deliveryRef ?? '');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  // One key for this booking, however often the button is tapped.
  const [actionKey] = useState(() => v4());
  const booked = lines.filter((l) => !l.leaveOut);
  const lacking = booked.filter((l) => missing(l) !== null);
  const stems = booked.reduce((n, l) => n + (l.stems ?? 0), 0);
  const isOld = booked.some(
    (l) => isDate(l.cutDate) && Date.parse(today) - Date.parse(l.cutDate) > 21 * 86_400_000,
  );

  const book = async () => {
    setBusy(true);
    setProblem(null);
    const body = {
      supplier,
      deliveryRef,
      lines: booked.map(
        ({
          line,
          speciesKey,
          variety,
          colour,
          lengthCm,
          headsMin,
          stems: count,
          cutDate,
          origin,
          packing,
          unitPrice,
          currency,
        }) => ({
          line,
          speciesKey,
          variety,
          colour,
          lengthCm,
          headsMin,
          stems: count,
          cutDate,
          origin,
          packing,
          unitPrice,
          currency,
        }),
      ),
    };
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
          <p className="soft">{fileName}. Nothing is booked in yet.</p>
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
                <span className="visually-hidden">Leave out</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {lines.map((line, i) => (
              <LineRow
                key={line.line}
                line={line}
                onChange={(changes) => setLines(lines.map((l, at) => (at === i ? { ...l, ...changes } : l)))}
              />
            ))}
          </tbody>
        </table>
      </div>
      {problem && (
        <p className="said" role="alert">
          {problem}
        </p>
      )}
      <div className={css.bookBar}>
        <button
          type="button"
          className="deed"
          disabled={
            busy || lacking.length > 0 || booked.length === 0 || !supplier.trim() || !deliveryRef.trim()
          }
          onClick={() => void book()}
          data-step-in-hand
        >
          {busy
            ? 'Booking in …'
            : lacking.length > 0
              ? `${lacking.length} to decide first`
              : `Book in ${booked.length} lots, ${stems} stems`}
        </button>
      </div>
    </section>
  );
}
