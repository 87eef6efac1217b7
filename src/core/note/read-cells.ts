import { readByHabit } from '../numbers/number-habit';
import { readNumber, type DecimalMark } from '../numbers/read-number';
import { unitOf } from './units';

/** Length in centimetres: "60", "60 cm", "600 mm", '24"'; null for a grade such as "L". */
export function readLengthCm(text: string): number | null {
  const match =
    /^(?:[a-zø]{1,3}\.?\s*)?(\d+(?:[.,]\d+)?)(?:\s*[-–/]\s*\d+)?\s*(cms?|mm|m|in|inch|")?\.?\+?$/i.exec(
      text.trim(),
    );
  if (!match) return null;
  const value = readNumber(match[1] ?? '');
  if (value === null) return null;
  const unit = (match[2] ?? 'cm').toLowerCase();
  const cm = { cm: 1, cms: 1, mm: 0.1, m: 100 }[unit] ?? 2.54;
  const length = Math.round(value * cm * 10) / 10;
  return length >= 1 && length <= 300 ? length : null;
}

export type PriceUnit = 'stem' | 'bunch' | 'box' | 'kg' | 'line';

export interface Price {
  readonly amount: number;
  readonly unit: PriceUnit | null;
  readonly currency: string | null;
}

const CURRENCY_SIGNS: Readonly<Record<string, string>> = { '€': 'EUR', '£': 'GBP', $: 'USD', zł: 'PLN' };
const PRICED_BY_LINE = /\b(line|total|amount|betrag|bedrag|montant|importe|importo|kwota)\b/i;
const PER_PIECE =
  /\b(st|stk|stck|st(ü|ue|u)ck|stuks?|pcs?|pce|piece|pi(è|e)ce|each|ea|szt|sztuk\p{L}*|pz|pezzo|pieza)\b/iu;

/** The unit a price is per, from words beside it or its heading; null when none is said. */
export function priceUnitIn(text: string): PriceUnit | null {
  if (!/\p{L}/u.test(text)) return null;
  const units = text.split(/[^\p{L}]+/u).map((word) => unitOf(word));
  const unit = units.findLast((u) => u !== null && u !== 'g' && u !== 'dozen') ?? null;
  if (unit === 'kg' || unit === 'stem' || unit === 'box' || unit === 'bunch') return unit;
  if (unit === 'pack') return 'bunch';
  return PRICED_BY_LINE.test(text) ? 'line' : null;
}

/** A dozen or a gram that a price is per, where words say so: neither is a unit prices are kept in. */
export function smallUnitIn(text: string): 'dozen' | 'g' | null {
  if (!/\p{L}/u.test(text)) return null;
  const unit = text
    .split(/[^\p{L}]+/u)
    .map((word) => unitOf(word))
    .findLast((u) => u !== null);
  return unit === 'dozen' || unit === 'g' ? unit : null;
}

/** Whether words name a piece, which may be a stem or whatever is sold as one. */
export const isPerPiece = (text: string): boolean => PER_PIECE.test(text);

export function currencyIn(text: string): string | null {
  const code = /\b(EUR|GBP|USD|CHF|SEK|DKK|NOK|PLN)\b/i.exec(text);
  if (code?.[1]) return code[1].toUpperCase();
  for (const [sign, name] of Object.entries(CURRENCY_SIGNS)) if (text.includes(sign)) return name;
  return null;
}

const DEAREST = 100_000;

/** A price with what may stand beside it: "0,58", "€ 1.10/st", "14.00 per kg"; null where it cannot be told. */
export function readPrice(text: string, mark: DecimalMark | null): Price | null {
  const figures = /-?\d[\d.,'’ \u00a0]*/.exec(text)?.[0]?.trim() ?? '';
  const amount = readByHabit(figures.replace(/[.,]$/, ''), mark);
  if (amount === null || amount < 0 || amount > DEAREST) return null;
  return { amount, unit: priceUnitIn(text.replace(figures, ' ')), currency: currencyIn(text) };
}
