import { m, type Message } from '../words/message';
import { amountTold, fillsTo, type FoodDose } from './food';

/** A dose of food as a hand needs it: so many sachets and what to fill to, or an amount with the shop's measure. */
export function foodWords(dose: FoodDose, litres: number): Message {
  const { product: name, sachets, unit, inMeasure: cup } = dose;
  if (sachets) {
    const to = fillsTo(dose, litres);
    return to === null
      ? m('food.sachets', { name, n: sachets.n })
      : m('food.sachets.fill', { name, n: sachets.n, litres: to });
  }
  const amount = amountTold(dose.amount);
  if (cup === null) return m(unit === 'g' ? 'food.grams' : 'food.poured', { name, amount });
  return m(unit === 'g' ? 'food.grams.in-cup' : 'food.poured.in-cup', { name, amount, cup });
}
