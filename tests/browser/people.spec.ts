import { expect } from '@playwright/test';
import { signInAsManager, test } from '../support/shop-floor';

test('somebody is added, signs in, is retired, and is out on the tablet they stood at', async ({
  page,
  browser,
}) => {
  await signInAsManager(page);
  await page.goto('/desk/people');
  await page.getByLabel('Name').fill('Hedda');
  await page.getByRole('textbox', { name: 'PIN' }).fill('1234');
  await page.getByRole('button', { name: 'Add them' }).click();
  await expect(page.getByText('the first one anybody would try')).toBeVisible();
  await page.getByRole('textbox', { name: 'PIN' }).fill('5093');
  await page.getByRole('button', { name: 'Add them' }).click();
  await expect(page.getByText('Hedda can sign in from now on.')).toBeVisible();

  const tablet = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const theirs = await tablet.newPage();
  await theirs.goto('/sign-in');
  await theirs.getByRole('button', { name: 'Hedda' }).click();
  await theirs.getByLabel('Four-digit PIN').fill('5093');
  await theirs.getByRole('button', { name: 'To the bench' }).click();
  await theirs.waitForURL('**/bench');

  await page.reload();
  await page.getByRole('button', { name: 'Change Hedda' }).click();
  await expect(page.getByText(/A (tablet or phone|computer), since/)).toBeVisible();
  await page.getByRole('button', { name: 'Hedda works here no longer' }).click();
  await expect(page.getByRole('row', { name: /Hedda.*works here no longer/ })).toBeVisible();
  await theirs.goto('/bench');
  await theirs.waitForURL('**/sign-in');
  await expect(theirs.getByRole('button', { name: 'Hedda' })).toHaveCount(0);
  await tablet.close();
});

test('the shop says how it is reached, a room is set from now, pails are added and retired', async ({
  page,
}) => {
  await signInAsManager(page);
  await page.goto('/desk/shop');
  await page.getByLabel('Telephone').fill('Skerrow 214');
  await page.getByRole('button', { name: 'Save it' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();

  await page.getByRole('button', { name: 'Change Cold room' }).click();
  await page.getByLabel('°C', { exact: true }).fill('5,5');
  await page.getByRole('button', { name: 'From now on' }).click();
  await expect(page.getByRole('row', { name: /Cold room.*5\.5 °C/ })).toBeVisible();

  await page.getByLabel('How many').fill('2');
  await page.getByRole('button', { name: 'Add them' }).click();
  const added = page.getByText(/^Pails \d+ to \d+: wash them/);
  await expect(added).toBeVisible();
  const last = /to (\d+):/.exec((await added.textContent()) ?? '')?.[1] ?? '';
  await page.getByRole('button', { name: /^Show the \d+ pails/ }).click();
  await page.getByRole('button', { name: `Change pail ${last}`, exact: true }).click();
  await page.getByRole('button', { name: 'Retire it' }).click();
  await expect(page.getByRole('row', { name: new RegExp(`^${last}, retired`) })).toBeVisible();
});
