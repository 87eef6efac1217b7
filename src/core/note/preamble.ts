import type { Heading } from './columns';
import { foldedWords } from '../species/folded-words';
import { readDate } from '../calendar/read-date';

/** What a note says of itself above its heading or beside each line. */
export interface NoteHead {
  readonly supplier: string | null;
  readonly deliveryRef: string | null;
  /** What reads as a date, the note's own first. */
  readonly dates: readonly string[];
}

const KIND_OF_PAPER =
  /^(delivery ?note|proforma( \d+)?|(?:dispatch|despatch|advice) note|order|weekly delivery|delivery|leveringsnota|leveringsbon|leverbon|lieferschein|bon de livraison|packing ?list|packliste|pakbon|albaran( de entrega)?|nota de entrega|documento di trasporto|ddt|bolla|wz|dokument wz|dowod dostawy|invoice|rechnung|factuur|facture|factura|fattura|faktura|fatura|guia de remessa|nota de encomenda|foljesedel|folgeseddel|foelgeseddel|pakkseddel|note|page \d+.*|seite \d+.*)$/;
const REFERENCE = /^[A-Z]{1,5}(?:[-/ .]\d+|\d{2,})[A-Z0-9-/]*$/i;
const LABELS: Readonly<Record<'supplier' | 'deliveryRef' | 'noteDate', RegExp>> = {
  supplier:
    /^(supplier|grower|farm|vendor|sender|from|lieferant|absender|gärtnerei|von|leverancier|kweker|afzender|fournisseur|expéditeur|producteur|proveedor|remitente|finca|fornitore|mittente|produttore|dostawca|nadawca|producent|fornecedor|remetente|leverantör|avsändare|leverandør|afsender|avsender)(?!\p{L})/iu,
  deliveryRef:
    /^((dispatch|despatch|advice) note|order( no| nr| number)?|delivery( note)?( ref| no| nr| number)?|packing ?list|packliste|ref(erence)?|our ref|note( no| nr| number)?|lieferschein-?(nummer|nr)|lieferschein|lieferung|belegnummer|beleg|rechnungsnummer|rechnung|bon de livraison|bonnummer|bonnr|bon|pakbonnummer|pakbon|leverbonnummer|leverbon|leveringsbon|bl|proforma|docket|albar[aá]n|nota de entrega|ddt|bolla|documento di trasporto|documento|document|wz|nr wz|dokument|faktura|fattura|factura|facture|factuurnummer|factuur|invoice|fatura|guia( de remessa)?|följesedel|følgeseddel|pakkseddel)(?!\p{L})/iu,
  noteDate:
    /^((ship(ping|ped)?|invoice|order|arrival|dispatch) date|date|datum|fecha|data|delivered|delivery date|lieferdatum|belegdatum|leverdatum|date de livraison|fecha de entrega|data di consegna|data dostawy|data wysyłki|dispatch date|shipped|dato|leveringsdato|leveransdatum|data de entrega)(?!\p{L})/iu,
};

const DATE_WITHIN =
  /\d{4}[-/.]\d{1,2}[-/.]\d{1,2}|\d{1,2}\s*[-/.]\s*\d{1,2}\s*[-/.]\s*(?:\d{4}|\d{2})(?!\d)|\d{1,2}\.?[\s-]+(?:de\s+)?\p{L}{3,12}\.?[\s-]+(?:de\s+)?\d{4}|\p{L}{3,12}\.?\s+\d{1,2},?\s+\d{4}/u;
