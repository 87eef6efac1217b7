import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

const ROOT = path.resolve(__dirname, '../../src');
const files = readdirSync(ROOT, { recursive: true, encoding: 'utf8' }).filter(
  (file) => /\.tsx?$/.test(file) && !/\.test\.tsx?$/.test(file),
);
const holding = (what: RegExp, but: string): string[] =>
  files.filter((file) => !file.startsWith(but) && what.test(readFileSync(path.join(ROOT, file), 'utf8')));

test('dates, spans of time and typed numbers are made in one place each', () => {
  expect(holding(/new Intl\.DateTimeFormat|\.toLocale(Date|Time)String/, 'core/calendar/')).toEqual([]);
  expect(holding(/(86_400_000|3_600_000|86400000|3600000)\b/, 'core/calendar/')).toEqual([]);
  expect(holding(/replace\(',', '\.'\)/, 'core/numbers/')).toEqual([]);
});
