'use client';
import { useSpecies } from '@/shell/species';
import { Button, Group, Select, UnstyledButton, VisuallyHidden } from '@mantine/core';
import { memo, useState, type ReactNode } from 'react';
import { waitsForAnswer } from '@/core/note/answer';
import { lineName } from '@/core/note/line-name';
import type { DeliveryNote } from '@/core/note/types';
import type { LineAgainstOrder } from '@/core/dock/compare-order';
import { staysAsBought } from '@/core/species/opening';
import type { Species } from '@/core/species/species';
import { COUNT_COLUMNS, type Column } from '@/core/note/headings';
import css from './dock.module.css';
import { KEEP, lacking, lackingInOrder, type DraftLine } from './draft-lines';
import { CutDateInput, StemsInput } from './line-inputs';

const HOW: Readonly<Record<DraftLine['status'], string>> = {
  understood: 'read',
  guessed: 'guessed',
  'needs-decision': 'to decide',
  ignored: 'set aside',
};

const UNDERLINED = { textDecoration: 'underline', textUnderlineOffset: '4px' } as const;

type Change = (line: number, changes: Partial<DraftLine>) => void;

/** The species as it was read; touched, it can be chosen. A list of sixty is only made for the one in hand. */
export function SpeciesCell({
  line,
  onChange,
  children,
}: {
  line: DraftLine;
  onChange: Change;
  /** What more is known of it. */
  children?: ReactNode;
}) {
  const [isChoosing, setChoosing] = useState(false);
  const { all, find } = useSpecies();
  const name = find(line.speciesKey ?? '')?.name;
  if (!isChoosing && line.speciesKey !== null)
    return (
      <UnstyledButton className="reach" onClick={() => setChoosing(true)}>
        <span>
          <strong style={UNDERLINED}>{name}</strong>
          {children}
          <VisuallyHidden>, change species of line {lineName(line)}</VisuallyHidden>
        </span>
      </UnstyledButton>
    );
  return (
    <>
      <Select
        aria-label={`Species of line ${lineName(line)}`}
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
      {children}
    </>
  );
}

/** Book it, let it wait, or refuse it; what waits or is refused is kept with the delivery. */
function Fate({ line, onChange, isOrder }: { line: DraftLine; onChange: Change; isOrder: boolean }) {
  const hidden = <VisuallyHidden> line {lineName(line)}</VisuallyHidden>;
  if (line.fate !== 'book')
    return (
      <Button variant="quiet" px={2} onClick={() => onChange(line.line, { fate: 'book', isSettled: true })}>
        {line.fate === 'waiting' ? 'waits: put back' : 'put back'}
        {hidden}
      </Button>
    );
  return (
    <Group component="span" gap="sm" wrap="nowrap">
      {!isOrder && (
        <Button variant="quiet" px={2} onClick={() => onChange(line.line, { fate: 'waiting' })}>
          wait{hidden}
        </Button>
      )}
      <Button variant="quiet" px={2} onClick={() => onChange(line.line, { fate: 'refused' })}>
        leave out{hidden}
      </Button>
    </Group>
  );
}

/** Cells that are shown as they stand beside what was read from them, in the order a line is read. */
const SHOWN_CELLS = [
  'product',
  'grade',
  'ordered',
  ...COUNT_COLUMNS,
  'unit',
  'weightG',
  'cutDate',
  'unitPrice',
  'origin',
  'packing',
] as const satisfies readonly Column[];
/** Cells that say what they are by themselves. */
const UNNAMED: readonly Column[] = ['product', 'origin', 'packing'];

/** The cells of the file that a line was read from, but for those that say word for word what stands beside them. */
function Cells({
  line,
  name,
  headings,
}: {
  line: DraftLine;
  /** The species as it is shown. */
  name: string | undefined;
  headings: DeliveryNote['readColumns'];
}) {
  const shown = new Set([name, line.readFrom.cutDate === line.cutDate ? line.cutDate : null]);
  return (
    <td className={`soft ${css.cells}`}>
      {SHOWN_CELLS.map((column) => {
        const cell = line.readFrom[column];
        return (
          cell !== undefined &&
          !shown.has(cell) && (
            <span key={column}>
              {!UNNAMED.includes(column) && headings[column]} <b>{cell}</b>{' '}
            </span>
          )
        );
      })}
    </td>
  );
}

/** How a line is sold: so many bunches of so many, by weight, or loose. */
function asSold({ weightG, bunches, stemsPerBunch, stems }: DraftLine): string {
  if (bunches !== null && (stemsPerBunch !== null || weightG === null))
    return `${bunches} × ${stemsPerBunch ?? '–'}`;
  if (bunches !== null) return `${bunches}, ${weightG} g`;
  if (weightG !== null) return `${weightG} g`;
  return stems === null ? '–' : 'loose';
}

