import { EVERY_PLACE } from '../support/places';
import { expect, type Page } from '@playwright/test';
import {
  bookNote,
  expectInSight,
  expectNothingSerious,
  signInAs,
  takeInHand,
  test,
} from '../support/shop-floor';

test('keys alone are enough: sign in, go about, log a step, take it back', async ({ page }) => {
  await page.goto('/sign-in');
  await page.getByRole('button', { name: 'Bram' }).focus();
  await page.keyboard.press('Enter');
  // A page that has just come takes the first key only once it is alive; the field then has the focus.
  await expect(page.getByLabel('Four-digit PIN')).toBeFocused();
  await page.keyboard.type('2468');
  await page.keyboard.press('Enter');
  await page.waitForURL('**/bench');
  await bookNote(page, 'KEYS-1', ['Stock,Halyard,2,10']);

  await page.keyboard.press('2');
  await page.waitForURL('**/bench');
  // Its own lot: what others have in hand is not for this test's keys.
  await takeInHand(page, /Stock ‘Halyard’/);
  const card = page.locator('article').first();
  await expect(card.getByText('1 of')).toBeVisible();
  const before = await card.getByRole('heading', { level: 2 }).textContent();
  await page.keyboard.press('.');
  await expect(page.getByText(/^Your last: Lot \d+, .* Done$/)).toBeVisible();
  await expect(page.locator('article').first().getByText('2 of')).toBeVisible();
  await page.keyboard.press('z');
  await expect(page.getByRole('dialog', { name: 'One moment' }).getByText(/^Lot \d+/)).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^Taken back: Lot/)).toBeVisible();
  await expect(page.locator('article').first().getByRole('heading', { level: 2 })).toHaveText(before ?? '');

  await page.keyboard.press('n');
  await expect(page.getByRole('complementary', { name: 'Next' })).toBeFocused();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  for (const [key, path] of [
    ['3', 'pails'],
    ['4', 'rooms'],
    ['5', 'make'],
    ['6', 'send-off'],
    ['7', 'desk'],
    ['1', 'dock'],
  ] as const) {
    await page.keyboard.press(key);
    await page.waitForURL(`**/${path}`);
  }
  await page.getByRole('radio', { name: 'soft' }).focus();
  await page.keyboard.press('Space');
  await expect(page.getByRole('radio', { name: 'soft' })).toBeChecked();
});

/** Nothing runs off the side, and what is to be tapped is in sight before anything is scrolled. */
async function expectInItsPlace(page: Page): Promise<void> {
  expect(
    await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth),
  ).toBe(0);
  const mainAction = page.locator('[data-step-in-hand]').first();
  if (await mainAction.isVisible()) await expectInSight(mainAction);
}

for (const [name, options] of [
  ['in the dark', { colorScheme: 'dark', viewport: { width: 1280, height: 800 } }],
  ['on a phone', { colorScheme: 'light', viewport: { width: 360, height: 760 } }],
] as const)
  test(`every place is sound ${name}, and nothing runs off its side`, async ({ browser }) => {
    // Every place is gone over by axe: on a busy machine that is long.
    test.slow();
    const context = await browser.newContext(options);
    const page = await context.newPage();
    await signInAs(page, 'Tove');
    for (const path of EVERY_PLACE) {
      await page.goto(path);
      await expect(page.getByRole('main')).toBeVisible();
      await expectNothingSerious(page);
      await expect(page.locator('h1')).toHaveCount(1);
      await expectInItsPlace(page);
    }
    await context.close();
  });

for (const [name, options, style] of [
  ['on a wide screen', { viewport: { width: 1920, height: 1080 } }, ''],
  ['in forced colours', { viewport: { width: 1280, height: 800 }, forcedColors: 'active' }, ''],
  [
    'with text twice as large',
    { viewport: { width: 1280, height: 800 } },
    'html { font-size: 200% !important; }',
  ],
] as const)
  test(`nothing runs off its side and the main action is in sight ${name}`, async ({ browser }) => {
    const context = await browser.newContext(options);
    const page = await context.newPage();
    await signInAs(page, 'Tove');
    for (const path of [
      '/dock',
      '/bench',
      '/pails',
      '/make',
      '/send-off',
      '/desk',
      '/dock/claims',
      '/desk/species',
      '/desk/people',
      '/desk/shop',
      '/desk/rooms',
      '/desk/water',
    ]) {
      await page.goto(path);
      await expect(page.getByRole('main')).toBeVisible();
      if (style) await page.addStyleTag({ content: style });
      await expectInItsPlace(page);
    }
    await context.close();
  });

test('a wrong PIN says so, and guessing is locked', async ({ page }) => {
  await page.goto('/sign-in');
  await expectNothingSerious(page);
  await page.getByRole('button', { name: 'Manager, by password' }).click();
  await page.getByLabel('Name').fill('ilse');
  for (let i = 0; i < 5; i++) {
    await page.getByLabel('Password', { exact: true }).fill(`wrong ${i}`);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByLabel('Password', { exact: true })).toHaveValue('');
    await expect(page.getByRole('button', { name: 'Sign in' })).toBeEnabled();
    await expect(page.getByRole('alert').filter({ hasText: 'do not go together' })).toBeVisible();
  }
  await page.getByLabel('Password', { exact: true }).fill('slow water');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText(/Too many wrong tries/)).toBeVisible();
});
