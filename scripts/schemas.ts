/** Writes the JSON Schemas of the core's inputs to docs/schemas, or with --check says whether they are current. */
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { jsonSchemas } from '../tests/support/json-schemas';

const folder = join(process.cwd(), 'docs/schemas');
if (process.argv.includes('--help')) {
  process.stdout.write(
    'npm run schemas [-- --check]\n\nWrites docs/schemas from the schemas the core checks its input with.\n',
  );
  process.exit(0);
}
mkdirSync(folder, { recursive: true });
const stale = Object.entries(jsonSchemas()).filter(([name, text]) => {
  const file = join(folder, `${name}.json`);
  if (existsSync(file) && readFileSync(file, 'utf8') === text) return false;
  if (!process.argv.includes('--check')) writeFileSync(file, text);
  return true;
});
process.stdout.write(stale.map(([name]) => `${name}.json\n`).join(''));
if (stale.length > 0 && process.argv.includes('--check')) process.exit(1);
