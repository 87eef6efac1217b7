/** A number to a tenth, halves up: what a drawing or a list shows of it. */
export const tenths = (n: number): number => Math.round(n * 10) / 10;
