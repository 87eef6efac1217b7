/** A line as it is called: by the supplier's own number with the file's row beside it, else by the row. */
export const lineName = (line: { readonly line: number; readonly supplierLine: string | null }): string =>
  line.supplierLine === null || line.supplierLine === String(line.line)
    ? String(line.line)
    : `${line.supplierLine} (row ${line.line})`;
