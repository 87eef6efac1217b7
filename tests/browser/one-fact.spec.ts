import { expect, type Page } from '@playwright/test';
import { bookNote, signInAs, test } from '../support/shop-floor';

interface LotFact {
  readonly name: string;
  readonly stems: number;
  readonly pail: string | null;
  readonly days: string | null;
}

const TODAY = '2026-11-24T12:00:00Z';
/** "Tue 1 Dec". */
const CARD_DAY = new Intl.DateTimeFormat('en-GB', {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  timeZone: 'UTC',
});
const DAYS = /(about \d+ days?|\d+ to (?:more than )?\d+ days|more than \d+ days)/;
const first = (words: string | null, pattern: RegExp): string => pattern.exec(words ?? '')?.[1] ?? '';

/** Every lot in water as Make tells it, in its order. */
async function atMake(page: Page): Promise<LotFact[]> {
  await page.goto('/make');
  const rows = page.getByRole('region', { name: 'From stock' }).getByRole('listitem');
  await expect(rows.first()).toBeVisible();
  return (await rows.allInnerTexts()).map((words) => ({
    name: first(words, /^([^’]+’)/),
    stems: Number(first(words, /(\d+) in pail/)),
    pail: first(words, /in pail (\S+)/),
    days: first(words, DAYS),
  }));
}

/** The number that stands in the band beside a place. */
async function inBand(page: Page, place: string): Promise<number> {
  const words = await page
    .getByRole('navigation', { name: 'Places' })
    .getByRole('link', { name: new RegExp(`^${place}`) })
    .textContent();
  return Number(first(words, /(\d+)/) || 0);
}

/** What Make promises of the arrangement at hand, in days. */
async function promisedAtMake(page: Page): Promise<number> {
  await expect(page.getByText(/times in 100/)).toBeVisible();
  return Number(first(await page.getByText(/^Promise \d+ days?/).innerText(), /Promise (\d+)/));
}

test('of every lot: stems, pail, days left and the order they go in, wherever they stand', async ({
  page,
}) => {
  await signInAs(page, 'Wen');
  const goesFirst = page
    .getByRole('heading', { name: 'Should go first' })
    .locator('..')
    .getByRole('listitem');
  await expect(goesFirst.first()).toBeVisible();
  const onBench = await goesFirst.allInnerTexts();
  const stock = await atMake(page);
  expect(stock.length).toBe(await inBand(page, 'Make'));
  expect(
    onBench.map((w) => [first(w, /^([^’]+’)/), Number(first(w, /(\d+) stems/)), first(w, DAYS)]),
  ).toEqual(stock.slice(0, onBench.length).map(({ name, stems, days }) => [name, stems, days]));
  await bookNote(page, 'FACT-1', ['Freesia,Sluice,3,10', 'Iris,Jetty,2,10']);
  const links = page.locator('a[href^="/dock?lot="]');
  await expect(links).toHaveCount(stock.length + 2);
  const dock = await Promise.all(
    (await links.all()).map(async (l) => ({
      href: await l.getAttribute('href'),
      words: await l.innerText(),
    })),
  );
  expect(dock.filter(({ words }) => /look$/.test(words)).length).toBe(await inBand(page, 'Dock'));
  const quick = page.getByRole('dialog', { name: 'Find or do' });
  for (const { name, stems, pail, days } of stock) {
    const here = dock.find(({ words }) => words.includes(name));
    const number = first(here?.words ?? '', /^(\d+)/);
    expect([name, Number(first(here?.words ?? '', /’\s+(\d+)/))]).toEqual([name, stems]);
    await page.goto(here?.href ?? '');
    const means = page.getByRole('region', { name: 'What it means' });
    expect([name, first(await means.innerText(), /a single stem (.* days?)/)]).toEqual([name, days]);
    await expect(page.getByText(`lot ${number} · ${stems} stems`)).toBeVisible();
    await page.keyboard.press('/');
    await quick.getByLabel('A few words').fill(`where ${number}`);
    await expect(quick.getByRole('option').first()).toContainText(`${stems} stems, pail ${pail}`);
    await page.keyboard.press('Escape');
    await page.goto('/pails');
    await page.getByRole('button', { name: new RegExp(`^${pail} `) }).click();
    const inPail = page.getByRole('region', { name: `Pail ${pail}` });
    await expect(inPail.getByText(`${name}, lot ${number}, ${stems} stems`)).toBeVisible();
  }
  await page.goto('/pails');
  const ready = page.getByRole('region', { name: 'ready, upside down' }).getByRole('button');
  expect(await ready.count()).toBe(await inBand(page, 'Pails'));
});

