import { expect } from '@playwright/test';
import { bookNote, expectNothingSerious, signInAs, test } from '../support/shop-floor';

test('a few words find a lot, bin some of it once that is confirmed, and its record says who booked it', async ({
  page,
}) => {
  await signInAs(page, 'Bram');
  await bookNote(page, 'QUICK-1', ['Tulip,Halyard quick,3,10']);
  await page.goto('/rooms');
  await page.keyboard.press('/');
  const line = page.getByRole('dialog', { name: 'Find or do' });
  const words = line.getByLabel('A few words');
  await expect(words).toBeFocused();
  await words.fill('shortc');
  await expect(line.getByRole('option', { name: 'Show the keys key ?' })).toBeVisible();
  await words.press('Enter');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('/');
  await words.fill('where');
  await words.press('Escape');
  await expect(line).toBeHidden();
  await page.keyboard.press('/');
  await words.fill('where halyard quick');
  const found = line.getByRole('option', { name: /^Tulip ‘Halyard quick’, lot \d+/ });
  await expect(found).toContainText('30 stems, dry');
  const number = /lot (\d+)/.exec((await found.locator('strong').textContent()) ?? '')?.[1] ?? '';
  await expectNothingSerious(page);

  await words.fill(`bin 4 of ${number} brokne`);
  await expect(line.getByText('Not understood: brokne.')).toBeVisible();
  await expect(line.getByRole('option', { name: /^Bin/ })).toHaveCount(0);

  await words.fill(`bin 4 of ${number} broken`);
  await expect(line.getByRole('option', { name: /^Bin 4 of Tulip ‘Halyard quick’/ })).toHaveCount(1);
  await words.press('Enter');
  const asked = page.getByRole('dialog', { name: 'One moment' });
  await expect(asked).toContainText(`lot ${number}: broken`);
  await asked.getByRole('button', { name: 'Bin 4' }).click();
  await expect(page.getByText(/^Your last: Binned 4 of lot \d+: broken/)).toBeVisible();
  await expect(line).toBeHidden();

  await page.keyboard.press('/');
  await words.fill(`lot ${number}`);
  await expect(line.getByRole('option')).toHaveCount(1);
  await words.press('Enter');
  await page.waitForURL(/\/dock\?lot=/);
  await page.getByRole('link', { name: 'Its record' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'The record' })).toBeVisible();
  const booked = page.getByRole('row').filter({ hasText: 'QUICK-1' });
  await expect(booked).toContainText('Bram');
  await page.getByLabel('What').selectOption('bench');
  await page.getByRole('button', { name: 'Ask' }).click();
  await expect(page.getByText('The record has nothing of that.')).toBeVisible();
});

test('what is typed before the line is there is meant for it, and is no key of the page', async ({
  page,
}) => {
  await signInAs(page, 'Bram');
  await page.route('**/_next/static/**/*.js', async (route) => {
    const response = await route.fetch();
    // The line's own code, which a page at rest has, and one that was opened a moment ago has not.
    if ((await response.text()).includes('bin 4 of 148 broken')) await page.waitForTimeout(1500);
    await route.fulfill({ response });
  });
  await page.goto('/rooms');
  await expect(page.getByRole('heading', { level: 1, name: 'Rooms' })).toBeAttached();
  await page.keyboard.type('/pail 31');
  await page.keyboard.press('Backspace');
  const words = page.getByRole('dialog', { name: 'Find or do' }).getByLabel('A few words');
  await expect(words).toHaveValue('pail 3');
  await page.keyboard.type('2');
  await expect(words).toHaveValue('pail 32');
  expect(new URL(page.url()).pathname).toBe('/rooms');
});