const NUMBER_WITHIN = /(?:\b(?:nr|no|num|numero|number|n)\b\.?|n[°º]|#)\s*[:.]?\s*((?=[\w/-]*\d)[\w/-]+)/i;

/** The date that stands in some words, as it is written; null where none does. */
function dateIn(text: string): string | null {
  const found = DATE_WITHIN.exec(text)?.[0] ?? null;
  return found !== null && readDate(found, { noteDate: null, dayFirst: true }) === null
    ? readDate(found, { noteDate: null, dayFirst: false }) && found
    : found;
}

/** A paper's number among some words: "Nr. 4471", "LS-4471 vom 24.11."; null where there is none. */
const numberIn = (words: string): string | null =>
  NUMBER_WITHIN.exec(words)?.[1] ??
  words.split(/\s+/).find((w) => REFERENCE.test(w) && dateIn(w) === null) ??
  null;

/** What follows a label in its own cell: words that go on from it are a name, and no value ("Finca Ventosa"). */
function behindLabel(cell: string, label: RegExp): string | null {
  const said = label.exec(cell);
  if (!said) return null;
  const rest = cell.slice(said[0].length);
  return /^\s*[\p{L}‘“"]/u.test(rest) && numberIn(rest) === null ? null : rest;
}

/** A number right behind the name of the paper: "ALBARÁN 2026-0912", "WZ 118/2026"; null where a date or nothing stands there. */
function numberBehind(rest: string): string | null {
  const first = /^\s*[:#]?\s*(\S+)/.exec(rest)?.[1] ?? '';
  return /\d{2}/.test(first) && dateIn(rest.trim().slice(0, 12)) === null ? first : null;
}

/** The number in a cell that begins with the paper's name: "dispatch note GC/4471"; null where it does not. */
function numberOfPaper(cell: string): string | null {
  const rest = behindLabel(cell, LABELS.deliveryRef);
  return rest === null ? null : (numberIn(rest) ?? numberBehind(rest));
}

/** What a name of a business ends in or bears; it is no label of what stands beside it. */
const BUSINESS =
  /\b(ltd|inc|llc|gmbh|kg|bv|b\.v\.?|nv|s\.?a\.?|s\.?l\.?|s\.?r\.?l\.?|sp\.?|aps|ab|lda|co)\.?$|flower|bloom|florist|farm|growers?\b|nurser|gärtner|blumen|bloemen|kweker|fleur|flor(es)?\b|fiori|kwiat|blom|wholesale|import|export|exchange/i;

/** A labelled value: "Supplier: Norrholt" in one cell, or "Supplier" with its value in the next. */
function labelled(rows: readonly (readonly string[])[], label: RegExp): string | null {
  for (const row of rows)
    for (const [i, cell] of row.entries()) {
      const rest = behindLabel(cell.trim(), label);
      if (rest === null) continue;
      const within = /[:=]\s*(.+)$/.exec(cell)?.[1]?.trim();
      const value =
        within ??
        numberIn(rest) ??
        (label === LABELS.deliveryRef ? numberBehind(rest) : null) ??
        row
          .slice(i + 1)
          .find((c) => c.trim() !== '')
          ?.trim();
      if (value) return value;
    }
  return null;
}

const isLabel = (cell: string): boolean =>
  Object.values(LABELS).some((label) => behindLabel(cell, label) !== null);

/** Whom it is for, which is us, and not whom it is from. */
const FOR_US =
  /^(customer|client|cliente|kunde|klant|sold to|ship to|bill to|deliver to|to|odbiorca|destinatario|consignee|kund|lieferadresse|afleveradres)\s*[:.]/i;

/** A name that nobody labelled: words that are no paper, no date, no number and no label. */
const isName = (cell: string): boolean =>
  !FOR_US.test(cell) &&
  /\p{L}{3}/u.test(cell) &&
  dateIn(cell) === null &&
  !KIND_OF_PAPER.test(foldedWords(cell)) &&
  !isLabel(cell) &&
  !REFERENCE.test(cell);

/** Names in a row; what stands before a date or a bare number is a label of it that we do not know, and no name. */
const unlabelledNames = (row: readonly string[]): string[] =>
  row.filter((cell, i) => {
    const next = (row.slice(i + 1).find((c) => c.trim() !== '') ?? '').trim();
    return (
      isName(cell) &&
      (BUSINESS.test(cell) || !(next !== '' && (dateIn(next) === next || /^\d[\d ./-]*$/.test(next))))
    );
  });

/** A number behind a paper's short name, or behind a hash, among other words: "Lieferung vom 24.11., LS 88120", "#A-5521". */
const SHORT_LABEL = /(?:\b(?:LS|BL|WZ|DDT)[ .:-]*|#\s*)((?=[\w/-]*\d{2})[\w/-]+)/;

/** A delivery's number: as it is labelled, else the first cell that looks like one. */
function referenceIn(above: readonly (readonly string[])[], cells: readonly string[]): string | null {
  const labelledOne = labelled(above, LABELS.deliveryRef);
  const isNumber = labelledOne !== null && /\d/.test(labelledOne);
  const reference = isNumber ? (NUMBER_WITHIN.exec(labelledOne)?.[1] ?? labelledOne) : null;
  const found =
    reference ??
    cells.find((c) => REFERENCE.test(c) && dateIn(c) === null) ??
    cells.map((c) => SHORT_LABEL.exec(c)?.[1]).find((n) => n !== undefined) ??
    null;
  // "LS-4471 vom 24.11.2026"
  return found && found.replace(/\s+(vom|of|du|del|van|z|dated)\s.*$/i, '');
}

/** "Delivery from Lamp Row Growers" is from Lamp Row Growers. */
const withoutLead = (name: string | null): string | null =>
  name &&
  name.replace(
    /^(?:delivery|lieferung|levering|livraison|env[ií]o|consegna|dostawa)\s+(?:from|von|van|de|da|od)\s+/i,
    '',
  );

/** A name that the paper's own name follows or leads: "Finca Alta - PACKING LIST". */
function withoutPaper(cell: string): string[] {
  const parts = cell.split(/\s+[-–—|/]\s+/);
  const isOfPaper = (part: string): boolean =>
    KIND_OF_PAPER.test(foldedWords(part)) || dateIn(part) === part || numberOfPaper(part) !== null;
  return parts.length > 1 && parts.some(isOfPaper)
    ? parts.filter((part) => !KIND_OF_PAPER.test(foldedWords(part)))
    : [cell];
}

/** Reads what stands above the heading: who it is from, its number, its day. */
export function readHead(rows: readonly (readonly string[])[], heading: Heading): NoteHead {
  // "Date: 24/11/2026 Supplier: Fjord Blooms" in one cell are two.
  const above = rows
    .slice(0, Math.max(0, heading.at))
    .map((row) =>
      row.flatMap((c) => c.trim().split(/\s+(?=\p{Lu}\p{L}{2,14}\s?:\s)|\s{2,}|\t/u)).flatMap(withoutPaper),
    );
  const cells = above.flat().filter((c) => c !== '');
  const deliveryRef = referenceIn(above, cells);
  const labelledDate = labelled(above, LABELS.noteDate);
  const below = rows.slice(heading.at + heading.rows).find((r) => r.some((c) => c.trim() !== ''));
  const inLines = (column: 'supplier' | 'deliveryRef' | 'noteDate'): string | null =>
    (below?.[heading.columns.get(column) ?? -1] ?? '').trim() || null;
  const supplier =
    inLines('supplier') ??
    labelled(above, LABELS.supplier) ??
    withoutLead(above.flatMap(unlabelledNames).find((c) => c !== deliveryRef) ?? null);
  const dates = [
    inLines('noteDate'),
    labelledDate && (dateIn(labelledDate) ?? labelledDate),
    ...cells.map(dateIn),
  ];
  return {
    supplier,
    deliveryRef: inLines('deliveryRef') ?? deliveryRef,
    dates: dates.filter((d) => d !== null),
  };
}
