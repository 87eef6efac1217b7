import type { Units } from '../units/measures';

/** Paper that documents are printed on. */
export const DOCUMENT_PAPERS = ['A4', 'Letter'] as const;
export type DocumentPaper = (typeof DOCUMENT_PAPERS)[number];
/** Paper that care cards are printed on: A6, or four by six inches. */
export const CARD_PAPERS = ['A6', '4x6'] as const;
export type CardPaper = (typeof CARD_PAPERS)[number];
/** What each is called on a button. */
export const CARD_PAPER_WORDS: Readonly<Record<CardPaper, string>> = { A6: 'A6', '4x6': '4 × 6 in' };

/** A printer's labels on a roll, one after another. */
export interface LabelRoll {
  readonly widthMm: number;
  readonly heightMm: number;
}
/** What rolls there are, mm. */
export const ROLL_WIDTHS_MM = { least: 25, most: 120 } as const;
export const ROLL_HEIGHTS_MM = { least: 15, most: 160 } as const;

/** What the shop's printers hold. */
export interface Printing {
  readonly documents: DocumentPaper;
  readonly cards: CardPaper;
  /** Null: labels are printed many to a sheet, which is cut or is sticky. */
  readonly labels: LabelRoll | null;
}

/** What printers hold where nobody has said, by where such units are used. */
export const usualPrinting = (units: Units): Printing =>
  units === 'us'
    ? { documents: 'Letter', cards: '4x6', labels: null }
    : { documents: 'A4', cards: 'A6', labels: null };

/** How a label lies on its roll, mm: its code as large as the label lets it be, with the words beside or under it. */
export interface LabelLayout {
  readonly codeMm: number;
  readonly isStacked: boolean;
  /** How much of its words a label that small has room for. */
  readonly lines: number;
}

/** White round what is printed: no printer of labels prints to the very edge. */
const MARGIN_MM = 2;
/** The least a code measures that a reader takes at arm's length. */
const LEAST_CODE_MM = 11;
const MOST_CODE_MM = 30;
/** A line of words that is read at arm's length. */
const LINE_MM = 4.2;
/** The words beside a code need so much, or they stand under it. */
const LEAST_WORDS_MM = 18;

/** Lays a label out on its roll. */
export function labelLayout({ widthMm, heightMm }: LabelRoll): LabelLayout {
  const [width, height] = [widthMm - 2 * MARGIN_MM, heightMm - 2 * MARGIN_MM];
  const isStacked = width - LEAST_CODE_MM < LEAST_WORDS_MM && height > width;
  const room = isStacked ? Math.min(width, height - 2 * LINE_MM) : Math.min(height, width - LEAST_WORDS_MM);
  const codeMm = Math.round(Math.min(MOST_CODE_MM, Math.max(LEAST_CODE_MM, room)));
  const forWords = isStacked ? height - codeMm : height;
  return { codeMm, isStacked, lines: Math.max(1, Math.floor(forWords / LINE_MM)) };
}
