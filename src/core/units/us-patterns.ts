import { typedNumber } from '../numbers/read-number';
import { MEASURES, measureNumber, type Measure } from './measures';

/**
 * Catalogues are written in metric units. For whoever reads US units a sentence's measures are turned
 * as it is read: numbers written in it here, those it is told with when they are known.
 */
const TURNED = '__us_';
const NUMBER = String.raw`\{\w+(?:, number)?\}|\d+(?:[.,]\d+)?`;
const MEASURED = new RegExp(
  `(${NUMBER})(?:( to | a | and | y |–)(${NUMBER}))? (°C|cm|mL|L)(?![\\p{L}\\d])`,
  'gu',
);

const BY_UNIT = new Map(
  Object.entries(MEASURES).map(([measure, { metric }]) => [metric, measure as Measure]),
);

function turned(number: string, measure: Measure): string {
  if (!number.startsWith('{')) return measureNumber(measure, typedNumber(number), 'us');
  return `{${/\w+/.exec(number)?.[0] ?? ''}${TURNED}${measure}}`;
}

/** A catalogue's sentence with its measures in US units; a place for a number is one for that number turned. */
export function usPattern(pattern: string): string {
  return pattern.replace(
    MEASURED,
    (whole, low: string, between: string | undefined, high: string | undefined, unit: string) => {
      const measure = BY_UNIT.get(unit);
      if (!measure) return whole;
      const rest = between !== undefined && high !== undefined ? `${between}${turned(high, measure)}` : '';
      return `${turned(low, measure)}${rest} ${MEASURES[measure].us}`;
    },
  );
}

/** What a turned place is told with; null for any other place, and what is no number stands as it is. */
export function usValue(
  place: string,
  values: Readonly<Record<string, string | number>>,
): string | number | null {
  const [name = '', measure] = place.split(TURNED);
  if (measure === undefined) return null;
  const value = values[name] ?? '';
  const number = typeof value === 'number' ? value : typedNumber(value);
  return value === '' || Number.isNaN(number) ? value : measureNumber(measure as Measure, number, 'us');
}

/** The values a sentence in US units is told with: its own, and those of its turned places. */
export function usValues(
  pattern: string,
  values: Readonly<Record<string, string | number>>,
): Record<string, string | number> {
  const places = pattern.match(/\w+__us_\w+/g) ?? [];
  return { ...values, ...Object.fromEntries(places.map((place) => [place, usValue(place, values) ?? ''])) };
}
