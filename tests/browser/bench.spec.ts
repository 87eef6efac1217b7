import { expect, type Browser, type Locator, type Page } from '@playwright/test';
import {
  bookNote,
  expectNothingSerious,
  openPersonPanel,
  sayYes,
  signInAs,
  takeInHand,
  test,
} from '../support/shop-floor';

const next = (page: Page): Locator => page.getByRole('complementary', { name: 'Next' });
const cardOf = (page: Page, name: RegExp): Locator => page.getByRole('article', { name });

async function tablet(browser: Browser, name: string): Promise<Page> {
  const page = await (await browser.newContext()).newPage();
  await signInAs(page, name);
  return page;
}

/** Taps a card's suggested words one after another. */
async function tapThrough(card: Locator, words: readonly (string | RegExp)[]): Promise<void> {
  for (const one of words) {
    await card.getByRole('button', { name: one }).first().click();
    // What is ended before its time is asked about.
    if (one === EARLY) await sayYes(card.page());
  }
}
const EARLY = 'It has had its time';
const POURED = /Standing .*, pail \d+/;

test('a morning with three clocks at once, on two tablets, through a reload', async ({ browser }) => {
  const page = await tablet(browser, 'Wen');
  await bookNote(page, 'BENCH-1', [
    'Daffodil,Quay light,2,10',
    'Bird of paradise,Crane,1,10',
    'Gerbera,Buoy,2,10',
  ]);
  await takeInHand(page, /Daffodil.*‘Quay light’/);
  await tapThrough(cardOf(page, /^Daffodil, single, lot/), ['Unpacked', /Standing alone, pail/]);
  await takeInHand(page, /Bird of paradise ‘Crane’/);
  await tapThrough(cardOf(page, /^Bird of paradise, lot/), ['Unpacked', 'Cut', 'Under water']);
  await takeInHand(page, /Gerbera ‘Buoy’/);
  await tapThrough(cardOf(page, /^Gerbera, lot/), ['Unpacked', 'Cut', 'Hung', POURED]);
  const running = [
    /‘Quay light’.*\n?.*soaking alone/s,
    /‘Crane’.*under warm water, drinking/s,
    /‘Buoy’.*drinking/s,
  ];
  for (const words of running) await expect(next(page).getByRole('link', { name: words })).toBeVisible();
  await page.reload();
  for (const words of running) await expect(next(page).getByRole('link', { name: words })).toBeVisible();
  const other = await tablet(browser, 'Bram');
  for (const words of running) await expect(next(other).getByRole('link', { name: words })).toBeVisible();
  await expectNothingSerious(page);
});

test('a dip goes on through a reload, rings when it ends, and can be quiet', async ({ browser }) => {
  const page = await tablet(browser, 'Wen');
  await bookNote(page, 'BENCH-2', ['Hydrangea,Fathom,1,10']);
  await takeInHand(page, /Hydrangea ‘Fathom’/);
  const card = cardOf(page, /^Hydrangea, lot/);
  await tapThrough(card, ['Unpacked', 'Stripped', 'Cut']);
  await expect(card.getByRole('heading', { level: 2 })).toContainText('in hot water');
  await card.getByRole('button', { name: 'not this …' }).click();
  await card.getByRole('radio', { name: 'It was otherwise' }).click();
  await card.getByRole('button', { name: 'Degrees: less' }).click();
  await tapThrough(card, ['In the hot water']);
  await expect(card.getByText('to go')).toBeVisible();
  await page.reload();
  await expect(card.getByText('to go')).toBeVisible();
  const rings = (await openPersonPanel(page)).getByLabel('Rings');
  await expect(rings).toBeChecked();
  await rings.click();
  await expect(rings).not.toBeChecked();
  await page.keyboard.press('Escape');
  const alarm = page.getByRole('alert').filter({ hasText: 'Hydrangea' });
  await expect(alarm).toContainText('in hot water, then out', { timeout: 45_000 });
  await alarm.getByRole('button', { name: 'Seen' }).click();
  await expect(alarm).toBeHidden();
  await tapThrough(card, ['Out of the hot water']);
  await expect(card.getByRole('heading', { level: 2 })).toContainText('alum');
  await page.goto('/desk');
  await expect(page.getByText(/30 s in hot water, heads shielded, 79 °C/)).toBeVisible();
});

const apartOf = (page: Page): Locator => cardOf(page, /^Lisianthus, lot \d+·2$/);

