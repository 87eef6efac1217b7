import { readAmount, readNumber, type DecimalMark } from '../numbers/read-number';

/** The decimal mark of a file, by its prices: a comma with one or two figures after it says so. */
export function decimalMarkOf(prices: readonly string[]): DecimalMark {
  const withComma = prices.filter((p) => /\d,\d{1,2}\D*$/.test(p)).length;
  const withPoint = prices.filter((p) => /\d\.\d{1,2}\D*$/.test(p)).length;
  return withComma > withPoint ? ',' : '.';
}

/** A whole number of things, 1 to 100 000; null for anything else, negative counts among them. */
export function readCount(text: string): number | null {
  const value = readNumber(text);
  return value !== null && Number.isInteger(value) && value > 0 && value <= 100_000 ? value : null;
}

/** A count that may carry what is counted: "10 st", "x25", "5 bunches". */
export function readCountOf(text: string): number | null {
  return readCount(
    text
      .trim()
      .replace(/^x\s*/i, '')
      .replace(
        /\s*(x|st|stk|stck|pcs?|stems?|stelen|st(ü|u)ck|tiges?|bunch(es)?|bd|bund|bos|bottes?)\.?$/i,
        '',
      ),
  );
}

/** Length in centimetres: "60", "60 cm", "600 mm", '24"'; null for a grade such as "L". */
export function readLengthCm(text: string): number | null {
  const match = /^(\d+(?:[.,]\d+)?)(?:\s*[-–/]\s*\d+)?\s*(cm|mm|m|in|inch|")?\.?$/i.exec(text.trim());
  if (!match) return null;
  const value = readNumber(match[1] ?? '');
  if (value === null) return null;
  const unit = (match[2] ?? 'cm').toLowerCase();
  const cm = { cm: 1, mm: 0.1, m: 100 }[unit] ?? 2.54;
  const length = Math.round(value * cm * 10) / 10;
  return length >= 1 && length <= 300 ? length : null;
}

/** Weight in grams: "850 g", "1,25 kg", "600"; null when it is none. */
export function readWeightG(text: string, mark: DecimalMark, unitOfColumn: 'g' | 'kg' = 'g'): number | null {
  const match = /^(.*?)\s*(kg|g|gr|gram|grams|kilo)?\.?$/i.exec(text.trim());
  const value = readAmount(match?.[1] ?? '', mark);
  if (value === null || value <= 0) return null;
  const unit = match?.[2]?.toLowerCase();
  const isKg = unit === undefined ? unitOfColumn === 'kg' : unit === 'kg' || unit === 'kilo';
  const grams = Math.round(value * (isKg ? 1000 : 1));
  return grams <= 1_000_000 ? grams : null;
}

export type PriceUnit = 'stem' | 'bunch' | 'kg' | 'line';

export interface Price {
  readonly amount: number;
  readonly unit: PriceUnit | null;
  readonly currency: string | null;
}

const CURRENCY_SIGNS: Readonly<Record<string, string>> = { '€': 'EUR', '£': 'GBP', $: 'USD' };

/** The unit a price is per, from words beside it or its heading; null when none is said. */
export function priceUnitIn(text: string): PriceUnit | null {
  if (/(\/|per|pro|je|par)?\s*\b(kg|kilo)\b/i.test(text)) return 'kg';
  if (/\b(bunch|bund|bd|bos|botte)\b/i.test(text)) return 'bunch';
  if (/\b(stem|stems|st|stk|st(ü|u)ck|steel|tige|pc|piece|each)\b/i.test(text)) return 'stem';
  return /\b(line|total|amount|betrag|bedrag|montant)\b/i.test(text) ? 'line' : null;
}

export function currencyIn(text: string): string | null {
  const code = /\b(EUR|GBP|USD|CHF|SEK|DKK|NOK|PLN)\b/i.exec(text);
  if (code?.[1]) return code[1].toUpperCase();
  for (const [sign, name] of Object.entries(CURRENCY_SIGNS)) if (text.includes(sign)) return name;
  return null;
}

/** A price with what may stand beside it: "0,58", "€ 1.10/st", "14.00 per kg". */
export function readPrice(text: string, mark: DecimalMark): Price | null {
  const figures = /-?\d[\d.,'’ \u00a0]*/.exec(text)?.[0]?.trim() ?? '';
  const amount = readAmount(figures.replace(/[.,]$/, ''), mark);
  if (amount === null || amount < 0 || amount > 100_000) return null;
  return { amount, unit: priceUnitIn(text.replace(figures, ' ')), currency: currencyIn(text) };
}
