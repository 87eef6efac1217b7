import path from 'node:path';
import { Font } from '@react-pdf/renderer';

const file = (pkg: string, name: string): string =>
  path.join(process.cwd(), 'node_modules', '@fontsource', pkg, 'files', name);

/** A face's letters of western languages, and those beyond (Polish, Czech), as two families in turn. */
for (const [suffix, letters] of [
  ['', 'latin'],
  [' beyond', 'latin-ext'],
] as const) {
  const body = (weight: number): string =>
    file('atkinson-hyperlegible-next', `atkinson-hyperlegible-next-${letters}-${weight}-normal.woff`);
  Font.register({
    family: `Body${suffix}`,
    fonts: [{ src: body(400) }, { src: body(700), fontWeight: 700 }],
  });
  Font.register({
    family: `Heading${suffix}`,
    src: file('fraunces', `fraunces-${letters}-600-normal.woff`),
    fontWeight: 600,
  });
}
Font.registerHyphenationCallback((word) => [word]);

/** Ink of everything that is printed. */
export const PDF_INK = '#1c2b33';
export const PDF_SOFT = '#465760';

/** What is read, and what stands over it; a letter that the first has not is the next one's. */
export const PDF_BODY = ['Body', 'Body beyond'];
export const PDF_HEADING = ['Heading', 'Heading beyond'];
