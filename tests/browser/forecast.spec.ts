import { expect, type Page } from '@playwright/test';
import { expectNothingSerious, signInAs, test } from '../support/shop-floor';

const SETTLED = /times in 100/;

async function take(page: Page, kind: string, stems: number): Promise<void> {
  for (let i = 0; i < stems; i++)
    await page
      .getByRole('button', { name: `One more ${kind}`, exact: true })
      .last()
      .click();
}

const promised = async (page: Page): Promise<number> => {
  await expect(page.getByText(SETTLED)).toBeVisible();
  const label = await page.getByRole('img', { name: /the promise stands at day/ }).getAttribute('aria-label');
  return Number(/day (\d+)/.exec(label ?? '')?.[1] ?? NaN);
};

test('the forecast follows the hand: line by line, by who keeps it, with what each habit buys', async ({
  page,
}) => {
  await signInAs(page, 'Bram');
  await page.goto('/make');
  const right = page.getByRole('region', { name: 'How long it lasts' });
  await expect(right.getByRole('heading', { name: 'How long will it last?' })).toBeVisible();
  await take(page, 'Rose', 3);
  await expect(page.getByText(SETTLED)).toBeVisible();
  await expect(page.getByText(/ends it first/)).toHaveCount(0);

  await take(page, 'Gerbera', 3);
  await expect(right.getByText(/^Gerbera ends it first/)).toBeVisible();
  const anybody = await promised(page);
  await page.getByRole('radio', { name: 'Careful', exact: true }).click();
  await expect(page.getByText(/kept with care/)).toBeVisible();
  const careful = await promised(page);
  await page.getByRole('radio', { name: 'Careless' }).click();
  await expect(page.getByText(/kept carelessly/)).toBeVisible();
  expect(careful).toBeGreaterThan(anybody);
  expect(await promised(page)).toBeLessThanOrEqual(anybody);

  const habits = right.getByRole('listitem').filter({ hasText: 'Cold nights' });
  await expect(habits.getByText(/\+\d\.\d d/)).toBeVisible();
  await page.getByText('The same as a table').click();
  await expect(right.getByRole('row', { name: /^Gerbera/ })).toBeVisible();
  await expect(right.getByRole('row', { name: /^today 100 %/ })).toBeVisible();
  await expectNothingSerious(page);

  // Emptied again, nothing of it is left standing.
  for (const kind of ['Rose', 'Gerbera'])
    for (let i = 0; i < 3; i++)
      await page
        .getByRole('button', { name: `One ${kind} fewer`, exact: true })
        .last()
        .click();
  await expect(right.getByRole('heading', { name: 'How long will it last?' })).toBeVisible();
  await expect(page.getByText(SETTLED)).toHaveCount(0);
});

test('a manager’s own figure is set with its reason, bears on the stock, and is given back', async ({
  page,
}) => {
  await page.goto('/sign-in');
  await page.getByRole('button', { name: /manager/i }).click();
  await page.getByLabel('Name').fill('ilse');
  await page.getByRole('textbox', { name: 'Password' }).fill('slow water');
  await page.keyboard.press('Enter');
  await page.waitForURL(/\/(bench|desk|dock)/);
  await page.goto('/make');
  const statice = page.getByRole('img', { name: /^Statice:.* left/ });
  const before = await statice.getAttribute('aria-label');

  await page.goto('/desk/figures?species=statice');
  const life = page.getByRole('row').filter({ hasText: 'Median days presentable' });
  await life.getByRole('button', { name: /Change/ }).click();
  await page.getByLabel(/Our figure/).fill('900');
  await page.getByRole('button', { name: 'Set it' }).click();
  await expect(page.getByText('Say in a few words why.')).toBeVisible();
  await expect(page.getByLabel('Why')).toBeFocused();
  await page.getByLabel('Why').fill('windowsill stems all autumn');
  await page.getByRole('button', { name: 'Set it' }).click();
  await expect(page.getByRole('main').getByRole('alert')).toContainText('must be from');
  await page.getByLabel(/Our figure/).fill('5');
  await page.getByRole('button', { name: 'Set it' }).click();
  await expect(life.getByText('windowsill stems all autumn (Ilse)')).toBeVisible();
  await expectNothingSerious(page);

  await page.goto('/make');
  expect(await statice.getAttribute('aria-label')).not.toBe(before);
  await page.goto('/desk/figures?species=statice');
  await life.getByRole('button', { name: /Change/ }).click();
  await page.getByLabel('Why').fill('back to the table');
  await page.getByRole('button', { name: 'The product’s again' }).click();
  await expect(life.getByText('windowsill stems')).toHaveCount(0);
  await page.goto('/make');
  expect(await statice.getAttribute('aria-label')).toBe(before);
  await page.goto('/desk');
  await expect(page.getByRole('row').filter({ hasText: 'back to the table' })).toBeVisible();
});

test('each room is a shelf of what stands in it, soonest to fade first; a lot opens where it is looked at', async ({
  page,
}) => {
  await signInAs(page, 'Bram');
  await page.goto('/rooms');
  await expect(page.getByRole('heading', { name: 'Rooms', level: 1 })).toBeAttached();
  const shelves = page.getByRole('region').filter({ hasText: /humidity, light \d+ h/ });
  expect(await shelves.count()).toBeGreaterThan(2);
  const fullest = shelves.first();
  await expect(fullest.getByText(/Ages fastest here: .+, \d\.\d days? a day/)).toBeVisible();
  expect(await fullest.getByRole('img', { name: / left$/ }).count()).toBeGreaterThan(1);
  await expectNothingSerious(page);
  const lot = fullest.getByRole('listitem').first().getByRole('link');
  const name = await lot.locator('strong').textContent();
  await lot.click();
  await expect(page).toHaveURL(/\/dock\?lot=/);
  await expect(page.getByRole('heading', { level: 1, name: name ?? 'none' })).toBeVisible();
});
