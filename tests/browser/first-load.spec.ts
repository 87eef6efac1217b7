import { gzipSync } from 'node:zlib';
import { expect, type Page } from '@playwright/test';
import { EVERY_PLACE } from '../support/places';
import { signInAsManager, test } from '../support/shop-floor';

/** An empty page of the same stack: the kit and nothing of a place. */
const EMPTY = '/an-empty-page-of-the-same-stack';
const MOST_TIMES = 1.25;

const sizes = new Map<string, number>();

/** Bytes, packed, of the scripts a page's HTML asks for. */
async function scriptBytes(page: Page, path: string): Promise<number> {
  const answer = await page.request.get(path);
  expect(answer.status(), path).toBe(path === EMPTY ? 404 : 200);
  const html = await answer.text();
  let sum = 0;
  // One that stands twice in a page is fetched once.
  for (const src of new Set([...html.matchAll(/src="([^"]+\.js[^"]*)"/g)].map(([, src = '']) => src))) {
    const bytes = sizes.get(src) ?? gzipSync(await (await page.request.get(src)).body()).length;
    sizes.set(src, bytes);
    sum += bytes;
  }
  return sum;
}

test('no place brings more than a quarter over the scripts of an empty page', async ({ page }) => {
  await signInAsManager(page);
  const empty = await scriptBytes(page, EMPTY);
  expect(empty).toBeGreaterThan(100_000);
  for (const path of EVERY_PLACE)
    expect.soft((await scriptBytes(page, path)) / empty, path).toBeLessThanOrEqual(MOST_TIMES);
});
