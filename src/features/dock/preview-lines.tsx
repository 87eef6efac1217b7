'use client';
import { Button, Table, VisuallyHidden } from '@mantine/core';
import { startTransition, useEffect, useState } from 'react';
import { waitsForAnswer } from '@/core/note/answer';
import type { LineAgainstOrder } from '@/core/dock/compare-order';
import type { DeliveryNote } from '@/core/note/types';
import { useInPieces } from '@/shell/in-pieces';
import css from './dock.module.css';
import type { DraftLine } from './draft-lines';
import { NoteLineRow } from './note-line';

const SHOWN_AT_A_TIME = 50;
/** As many as a screen holds: they stand at once, the others follow while they are looked at. */
const SHOWN_AT_ONCE = 12;
/** Each is a dozen fields: so many a turn of what has to be drawn, and no tap waits for more. */
const A_TURN = 2;
const NONE: DeliveryNote['readColumns'] = {};

/** The lines as understood, in a table; of a long one what somebody must settle, and so many more at a time. */
export function PreviewLines({
  lines,
  onChange,
  headings = NONE,
  onForgetName,
  against,
  isOrder = false,
}: {
  lines: readonly DraftLine[];
  onChange: (line: number, changes: Partial<DraftLine>) => void;
  /** What each column is called in the file. */
  headings?: DeliveryNote['readColumns'] | undefined;
  onForgetName?: ((line: DraftLine) => void) | undefined;
  against?: ReadonlyMap<number, LineAgainstOrder> | undefined;
  isOrder?: boolean;
}) {
  const [shown, setShown] = useState(SHOWN_AT_ONCE);
  useEffect(() => startTransition(() => setShown(SHOWN_AT_A_TIME)), []);
  // What waits for the note's one answer needs nothing more by itself.
  const isOpen = (l: DraftLine): boolean =>
    l.status === 'needs-decision' && !l.isSettled && !waitsForAnswer(l);
  let room = shown;
  const inSight = lines.filter((l, i) => i < shown || (isOpen(l) && room-- > 0));
  const drawn = useInPieces(inSight, A_TURN, A_TURN);
  const left = lines.length - inSight.length;
  const open = lines.filter(isOpen).length - inSight.filter(isOpen).length;
  return (
    <>
      <div className="scrolls">
        <Table className={css.table} data-order={isOrder || undefined}>
          <thead>
            <tr>
              <th>Line</th>
              <th>Species</th>
              <th>Sold as</th>
              <th>Stems</th>
              {!isOrder && <th>Cut on</th>}
              {!isOrder && <th>In the file</th>}
              <th>
                <VisuallyHidden>Book, let wait or leave out</VisuallyHidden>
              </th>
            </tr>
          </thead>
          <tbody>
            {drawn.map((line) => (
              <NoteLineRow
                key={line.line}
                line={line}
                onChange={onChange}
                headings={headings}
                onForgetName={onForgetName}
                isOrder={isOrder}
                against={against?.get(line.line) ?? null}
              />
            ))}
          </tbody>
        </Table>
      </div>
      {left > 0 && (
        <Button onClick={() => setShown(shown + SHOWN_AT_A_TIME)}>
          Show {Math.min(SHOWN_AT_A_TIME, left)} more of {left} lines
          {open > 0 ? `, ${open} of them to decide` : ' that need nothing'}
        </Button>
      )}
    </>
  );
}
