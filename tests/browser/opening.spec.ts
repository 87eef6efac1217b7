import { expect, type Page } from '@playwright/test';
import { bookNote, expectNothingSerious, test } from '../support/shop-floor';

const SHOP = 'The Tidal Vase, Skerrow';
const onTo = (page: Page, what: string) => page.getByRole('button', { name: `On to ${what}` }).click();

test('a shop is opened from nothing, takes its first delivery to its first card, and sees nothing of the demo', async ({
  page,
}) => {
  await page.goto('/sign-in');
  await page.getByRole('link', { name: 'Open my shop' }).click();
  await expect(page.getByRole('heading', { name: 'The shop' })).toBeVisible();
  // What is missing is said where it is missing, and nothing goes on without it.
  await onTo(page, 'who works here');
  await expect(page.getByText('What is it called?')).toBeVisible();
  await page.getByLabel('Its name, as it stands on cards').fill(SHOP);
  await page.getByLabel('Its clock').selectOption('Europe/Oslo');
  await expectNothingSerious(page);
  await onTo(page, 'who works here');
  await page.getByLabel('The manager').fill('Maren');
  await page.getByLabel('Signs in as').fill('maren');
  await page.getByRole('textbox', { name: 'Password' }).fill('short');
  await page.getByRole('textbox', { name: 'Hand 1', exact: true }).fill('Odd');
  await page.getByLabel('PIN of hand 1').fill('1357');
  await onTo(page, 'rooms');
  await expect(page.getByText('At least 12 characters')).toBeVisible();
  await page.getByRole('textbox', { name: 'Password' }).fill('a wet slate step');
  await expectNothingSerious(page);
  await onTo(page, 'rooms');
  await page.getByRole('checkbox', { name: 'Warm shelf' }).check();
  await expectNothingSerious(page);
  await onTo(page, 'what it has');
  await page.getByRole('checkbox', { name: 'Kettle' }).uncheck();
  await expectNothingSerious(page);
  await onTo(page, 'suppliers');
  await page.getByRole('button', { name: 'A supplier' }).click();
  await page.getByRole('textbox', { name: 'Supplier 1', exact: true }).fill('Salt Hill');
  await page.getByLabel('Hours supplier 1 allows for a claim').fill('48');
  await expectNothingSerious(page);
  await onTo(page, 'pails');
  await page.getByRole('checkbox', { name: 'washed, stand clean' }).first().check();
  await expectNothingSerious(page);
  await onTo(page, 'flowers that stand here');
  await expectNothingSerious(page);
  await page.getByLabel('A sheet of what stands here').setInputFiles({
    ...{ name: 'stock.csv', mimeType: 'text/csv' },
    buffer: Buffer.from('Flower,Variety,Stems,Price\nGerbera,Kite,30,0.40\nSea glass,,5,1.00\n'),
  });
  await expect(page.getByText('1 line, 30 stems')).toBeVisible();
  await expect(page.getByText('Line 3, “Sea glass”: which flower?')).toBeVisible();
  await expectNothingSerious(page);
  await page.getByRole('button', { name: 'Open it' }).click();
  await page.waitForURL('**/dock');
  await expect(page.getByRole('link', { name: `Hush Pail, ${SHOP}` })).toBeVisible();
  await expect(page.getByRole('button', { name: /Demo/ })).toHaveCount(0);
  // What stood there is looked at, stands in its pail from the first minute, and can be made of.
  await expect(page.getByRole('link', { name: /Gerbera ‘Kite’ 30/ })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Dock all looked at' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Bench clear' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Make 1 lot' })).toBeVisible();
  await page.goto('/desk');
  await expect(page.getByText('QN-1122')).toHaveCount(0);
  await page.goto('/desk/ways');
  await expect(page.getByRole('button', { name: /^we have it\s*: kettle$/ })).toBeVisible();

  await test.step('a hand signs in with the PIN, after the shop was chosen', async () => {
    await page.context().clearCookies();
    await page.goto('/sign-in');
    await expect(page.getByRole('link', { name: /Slow Tide.*the demo/ })).toBeVisible();
    await expectNothingSerious(page);
    await page.getByRole('link', { name: SHOP }).click();
    await page.getByRole('button', { name: 'Odd' }).click();
    await page.getByLabel('Four-digit PIN').fill('1357');
    await page.getByRole('button', { name: 'To the bench' }).click();
    await page.waitForURL('**/bench');
  });

  await test.step('the first delivery, into the first clean pail', async () => {
    await bookNote(page, 'FIRST-1', ['Statice,Skua,2,10'], 'Salt Hill');
    await page.getByRole('link', { name: /Statice ‘Skua’ 20/ }).click();
    await page.waitForURL(/lot=/);
    await page.goto(page.url().replace('/dock', '/bench'));
    const card = page.getByRole('article', { name: /^Statice, lot/ });
    for (const done of ['Unpacked', 'Stripped', 'Cut']) {
      await card.getByRole('button', { name: done }).click();
      await expect(card.getByRole('button', { name: done })).toBeHidden();
    }
    await card
      .getByRole('button', { name: /, pail \d+/ })
      .first()
      .click();
    await expect(card.getByText('to go')).toBeVisible();
  });

  await test.step('the first arrangement and its card, in the shop’s own name', async () => {
    await page.goto('/make');
    for (let i = 0; i < 5; i++)
      await page.getByRole('button', { name: 'One more Statice', exact: true }).last().click();
    await expect(page.getByText(/times in 100/)).toBeVisible();
    await page.getByLabel('Called').fill('The first');
    await page.getByRole('button', { name: 'Make it of 5 stems' }).click();
    await page.waitForURL('**/send-off?**');
    await page.getByRole('button', { name: 'Issue this card' }).click();
    await expect(page.getByRole('region', { name: 'The card' }).getByText(SHOP)).toBeVisible();
  });
});
