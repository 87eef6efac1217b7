import { readdirSync, readFileSync } from 'node:fs';
import { basename, join } from 'node:path';

/** What the kit draws is not written again: so many lines are for what is ours alone. */
const MOST_LINES = 900;

const read = (path: string): string => readFileSync(path, 'utf8');
const files = readdirSync('src', { recursive: true, encoding: 'utf8' }).map((path) => join('src', path));
const sheets = files
  .filter((path) => path.endsWith('.module.css'))
  .map((path) => ({ path, css: read(path) }));
const code = files.filter((path) => /\.tsx?$/.test(path)).map(read);
const classesOf = (css: string): string[] => [
  ...new Set(
    [...css.replace(/\/\*.*?\*\//gs, '').matchAll(/(?<!global\()\.([a-z][\w-]*)/gi)].map((m) => m[1] ?? ''),
  ),
];

describe('styles of our own', () => {
  it('are few', () => {
    const lines = sheets.reduce((n, { css }) => n + css.split('\n').length - 1, 0);
    expect(lines).toBeLessThanOrEqual(MOST_LINES);
  });

  it.each(sheets)('$path has no class that nobody wears', ({ path, css }) => {
    const wearers = code.filter((text) => text.includes(`/${basename(path)}'`)).join('\n');
    expect(classesOf(css).filter((name) => !new RegExp(`\\w\\.${name}\\b`).test(wearers))).toEqual([]);
  });

  it('of the kit come with each part of it that is used', () => {
    const parts = new Set(
      code
        .flatMap((text) => [...text.matchAll(/import \{([^}]*)\} from '@mantine\/core'/g)])
        .flatMap((found) => (found[1] ?? '').split(','))
        .map((name) => name.trim()),
    );
    const brought = new Set(
      [...code.join('\n').matchAll(/@mantine\/core\/styles\/(\w+)\.layer\.css/g)].map((m) => m[1] ?? ''),
    );
    const has = new Set(
      readdirSync('node_modules/@mantine/core/styles').map((file) => basename(file, '.layer.css')),
    );
    expect([...parts].filter((part) => has.has(part) && !brought.has(part))).toEqual([]);
  });

  it('of every page are worn somewhere', () => {
    const words = new Set(code.join('\n').match(/[\w-]+/g));
    expect(classesOf(read('src/app/global.css')).filter((name) => !words.has(name))).toEqual([]);
  });
});
