import { strToU8, zipSync } from 'fflate';

export type SheetCell = string | number | Date | null;

const escaped = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');
const columnName = (i: number): string =>
  i < 26 ? String.fromCharCode(65 + i) : columnName(Math.floor(i / 26) - 1) + columnName(i % 26);
/** Days from Excel's nought, 30 December 1899. */
const serial = (date: Date): number => date.getTime() / 86_400_000 + 25_569;

function cellXml(cell: SheetCell, ref: string): string {
  if (cell === null || cell === '') return '';
  if (cell instanceof Date) return `<c r="${ref}" s="1"><v>${serial(cell)}</v></c>`;
  if (typeof cell === 'number') return `<c r="${ref}"><v>${cell}</v></c>`;
  return `<c r="${ref}" t="inlineStr"><is><t xml:space="preserve">${escaped(cell)}</t></is></c>`;
}

const sheetXml = (rows: readonly (readonly SheetCell[])[]): string =>
  `<?xml version="1.0" encoding="UTF-8"?><worksheet xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><sheetData>${rows
    .map(
      (row, r) =>
        `<row r="${r + 1}">${row.map((c, i) => cellXml(c, `${columnName(i)}${r + 1}`)).join('')}</row>`,
    )
    .join('')}</sheetData></worksheet>`;

const MAIN = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';
const REL = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
const PACKAGE = 'http://schemas.openxmlformats.org/package/2006/relationships';

/** An Excel workbook of these sheets, as its bytes: numbers as numbers, dates as dates. */
export function workbookOf(sheets: Readonly<Record<string, readonly (readonly SheetCell[])[]>>): Uint8Array {
  const names = Object.keys(sheets);
  const files: Record<string, string> = {
    '[Content_Types].xml': `<?xml version="1.0"?><Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="xml" ContentType="application/xml"/><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Override PartName="/xl/workbook.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml"/></Types>`,
    '_rels/.rels': `<?xml version="1.0"?><Relationships xmlns="${PACKAGE}"><Relationship Id="rId1" Type="${REL}/officeDocument" Target="xl/workbook.xml"/></Relationships>`,
    'xl/workbook.xml': `<?xml version="1.0"?><workbook xmlns="${MAIN}" xmlns:r="${REL}"><sheets>${names
      .map((n, i) => `<sheet name="${escaped(n)}" sheetId="${i + 1}" r:id="rId${i + 1}"/>`)
      .join('')}</sheets></workbook>`,
    'xl/_rels/workbook.xml.rels': `<?xml version="1.0"?><Relationships xmlns="${PACKAGE}">${names
      .map(
        (_, i) =>
          `<Relationship Id="rId${i + 1}" Type="${REL}/worksheet" Target="worksheets/sheet${i + 1}.xml"/>`,
      )
      .join('')}<Relationship Id="rIdS" Type="${REL}/styles" Target="styles.xml"/></Relationships>`,
    'xl/styles.xml': `<?xml version="1.0"?><styleSheet xmlns="${MAIN}"><numFmts count="0"/><fonts count="1"><font/></fonts><fills count="1"><fill/></fills><borders count="1"><border/></borders><cellStyleXfs count="1"><xf/></cellStyleXfs><cellXfs count="2"><xf numFmtId="0"/><xf numFmtId="14" applyNumberFormat="1"/></cellXfs></styleSheet>`,
  };
  for (const [i, name] of names.entries())
    files[`xl/worksheets/sheet${i + 1}.xml`] = sheetXml(sheets[name] ?? []);
  return zipSync(Object.fromEntries(Object.entries(files).map(([k, v]) => [k, strToU8(v)])));
}
