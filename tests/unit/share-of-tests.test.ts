import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

const ROOT = path.resolve(__dirname, '../..');
const CODE = /\.(ts|tsx|mjs|css|c)$/;
const TEST = /(^tests\/|\.test\.tsx?$)/;

const files = ['src', 'scripts', 'tests'].flatMap((folder) =>
  readdirSync(path.join(ROOT, folder), { recursive: true, encoding: 'utf8' })
    .filter((file) => CODE.test(file))
    .map((file) => `${folder}/${file}`),
);
const linesOf = (of: readonly string[]): number =>
  of.reduce((n, file) => n + readFileSync(path.join(ROOT, file), 'utf8').split('\n').length, 0);

/** What has been reached: it only ever rises. A quarter is what is wanted. */
const LEAST_SHARE = 0.21;

test('tests keep their share of the lines', () => {
  const share = linesOf(files.filter((file) => TEST.test(file))) / linesOf(files);
  expect(share).toBeGreaterThanOrEqual(LEAST_SHARE);
});
