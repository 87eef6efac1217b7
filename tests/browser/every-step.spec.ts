import { expect, type Locator, type Page } from '@playwright/test';
import { bookNote, expectInSight, sayYes, signInAs, takeInHand, test } from '../support/shop-floor';

/**
 * Lots whose protocols have, between them, every kind of step that one leads to without a fault in the
 * stems; the first four are worked to their end, the others up to their pail.
 */
const WHOLE = ['Rose', 'Hydrangea', 'Oriental lily', 'Tweedia'];
const TO_THE_PAIL = ['Tulip', 'Amaryllis', 'Bird of paradise', 'Gerbera'];
/** What no sound lot of these is asked to do: what follows a fault, or a house's own way. */
const KINDS = [
  'unpack',
  'rinse',
  'strip',
  'thorns',
  'guard-petals',
  'cut',
  'sap-dab',
  'sap-soak',
  'hot-dip',
  'hydrating-dip',
  'plunge',
  'lift-florets',
  'fill-stem',
  'wrap',
  'grid',
  'condition-upright',
  'drink',
  'look-back',
  'de-pollen',
  'mist',
  'discard',
  'move',
];
const SIZES = [
  { width: 1024, height: 768 },
  { width: 1280, height: 800 },
];

/** Heading, numbers and the main action are in sight as the card comes up, at both sizes. */
async function expectAllInSight(page: Page, card: Locator): Promise<void> {
  for (const size of SIZES) {
    await page.setViewportSize(size);
    await page.evaluate(() => scrollTo(0, 0));
    await expectInSight(card.getByRole('heading', { level: 2 }));
    await expectInSight(card.locator('[data-step-in-hand]'));
    for (const figure of await card.locator('[data-figure]').all()) await expectInSight(figure);
  }
}

test('every kind of step says what, how much and what to tap without scrolling', async ({ page }) => {
  test.slow();
  await signInAs(page, 'Wen');
  const named = [...WHOLE, ...TO_THE_PAIL];
  await bookNote(
    page,
    'EVERY-1',
    named.map((name) => `${name},Every,1,10`),
    // Of the supplier whose order is expected today it would be taken for that.
    'Salt Hill',
  );
  const seen = new Set<string>();
  for (const name of named) {
    await takeInHand(page, new RegExp(`${name} ‘Every’`));
    // Another of its kind may be in hand beside it.
    const card = page
      .getByRole('article', { name: new RegExp(`^${name}.*, lot \\d+$`) })
      .filter({ hasText: '‘Every’' });
    await expect(card).toBeVisible();
    for (let step = 0; step < 14 && (await card.isVisible()); step++) {
      const kind = (await card.getAttribute('data-step')) ?? '';
      const isRunning = await card.getByText('to go').isVisible();
      const heading = await card.getByRole('heading', { level: 2 }).textContent();
      seen.add(kind);
      await expectAllInSight(page, card);
      if (kind === 'drink' && TO_THE_PAIL.includes(name)) break;
      if (kind === 'recut') break;
      await card.locator('[data-step-in-hand]').click();
      if (isRunning) await sayYes(page);
      await expect
        .poll(
          async () =>
            !(await card.isVisible()) ||
            (await card.getByRole('heading', { level: 2 }).textContent()) !== heading ||
            (await card.getByText('to go').isVisible()) !== isRunning,
        )
        .toBe(true);
    }
  }
  expect(KINDS.filter((kind) => !seen.has(kind))).toEqual([]);
});
