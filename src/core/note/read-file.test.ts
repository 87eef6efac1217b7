import { zipSync, strToU8 } from 'fflate';
import { workbookOf } from '../../../tests/support/workbook';
import { UnreadableNoteError } from './note-help';
import { readNoteFile } from './read-file';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);

test('a workbook is read from the sheet that has a heading, its rows by their own numbers, the other sheets named', async () => {
  const note = await readNoteFile(
    workbookOf({
      Cover: [['Salt Hill Nursery'], ['With our thanks']],
      Note: [
        ['Salt Hill Nursery', null, 'SH-12', new Date('2026-11-24')],
        [],
        ['Article', 'Bunches', 'Stems per bunch', 'Cut', 'Price', 'Weight kg'],
        ['Rose', 6, 25, new Date('2026-11-22'), 0.58, null],
        ['Mimosa', null, null, new Date('2026-11-23'), 14, 1.125],
        ['Tulip', 1200, 10, '22.11.2026', 0.3, null],
      ],
    }),
  );
  expect(note).toMatchObject({ supplier: 'Salt Hill Nursery', deliveryRef: 'SH-12', noteDate: '2026-11-24' });
  expect(note.unreadSheets).toEqual(['Cover']);
  const lines = note.lines.filter((l) => l.status !== 'ignored');
  expect(lines.map((l) => [l.line, l.speciesKey, l.stems, l.cutDate])).toEqual([
    [4, 'rose', 150, '2026-11-22'],
    [5, 'mimosa', 20, '2026-11-23'],
    [6, 'tulip', 12000, '2026-11-22'],
  ]);
  expect(lines[1]).toMatchObject({ weightG: 1125, unitPrice: 14 });
});

test('a table saved as a page under a workbook’s name is read, cells over several columns in their places', async () => {
  const html = `<html xmlns:x="urn:schemas-microsoft-com:office:excel"><head><style>td{color:red}</style></head><body>
<p>Lieferant: Fjord &amp; S&ouml;hne</p><table><tr><td colspan=3>Lieferschein LS-88</td><td>24.11.2026</td></tr>
<tr><th>Artikel<th>Bund<th>Stiele je Bund<th>Preis</tr>
<tr><td>Rosen</td><td>6</td><td>25</td><td>0,58</td></tr><tr><td>L&ouml;wenmaul<td>3<td>10<td>0,90</table></body></html>`;
  const note = await readNoteFile(bytes(html));
  expect(note).toMatchObject({ supplier: 'Fjord & Söhne', deliveryRef: 'LS-88', noteDate: '2026-11-24' });
  expect(note.lines.filter((l) => l.status !== 'ignored').map((l) => [l.speciesKey, l.stems])).toEqual([
    ['rose', 150],
    ['snapdragon', 30],
  ]);
});

test.each([
  ['%PDF-1.7\n…', 'PDF'],
  ['\u0089PNG\r\n', 'picture'],
  ["UNB+UNOA:2+4012345:14+4098765:14+261124:0650+1'UNH+1+DESADV:D:96A:UN'", 'EDI'],
  ['ISA*00*          *00*          *ZZ*SENDER', 'EDI'],
  ['{"lines": [{"product": "rose"}]}', 'JSON'],
  ['<?xml version="1.0"?><order><line/></order>', 'XML'],
  ['Received: from x\nSubject: Your note\n\nHello', 'e-mail'],
  ['\u00d0\u00cf\u0011\u00e0\u00a1\u00b1\u001a\u00e1', 'old make'],
  ['', 'empty'],
])('%j is named for what it is', async (text, words) => {
  const latin = Uint8Array.from(text, (c) => (c.charCodeAt(0) > 255 ? 63 : c.charCodeAt(0)));
  await expect(readNoteFile(latin)).rejects.toThrow(UnreadableNoteError);
  await expect(readNoteFile(latin)).rejects.toThrow(words);
});

test('packed files are told apart, and none that unpacks into too much is unpacked', async () => {
  const packed = (name: string, text = 'x') => zipSync({ [name]: strToU8(text) });
  await expect(readNoteFile(packed('word/document.xml'))).rejects.toThrow('text document');
  await expect(readNoteFile(packed('note.csv'))).rejects.toThrow('Unpack it');
  await expect(readNoteFile(packed('xl/workbook.xml'))).rejects.toThrow('broken');
  const bomb = zipSync({
    'xl/workbook.xml': strToU8('x'),
    'xl/worksheets/sheet1.xml': new Uint8Array(41_000_000),
  });
  expect(bomb.length).toBeLessThan(100_000);
  await expect(readNoteFile(bomb)).rejects.toThrow('unpacks into 41 MB');
});
