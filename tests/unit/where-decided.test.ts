import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';

const ROOT = path.resolve(__dirname, '../..');

test('each file that the architecture names as where a thing is decided is there', () => {
  const text = readFileSync(path.join(ROOT, 'docs/architecture.md'), 'utf8');
  const table = text.slice(text.indexOf('## Where it is decided'), text.indexOf("## The shop's record"));
  const files = [...table.matchAll(/^\| .* \| `([^`]+)` \|$/gm)].map((row) => row[1] ?? '');
  expect(files.length).toBeGreaterThan(12);
  expect(files.filter((file) => !existsSync(path.join(ROOT, file)))).toEqual([]);
});
