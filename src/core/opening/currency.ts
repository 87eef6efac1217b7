import * as v from 'valibot';

/** Until a shop says otherwise. */
export const USUAL_CURRENCY = 'EUR';

/** Every currency that is known by a code, ISO 4217. */
export const currencies = (): readonly string[] => Intl.supportedValuesOf('currency');

/** A currency by its three letters. */
export const currencySchema = v.pipe(
  v.string(),
  v.check((code) => currencies().includes(code), 'No money is known by those letters.'),
);

/** A sum as it is told beside others: two decimals and its code, kept on one line. */
export const moneyWords = (sum: number, currency: string): string => `${sum.toFixed(2)}\u00a0${currency}`;
