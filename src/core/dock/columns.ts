import { plainWords } from './match-species';

/** Names a note may give each thing we read, in plain words of several languages. */
const HEADINGS = {
  deliveryRef: ['delivery ref', 'delivery', 'ref', 'reference', 'note no', 'lieferung', 'bon'],
  supplier: ['supplier', 'grower', 'from', 'lieferant', 'leverancier', 'kweker', 'fournisseur', 'proveedor'],
  number: ['line', 'pos', 'position', 'no', 'nr', 'row', 'regel', 'ligne'],
  product: [
    'product',
    'article',
    'artikel',
    'species',
    'flower',
    'item',
    'description',
    'omschrijving',
    'produkt',
    'produit',
    'producto',
    'bezeichnung',
    'name',
  ],
  variety: [
    'variety',
    'sort',
    'sorte',
    'cultivar',
    'soort',
    'variete',
    'variedad',
    'sort farbe',
    'variety colour',
  ],
  colour: ['colour', 'color', 'farbe', 'kleur', 'couleur'],
  lengthCm: ['length cm', 'length', 'lange', 'lengte', 'longueur', 'largo', 'cm', 'height', 'size'],
  bunches: ['bunches', 'bunch', 'bund', 'bunde', 'bossen', 'bos', 'bottes', 'ramos', 'qty bunches'],
  stemsPerBunch: [
    'stems per bunch',
    'per bunch',
    'stems bunch',
    'stuck bund',
    'stk bund',
    'st bos',
    'stelen per bos',
    'tiges botte',
    'tallos ramo',
    'pack',
  ],
  stems: [
    'stems',
    'stuck',
    'stk',
    'stelen',
    'tiges',
    'tallos',
    'quantity',
    'qty',
    'aantal',
    'menge',
    'pieces',
  ],
  headsMin: ['heads min', 'heads', 'buds', 'knospen', 'knoppen', 'boutons'],
  weightG: ['weight g', 'weight', 'grams', 'gewicht', 'poids', 'peso', 'weight kg', 'gewicht kg', 'kg', 'g'],
  cutDate: [
    'cut date',
    'cut',
    'cut on',
    'harvest',
    'harvested',
    'schnitt',
    'schnittdatum',
    'geoogst',
    'oogst',
    'coupe',
  ],
  origin: ['origin', 'route', 'herkunft', 'herkomst', 'origine'],
  packing: ['packing', 'packed', 'pack type', 'verpackung', 'verpakking', 'emballage'],
  unitPrice: [
    'unit price',
    'price',
    'preis',
    'prijs',
    'prix',
    'precio',
    'einzelpreis',
    'stukprijs',
    'price eur',
  ],
  priceUnit: ['price unit', 'per', 'einheit', 'eenheid', 'unit'],
  currency: ['currency', 'wahrung', 'valuta', 'devise'],
  remark: ['remark', 'remarks', 'note', 'notes', 'comment', 'bemerkung', 'opmerking', 'remarque', 'info'],
} as const;
export type Column = keyof typeof HEADINGS;
const COLUMN_KEYS = Object.keys(HEADINGS) as Column[];

/** Everything a column can hold, in the order a note usually has it. */
export const COLUMNS: readonly Column[] = COLUMN_KEYS;

/** Where a file keeps each thing, by index of its column. */
export type ColumnMap = ReadonlyMap<Column, number>;

export interface Heading {
  /** Index of the heading among the rows. */
  readonly at: number;
  readonly columns: ColumnMap;
  readonly cells: readonly string[];
}

function columnOf(heading: string): Column | null {
  const words = plainWords(heading);
  if (words === '') return null;
  const exact = COLUMN_KEYS.find((c) => (HEADINGS[c] as readonly string[]).includes(words));
  if (exact) return exact;
  // "Preis EUR/St", "Length (cm)": the longest known name that it begins with.
  let best: { column: Column; length: number } | null = null;
  for (const column of COLUMN_KEYS)
    for (const name of HEADINGS[column])
      if (name.length >= 4 && words.startsWith(`${name} `) && name.length > (best?.length ?? 0))
        best = { column, length: name.length };
  return best?.column ?? null;
}

const HEADING_WITHIN = 25;

/** The heading row: one that names a product and some count or weight. Null when no row does. */
export function findHeading(rows: readonly (readonly string[])[]): Heading | null {
  for (let at = 0; at < Math.min(rows.length, HEADING_WITHIN); at++) {
    const cells = rows[at] ?? [];
    const columns = new Map<Column, number>();
    cells.forEach((cell, i) => {
      const column = columnOf(cell);
      if (column && !columns.has(column)) columns.set(column, i);
    });
    const counts = columns.has('bunches') || columns.has('weightG') || columns.has('stems');
    if (columns.has('product') && counts) return { at, columns, cells };
  }
  return null;
}

/** What somebody said of a file's columns, as it is kept for that supplier's next note. */
export interface SavedColumns {
  readonly columns: Readonly<Partial<Record<Column, number>>>;
  /** Whether the first row names the columns, and is no line. */
  readonly hasHeading: boolean;
}

/** What tells a supplier's next note to be of the same make: its headings, or how many columns it has. */
export function shapeOf(cells: readonly string[], hasHeading: boolean): string {
  return hasHeading ? cells.map(plainWords).join('|').slice(0, 400) : `${cells.length} columns`;
}

/** The heading as somebody said it is: a row of the file, or none (-1) where lines begin at once. */
export function headingBy(saved: SavedColumns, rows: readonly (readonly string[])[]): Heading {
  const first = Math.max(
    0,
    rows.findIndex((r) => r.filter((c) => c.trim() !== '').length >= 3),
  );
  const columns = new Map(
    COLUMN_KEYS.flatMap((c): [Column, number][] => {
      const at = saved.columns[c];
      return at === undefined ? [] : [[c, at]];
    }),
  );
  return saved.hasHeading
    ? { at: first, columns, cells: rows[first] ?? [] }
    : { at: first - 1, columns, cells: [] };
}
