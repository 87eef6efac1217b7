/** Writes the files under docs that are made from the code; tells which were not current. */
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { publishedDocs } from '../tests/support/published';

if (process.argv.includes('--help')) {
  process.stdout.write(
    'npm run published\n\nWrites docs/schemas and docs/constants.md from the code, and names those that changed.\n',
  );
  process.exit(0);
}
for (const [file, text] of Object.entries(publishedDocs())) {
  if (existsSync(file) && readFileSync(file, 'utf8') === text) continue;
  mkdirSync(dirname(file), { recursive: true });
  writeFileSync(file, text);
  process.stdout.write(`${file}\n`);
}
