import { expect, type Page } from '@playwright/test';
import { bookNote, expectNothingSerious, readNote, signInAs, test } from '../support/shop-floor';

/** The kept aside of this tablet is written a moment after the touch. */
const KEPT_AFTER_MS = 600;

async function openLot(page: Page, name: RegExp): Promise<void> {
  const lot = page.getByRole('link', { name }).first();
  // What was seen to lies under its delivery's line once newer ones have come.
  const kind = /\w+/.exec(name.source)?.[0] ?? '';
  const earlier = page
    .getByRole('navigation', { name: 'Earlier deliveries' })
    .getByRole('link', { name: new RegExp(kind, 'i') })
    .first();
  await expect(lot.or(earlier).first()).toBeVisible();
  if (!(await lot.isVisible())) await earlier.click();
  await lot.click();
  await page.waitForURL(/lot=/);
}
const typed = async (page: Page, lines: string, as: string): Promise<void> => {
  await page.goto('/dock');
  await page.getByText('No file? Type or paste its lines').click();
  await page.getByLabel('Lines of the delivery').fill(lines);
  await page.getByRole('button', { name: as }).click();
};

test('this morning’s van: held against its order, booked, opened, counted, and its faults found', async ({
  page,
}) => {
  await signInAs(page, 'Wen');
  await page.goto('/dock');
  await expect(page.getByRole('region', { name: 'Expected' }).getByText('due today')).toBeVisible();
  await page.getByRole('button', { name: 'Demo: this morning’s note' }).click();
  const note = page.getByRole('region', { name: 'Delivery note' });
  await expect(note.getByLabel('Against the order')).toHaveValue(/./);
  await expect(note.getByText(/\d+ short of the \d+ ordered/)).toBeVisible();
  await expect(note.getByText(/Ordered, and on no line of the note/)).toBeVisible();
  await expectNothingSerious(page);
  const ref = await page.getByLabel('Delivery', { exact: true }).inputValue();
  await note.getByRole('button', { name: /^Book in/ }).click();
  const slip = page.getByRole('region', { name: `Delivery ${ref}` });
  await expect(slip).toBeVisible();
  await expect(page.getByRole('region', { name: 'Expected' }).getByText('due today')).toHaveCount(0);
  const first = slip.getByRole('link', { name: /look$/ }).first();
  const number = (await first.textContent())?.match(/^\d+/)?.[0] ?? '';
  await first.click();
  await page.waitForURL(/lot=/);
  await expect(page.getByRole('region', { name: `Lot ${number}`, exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Demo: open the box' }).click();
  await expect(page.getByText(/stems counted; necks/)).toBeVisible();
  // The line follows the finger before anything is logged.
  const means = page.getByRole('region', { name: 'What it means' });
  const before = await means.textContent();
  await page.getByRole('radio', { name: 'hanging' }).click();
  await expect(page.getByText('At the bench, for how it came:')).toBeVisible();
  expect(await means.textContent()).not.toBe(before);
  await expect(means.getByText(/of Norrholt Growers usually comes at \d+\s%/)).toBeVisible();
});

test('an order typed in is expected, and what comes short of it is told', async ({ page }) => {
  await signInAs(page, 'Bram');
  await typed(page, '100 tulip\n2x10 ruscus', 'It is an order to come');
  await expect(page.getByRole('heading', { name: '2 lines to expect' })).toBeVisible();
  await page.getByLabel('Supplier').and(page.locator('input')).fill('Salt Hill');
  await page.getByRole('textbox', { name: 'Order' }).fill('SH-9');
  await page.getByRole('button', { name: /^Expect 2 lines/ }).click();
  await expect(page.getByRole('region', { name: 'Expected' }).getByText(/SH-9, 2 lines/)).toBeVisible();
  await typed(page, '8x10 tulip', 'Read them');
  await page.getByLabel('Supplier').and(page.locator('input')).fill('Salt Hill');
  await page.getByLabel('Delivery', { exact: true }).fill('SH-D9');
  await page.getByLabel('Against the order').selectOption({ label: 'SH-9' });
  await expect(page.getByText('20 short of the 100 ordered')).toBeVisible();
  await expect(page.getByText(/on no line of the note: .*Ruscus 20/i)).toBeVisible();
  await page.getByRole('button', { name: /^Book in 1 lot/ }).click();
  await expect(page.getByRole('region', { name: 'Delivery SH-D9' })).toBeVisible();
  await expect(page.getByText(/SH-9, 2 lines/)).toHaveCount(0);
});

test('a note without headings: its columns are named once, and a line that waits is booked later', async ({
  page,
}) => {
  const bare = (ref: string) => ({
    name: `${ref}.csv`,
    mimeType: 'text/csv',
    buffer: Buffer.from('Tulip;Hamn;10;10;22.11.2026\nRose;Kvall;4;20;20.11.2026\n'),
  });
  await signInAs(page, 'Tove');
  await readNote(page, bare('first'));
  await expect(page.getByRole('heading', { name: 'Which column is what?' })).toBeVisible();
  await expectNothingSerious(page);
  await page.getByLabel('Supplier').and(page.locator('input')).fill('Fjord Blooms');
  for (const [i, what] of ['product', 'variety', 'bunches', 'stems a bunch', 'cut on'].entries())
    await page.getByLabel(`Column ${i + 1} is`).selectOption({ label: what });
  await page.getByRole('button', { name: 'Read it so' }).click();
  await expect(page.getByRole('heading', { name: '2 lines read' })).toBeVisible();
  await page.getByLabel('Delivery', { exact: true }).fill('FB-1');
  await page.getByRole('button', { name: 'wait line 2' }).click();
  await page.getByRole('button', { name: 'Book in 1 lot, 100 stems, 1 kept aside' }).click();
  const slip = page.getByRole('region', { name: 'Delivery FB-1' });
  await slip.getByText(/line 2 waits: Rose/).click();
  await slip.getByRole('button', { name: 'Book it in now' }).click();
  await expect(slip.getByRole('link', { name: /Rose ‘Kvall’ 80/ })).toBeVisible();
  await expect(slip.getByText(/waits:/)).toHaveCount(0);
  // The next one of theirs needs no telling.
  await readNote(page, bare('second'));
  await expect(page.getByLabel('Supplier').and(page.locator('input'))).toHaveValue('Fjord Blooms');
});

test('power lost half-way: the note, the look and the count are as they were', async ({ page }) => {
  await signInAs(page, 'Wen');
  await readNote(page, {
    name: 'half.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'delivery_ref,supplier,product,variety,bunches,stems_per_bunch,cut_date\nHALF-1,Norrholt Growers,Freesia,Halyard,3,10,2026-11-22\n',
    ),
  });
  await page.getByLabel('Stems of line 2').fill('28');
  await page.waitForTimeout(KEPT_AFTER_MS);
  await page.goto('about:blank');
  await page.goto('/dock');
  await page.getByRole('button', { name: /Go on with HALF-1, 1 lines/ }).click();
  await expect(page.getByLabel('Stems of line 2')).toHaveValue('28');
  await page.getByRole('button', { name: /^Book in 1 lot, 28 stems/ }).click();
  await openLot(page, /Freesia ‘Halyard’ 28/);
  await page.getByRole('radio', { name: 'soft' }).click();
  await page.getByRole('button', { name: 'What is wrong' }).click();
  await page.getByRole('radio', { name: 'yellow leaves' }).click();
  await page.getByRole('button', { name: 'One more has it' }).click();
  await page.waitForTimeout(KEPT_AFTER_MS);
  await page.reload();
  await expect(page.getByRole('radio', { name: 'soft' })).toBeChecked();
  await page.getByRole('button', { name: 'What is wrong' }).click();
  await expect(page.getByText(/2 of 20: between/)).toBeVisible();
  await page.getByRole('button', { name: /^Looked at: .*soft/ }).click();
  await expect(page.getByRole('region', { name: 'Delivery HALF-1' }).getByText('soft')).toBeVisible();
});

test('two tablets at the dock: each sees the other’s box, and of two at one box the later is told', async ({
  page,
  browser,
}) => {
  await signInAs(page, 'Wen');
  await bookNote(page, 'TWO-1', ['Freesia,Stern,3,10', 'Freesia,Bow,3,10', 'Iris,Keel,2,10']);
  const second = await (await browser.newContext()).newPage();
  await signInAs(second, 'Bram');
  await Promise.all([page.waitForResponse(/in-hand/), openLot(page, /Freesia ‘Stern’ 30/)]);
  await expect(page.getByRole('heading', { name: 'Freesia ‘Stern’' })).toBeVisible();
  await second.goto('/dock');
  const theirSlip = second.getByRole('region', { name: 'Delivery TWO-1' });
  await expect(theirSlip.getByRole('link', { name: /Stern.*Wen has it/ })).toBeVisible();
  // Both open one box all the same.
  await openLot(second, /Freesia ‘Stern’ 30/);
  await expect(second.getByText('Wen has this box open as well.')).toBeVisible();
  await second.getByRole('radio', { name: 'soft' }).click();
  await page.getByRole('radio', { name: 'hanging' }).click();
  await second.getByRole('button', { name: /^Looked at/ }).click();
  await expect(theirSlip.getByRole('link', { name: /Stern.*soft/ })).toBeVisible();
  await page.getByRole('button', { name: /^Look/ }).click();
  await expect(
    page.getByText(/Bram looked at lot \d+ at \d\d:\d\d: soft. Yours was not logged/),
  ).toBeVisible();
  // And each books and looks at another box at once.
  await openLot(page, /Freesia ‘Bow’ 30/);
  await openLot(second, /Iris ‘Keel’ 20/);
  await expect(page.getByRole('heading', { name: 'Freesia ‘Bow’' })).toBeVisible();
  await expect(second.getByRole('heading', { name: 'Iris ‘Keel’' })).toBeVisible();
  await Promise.all([
    page.getByRole('button', { name: /^Looked at/ }).click(),
    second.getByRole('button', { name: /^Looked at/ }).click(),
  ]);
  await expect(theirSlip.getByRole('link', { name: /look$/ })).toHaveCount(0);
  await second.context().close();
});

test('counted and weighed, measured, photographed, kept for less, claimed with all of it', async ({
  page,
}) => {
  await signInAs(page, 'Bram');
  await bookNote(page, 'ALL-10', ['Scabiosa,Dawn,4,5']);
  await openLot(page, /Scabiosa ‘Dawn’ 20/);
  await page.getByRole('button', { name: 'Count or weigh' }).click();
  await page.getByRole('button', { name: 'One bunch fewer' }).click();
  await page.getByLabel(/weighs, if you/).fill('260');
  await expect(page.getByText(/short of the 20 on the note/)).toBeVisible();
  await page.getByRole('button', { name: 'Log the count' }).click();
  await expect(page.getByRole('button', { name: /^Claim \d+ short/ })).toBeVisible();
  await page.getByRole('radio', { name: 'by weight' }).click();
  await expect(page.getByText(/g a stem, as weighed here/)).toBeVisible();

  await page.getByRole('button', { name: 'Warmth' }).click();
  for (let i = 0; i < 16; i++)
    await page.getByRole('button', { name: 'In the box: one degree warmer' }).click();
  await expect(page.getByText(/box at 20 °C: it ages/)).toBeVisible();
  await page.getByRole('button', { name: /^Log ?, In the box/ }).click();
  await expect(page.getByRole('button', { name: 'Warmth 20 °C' })).toBeVisible();

  await page.getByRole('button', { name: 'Photograph' }).click();
  const picture = await page.evaluate(() => {
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [2400, 1800];
    canvas.getContext('2d')?.fillRect(0, 0, 1200, 900);
    return canvas.toDataURL('image/png').split(',')[1] ?? '';
  });
  await page
    .getByLabel(/^Photograph of lot/)
    .setInputFiles({ name: 'box.png', mimeType: 'image/png', buffer: Buffer.from(picture, 'base64') });
  const shown = page.getByRole('img', { name: /^Photograph 1 of lot/ });
  await expect(shown).toBeVisible();
  // It is there before all of it has come.
  await expect
    .poll(() => shown.evaluate((img: HTMLImageElement) => [img.naturalWidth, img.naturalHeight]))
    .toEqual([1280, 960]);
  await expectNothingSerious(page);

  await page.getByRole('button', { name: 'Keep or refuse' }).click();
  await page.getByRole('button', { name: 'For less …' }).click();
  await page.getByRole('button', { name: /^25 % less/ }).click();
  await expect(page.getByRole('button', { name: 'Keep or refuse reduced price' })).toBeVisible();
  await page.goto('/dock/claims');
  await expect(
    page
      .getByRole('row')
      .filter({ hasText: 'ALL-10' })
      .getByText(/kept at 25 % less/),
  ).toBeVisible();
  const pdf = await page.request.get('/dock/claims/sheet.pdf?delivery=ALL-10');
  expect((await pdf.body()).includes('/DCTDecode')).toBe(true);
});

test('a box for tomorrow is set aside, and a label that is scanned opens its lot before any key does', async ({
  page,
}) => {
  await signInAs(page, 'Tove');
  await bookNote(page, 'DAY-3', ['Carnation,Spile,2,20']);
  await openLot(page, /Carnation ‘Spile’ 40/);
  await page.getByRole('button', { name: 'Another day' }).click();
  await page.getByRole('button', { name: 'Set it aside for tomorrow' }).click();
  const row = page
    .getByRole('region', { name: 'Delivery DAY-3' })
    .getByRole('link', { name: /Carnation ‘Spile’/ });
  await expect(row).toContainText('for Wed 25 Nov');
  const number = (await row.textContent())?.match(/^\d+/)?.[0] ?? '';
  await page.getByRole('link', { name: 'Labels of DAY-3' }).click();
  await expect(page.getByRole('img', { name: new RegExp(`^Code %L${number}`) })).toBeVisible();
  await expectNothingSerious(page);
  await page.getByRole('button', { name: /scan it/ }).click();
  await expect(page.getByRole('heading', { name: 'Carnation ‘Spile’' })).toBeVisible();
  // Read wrong, it opens nothing; its figures are no shortcuts.
  await page.keyboard.type('%L3Z', { delay: 5 });
  await page.keyboard.press('Enter');
  await expect(page.getByText('That code is none of ours, or was read wrong. Scan it again.')).toBeVisible();
  await expect(page).toHaveURL(/\/dock\?lot=/);
});

test('what is to be used first at the dock is offered first where arrangements are made', async ({
  page,
}) => {
  await signInAs(page, 'Wen');
  await page.goto('/make');
  const stock = page.getByRole('region', { name: 'From stock' }).getByRole('listitem');
  const last = /^[^’]+’/.exec((await stock.last().textContent()) ?? '')?.[0] ?? '';
  await page.goto('/dock');
  await openLot(page, new RegExp(last));
  await expect(page.getByRole('heading', { name: new RegExp(`^${last}`) })).toBeVisible();
  await page.getByRole('button', { name: /^Keep or refuse/ }).click();
  await page.getByRole('button', { name: 'Use first' }).click();
  await expect(page.getByRole('button', { name: 'Keep or refuse use first' })).toBeVisible();
  await page.goto('/make');
  await expect(stock.first()).toContainText(last);
  await expect(stock.first()).toContainText('use first');
});
