/** A row of cells with the line of the file it begins on, and how many lines it takes up. */
export interface FileRow {
  readonly line: number;
  readonly lines: number;
  readonly cells: readonly string[];
}

/** Words that stand apart from the next by two spaces or more, with where they begin and end. */
interface Piece {
  readonly text: string;
  readonly from: number;
  readonly to: number;
}

const EIGHT = 8;

function piecesOf(line: string): Piece[] {
  const text = line.replace(/\t/g, ' '.repeat(EIGHT));
  return [...text.matchAll(/\S+(?: \S+)*/g)].map((found) => ({
    text: found[0],
    from: found.index,
    to: found.index + found[0].length,
  }));
}

/** How far two pieces lie from each other, characters; below nought where they stand over one another. */
const apart = (a: Piece, b: Piece): number => Math.max(a.from - b.to, b.from - a.to);

/** Columns are told by a row of so many pieces at least. */
const FEWEST_COLUMNS = 3;

/** The pieces under the headings they stand under; one after the other where there are as many. */
function under(pieces: readonly Piece[], columns: readonly Piece[]): string[] {
  const cells = Array.from(columns, () => '');
  if (pieces.length === columns.length) return pieces.map((p) => p.text);
  let next = 0;
  for (const piece of pieces) {
    let at = next;
    for (let i = next + 1; i < columns.length; i++)
      if (apart(piece, columns[i] as Piece) < apart(piece, columns[at] as Piece)) at = i;
    cells[at] = cells[at] ? `${cells[at]} ${piece.text}` : piece.text;
    next = Math.min(at + (at < columns.length - 1 ? 1 : 0), columns.length - 1);
  }
  return cells;
}

/**
 * Rows of a text whose columns are kept apart by spaces, as a printer sets them: the row with the most
 * pieces names the columns, and what stands below goes under them. Null where no row has three.
 */
export function byWidth(lines: readonly string[]): FileRow[] | null {
  const rows = lines.map(piecesOf);
  const most = Math.max(0, ...rows.map((r) => r.length));
  if (most < FEWEST_COLUMNS) return null;
  const at = rows.findIndex((r) => r.length === most);
  const columns = rows[at] ?? [];
  return rows.map((pieces, i) => ({
    line: i + 1,
    lines: 1,
    cells: i <= at ? pieces.map((p) => p.text) : under(pieces, columns),
  }));
}
