import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import english from '@/core/words/en.json';

const ROOT = path.resolve(__dirname, '../../src');
const source = readdirSync(ROOT, { recursive: true, encoding: 'utf8' })
  .filter((file) => /\.tsx?$/.test(file) && !/\.test\.tsx?$/.test(file))
  .map((file) => readFileSync(path.join(ROOT, file), 'utf8'))
  .join('\n');

/** Said by entries that were written before they said more. */
const IN_OLDER_ROWS = ['record.booked-in'];

test('every message is said somewhere: by its whole key, or by what comes before its last part', () => {
  const written = new Set([...source.matchAll(/['`]([a-z]+(?:\.[\w -]+)+)['`]/g)].map((found) => found[1]));
  const begun = new Set([...source.matchAll(/`([a-z]+(?:\.[\w -]+)*\.)\$\{/g)].map((found) => found[1]));
  const unsaid = Object.keys(english).filter(
    (key) => !written.has(key) && !begun.has(key.slice(0, key.lastIndexOf('.') + 1)),
  );
  expect(unsaid).toEqual(IN_OLDER_ROWS);
});
