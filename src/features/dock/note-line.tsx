'use client';
import { useSpecies } from '@/shell/species';
import { Select } from '@mantine/core';
import { memo, useState } from 'react';
import type { LineAgainstOrder } from '@/core/dock/compare-order';
import css from './dock.module.css';
import { KEEP, lacking, lackingInOrder, type DraftLine } from './draft-lines';

const HOW: Readonly<Record<DraftLine['status'], string>> = {
  understood: 'read',
  guessed: 'guessed',
  'needs-decision': 'to decide',
  ignored: 'set aside',
};

type Change = (line: number, changes: Partial<DraftLine>) => void;

/** A cell that can be written over. */
export function Cell({
  label,
  value,
  numeric = false,
  onChange,
}: {
  label: string;
  value: string;
  numeric?: boolean;
  onChange: (text: string) => void;
}) {
  return (
    <input
      aria-label={label}
      className={css.cell}
      {...(numeric ? { inputMode: 'numeric' as const } : { placeholder: '2026-11-18', maxLength: 10 })}
      value={value}
      onChange={(e) => onChange(e.target.value)}
    />
  );
}

/** The species as it was read; touched, it can be chosen. A list of sixty is only made for the one in hand. */
export function SpeciesCell({ line, onChange }: { line: DraftLine; onChange: Change }) {
  const [isChoosing, setChoosing] = useState(line.speciesKey === null);
  const { all, find } = useSpecies();
  const name = find(line.speciesKey ?? '')?.name;
  if (!isChoosing)
    return (
      <button type="button" className={css.species} onClick={() => setChoosing(true)}>
        <strong>{name}</strong>
        <span className="visually-hidden">, change species of line {line.line}</span>
      </button>
    );
  return (
    <Select
      aria-label={`Species of line ${line.line}`}
      data={all.map((s) => ({ value: s.key, label: s.name }))}
      value={line.speciesKey}
      onChange={(key) => {
        onChange(line.line, { speciesKey: key, isChosen: true, isSettled: true });
        setChoosing(key === null);
      }}
      searchable
      size="md"
      allowDeselect={false}
      autoFocus={line.speciesKey !== null}
      comboboxProps={{ withinPortal: true }}
      placeholder={line.product}
    />
  );
}

/** Book it, let it wait, or refuse it; what waits or is refused is kept with the delivery. */
function Fate({ line, onChange, isOrder }: { line: DraftLine; onChange: Change; isOrder: boolean }) {
  const hidden = <span className="visually-hidden"> line {line.line}</span>;
  if (line.fate !== 'book')
    return (
      <button
        type="button"
        className="quiet"
        onClick={() => onChange(line.line, { fate: 'book', isSettled: true })}
      >
        {line.fate === 'waiting' ? 'waits: put back' : 'put back'}
        {hidden}
      </button>
    );
  return (
    <span className={css.fates}>
      {!isOrder && (
        <button type="button" className="quiet" onClick={() => onChange(line.line, { fate: 'waiting' })}>
          wait{hidden}
        </button>
      )}
      <button type="button" className="quiet" onClick={() => onChange(line.line, { fate: 'refused' })}>
        leave out{hidden}
      </button>
    </span>
  );
}

/** One line of the note: what was understood, what was guessed and why, what needs a decision. */
export const NoteLineRow = memo(function NoteLineRow({
  line,
  onChange,
  against = null,
  isOrder = false,
}: {
  line: DraftLine;
  onChange: Change;
  /** How it stands to what was ordered. */
  against?: LineAgainstOrder | null;
  /** A line of an order has not been cut and has not come. */
  isOrder?: boolean;
}) {
  const lack = isOrder ? lackingInOrder(line) : lacking(line);
  const isOpen = line.status === 'needs-decision' && !line.isSettled;
  const byWeight = line.weightG !== null && line.bunches === null;
  return (
    <tr className={line.fate === 'book' ? undefined : css.leftOut}>
      <td>
        {line.line}
        <span className={isOpen ? css.toDecide : css.how}>
          {line.isSettled ? 'settled' : HOW[line.status]}
        </span>
      </td>
      <td>
        <SpeciesCell line={line} onChange={onChange} />
        {line.variety && <span className="soft"> ‘{line.variety}’ </span>}
        {line.colour && <span className="soft">{line.colour} </span>}
        {against && (
          <span className={against.kind === 'as ordered' ? css.reasonLine : css.lateReason}>
            {against.words}
          </span>
        )}
        {line.reasons.map((r) => (
          <span key={r} className={isOpen ? css.lateReason : css.reasonLine}>
            {r}
          </span>
        ))}
      </td>
      <td className={css.number}>
        {byWeight ? `${line.weightG} g` : `${line.bunches ?? '–'} × ${line.stemsPerBunch ?? '–'}`}
      </td>
      <td>
        <Cell
          label={`Stems of line ${line.line}`}
          value={String(line.stems ?? '')}
          numeric
          onChange={(text) =>
            onChange(line.line, {
              stems: text === '' ? null : Number(text.replace(/\D/g, '').slice(0, 6)),
              isSettled: true,
            })
          }
        />
      </td>
      {!isOrder && (
        <td>
          <Cell
            label={`Cut date of line ${line.line}`}
            value={line.cutDate ?? ''}
            onChange={(text) => onChange(line.line, { cutDate: text || null, isSettled: true })}
          />
        </td>
      )}
      {!isOrder && (
        <td>
          {line.origin}
          <span className="soft"> {line.packing}</span>
        </td>
      )}
      <td>
        {lack === KEEP && (
          <button type="button" className="plain" onClick={() => onChange(line.line, { isSettled: true })}>
            Keep<span className="visually-hidden"> line {line.line} as it stands</span>
          </button>
        )}
        <Fate line={line} onChange={onChange} isOrder={isOrder} />
        {lack && lack !== KEEP && <span className="late">{lack}</span>}
      </td>
    </tr>
  );
});
