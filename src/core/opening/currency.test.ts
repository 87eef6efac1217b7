import * as v from 'valibot';
import { currencies, currencySchema, moneyWords, USUAL_CURRENCY } from './currency';

test('money is known by its code in capitals, and by nothing else', () => {
  for (const code of [USUAL_CURRENCY, 'NOK', 'USD', 'JPY']) expect(v.is(currencySchema, code)).toBe(true);
  for (const none of ['', 'eur', 'EURO', '€', 'QQQ', 12]) expect(v.is(currencySchema, none)).toBe(false);
  expect(currencies().length).toBeGreaterThan(100);
});

test('a sum stays on its line', () => {
  expect(moneyWords(1.5, 'NOK')).toBe('1.50\u00a0NOK');
});
