import { expect, type Locator } from '@playwright/test';
import {
  bookNote,
  expectNothingSerious,
  openPersonPanel,
  sayYes,
  signInAs,
  takeInHand,
  test,
} from '../support/shop-floor';

/** Nothing on it waits for its Spanish. */
async function expectSpanish(card: Locator): Promise<void> {
  await expect(card).toBeVisible();
  await expect(card).not.toContainText('[en]');
  await expect(card).not.toContainText(/\b(lot|stems|then|the|pail|not this)\b/);
}

test('a hand who reads Spanish works a whole lot in it, and nobody else’s tablet changes', async ({
  browser,
}) => {
  const page = await (await browser.newContext()).newPage();
  await signInAs(page, 'Tove');
  await bookNote(page, 'LANG-1', ['Tulip,Marea,2,10']);
  const panel = await openPersonPanel(page);
  await panel.getByLabel('Language').selectOption({ label: 'Español' });
  await page.keyboard.press('Escape');
  await expect(page.getByRole('link', { name: /Tulipán ‘Marea’/ }).first()).toBeVisible();
  await takeInHand(page, /Tulipán ‘Marea’/);
  const card = page.getByRole('article', { name: /^Tulipán, lote \d+/ }).filter({ hasText: 'Marea' });
  await expect(card.getByRole('heading', { level: 2 })).toHaveText('Quite el papel, la funda y las gomas');
  const number = /lote (\d+)/.exec((await card.getAttribute('aria-label')) ?? '')?.[1] ?? '';
  await expectSpanish(card);
  await card.getByRole('button', { name: 'esto no …' }).click();
  await card.getByRole('radio', { name: 'Por qué estos pasos' }).click();
  await expectSpanish(card);
  await card.getByRole('button', { name: 'esto no …' }).click();
  for (const done of ['Desempaquetado', 'Enjuagado', 'Deshojado']) {
    await card.getByRole('button', { name: done }).click();
    await expect(card.getByRole('button', { name: done })).toBeHidden();
    await expectSpanish(card);
  }
  await expect(card.getByRole('heading', { level: 2 })).toHaveText('Corte 1,5 cm, en bisel');
  await card.getByRole('button', { name: 'Cortado' }).click();
  await card.getByRole('button', { name: 'Envuelto y derecho' }).click();
  await expect(card.getByRole('heading', { level: 2 })).toContainText('Al agua fría');
  await expectSpanish(card);
  await expectNothingSerious(page);
  await card.getByRole('button', { name: /^De pie en su cubo, cubo \d+/ }).click();
  await expect(
    page.getByRole('complementary', { name: 'Next' }).getByRole('link', { name: /Tulipán ‘Marea’/ }),
  ).toContainText('bebiendo; luego volver a mirar');
  await card.getByRole('button', { name: 'Ya ha tenido su tiempo' }).click();
  await expect(page.getByText(/Lleva .* de 2 h\. No ha bebido bastante/)).toBeVisible();
  await sayYes(page);
  await expect(card.getByRole('heading', { level: 2 })).toHaveText('Vuelva a mirar: ¿derecho?');
  await expectSpanish(card);
  await card.getByRole('button', { name: 'Derecho' }).click();
  await expect(card.getByRole('heading', { level: 2 })).toHaveText('A la cámara fría');
  await expectSpanish(card);
  await card.getByRole('button', { name: 'En su sitio' }).click();
  await expect(card.getByRole('heading', { level: 2 })).not.toHaveText('A la cámara fría');
  await page.goto('/desk');
  await expect(
    page.getByRole('main').getByText(`Lote ${number}, a la cámara fría. Hecho`, { exact: true }),
  ).toBeVisible();
  await page.goBack();

  const other = await (await browser.newContext()).newPage();
  await signInAs(other, 'Wen');
  await takeInHand(other, /Tulip ‘Marea’/);
  await (await openPersonPanel(page)).getByLabel('Language').selectOption({ label: 'English' });
  await expect(page.getByRole('article', { name: /^Tulip, lot/ }).first()).toBeVisible();
});

test('measures are told and taken as their reader has them; what is kept is one figure for all', async ({
  browser,
}) => {
  const page = await (await browser.newContext()).newPage();
  await signInAs(page, 'Wen');
  const told = page.waitForResponse('**/actions/desk/units');
  await (await openPersonPanel(page)).getByLabel('Measures').selectOption({ label: '°F, in, qt' });
  // Whoever leaves the page before it is done leaves it half told.
  expect((await told).ok()).toBe(true);
  await page.goto('/pails');
  await page
    .getByRole('region', { name: 'under the bench, to wash' })
    .getByRole('button', { name: /scrub$/ })
    .first()
    .click();
  const pail = page.getByRole('region', { name: /^Pail / });
  const name = ((await pail.getAttribute('aria-label')) ?? '').replace('Pail ', '');
  await pail.getByText('Fill it as it is').click();
  await expect(page.getByRole('radio', { name: 'cold, 43 °F' })).toBeVisible();
  const water = page.getByRole('textbox', { name: 'How much' });
  await expect(water).toHaveValue(/ qt$/);
  await water.fill('4');
  await page.getByText('cold, 43 °F').click();
  await pail.getByLabel(/not sanitised/).fill('the van is at the door');
  await pail.getByRole('button', { name: 'Fill it unsanitised' }).click();
  // Four quarts are 3.79 litres; six degrees Celsius are 43 Fahrenheit.
  await expect(pail.getByText(/^4 qt .* at\s+43 °F\.$/)).toBeVisible();

  const other = await (await browser.newContext()).newPage();
  await signInAs(other, 'Bram');
  await other.goto('/pails');
  await other
    .getByRole('button', { name: new RegExp(`^${name}\\b`) })
    .first()
    .click();
  await expect(other.getByText(/^3\.79 L .* at\s+6 °C\.$/)).toBeVisible();
  await other.goto('/desk');
  await expect(other.getByText(/3\.79 L.*6 °C/).first()).toBeVisible();
  await page.goto('/desk');
  await expect(page.getByText(/4 qt.*43 °F/).first()).toBeVisible();
  await (await openPersonPanel(page)).getByLabel('Measures').selectOption({ label: '°C, cm, L' });
  await other.context().close();
  await page.context().close();
});
