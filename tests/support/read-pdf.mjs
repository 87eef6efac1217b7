// Reads a PDF from standard input and prints the text of each of its pages, as JSON: a reader of its own, which
// knows nothing of what wrote the file.
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

const chunks = [];
for await (const chunk of process.stdin) chunks.push(chunk);
const data = Uint8Array.from(Buffer.concat(chunks));
const file = await getDocument({ data, verbosity: 0, useSystemFonts: false }).promise;
const pages = [];
for (let n = 1; n <= file.numPages; n++) {
  const { items } = await (await file.getPage(n)).getTextContent();
  pages.push(items.map((item) => item.str + (item.hasEOL ? '\n' : '')).join(' '));
}
console.log(JSON.stringify(pages));
