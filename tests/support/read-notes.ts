import { readNoteFile } from '@/core/note/read-file';
import type { DeliveryNote, NoteLine } from '@/core/note/types';

/** A line as the trade means it: species, variety, colour, length cm, stems; what is not told is null. */
export type Truth = readonly [
  species: string,
  variety: string | null,
  colour: string | null,
  lengthCm: number | null,
  stems: number | null,
];

export const readText = (text: string): Promise<DeliveryNote> => readNoteFile(new TextEncoder().encode(text));
export const openLines = (note: DeliveryNote): NoteLine[] => note.lines.filter((l) => l.status !== 'ignored');
export const asTruth = (l: NoteLine): Truth => [
  l.speciesKey ?? '?',
  l.variety,
  l.colour,
  l.lengthCm,
  l.stems,
];
export const prices = (note: DeliveryNote): string[] =>
  openLines(note).map((l) => `${l.unitPrice ?? '-'}/${l.priceUnit ?? '-'}`);

/** Holds a note against its head and every line of it that is not set aside. */
export async function expectRead(
  text: string,
  head: readonly [supplier: string | null, ref: string | null, date: string | null],
  lines: readonly Truth[],
): Promise<DeliveryNote> {
  const note = await readText(text);
  expect([note.supplier, note.deliveryRef, note.noteDate]).toEqual(head);
  expect(openLines(note).map(asTruth)).toEqual(lines);
  return note;
}
