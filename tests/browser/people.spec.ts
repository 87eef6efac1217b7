import { expect } from '@playwright/test';
import { Secret, TOTP } from 'otpauth';
import { expectNothingSerious, openPersonPanel, sayYes, signInAsManager, test } from '../support/shop-floor';

test('somebody is added, signs in, is retired, and is out on the tablet they stood at', async ({
  page,
  browser,
}) => {
  await signInAsManager(page);
  await page.goto('/desk/people');
  await page.getByText('Somebody new …').click();
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
  // Exactly these words: those of the button just tapped begin with the name, and stand in a row as well.
  await expect(page.getByText('works here no longer', { exact: true })).toBeVisible();
  await theirs.goto('/bench');
  await theirs.waitForURL('**/sign-in');
  await expect(theirs.getByRole('button', { name: 'Hedda' })).toHaveCount(0);

  await page.reload();
  await page.getByRole('button', { name: 'Change Hedda' }).click();
  await page.getByRole('button', { name: 'Erase the name Hedda …' }).click();
  await expect(page.getByRole('dialog', { name: 'One moment' })).toContainText('It cannot be taken back');
  await sayYes(page);
  await expect(page.getByRole('button', { name: 'Change Hedda' })).toHaveCount(0);
  await page.goto('/desk');
  await expect(page.getByText('Name erased 1: the name is out of the record')).toBeVisible();
  await expect(page.getByText('Hedda')).toHaveCount(0);
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

  await page.goto('/desk/rooms');
  await page.getByRole('button', { name: 'Change Cold room' }).click();
  await page.getByLabel('°C', { exact: true }).fill('5,5');
  await page.getByRole('button', { name: 'From now on' }).click();
  await expect(page.getByRole('row', { name: /Cold room.*5\.5 °C/ })).toBeVisible();

  await page.getByText('More pails …').click();
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

test('a manager signs in with a code as well: read by a telephone, asked for from then on', async ({
  page,
}) => {
  await signInAsManager(page);
  await page.goto('/desk/people/code');
  await expect(page.getByRole('heading', { level: 1, name: 'Sign in with a code' })).toBeVisible();
  await expectNothingSerious(page);
  const secret = ((await page.locator('main code').textContent()) ?? '').replaceAll(' ', '');
  const telephone = new TOTP({ secret: Secret.fromBase32(secret), digits: 6, period: 30 });
  const wall = (await page.getByRole('button', { name: /^\d\d:\d\d \w+$/ }).textContent()) ?? '';
  const minute = Date.parse(`2026-11-24T${/\d\d:\d\d/.exec(wall)?.[0] ?? ''}:00Z`);
  // The wall tells the minute and not which half of it: the one of them that holds is taken.
  let heldAt = NaN;
  for (const half of [0, 30, 60, 90]) {
    const timestamp = minute + half * 1000;
    await page.getByLabel('Code', { exact: true }).fill(telephone.generate({ timestamp }));
    const answer = page.waitForResponse('**/actions/shop/second-factor');
    await page.getByRole('button', { name: 'Ask me for it from now on' }).click();
    heldAt = timestamp;
    if ((await answer).ok()) break;
  }
  await page.waitForURL('**/desk/people');
  await (await openPersonPanel(page)).getByRole('button', { name: 'Change hands' }).click();
  await page.waitForURL('**/sign-in');
  await page.getByRole('button', { name: /manager/i }).click();
  await page.getByLabel('Name').fill('ilse');
  await page.getByRole('textbox', { name: 'Password' }).fill('slow water');
  await page.keyboard.press('Enter');
  const code = page.getByLabel('Code', { exact: true });
  await expect(code).toBeVisible();
  await expectNothingSerious(page);
  await code.fill('000000');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/do not go together. Take the next code/)).toBeVisible();
  // The next half minute's holds already, as telephones' clocks differ.
  await code.fill(telephone.generate({ timestamp: heldAt + 30_000 }));
  await page.keyboard.press('Enter');
  await page.waitForURL('**/dock');
});
