import { readFile } from 'node:fs/promises';
import { expect } from '@playwright/test';
import { bookNote, expectNothingSerious, signInAsManager, takeInHand, test } from '../support/shop-floor';

test('a manager picks a school with its days, an exception, and the bench follows', async ({ page }) => {
  await signInAsManager(page);
  await page.goto('/desk/ways?species=statice');
  const foliage = page.getByRole('group', { name: 'Foliage above the water' });
  await expect(foliage.getByText(/Statice: .*(days|no difference)/).first()).toBeVisible();
  await expect(page.getByRole('group', { name: 'Thorns' }).getByText('cannot put days')).toBeVisible();
  await expectNothingSerious(page);
  await foliage.getByRole('radio', { name: /^Bare stem/ }).check();
  await foliage.getByRole('combobox', { name: 'For' }).selectOption({ label: 'only Scabiosa' });
  await foliage.getByLabel('Why').fill('its leaves mould here');
  await foliage.getByRole('button', { name: 'Its exception from now' }).click();
  await expect(foliage.getByText('its leaves mould here')).toBeVisible();
  await bookNote(page, 'HOUSE-1', ['Scabiosa,Pincushion,2,10']);
  await takeInHand(page, /Scabiosa ‘Pincushion’/);
  const card = page.getByRole('article', { name: /^Scabiosa, lot/ });
  await card.getByRole('button', { name: 'Unpacked' }).click();
  await expect(card.getByRole('heading', { level: 2 })).toHaveText('Strip the stem bare');
  await card.getByRole('button', { name: 'not this …' }).click();
  await card.getByRole('radio', { name: 'Why these steps' }).click();
  await expect(card.getByRole('list', { name: 'What differs from the plain protocol' })).toContainText(
    'house way',
  );
});

test('a protocol is changed, saved as JSON, given back, and read again from the file', async ({ page }) => {
  await signInAsManager(page);
  await page.goto('/desk/species?species=veronica');
  await page.getByRole('button', { name: /^Change ?: Cut/ }).click();
  await page.getByLabel('off, cm').fill('4');
  await page.getByLabel('Why').first().fill('ours come with long dry feet');
  await page.getByRole('button', { name: 'Do it so' }).click();
  await expect(page.getByText('Cut 4 cm, slanted', { exact: true })).toBeVisible();
  await expectNothingSerious(page);
  const saving = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Save as JSON' }).click();
  const file = await (await saving).path();
  expect(JSON.parse(await readFile(file, 'utf8'))).toMatchObject({
    speciesKey: 'veronica',
    edits: [{ op: 'change', kind: 'cut', params: { cm: 4 } }],
  });
  await page.getByRole('button', { name: 'The product’s again' }).click();
  await expect(page.getByText('Cut 4 cm, slanted', { exact: true })).toBeHidden();
  await page.getByText('from a file …').click();
  const choose = page.getByLabel(/A file saved here/);
  await choose.setInputFiles({
    name: 'odd.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"speciesKey": 3'),
  });
  await expect(page.getByText('That file is not JSON. Nothing was read.')).toBeVisible();
  await choose.setInputFiles(file);
  await page.getByLabel('Why').last().fill('from our file');
  await page.getByRole('button', { name: 'Take it' }).click();
  await expect(page.getByText('Cut 4 cm, slanted', { exact: true })).toBeVisible();
});

test('a species the table has not is added, named on a note, booked, and forecast', async ({ page }) => {
  await signInAsManager(page);
  await page.goto('/desk/species');
  await page.getByText('Add a species …').click();
  await page.getByLabel('Name', { exact: true }).fill('Harbour phlox');
  await page.getByLabel('Botanical name').fill('Phlox paniculata');
  await page.getByLabel('Behaves like').selectOption({ label: 'Stock' });
  await page.getByRole('button', { name: 'Add it' }).last().click();
  await expect(page.getByRole('heading', { name: /Harbour phlox/ })).toBeVisible();
  await bookNote(page, 'HOUSE-2', ['Harbour phlox,White,2,10']);
  await takeInHand(page, /Harbour phlox ‘White’/);
  await expect(page.getByRole('article', { name: /^Harbour phlox, lot/ })).toBeVisible();
});