/** The number a line goes by, and how it was read. */
function NumberCell({ line, isOpen, isWaiting }: { line: DraftLine; isOpen: boolean; isWaiting: boolean }) {
  const read = isWaiting ? 'waits' : HOW[line.status];
  return (
    <td>
      {line.supplierLine ?? line.line}
      {line.supplierLine !== null && <small className="soft"> row {line.line} </small>}
      <br />
      <span className={isOpen ? 'late' : 'soft'}>{line.isSettled ? 'settled' : read}</span>
    </td>
  );
}

/** Its variety and colour, and how it stands to the order. */
function WhatItIs({ line, against }: { line: DraftLine; against: LineAgainstOrder | null }) {
  return (
    <>
      {line.variety && <span className="soft"> ‘{line.variety}’ </span>}
      {line.colour && <span className="soft">{line.colour} </span>}
      {against && <span className={against.kind === 'as ordered' ? 'soft' : 'late'}>{against.words}</span>}
    </>
  );
}

/** What its name was taken for last time, and the tap that forgets it. */
function AsLastTime({
  line,
  onForget,
}: {
  line: DraftLine;
  onForget: ((line: DraftLine) => void) | undefined;
}) {
  if (!line.isRemembered || !onForget) return null;
  return (
    <Button variant="quiet" onClick={() => onForget(line)}>
      “{line.product}” as last time: forget it
      <VisuallyHidden> for line {lineName(line)}</VisuallyHidden>
    </Button>
  );
}

/** What only a line of a delivery has: when it was cut, and the cells it was read from. */
function CameAs({
  line,
  onChange,
  name,
  headings,
}: {
  line: DraftLine;
  onChange: Change;
  name: string | undefined;
  headings: DeliveryNote['readColumns'];
}) {
  return (
    <>
      <td>
        <CutDateInput line={line} onChange={(cutDate) => onChange(line.line, { cutDate, isSettled: true })} />
      </td>
      <Cells line={line} name={name} headings={headings} />
    </>
  );
}

function OpensNoFurther({ species }: { species: Species | undefined }) {
  return (
    species !== undefined &&
    staysAsBought(species) && (
      <span className="says">does not go on opening: order the stage that is wanted</span>
    )
  );
}

function Reasons({ of, isOpen }: { of: readonly string[]; isOpen: boolean }) {
  return of.map((r) => (
    <span key={r} className={isOpen ? 'says late' : 'says'}>
      {r}
    </span>
  ));
}

/** What a line lacks, where a tap on *Keep* does not settle it. */
function Lacks({ lack }: { lack: string | null }) {
  return lack !== null && lack !== KEEP && <span className="late">{lack}</span>;
}

function KeepButton({ line, onChange }: { line: DraftLine; onChange: Change }) {
  return (
    <Button onClick={() => onChange(line.line, { isSettled: true })}>
      Keep<VisuallyHidden> line {lineName(line)} as it stands</VisuallyHidden>
    </Button>
  );
}

/** How far a line is from being booked, or ordered. */
function standOf(line: DraftLine, isOrder: boolean) {
  const isOpen = line.status === 'needs-decision' && !line.isSettled;
  return {
    lack: isOrder ? lackingInOrder(line) : lacking(line),
    isOpen,
    isWaiting: isOpen && waitsForAnswer(line),
    isBooked: line.fate === 'book',
  };
}

/** One line of the note: what was understood, what was guessed and why, what needs a decision. */
export const NoteLineRow = memo(function NoteLineRow({
  line,
  onChange,
  headings,
  onForgetName,
  against = null,
  isOrder = false,
}: {
  line: DraftLine;
  onChange: Change;
  /** What each column is called in the file. */
  headings: DeliveryNote['readColumns'];
  /** Forgets what the line's name was taken to mean last time. */
  onForgetName?: ((line: DraftLine) => void) | undefined;
  /** How it stands to what was ordered. */
  against?: LineAgainstOrder | null;
  /** A line of an order has not been cut and has not come. */
  isOrder?: boolean;
}) {
  const species = useSpecies().find(line.speciesKey ?? '');
  const { lack, isOpen, isWaiting, isBooked } = standOf(line, isOrder);
  return (
    <tr className={isBooked ? undefined : css.leftOut} data-lacks={(isBooked && lack !== null) || undefined}>
      <NumberCell line={line} isOpen={isOpen} isWaiting={isWaiting} />
      <td>
        <SpeciesCell line={line} onChange={onChange}>
          <WhatItIs line={line} against={against} />
        </SpeciesCell>
        <AsLastTime line={line} onForget={onForgetName} />
        {isOrder && <OpensNoFurther species={species} />}
        <Reasons of={line.reasons} isOpen={isOpen} />
      </td>
      <td className={css.number}>{asSold(line)}</td>
      <td>
        <StemsInput line={line} onChange={(stems) => onChange(line.line, { stems, isSettled: true })} />
      </td>
      {!isOrder && <CameAs line={line} onChange={onChange} name={species?.name} headings={headings} />}
      <td>
        {lack === KEEP && <KeepButton line={line} onChange={onChange} />}
        <Fate line={line} onChange={onChange} isOrder={isOrder} />
        {!isWaiting && <Lacks lack={lack} />}
      </td>
    </tr>
  );
});
