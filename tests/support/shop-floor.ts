import path from 'node:path';
import { AxeBuilder } from '@axe-core/playwright';
import { expect, test as base, type Locator, type Page } from '@playwright/test';

export const CLEAN_NOTE = path.join(import.meta.dirname, '../fixtures/delivery-note-clean.csv');

/** Stops this worker's database or starts it again, as a fault would, or has the shop loaded anew. */
export async function control(what: 'stop' | 'start' | 'fresh'): Promise<void> {
  const each = (process.env.HUSH_PAIL_TEST_CONTROL ?? '').split(',');
  const mine = each[Number(process.env.TEST_PARALLEL_INDEX ?? 0)] ?? '';
  expect((await fetch(`${mine}/${what}`)).ok).toBe(true);
}

/**
 * A test whose file begins in the shop as newly loaded, whichever files were run before it; so does what
 * comes after a test that failed.
 */
export const test = base.extend<{ shop: null }, { lastFile: { name: string | null } }>({
  lastFile: [async ({}, use) => use({ name: null }), { scope: 'worker' }],
  shop: [
    async ({ lastFile }, use, { file }) => {
      if (lastFile.name !== file) await control('fresh');
      lastFile.name = file;
      await use(null);
    },
    { auto: true },
  ],
});

/** Signs a hand in by name and PIN, as on the shared tablet. */
export async function signInAs(page: Page, name: string): Promise<void> {
  await page.goto('/sign-in');
  await page.getByRole('button', { name, exact: true }).click();
  await page.getByLabel('Four-digit PIN').fill('2468');
  await page.getByRole('button', { name: 'To the bench' }).click();
  await page.waitForURL('**/bench');
}

/** Signs the manager in, by name and password. */
export async function signInAsManager(page: Page): Promise<void> {
  await page.goto('/sign-in');
  await page.getByRole('button', { name: /manager/i }).click();
  await page.getByLabel('Name').fill('ilse');
  await page.getByRole('textbox', { name: 'Password' }).fill('slow water');
  await page.keyboard.press('Enter');
  await page.waitForURL(/\/(bench|desk|dock)/);
}

/** Chooses a note at the dock and waits for its preview. */
export async function readNote(
  page: Page,
  file: Parameters<ReturnType<Page['getByLabel']>['setInputFiles']>[0],
): Promise<void> {
  await page.goto('/dock');
  await page.getByLabel('Delivery note, its file').setInputFiles(file);
}

/** A small note of our own, so that a test has lots that no other test touches. */
export function noteOf(
  ref: string,
  lines: readonly string[],
  supplier = 'Norrholt Growers',
): { name: string; mimeType: string; buffer: Buffer } {
  const heading =
    'delivery_ref,supplier,line,product,variety,bunches,stems_per_bunch,cut_date,origin,packing';
  const rows = lines.map((l, i) => `${ref},${supplier},${i + 1},${l},2026-11-22,glasshouse by road,dry box`);
  return { name: `${ref}.csv`, mimeType: 'text/csv', buffer: Buffer.from([heading, ...rows].join('\n')) };
}

export async function bookNote(
  page: Page,
  ref: string,
  lines: readonly string[],
  supplier?: string,
): Promise<void> {
  await readNote(page, noteOf(ref, lines, supplier));
  await page.getByRole('button', { name: /Book in \d+ lots?/ }).click();
  await expect(page.getByRole('region', { name: `Delivery ${ref}` })).toBeVisible();
}

/** Opens the bench with the lot of that name in hand. */
export async function takeInHand(page: Page, name: RegExp): Promise<void> {
  await page.goto('/dock');
  const href = await page.getByRole('link', { name }).first().getAttribute('href');
  await page.goto((href ?? '').replace('/dock', '/bench'));
}

/** Says yes to what the shop asks before it goes on. */
export async function sayYes(page: Page): Promise<void> {
  await page
    .getByRole('dialog', { name: 'One moment' })
    .getByRole('button', { name: /^(Yes|Take)/ })
    .click();
  await expect(page.getByRole('dialog', { name: 'One moment' })).toBeHidden();
}

/** Takes the last thing back, as it is said before. */
export async function takeBack(page: Page): Promise<void> {
  const question = page.getByRole('dialog', { name: 'One moment' });
  await page.keyboard.press('z');
  await expect(question).toBeVisible();
  await sayYes(page);
}

/** Opens what a person sets for themselves: light or dark, rings, keys, language, change hands. */
export async function openPersonPanel(page: Page): Promise<Locator> {
  const panel = page.getByRole('dialog', { name: /^\d\d:\d\d \w+$/ });
  if (!(await panel.isVisible())) await page.getByRole('button', { name: /^\d\d:\d\d \w+$/ }).click();
  await expect(panel).toBeVisible();
  return panel;
}

/** Nothing serious or critical by axe on the page as it stands. */
export async function expectNothingSerious(page: Page): Promise<void> {
  const lookOver = async (): Promise<string[]> => {
    // A page that is still on its way bears no title yet.
    await expect(page).toHaveTitle(/Hush Pail/);
    // From its end, where what keeps to the lower edge stands in its own place and over nothing.
    await page.evaluate(() => scrollTo(0, document.documentElement.scrollHeight));
    const { violations } = await new AxeBuilder({ page })
      .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
      .analyze();
    await page.evaluate(() => scrollTo(0, 0));
    return violations
      .filter((v) => v.impact === 'serious' || v.impact === 'critical')
      .map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(' | ')}`);
  };
  const found = await lookOver();
  // Another tablet's tap had it drawn anew meanwhile: its title is taken off and put on.
  const isBeingDrawn = found.some((one) => one.startsWith('document-title'));
  expect(isBeingDrawn ? await lookOver() : found).toEqual([]);
}

/**
 * All of it is in the window as the page is laid out, and none of it under the edge of a box that scrolls. Its
 * boxes are asked and no observer is: that one waits for a frame to be drawn, which a busy machine may put off for minutes.
 */
export async function expectInSight(of: Locator): Promise<void> {
  const isInSight = () =>
    of.evaluate(
      (element) => {
        const { top, left, bottom, right } = element.getBoundingClientRect();
        const isWithin = (edge: { top: number; left: number; bottom: number; right: number }): boolean =>
          top >= edge.top - 1 &&
          left >= edge.left - 1 &&
          bottom <= edge.bottom + 1 &&
          right <= edge.right + 1;
        if (bottom <= top || !isWithin({ top: 0, left: 0, bottom: innerHeight, right: innerWidth }))
          return false;
        for (let over = element.parentElement; over && over !== document.body; over = over.parentElement)
          if (getComputedStyle(over).overflow !== 'visible' && !isWithin(over.getBoundingClientRect()))
            return false;
        return true;
      },
      undefined,
      { timeout: 5000 },
    );
  await expect.poll(isInSight).toBe(true);
}
