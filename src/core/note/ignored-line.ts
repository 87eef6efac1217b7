import type { NoteLine } from './types';

/** A line with nothing read off it yet, left aside for a reason. */
export function ignoredLine(line: number, text: string, reason: string): NoteLine {
  return {
    line,
    supplierLine: null,
    status: 'ignored',
    reasons: [reason],
    decisions: 0,
    guesses: 0,
    product: text,
    speciesKey: null,
    isRemembered: false,
    variety: null,
    colour: null,
    bunches: null,
    stemsPerBunch: null,
    stems: null,
    weightG: null,
    headsMin: null,
    lengthCm: null,
    cutDate: null,
    origin: null,
    packing: null,
    unitPrice: null,
    priceUnit: null,
    currency: null,
    priceAsWritten: null,
    ordered: null,
    duplicateOf: null,
    remark: null,
    readFrom: {},
  };
}
