import path from 'node:path';
import { expect } from '@playwright/test';
import {
  bookNote,
  expectNothingSerious,
  openPersonPanel,
  readNote,
  signInAs,
  signInAsManager,
  takeBack,
  test,
} from '../support/shop-floor';

const MESSY_NOTE = path.join(import.meta.dirname, '../fixtures/delivery-note-messy.csv');

test('a messy morning: what was read, guessed and to be decided; what was chosen is remembered', async ({
  page,
}) => {
  await signInAs(page, 'Bram');
  await readNote(page, MESSY_NOTE);
  const note = page.getByRole('region', { name: 'Delivery note' });
  await expect(note.getByRole('heading', { name: '11 lines read' })).toBeVisible();
  await expect(note.getByText('2 read, 6 guessed, 1 kept aside, 2 to decide')).toBeVisible();
  await expect(note.getByText(/says 412.35 in all; its lines come to 342.14/)).toBeVisible();
  await expect(page.getByLabel('Supplier').and(page.locator('input'))).toHaveValue('Pellinor Air Flowers');
  await expect(page.getByLabel('Delivery', { exact: true })).toHaveValue('PA-20931');
  await note.getByText('4 rows of the file set aside').click();
  await expect(note.getByText('a total, compared with the lines')).toBeVisible();
  await expectNothingSerious(page);
  // On a phone nothing runs off its side.
  await page.setViewportSize({ width: 360, height: 780 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(360);
  await page.setViewportSize({ width: 1280, height: 800 });

  const book = note.getByRole('button', { name: /to decide first|Book in/ });
  await expect(book).toHaveText('2 to decide first');
  await book.click();
  await expect(page.locator('tr[data-lacks] :focus')).toBeVisible();
  // The repeated roses are left out until somebody puts them back.
  await expect(note.getByRole('button', { name: 'put back line 1 (row 13)' })).toBeVisible();
  // Written over by hand, a line is settled.
  await page.getByLabel('Stems of line 3 (row 5)').fill('30');
  const stranger = page.getByRole('combobox', { name: 'Species of line 10 (row 12)' });
  await stranger.click();
  await page.getByRole('option', { name: 'Scabiosa' }).click();
  await note.getByRole('button', { name: /^Book in 10 lots, \d+ stems, 1 kept aside/ }).click();

  const slip = page.getByRole('region', { name: 'Delivery PA-20931' });
  await expect(slip.getByRole('link', { name: /look$/ })).toHaveCount(10);
  await slip.getByText('1 line left out').click();
  await expect(slip.getByText('says the same as line 1 (row 3)')).toBeVisible();
  await expect(slip.getByRole('link', { name: /Alstroemeria ‘Driftwood’ 30/ })).toBeVisible();

  // The next note of theirs: the stranger has a name now, and the same note is not booked twice.
  await readNote(page, MESSY_NOTE);
  await expect(note.getByText('3 read, 6 guessed, 1 kept aside, 1 to decide')).toBeVisible();
  await note.getByRole('button', { name: 'Keep line 3 (row 5) as it stands' }).click();
  await note.getByRole('button', { name: /^Book in 10 lots/ }).click();
  await expect(note.getByRole('alert')).toContainText('booked in already');
  // What was chosen can be forgotten; the name is asked about again.
  await note.getByRole('button', { name: /as last time: forget it for line 10/ }).click();
  await expect(stranger).toBeVisible();
  await expect(note.getByRole('button', { name: '1 to decide first' })).toBeVisible();
});

test('a few lines typed at the door are read like a note', async ({ page }) => {
  await signInAs(page, 'Tove');
  await page.goto('/dock');
  await page.getByText('No file? Type or paste its lines').click();
  await page.getByLabel('Lines of the delivery').fill('6x25 rose 60 deep red, cut 22/11\n2x10 freesia');
  await page.getByRole('button', { name: 'Read them' }).click();
  await expect(page.getByRole('heading', { name: '2 lines read' })).toBeVisible();
  await expect(page.getByText(/no cut date: 2 days before the note is a guess/)).toBeVisible();
  await page.getByLabel('Supplier').and(page.locator('input')).fill('Skerrow Market');
  await page.getByLabel('Delivery', { exact: true }).fill('STALL-1');
  await page.getByRole('button', { name: 'Book in 2 lots, 170 stems' }).click();
  const slip = page.getByRole('region', { name: 'Delivery STALL-1' });
  await expect(slip.getByRole('link', { name: /look$/ })).toHaveCount(2);
});

test('what is wrong is counted in a few stems, claimed with its clock, sent, and credited', async ({
  page,
}) => {
  await signInAs(page, 'Wen');
  await bookNote(page, 'FLAW-1', ['Stock,Gannet,4,10']);
  await page.getByRole('link', { name: /Stock ‘Gannet’ 40/ }).click();
  await expect(page.getByRole('heading', { name: 'Stock ‘Gannet’' })).toBeVisible();
  const means = page.getByRole('region', { name: 'What it means' });
  await expect(means.getByText('Accept.')).toBeVisible();
  await page.getByRole('button', { name: 'What is wrong' }).click();
  await page.getByRole('radio', { name: 'grey mould' }).click();
  for (let i = 0; i < 5; i++) await page.getByRole('button', { name: 'One more has it' }).click();
  await expect(page.getByText(/6 of 20: between \d+ and \d+ % of the lot/)).toBeVisible();
  await expectNothingSerious(page);
  await page.getByRole('button', { name: 'Log it' }).click();
  await expect(means.getByText('Claim:')).toBeVisible();
  await expect(page.getByRole('list', { name: 'Found wrong' }).getByText('grey mould')).toBeVisible();
  await page.getByRole('button', { name: 'Claim 12', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Claimed' })).toBeDisabled();

  await page.goto('/dock/claims');
  const claim = page.getByRole('row').filter({ hasText: 'FLAW-1' });
  await expect(claim.getByText(/12 of 40 stems. grey mould: 6 of 20/)).toBeVisible();
  await expect(claim.getByText(/open, \d+ h \d\d left/).filter({ visible: true })).toBeVisible();
  await expectNothingSerious(page);
  const csv = await page.request.get('/dock/claims/sheet.csv?delivery=FLAW-1');
  expect(await csv.text()).toMatch(/FLAW-1,1,2,Stock ‘Gannet’,grey mould: 6 of 20/);
  const pdf = await page.request.get('/dock/claims/sheet.pdf');
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');

  await claim.getByRole('button', { name: /^Move claim \d+ on$/ }).click();
  await expectNothingSerious(page);
  await page.getByRole('button', { name: 'Sent', exact: true }).click();
  await expect(claim.getByText(/^sent, /).filter({ visible: true })).toBeVisible();
  await expect(page.getByText('the manager settles it')).toBeVisible();
  await (await openPersonPanel(page)).getByRole('button', { name: 'Change hands' }).click();
  await page.waitForURL('**/sign-in');
  await signInAsManager(page);
  await page.goto('/dock/claims');
  await claim.getByRole('button', { name: /^Move claim \d+ on$/ }).click();
  const credited = page.getByLabel(/Credited for claim/);
  await credited.fill('a lot');
  await page.getByRole('button', { name: 'Credited' }).click();
  await expect(page.getByText('That is not a number.')).toBeVisible();
  await expect(credited).toBeFocused();
  await credited.fill('4,50');
  await page.getByRole('button', { name: 'Credited' }).click();
  await expect(claim.getByText('credited 4.50').filter({ visible: true })).toBeVisible();
  await expect(claim.getByRole('button')).toHaveCount(0);
});

test('stems that came in another state are made a lot of their own', async ({ page }) => {
  await signInAs(page, 'Tove');
  await bookNote(page, 'SPLIT-1', ['Freesia,Bowline,3,10']);
  await page.getByRole('link', { name: /Freesia ‘Bowline’ 30/ }).click();
  await expect(page.getByRole('heading', { name: 'Freesia ‘Bowline’' })).toBeVisible();
  await page.getByRole('button', { name: 'Bin, split, join' }).click();
  for (let i = 0; i < 9; i++) await page.getByRole('button', { name: 'One more', exact: true }).click();
  await page.getByRole('button', { name: 'a lot of their own' }).click();
  const slip = page.getByRole('region', { name: 'Delivery SPLIT-1' });
  await expect(slip.getByRole('link', { name: /Freesia ‘Bowline’ 20/ })).toBeVisible();
  await expect(slip.getByRole('link', { name: /Freesia ‘Bowline’ 10/ })).toBeVisible();
});

test('the logger that travelled with a delivery tells how much of its life is gone, and is taken back', async ({
  page,
}) => {
  await signInAs(page, 'Wen');
  await bookNote(page, 'LOG-1', ['Rose,Gangway,2,10']);
  await page.getByRole('link', { name: /Rose ‘Gangway’ 20/ }).click();
  await expect(page.getByRole('heading', { name: 'Rose ‘Gangway’' })).toBeVisible();
  const means = page.getByRole('region', { name: 'What it means' });
  const used = async (): Promise<number> =>
    Number(
      /About (\d+)\s%/.exec((await means.getByText(/of a usual life is used/).textContent()) ?? '')?.[1],
    );
  const before = await used();
  const start = Date.parse('2026-11-22T08:00:00Z');
  const rows = Array.from(
    { length: 46 },
    (_, h) => `${new Date(start + h * 3_600_000).toISOString()},${h < 20 ? 68 : 39}`,
  );
  const logger = (name: string, lines: readonly string[]) => ({
    name,
    mimeType: 'text/csv',
    buffer: Buffer.from(['time,temp (°F)', ...lines].join('\n')),
  });
  const file = page.getByLabel('Logger of LOG-1, CSV');
  await file.setInputFiles(logger('letter.csv', ['no,reading']));
  await expect(page.getByText(/has not one row that could be read. Nothing was changed/)).toBeVisible();
  await file.setInputFiles(logger('trip.csv', [...rows, 'never,mind']));
  await expect(
    page.getByText(/46 readings over 45 h, in °F; warmest 20.0 °C, 20 h at 10 °C or more; 1 rows left out/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Use it for 1 lots' }).click();
  await expect(page.getByText(/Used: their ages go by it now/)).toBeVisible();
  await expect.poll(used).toBeGreaterThan(before + 3);
  await takeBack(page);
  await expect.poll(used).toBe(before);
});

test('stems of two lots of one line are put together again, and parted by taking it back', async ({
  page,
}) => {
  await signInAs(page, 'Tove');
  await bookNote(page, 'JOIN-1', ['Iris,Breakwater,3,10', 'Iris,Breakwater,2,10']);
  await page.getByRole('link', { name: /Iris ‘Breakwater’ 20/ }).click();
  await expect(page.getByText(/ 20 stems, sold as 2 × 10/)).toBeVisible();
  await page.getByRole('button', { name: 'Bin, split, join' }).click();
  await page.getByRole('button', { name: /put to lot \d+, 30 stems/ }).click();
  const slip = page.getByRole('region', { name: 'Delivery JOIN-1' });
  await expect(slip.getByRole('link', { name: /Iris ‘Breakwater’ 50/ })).toBeVisible();
  await takeBack(page);
  await expect(slip.getByRole('link', { name: /Iris ‘Breakwater’ 20/ })).toBeVisible();
});
