import { execFileSync } from 'node:child_process';
import path from 'node:path';
import * as v from 'valibot';

// From the checkout’s own folder: tests of both kinds run there.
const READER = path.resolve('tests', 'support', 'read-pdf.mjs');

/** The text of each page of a PDF, read back by another program than wrote it; blanks are one. */
export function pdfPages(file: Buffer): string[] {
  const told = execFileSync(process.execPath, [READER], { input: file, maxBuffer: 20_000_000 }).toString();
  return v.parse(v.array(v.string()), JSON.parse(told)).map((page) => page.replace(/\s+/g, ' '));
}
