import { likelyOrder } from '@/core/dock/compare-order';
import type { DeliveryNote } from '@/core/note/types';
import type { Species } from '@/core/species/species';
import type { useActions } from '@/shell/actions';
import { bytesOf, fetchHelp, readBytes } from '@/shell/note-file';
import { draftOf, type DraftLine } from './draft-lines';
import type { Expected, HalfRead, NamedColumns } from './half-read';

/** A file whose columns nobody has named. */
export interface Unnamed {
  readonly supplier?: string;
  readonly rows: readonly (readonly string[])[];
  readonly bytes: Uint8Array;
  readonly fileName: string;
}
/** What is open: a note, an order to come, or a file's rows. */
export type Open =
  | { readonly kind: 'note'; readonly half: HalfRead; readonly file: Unnamed | null }
  | { readonly kind: 'order'; readonly lines: readonly DraftLine[]; readonly supplier: string }
  | { readonly kind: 'columns'; readonly file: Unnamed };

/** What a note is read beside. */
export interface Reading {
  readonly today: string;
  readonly expected: readonly Expected[];
}

/** What the ways of reading need, and where they end. */
export interface Around extends Reading {
  /** The shop's own species. */
  readonly own: readonly Species[];
  readonly act: ReturnType<typeof useActions>['act'];
  readonly show: (next: Open) => void;
  readonly setProblem: (words: string | null) => void;
}

function showNote(
  { today, expected, show }: Around,
  note: DeliveryNote,
  fileName: string,
  columns: NamedColumns | null,
  file: Unnamed | null,
): void {
  show({
    kind: 'note',
    file,
    half: {
      fileName,
      note: { ...note, lines: note.lines.filter((l) => l.status === 'ignored') },
      lines: draftOf(note, today),
      supplier: note.supplier ?? '',
      deliveryRef: note.deliveryRef ?? '',
      expectedId: likelyOrder(note.supplier ?? '', note.lines, expected)?.id ?? null,
      columns,
    },
  });
}

/** Reads a file that was dropped or chosen. */
export async function take(around: Around, file: File): Promise<void> {
  const { today, own, show, setProblem } = around;
  const bytes = await bytesOf(file);
  if (typeof bytes === 'string') return setProblem(bytes);
  const help = fetchHelp().then((told) => ({ ...told, today }));
  const read = await readBytes(bytes, file.name, help, own);
  if (read.kind === 'refused') return setProblem(read.message);
  if (read.kind === 'columns')
    return show({ kind: 'columns', file: { rows: read.rows, bytes, fileName: file.name } });
  showNote(around, read.note, file.name, null, {
    rows: read.rows,
    bytes,
    fileName: file.name,
    supplier: read.note.supplier ?? '',
  });
}

/** Reads it by the columns somebody named. */
export async function takeNamed(
  around: Around,
  file: Unnamed,
  named: NamedColumns,
  supplier: string,
): Promise<void> {
  const { today, own, setProblem } = around;
  const help = { ...(await fetchHelp()), today, supplier, columns: named.saved };
  const read = await readBytes(file.bytes, file.fileName, help, own);
  if (read.kind === 'read') showNote(around, read.note, file.fileName, named, file);
  else setProblem(read.kind === 'refused' ? read.message : 'Nothing could be read that way.');
}

/** Reads the file once more with nothing settled: what was remembered of its make is forgotten in the shop. */
export async function askAgain(
  around: Around,
  file: Unnamed,
  half: HalfRead,
  supplier: string,
): Promise<string | null> {
  const { today, own, act } = around;
  const { make, meaningBy } = half.note;
  if (meaningBy === 'memory' && supplier !== '') {
    const forgotten = await act('dock/unlearn', { supplier, shape: make.shape }, '');
    if (!forgotten.ok) return forgotten.message;
  }
  const help = { ...(await fetchHelp()), today, isDoubted: true };
  const named = half.columns === null ? {} : { columns: { ...half.columns.saved, meaning: undefined } };
  const read = await readBytes(file.bytes, file.fileName, { ...help, ...named }, own);
  if (read.kind !== 'read') return 'It could not be read again. Nothing was changed.';
  showNote(around, read.note, file.fileName, half.columns, file);
  return null;
}

/** Reads the demo's note of this morning. */
export async function takeDemo(around: Around): Promise<void> {
  const { today, setProblem } = around;
  const response = await fetch('/dock/demo-note').catch(() => null);
  if (!response?.ok)
    return setProblem('The demo’s note could not be fetched. Nothing was booked in; try again.');
  await take(around, new File([await response.blob()], `note-${today}.csv`));
}

/** Reads lines that were typed, as a note or as an order to come. */
export async function takeTyped(around: Around, text: string, as: 'note' | 'order'): Promise<void> {
  const { today, own, show } = around;
  const { readTypedLines } = await import('@/core/note/read-typed');
  const { registryWith } = await import('@/core/species/registry');
  const { gramsPerStem } = await fetchHelp();
  const note = readTypedLines(text, { today, gramsPerStem, species: registryWith(own) });
  if (as === 'order') show({ kind: 'order', lines: draftOf(note, today), supplier: '' });
  else showNote(around, note, 'typed here', null, null);
}