test('what Make promises is what the card leads with, as a draft, issued and in print', async ({ page }) => {
  await signInAs(page, 'Wen');
  await page.goto('/make');
  for (const kind of ['Gerbera', 'Carnation'])
    for (let i = 0; i < 3; i++)
      await page
        .getByRole('button', { name: `One more ${kind}`, exact: true })
        .last()
        .click();
  await page.getByRole('textbox', { name: 'Called' }).fill('Bridge and back');
  const days = await promisedAtMake(page);
  await page.getByRole('button', { name: /^Make it/ }).click();
  await page.waitForURL(/send-off/);
  const lead = `Lovely until at least ${CARD_DAY.format(Date.parse(TODAY) + days * 86_400_000)}`;
  const card = page.getByRole('region', { name: 'The card' });
  await expect(card.getByText(lead)).toBeVisible();
  await page.getByRole('button', { name: /^Issue/ }).click();
  await expect(card.getByText(lead)).toBeVisible();
  await page.getByRole('link', { name: 'Print it' }).click();
  await expect(page.getByRole('heading', { name: 'Bridge and back' })).toBeVisible();
  await expect(page.getByText(lead)).toBeVisible();
});

test('what was found wrong is one fact at the dock, on the claim and its sheet, in the record and as the lot goes on', async ({
  page,
}) => {
  await signInAs(page, 'Wen');
  await bookNote(page, 'FACT-2', ['Stock,Gannet,4,10']);
  await page.getByRole('link', { name: /Stock ‘Gannet’ 40/ }).click();
  const title = await page.getByText(/^lot \d+ · 40 stems/).innerText();
  const number = first(title, /lot (\d+)/);
  const lotPage = page.url();
  await page.getByRole('button', { name: 'What is wrong' }).click();
  await page.getByRole('radio', { name: 'grey mould' }).click();
  for (let i = 0; i < 5; i++) await page.getByRole('button', { name: 'One more has it' }).click();
  await page.getByRole('button', { name: 'Log it' }).click();
  const found = page.getByRole('list', { name: 'Found wrong' });
  const means = page.getByRole('region', { name: 'What it means' });
  await expect(means).toContainText('grey mould');
  const atDock = first(await means.innerText(), /(6 of 20: between \d+ and \d+ %)/);
  expect(atDock).not.toBe('');
  await expect(found).toContainText('grey mould');
  await page.getByRole('button', { name: 'Claim 12', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Claimed' })).toBeDisabled();

  await page.goto('/dock/claims');
  const claim = page.getByRole('row').filter({ hasText: 'FACT-2' });
  await expect(claim).toContainText(`12 of 40 stems. grey mould: ${atDock}`);
  const sheet = await (await page.request.get('/dock/claims/sheet.csv?delivery=FACT-2')).text();
  const [head = [], row = []] = sheet.split('\r\n').map((l) => l.split(','));
  const cell = (name: string) => row[head.indexOf(name)];
  expect([cell('stems'), cell('delivered'), cell('what')]).toEqual(['12', '40', `grey mould: ${atDock}`]);

  await page.goto(`/desk?lot=${number}`);
  const record = page.getByRole('main');
  await expect(record.getByText(`Lot ${number}: grey mould, ${atDock}`)).toBeVisible();
  await expect(
    record.getByText(new RegExp(`Claim \\d+ opened: 12 stems, grey mould: ${atDock}`)),
  ).toBeVisible();
  await expect(record.getByText('Booked in FACT-2 from Norrholt Growers, 1 lot, 40 stems')).toBeVisible();

  await page.goto('/labels');
  const label = page.getByRole('listitem').filter({ hasText: number }).filter({ hasText: '‘Gannet’' });
  await expect(label).toContainText('cut Sun 22 Nov');
  // Four of them binned: every place has 36 then, and the claim is still of what came.
  await page.goto(lotPage);
  await page.keyboard.press('/');
  const quick = page.getByRole('dialog', { name: 'Find or do' });
  await quick.getByLabel('A few words').fill(`bin 4 of ${number} broken`);
  await quick.getByRole('option', { name: /^Bin 4 of Stock/ }).click();
  await page.getByRole('dialog', { name: 'One moment' }).getByRole('button', { name: 'Bin 4' }).click();
  await expect(page.getByText(/^Your last: Binned 4 of lot/)).toBeVisible();
  await expect(page.getByText(`lot ${number} · 36 stems, sold as 4 × 10`)).toBeVisible();
  await expect(page.getByRole('link', { name: /‘Gannet’ 36 of 40/ })).toBeVisible();
  await page.goto('/dock/claims');
  await expect(claim).toContainText('12 of 40 stems');
});
