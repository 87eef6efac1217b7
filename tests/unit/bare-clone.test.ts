import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

const SCRIPTS = path.resolve(__dirname, '../../scripts');
/** What our own commands begin once packages are there. */
const BEGUN_BY_OTHERS = ['serve.mjs'];

const importsOf = (file: string): string[] =>
  [
    ...readFileSync(file, 'utf8').matchAll(
      /^(?:import|export)\b[^'"]*?from\s+'([^']+)'|^import\s+'([^']+)'/gm,
    ),
  ].map((found) => found[1] ?? found[2] ?? '');

/** Packages that a program needs before its first line runs, each with the file that asks for it. */
function packagesFirst(file: string, seen = new Set<string>()): string[] {
  if (seen.has(file)) return [];
  seen.add(file);
  return importsOf(file).flatMap((from) => {
    if (from.startsWith('node:')) return [];
    if (from.startsWith('.')) return packagesFirst(path.resolve(path.dirname(file), from), seen);
    return [`${from} in ${path.relative(SCRIPTS, file)}`];
  });
}

test.each(readdirSync(SCRIPTS).filter((name) => name.endsWith('.mjs') && !BEGUN_BY_OTHERS.includes(name)))(
  '%s runs in a clone where nothing is installed yet: it asks for packages once they are there',
  (name) => {
    expect(packagesFirst(path.join(SCRIPTS, name))).toEqual([]);
  },
);
