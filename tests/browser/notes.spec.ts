import { expect, type Page } from '@playwright/test';
import { expectNothingSerious, readNote, signInAs, test } from '../support/shop-floor';
import { workbookOf } from '../support/workbook';

const csv = (name: string, lines: readonly string[]) => ({
  name,
  mimeType: 'text/csv',
  buffer: Buffer.from(lines.join('\n')),
});

const stemsOf = (page: Page, line: string) => page.getByLabel(`Stems of line ${line}`, { exact: true });

/** A note whose “Stiele” may be of the line or of each bunch: nothing on it settles which. */
const doubtful = (ref: string) =>
  csv(`${ref}.csv`, [
    `Nordhang Gärten;;${ref};24.11.2026;;`,
    'Artikel;Sorte;Bund;Stiele;Schnitt;Lagerplatz',
    'Rosen;Abendfähre;10;20;22.11.2026;A1',
    'Tulpen gelb;Hafen;5;10;22.11.2026;A2',
    'Löwenmaul;;5;20;22.11.2026;B1',
  ]);

test.beforeEach(({ page }) => signInAs(page, 'Wen'));

test('a German note with “Bund” and “Stiele je Bund” is read and booked as it says', async ({ page }) => {
  await readNote(
    page,
    csv('lieferschein.csv', [
      'Lieferant: Nordhang Gärten;;;;;;',
      'Lieferschein Nr. LS-4471 vom 24.11.2026;;;;;;',
      'Pos;Artikel;Länge;Bund;Stiele je Bund;Preis/Stiel;Schnitt',
      '10;Rosen rot;60;6;25;0,58;22.11.2026',
      '20;Löwenmaul;70;3;10;0,90;22.11.2026',
      '30;Schleierkraut;80;;;12,00;21.11.2026',
    ]),
  );
  await expect(page.getByLabel('Delivery', { exact: true })).toHaveValue('LS-4471');
  await expect(stemsOf(page, '10 (row 4)')).toHaveValue('150');
  await expect(stemsOf(page, '20 (row 5)')).toHaveValue('30');
  // What was read stands beside the cells it was read from.
  const roses = page.getByRole('row', { name: /Rose.*Stiele je Bund 25/ });
  await expect(roses.getByText('6 × 25')).toBeVisible();
  await expectNothingSerious(page);
  await page.getByRole('button', { name: 'leave out line 30 (row 6)' }).click();
  await page.getByRole('button', { name: /^Book in 2 lots, 180 stems/ }).click();
  const slip = page.getByRole('region', { name: 'Delivery LS-4471' });
  await slip.getByRole('link', { name: /Snapdragon/ }).click();
  await expect(page.getByText(/sold as 3 × 10.*LS-4471 line 20 \(row 5\)/)).toBeVisible();
});

test('what its stems mean is asked once for the whole note, remembered, and can be forgotten', async ({
  page,
}) => {
  const question = page.getByRole('region', { name: 'Asked of the whole note' });
  await readNote(page, doubtful('NH-1'));
  await expect(question).toContainText('3 lines wait for it');
  await expect(page.getByText('Nothing is read from the column “Lagerplatz”.')).toBeVisible();
  const mainAction = page.locator('[data-step-in-hand]');
  await expect(mainAction).toHaveText('Say first what its counts mean');
  await mainAction.click();
  await expect(question.locator(':focus')).toBeVisible();
  await expectNothingSerious(page);
  await question.getByRole('button', { name: /Rosen: 200 stems/ }).click();
  await expect(stemsOf(page, '3')).toHaveValue('200');
  await expect(stemsOf(page, '5')).toHaveValue('100');
  await page.getByRole('button', { name: 'Book in 3 lots, 350 stems' }).click();
  await expect(page.getByRole('region', { name: 'Delivery NH-1' })).toBeVisible();

  await readNote(page, doubtful('NH-2'));
  await expect(page.getByText(/in each bunch, as you said of such a note before/)).toBeVisible();
  await expect(stemsOf(page, '3')).toHaveValue('200');
  await page.getByRole('button', { name: 'Forget that, and ask again' }).click();
  await expect(question).toBeVisible();
  await question.getByRole('button', { name: /Rosen: 20 stems/ }).click();
  await expect(stemsOf(page, '3')).toHaveValue('20');
});

test('an Excel workbook is read like any note, a PDF is named for what it is', async ({ page }) => {
  await readNote(page, {
    name: 'note.xlsx',
    mimeType: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
    buffer: Buffer.from(
      workbookOf({
        Albarán: [
          ['Finca Ventosa', null, 'FV-9', new Date('2026-11-24')],
          ['Producto', 'Ramos', 'Tallos por ramo', 'Precio', 'Corte'],
          ['Claveles', 4, 20, 0.29, new Date('2026-11-21')],
          ['Boca de dragón', 3, 10, 0.9, new Date('2026-11-22')],
        ],
      }),
    ),
  });
  await expect(page.getByLabel('Supplier').and(page.locator('input'))).toHaveValue('Finca Ventosa');
  await expect(stemsOf(page, '3')).toHaveValue('80');
  await page.getByRole('button', { name: 'Book in 2 lots, 110 stems' }).click();
  await expect(page.getByRole('region', { name: 'Delivery FV-9' })).toBeVisible();

  await readNote(page, {
    name: 'note.pdf',
    mimeType: 'application/pdf',
    buffer: Buffer.from('%PDF-1.7\n%…'),
  });
  await expect(page.getByRole('alert').filter({ hasText: 'This is a PDF' })).toContainText(
    'Nothing was booked in',
  );
});

test('what was booked wrongly is put right by an entry, and taken back', async ({ page }) => {
  await readNote(
    page,
    csv('wrong.csv', [
      'Salt Hill;;WR-1;24.11.2026',
      'product;bunches;stems per bunch;cut',
      'Rose;4;10;22.11.2026',
    ]),
  );
  await page.getByRole('button', { name: 'Book in 1 lot, 40 stems' }).click();
  const slip = page.getByRole('region', { name: 'Delivery WR-1' });
  await slip.getByRole('link', { name: /Rose/ }).click();
  await expect(page.getByText(/ · WR-1 line /)).toBeVisible();
  await page.getByRole('button', { name: 'Booked wrongly?' }).click();
  await page.getByRole('combobox', { name: 'It is' }).click();
  await page.getByRole('option', { name: 'Spray rose' }).click();
  await page.getByLabel('How you know', { exact: true }).fill('the sleeve says so');
  await page.getByRole('button', { name: /^Put lot \d+ right$/ }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Spray rose' })).toBeVisible();
  await expectNothingSerious(page);
  await page.getByLabel('All of it from').fill('Norrholt Growers');
  await page.getByLabel('How you know whose').fill('the other van');
  await page.getByRole('button', { name: 'Put the delivery right' }).click();
  await expect(page.getByRole('region', { name: 'Delivery WR-1' })).toContainText('Norrholt Growers');
});
