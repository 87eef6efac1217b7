import type { LineCounts } from './line-counts';
import { isBlank, type LineReading } from './line-reading';
import { currencyIn, priceUnitIn, readPrice, smallUnitIn, type Price, type PriceUnit } from './read-cells';

/** Less than this is no price of a stem; a price so low is not of the bunch. Estimate, in any currency notes bear. */
const CHEAPEST_STEM = 0.04;

/** A price beside a unit of measure is per that unit, unless its stems would then cost next to nothing. */
function perUnitBeside(reading: LineReading, amount: number, stemsPerBunch: number | null): PriceUnit | null {
  const unit = priceUnitIn(reading.cell('unit'));
  if (!reading.context.heading.columns.has('quantity')) return unit;
  return unit === 'bunch' && amount / (stemsPerBunch ?? 1) < CHEAPEST_STEM ? null : unit;
}

/** What a price is per: said beside it, in its column's heading or its own, told by the line's sum, else what is usual. */
function perOf(reading: LineReading, price: Price, counts: LineCounts): PriceUnit {
  const beside = [
    price.unit,
    priceUnitIn(reading.cell('priceUnit')),
    priceUnitIn(reading.headingOf('unitPrice')),
    counts.pricedPer,
    perUnitBeside(reading, price.amount, counts.stemsPerBunch),
  ];
  return beside.find((unit) => unit !== null) ?? (counts.weightG === null ? 'stem' : 'kg');
}

const DOZEN = 12;
const GRAMS_A_KG = 1000;
/** The finest part of its currency a price of one stem is kept to. */
const FINEST = 10_000;

/** A price with what it is per; of a dozen it is made one of a stem, of a gram one of a kilogram. */
function perStemOf(reading: LineReading, price: Price, counts: LineCounts) {
  const said = [reading.cell('unitPrice'), reading.cell('priceUnit'), reading.headingOf('unitPrice')];
  const perPiece = said.map(smallUnitIn).find((unit) => unit !== null);
  const beside = said.every((text) => priceUnitIn(text) === null) ? smallUnitIn(reading.cell('unit')) : null;
  const unit = perPiece ?? beside;
  if (unit === 'dozen')
    return { unitPrice: Math.round((price.amount / DOZEN) * FINEST) / FINEST, priceUnit: 'stem' as const };
  if (unit === 'g' && price.amount < 1)
    return { unitPrice: price.amount * GRAMS_A_KG, priceUnit: 'kg' as const };
  return { unitPrice: price.amount, priceUnit: perOf(reading, price, counts) };
}

/** A line's price, what it is per and in which currency; one that cannot be read is kept as it is written. */
export function readPriceOf(reading: LineReading, counts: LineCounts) {
  const text = reading.cell('unitPrice');
  const price = isBlank(text) ? null : readPrice(text, reading.mark('unitPrice'));
  const currency = reading.cell('currency') || null;
  if (!price) {
    if (!isBlank(text)) reading.guesses.push(`price “${text}” is kept as it is written`);
    return { unitPrice: null, priceUnit: null, currency, priceAsWritten: isBlank(text) ? null : text };
  }
  return {
    ...perStemOf(reading, price, counts),
    currency: currency ?? price.currency ?? currencyIn(reading.headingOf('unitPrice')),
    priceAsWritten: null,
  };
}
