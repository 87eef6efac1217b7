const written = new Map<string, Intl.NumberFormat>();

/** A number as somebody of that locale writes it, to hundredths, its thousands not set apart. */
export function writtenNumber(n: number, locale: string): string {
  // Making the form anew each time costs more than the rest of a sentence.
  const known =
    written.get(locale) ?? new Intl.NumberFormat(locale, { useGrouping: false, maximumFractionDigits: 2 });
  written.set(locale, known);
  return known.format(n);
}
