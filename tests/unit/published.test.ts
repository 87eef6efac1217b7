import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { publishedDocs } from '../support/published';

test.each(Object.entries(publishedDocs()))(
  '%s is what the code says (npm run published writes it)',
  (file, text) => {
    expect(readFileSync(join(process.cwd(), file), 'utf8')).toBe(text);
  },
);
