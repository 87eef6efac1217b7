import type { Heading } from './columns';
import { plainWords } from './match-species';
import { isDayFirstIn, readDate } from '../calendar/read-date';

/** What a note says of itself above its heading or beside each line. */
export interface NoteHead {
  readonly supplier: string | null;
  readonly deliveryRef: string | null;
  readonly noteDate: string | null;
}

const KIND_OF_PAPER =
  /^(delivery ?note|leveringsnota|leveringsbon|lieferschein|bon de livraison|packing list|pakbon|albaran|invoice|rechnung|factuur|facture|note|date|datum|no|nr|ref|reference|supplier|lieferant|leverancier)$/;
const REFERENCE = /^[A-Z]{1,5}[-/ ]?\d{2,}[A-Z0-9-/]*$/i;
const LABELS: Readonly<Record<'supplier' | 'deliveryRef' | 'noteDate', RegExp>> = {
  supplier: /^(supplier|grower|from|lieferant|leverancier|fournisseur)\b/i,
  deliveryRef: /^(delivery( ref| no)?|ref(erence)?|note no|lieferschein ?(nr|no)?|bon ?(nr|no)?)\b/i,
  noteDate: /^(date|datum|delivered|lieferdatum|leverdatum)\b/i,
};

/** A labelled value: "Supplier: Norrholt" in one cell, or "Supplier" with its value in the next. */
function labelled(rows: readonly (readonly string[])[], label: RegExp): string | null {
  for (const row of rows)
    for (const [i, cell] of row.entries()) {
      if (!label.test(cell.trim())) continue;
      const within = /[:=]\s*(.+)$/.exec(cell)?.[1]?.trim();
      const value = within ?? row[i + 1]?.trim();
      if (value) return value;
    }
  return null;
}

/** Reads what stands above the heading: who it is from, its number, its day. */
export function readHead(rows: readonly (readonly string[])[], heading: Heading): NoteHead {
  const above = rows.slice(0, Math.max(0, heading.at)).map((row) => row.map((c) => c.trim()));
  const cells = above.flat().filter((c) => c !== '');
  const dayFirst = isDayFirstIn(cells);
  const dateOf = (text: string): string | null => readDate(text, { noteDate: null, dayFirst })?.date ?? null;
  const labelledDate = labelled(above, LABELS.noteDate);
  const noteDate =
    (labelledDate && dateOf(labelledDate)) ?? cells.map(dateOf).find((d) => d !== null) ?? null;
  const deliveryRef =
    labelled(above, LABELS.deliveryRef) ?? cells.find((c) => REFERENCE.test(c) && dateOf(c) === null) ?? null;
  const supplier =
    labelled(above, LABELS.supplier) ??
    cells.find(
      (c) =>
        c !== deliveryRef && dateOf(c) === null && /[a-z]{3}/i.test(c) && !KIND_OF_PAPER.test(plainWords(c)),
    ) ??
    null;
  const first = rows.slice(heading.at + 1).find((r) => r.some((c) => c.trim() !== ''));
  const inLines = (column: 'supplier' | 'deliveryRef'): string | null =>
    (first?.[heading.columns.get(column) ?? -1] ?? '').trim() || null;
  return {
    supplier: inLines('supplier') ?? supplier,
    deliveryRef: inLines('deliveryRef') ?? deliveryRef,
    noteDate,
  };
}
