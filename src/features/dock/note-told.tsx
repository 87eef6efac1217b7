'use client';
import { Button, Group } from '@mantine/core';
import { useSpecies } from '@/shell/species';
import type { OrderLine } from '@/core/dock/compare-order';
import { ASKED, meaningInWords } from '@/core/note/meaning';
import type { DeliveryNote } from '@/core/note/types';
import { Feedback } from '@/shell/feedback';

/** What does not add up between a note and its lines; null when it does or bears no total. */
function totalsInWords({ statedTotal, computedTotal }: DeliveryNote): string | null {
  if (statedTotal === null || computedTotal === null) return null;
  const apart = Math.abs(statedTotal - computedTotal);
  return apart < 0.01
    ? null
    : `The note says ${statedTotal.toFixed(2)} in all; its lines come to ${computedTotal.toFixed(2)}, repeats and all. That is ${apart.toFixed(2)} apart.`;
}

/** Columns or sheets that nothing was read from, by their names; null where there are none. */
function unreadInWords(names: readonly string[], one: string): string | null {
  if (names.length === 0) return null;
  const named = names.map((n) => `“${n}”`).join(', ');
  return `Nothing is read from the ${one}${names.length === 1 ? '' : 's'} ${named}.`;
}

/** How the counts were settled where the headings leave them open; null where they do not. */
function settledInWords({ meaning, meaningBy }: DeliveryNote): string | null {
  if (meaningBy === null) return null;
  const by = {
    arithmetic: 'as its sums show',
    memory: 'as you said of such a note before',
    said: 'as you say',
  };
  return `Read so: ${meaningInWords(meaning, ASKED)}, ${by[meaningBy]}.`;
}

/** All that is to be told of a note beside its lines, in one place. */
export function NoteTold({
  note,
  isOld,
  missing,
  onOtherwise,
}: {
  note: DeliveryNote;
  /** Some of it was cut weeks ago by the shop's clock. */
  isOld: boolean;
  missing: readonly OrderLine[];
  /** Puts the question again; null where the note's file is not at hand. */
  onOtherwise: (() => void) | null;
}) {
  const { find } = useSpecies();
  const settled = settledInWords(note);
  const ordered = missing.map((l) => `${find(l.speciesKey)?.name ?? l.speciesKey} ${l.stems}`).join(', ');
  const said = [
    isOld
      ? 'Some lines were cut over three weeks ago by the shop’s clock. Check the year on the note.'
      : null,
    unreadInWords(note.unreadColumns, 'column'),
    unreadInWords(note.unreadSheets, 'sheet'),
    totalsInWords(note),
    missing.length > 0 ? `Ordered, and on no line of the note: ${ordered}.` : null,
  ].filter((words) => words !== null);
  if (said.length === 0 && settled === null) return null;
  return (
    <Feedback isNote>
      {said.map((words) => (
        <span key={words}>{words} </span>
      ))}
      {settled && (
        <Group component="span" gap="xs" display="inline-flex">
          {settled}
          {onOtherwise && (
            <Button variant="quiet" onClick={onOtherwise}>
              {note.meaningBy === 'memory' ? 'Forget that, and ask again' : 'Not so: ask again'}
            </Button>
          )}
        </Group>
      )}
    </Feedback>
  );
}

/** Lines of the file that are no flowers, each with its reason: nothing is dropped in silence. */
export function SetAside({ note }: { note: DeliveryNote }) {
  const aside = note.lines.filter((l) => l.status === 'ignored');
  if (aside.length === 0) return null;
  return (
    <details>
      <summary>
        {aside.length} {aside.length === 1 ? 'row' : 'rows'} of the file set aside
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