test('a rescue that fails: apart, heat, its own pail, the morning, and the bin', async ({ browser }) => {
  const page = await tablet(browser, 'Wen');
  await bookNote(page, 'BENCH-3', ['Lisianthus,Ebb,2,10']);
  await takeInHand(page, /Lisianthus ‘Ebb’/);
  const card = cardOf(page, /^Lisianthus, lot/);
  await tapThrough(card, ['Unpacked', 'Stripped', 'Cut', POURED, 'It has had its time']);
  await expect(card.getByRole('heading', { level: 2 })).toHaveText('Look back: upright?');
  await expectNothingSerious(page);
  await tapThrough(card, ['Hanging']);
  for (let i = 0; i < 14; i++) await card.getByRole('button', { name: 'One fewer hangs' }).click();
  await tapThrough(card, ['Take these apart']);
  // The same lot still, in two portions: six of it go another way.
  const apart = apartOf(page);
  const link = page.getByRole('link', { name: /Lisianthus ‘Ebb’ lot \d+·2, 6/ });
  // Handed out already, or in the list below: before the plan hands it out, and while its clock runs.
  const inHand = () =>
    expect(async () => {
      if (!(await apart.isVisible())) await link.click({ timeout: 1000 });
      await expect(apart).toBeVisible({ timeout: 5000 });
    }).toPass();
  await inHand();
  await expect(apart.getByRole('heading', { level: 2 })).toContainText('Cut 3 cm, slanted, under water');
  await tapThrough(apart, ['Cut', 'In the hot water']);
  await expect(next(page).getByRole('link', { name: /·2.*in hot water, then out/s })).toBeVisible();
  await inHand();
  await tapThrough(apart, ['Out of the hot water']);
  await sayYes(page);
  await tapThrough(apart, [POURED]);
  await expect(next(page).getByRole('link', { name: /·2.*drinking/s })).toBeVisible();
  await inHand();
  await tapThrough(apart, [EARLY]);
  await inHand();
  await tapThrough(apart, ['Hanging', 'They hang: what now']);
  await expect(apart.getByText(/look in the morning/)).toBeVisible();
  await tapThrough(apart, ['Hanging', 'They hang: what now']);
  await expect(apart.getByRole('heading', { level: 2 })).toHaveText('Bin what still hangs');
  await tapThrough(apart, ['Binned']);
  await expect(page.getByText(/^Your last: .*(Binned 6|bin what still hangs)/)).toBeVisible();
  await page.goto('/desk');
  await expect(
    page
      .getByRole('main')
      .getByText(/^Binned 6 of lot \d+: did not come back/)
      .first(),
  ).toBeVisible();
});

test('two tablets show the same bench, and what one has done the other does not do again', async ({
  browser,
}) => {
  const [wen, bram] = [await tablet(browser, 'Wen'), await tablet(browser, 'Bram')];
  await bookNote(wen, 'BENCH-4', ['Stock,Tide rose,2,10']);
  await takeInHand(wen, /Stock ‘Tide rose’/);
  // A tablet that hears nothing of the others, in a dead corner of the shop: what it shows grows stale.
  const deaf = await bram.context().newPage();
  await deaf.route('**/live?*', (asked) => asked.abort());
  await Promise.all([bram.goto(wen.url()), deaf.goto(wen.url())]);
  for (const page of [bram, deaf])
    await expect(cardOf(page, /^Stock, lot/).getByRole('heading', { level: 2 })).toHaveText(
      'Paper, sleeve and bands off',
    );
  await tapThrough(cardOf(wen, /^Stock, lot/), ['Unpacked']);
  for (const page of [wen, bram])
    await expect(cardOf(page, /^Stock, lot/).getByRole('heading', { level: 2 })).toContainText('Strip');
  await cardOf(deaf, /^Stock, lot/)
    .getByRole('button', { name: 'Unpacked' })
    .click();
  await expect(deaf.getByText('Somebody has done that already')).toBeVisible();
  await wen.goto('/desk');
  await expect(wen.getByText(/Lot \d+, paper, sleeve and bands off\. Done/).first()).toBeVisible();
});

test('the plan stands for all, as a chart and in a table; hands come and go', async ({ browser }) => {
  const page = await tablet(browser, 'Wen');
  await bookNote(page, 'BENCH-5', ['Astilbe,Foam,2,10', 'Carnation,Bell,3,20', 'Rose,Lighter,4,20']);
  await page.goto('/bench');
  await expect(page.getByRole('region', { name: 'The plan' })).toContainText(/Bench clear about \d\d:\d\d/, {
    timeout: 20_000,
  });
  await expectNothingSerious(page);
  await page.getByRole('link', { name: 'the plan as a chart' }).click();
  await expect(page.getByRole('img', { name: /People, kettle and pails/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /Astilbe \d+/ }).first()).toBeVisible();
  await expectNothingSerious(page);
  await page.goto('/bench');
  await page
    .getByRole('group', { name: 'Who is at the bench' })
    .getByRole('button', { name: 'Tove' })
    .click();
  await expect(page.getByRole('article').getByText('Tove', { exact: true })).toBeVisible();
  await page
    .getByRole('group', { name: 'Who is at the bench' })
    .getByRole('button', { name: 'Tove' })
    .click();
  await expect(page.getByRole('article').getByText('Tove', { exact: true })).toBeHidden();
  await page.goto('/bench/knife');
  await expect(page.getByRole('img', { name: /knife held still/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /Tove/ })).toContainText('not yet');
  await expectNothingSerious(page);
});
