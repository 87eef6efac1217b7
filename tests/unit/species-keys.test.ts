import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { SPECIES } from '@/core/species/species';

const ROOT = path.resolve(__dirname, '../../src');
/** The made-up world: what grows there is its data. */
const MADE_UP = [/^demo\//, /^core\/simulate\/suppliers\.ts$/];

const sources = readdirSync(ROOT, { recursive: true, encoding: 'utf8' }).filter(
  (file) => /\.tsx?$/.test(file) && !/\.test\.tsx?$/.test(file) && !MADE_UP.some((m) => m.test(file)),
);

test('no rule asks which species it is: it asks for traits and figures of the row', () => {
  const keys = SPECIES.map((s) => s.key);
  const named = new RegExp(`(['"\`])(${keys.join('|')})(-?)\\1`);
  const asksTheKey = /\b(key|speciesKey)\.(startsWith|endsWith|includes|split)\(/;
  const found = sources.flatMap((file) =>
    readFileSync(path.join(ROOT, file), 'utf8')
      .split('\n')
      .flatMap((line, at) =>
        named.test(line) || asksTheKey.test(line) ? [`${file}:${at + 1} ${line.trim()}`] : [],
      ),
  );
  expect(found).toEqual([]);
});
