import path from 'node:path';
import { Font } from '@react-pdf/renderer';

const file = (pkg: string, name: string): string =>
  path.join(process.cwd(), 'node_modules', '@fontsource', pkg, 'files', name);

Font.register({
  family: 'Body',
  fonts: [
    { src: file('atkinson-hyperlegible-next', 'atkinson-hyperlegible-next-latin-400-normal.woff') },
    {
      src: file('atkinson-hyperlegible-next', 'atkinson-hyperlegible-next-latin-700-normal.woff'),
      fontWeight: 700,
    },
  ],
});
Font.register({
  family: 'Heading',
  src: file('fraunces', 'fraunces-latin-600-normal.woff'),
  fontWeight: 600,
});
Font.registerHyphenationCallback((word) => [word]);

/** Ink of everything that is printed. */
export const PDF_INK = '#1c2b33';
export const PDF_SOFT = '#465760';
