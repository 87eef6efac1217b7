import * as v from 'valibot';
import { typedNumber } from '@/core/numbers/read-number';
import { fromTypedMeasure, MEASURES, typedMeasure, type Measure, type Units } from '@/core/units/measures';
import { aNumber } from '@/shell/form';

/** A number as it is typed, within bounds that are said where it is not. */
export const between = (from: number, to: number, unit: string) =>
  v.pipe(
    aNumber,
    v.check((text) => typedNumber(text) >= from && typedNumber(text) <= to, `From ${from} to ${to} ${unit}.`),
  );

/** A measure typed in its reader's units, its bounds in the metric one. */
export const measureBetween = (measure: Measure, from: number, to: number, units: Units) =>
  between(
    Number(typedMeasure(measure, from, units)),
    Number(typedMeasure(measure, to, units)),
    MEASURES[measure][units],
  );

/** What stands in such a field, in the metric unit. */
export const readMeasure = (measure: Measure, text: string, units: Units): number =>
  fromTypedMeasure(measure, typedNumber(text), units);

/** A measure of the shop's own has a name and a content, or neither: what is asked for the field that lacks. */
export function lackOfCup(
  name: string,
  holds: string,
): { readonly of: 'name' | 'holds'; readonly asks: string } | null {
  if ((name === '') === (holds.trim() === '')) return null;
  return name === ''
    ? { of: 'name', asks: 'What is it called?' }
    : { of: 'holds', asks: 'What does it hold? Weigh it once.' };
}
