import { pdfPages } from '../support/pdf-text';
import { expect } from '@playwright/test';
import { expectNothingSerious, signInAs, signInAsManager, takeBack, test } from '../support/shop-floor';

test('many pails by a relay: planned, begun, scrubbed and put in, the same on another tablet, ended', async ({
  page,
  browser,
}) => {
  await signInAsManager(page);
  await page.goto('/desk/water');
  await page.getByLabel('Available chlorine when new, %').fill('5');
  await page.getByLabel('Date on the bottle').fill('24/05/2026');
  await page.getByLabel('A litre of it costs, EUR').fill('2,50');
  await page.getByRole('button', { name: 'Sanitise with it' }).click();
  await expect(page.getByText('Doses follow it from now on.')).toBeVisible();

  await page.goto('/pails');
  const together = page.getByRole('region', { name: 'Wash many together' });
  await together.getByRole('button', { name: /^Wash \d+ together/ }).click();
  await together.getByRole('radio', { name: 'Fill them all' }).click();
  await expect(together.getByText('in one pass')).toBeVisible();
  await together.getByRole('radio', { name: 'Pour it on' }).click();
  await expect(together.getByText('in 2 passes')).toBeVisible();
  // The same sum for the others: a fresh batch each time is what filling all at once is.
  await expect(together.getByText(/mL of thick household bleach in \d+ L, 0\.\d\d\sEUR/)).toBeVisible();
  await expect(together.getByText(/A fresh batch for each pass: .*EUR/)).toBeVisible();
  // Scrubbing and the relay, back from when they are wanted.
  await together.getByLabel('Ready by').fill('06:40');
  await expect(together.getByText(/^Begin by 0[3-6]:\d\d$/)).toBeVisible();
  await together.getByRole('button', { name: 'Begin' }).click();

  const relay = page.getByRole('region', { name: 'The relay' });
  const first = relay.getByRole('listitem').first();
  // Of the demo's pails some are scrubbed already: then the first pass goes straight in.
  await expect(first.getByRole('button', { name: /^(Scrubbed|In the solution)/ })).toBeVisible();
  const scrubbed = first.getByRole('button', { name: /^Scrubbed/ });
  if (await scrubbed.isVisible()) await scrubbed.click();
  // At five months a bottle of 5 % is weaker than new: more goes in than 4 mL for each litre.
  const [, ml] = /(\d+) mL of thick/.exec((await first.textContent()) ?? '') ?? [];
  expect(Number(ml)).toBeGreaterThan(0);
  await first.getByRole('button', { name: /^In the solution/ }).click();
  await expect(first.getByText(/\d+:\d\d/)).toBeVisible();
  const secondPass = relay.getByRole('listitem').nth(1);
  await expect(secondPass).toContainText('Pour it on: about');
  await first.getByText('Read a strip …').click();
  await first.getByRole('textbox', { name: 'Strip reads, ppm' }).fill('60');
  await first.getByRole('button', { name: 'It reads 60 ppm' }).click();
  await expect(first.getByText('60 ppm')).toBeVisible();
  await expect(secondPass).toContainText(/Pour it on, and \d+ mL of thick household bleach more/);
  await expectNothingSerious(page);

  const other = await browser.newContext();
  const second = await other.newPage();
  await signInAs(second, 'Bram');
  await second.goto('/pails');
  const theirs = second.getByRole('region', { name: 'The relay' });
  await expect(
    theirs
      .getByRole('listitem')
      .first()
      .getByText(/\d+:\d\d/),
  ).toBeVisible();
  await theirs
    .getByRole('listitem')
    .first()
    .getByRole('button', { name: /^Out, drained/ })
    .click();
  await expect(theirs.getByText(/has not stood half its time/)).toBeVisible();
  await theirs.getByRole('button', { name: 'End it here' }).click();
  await expect(theirs).toHaveCount(0);
  await expect(relay).toHaveCount(0);
  await other.close();
});

test('whom the shop calls when somebody is hurt stands beside the caution, and until it is set that it is not', async ({
  page,
}) => {
  await signInAsManager(page);
  const openScrubbed = async () => {
    await page.goto('/pails');
    await page
      .getByRole('region', { name: 'under the bench, to wash' })
      .getByRole('button', { name: /scrubbed$/ })
      .first()
      .click();
  };
  await openScrubbed();
  const pail = page.getByRole('region', { name: /^Pail / });
  await expect(pail.getByText('The shop’s own numbers are not set yet')).toBeVisible();
  await page.goto('/desk/shop');
  await page.getByLabel('When somebody is hurt, call').fill('ambulance 112, box by the sink');
  await page.getByRole('button', { name: 'Save it' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await openScrubbed();
  await expect(pail.getByText('Somebody is hurt: ambulance 112, box by the sink')).toBeVisible();
});

test('a look at the water is put together with what was predicted, and taken back', async ({ page }) => {
  await signInAs(page, 'Wen');
  await page.goto('/pails');
  await page.getByRole('region', { name: 'with water' }).getByRole('button').first().click();
  const pail = page.getByRole('region', { name: /^Pail / });
  await expect(pail.getByText('by the model', { exact: true })).toBeVisible();
  await pail.getByRole('button', { name: 'cloudy' }).click();
  await expect(pail.getByText('by the model and your look (cloudy)')).toBeVisible();
  await expectNothingSerious(page);
  await takeBack(page);
  await expect(pail.getByText('by the model', { exact: true })).toBeVisible();
});

test('a meter’s reading and water put to it count for a pail, and it says what they changed', async ({
  page,
}) => {
  await signInAs(page, 'Wen');
  await page.goto('/pails');
  await page.getByRole('region', { name: 'with water' }).getByRole('button').first().click();
  const pail = page.getByRole('region', { name: /^Pail / });
  await pail.getByText('Read a strip or a meter').click();
  await pail.getByRole('button', { name: 'It reads so' }).click();
  await expect(pail.getByText('Type at least one of what was read.')).toBeVisible();
  await pail.getByLabel('pH').fill('7.2');
  await pail.getByRole('button', { name: 'It reads so' }).click();
  await expect(
    pail.getByText(/Put together with what was told last: its dose \d+ %, not 100 %/),
  ).toBeVisible();
  await pail.getByText('Top up with plain water').click();
  await pail.getByRole('button', { name: /^Put .* to it$/ }).click();
  await expect(pail.getByText(/Its food is down to \d+ % of its dose/)).toBeVisible();
  await expectNothingSerious(page);
  await page.goto('/desk');
  await expect(page.getByText(/of plain water put to pail/).first()).toBeVisible();
  await expect(page.getByText(/Read in the water of pail .*: pH 7.2/).first()).toBeVisible();
});

test('a pail that is not sanitised is filled with a reason, which stands in the record', async ({ page }) => {
  await signInAs(page, 'Wen');
  await page.goto('/pails');
  const toWash = page.getByRole('region', { name: 'under the bench, to wash' });
  await toWash
    .getByRole('button', { name: /scrub$/ })
    .first()
    .click();
  const pail = page.getByRole('region', { name: /^Pail / });
  await pail.getByText('Fill it as it is').click();
  await pail.getByRole('button', { name: 'Fill it unsanitised' }).click();
  await expect(pail.getByText('Say why; it stands in the record.')).toBeVisible();
  await pail.getByLabel(/not sanitised/).fill('the van is at the door');
  await pail.getByRole('button', { name: 'Fill it unsanitised' }).click();
  await expect(pail.getByText('hazy').first()).toBeVisible();
  await expect(pail.getByText(/Due for a change now: its predicted count/)).toBeVisible();
  await page.goto('/desk');
  await expect(page.getByText(/the van is at the door/).first()).toBeVisible();
  await page.goto('/desk/proof');
  await expect(page.getByText(/^Gaps: .*filled unsanitised \(\d+\)/)).toBeVisible();
  await expect(page.getByRole('row', { name: /the van is at the door.*filled unsanitised/ })).toBeVisible();
  const period = page.getByRole('search', { name: 'The period' });
  await period.getByLabel('To').fill('3/11');
  await period.getByLabel('To').press('Tab');
  await period.getByRole('button', { name: 'Show it' }).click();
  await expect(period.getByText('It begins after it ends.')).toBeVisible();
  await expect(period.getByLabel('From')).toBeFocused();
  await expectNothingSerious(page);
  const csv = (await (await page.request.get('/desk/proof.csv')).text()).trim().split('\n');
  expect(csv[0]).toBe('at,pail,what,who,how,contact_minutes,hours_of_use,gap');
  expect(csv.at(-1)).toMatch(/,filled,Wen,.*the van is at the door.*,filled unsanitised$/);
  const told = /(\d+) lines in all/.exec(await page.locator('main').innerText());
  expect(csv).toHaveLength(Number(told?.[1]) + 1);
  // The same on paper, read back by another program: every line of it, its gaps, its sums.
  const pages = pdfPages(await (await page.request.get('/desk/proof.pdf')).body());
  const paper = pages.join(' ');
  expect(paper).toContain(`${told?.[1]} lines in all`);
  expect(paper).toMatch(/Gaps: .*filled unsanitised \(\d+\)/);
  expect(paper).toMatch(/filled [^.]*the van is at the door Wen filled unsanitised/);
  expect(paper.match(/ (sanitised|filled|changed|looked at) /g)?.length).toBeGreaterThanOrEqual(
    Number(told?.[1]),
  );
  expect(pages.at(-1)).toContain(`page ${pages.length} of ${pages.length}`);
});

test('the next van’s pails are kept for it overnight; what goes into a pail is told by the scoop', async ({
  page,
}) => {
  await signInAs(page, 'Wen');
  await page.goto('/pails');
  const van = page.getByRole('region', { name: 'The next van' });
  await expect(van.getByText(/about \d+ pails/)).toBeVisible();
  await van.getByRole('button', { name: /^Keep/ }).click();
  await expect(van.getByRole('button', { name: /kept for it/ })).toBeVisible();
  const ready = page.getByRole('region', { name: 'ready, upside down' });
  await ready.getByRole('button', { name: /kept$/ }).first().click();
  const pail = page.getByRole('region', { name: /^Pail / });
  await expect(pail.getByText(/^Lee Shore food: \d+ mL \(.*× scoop\)$/)).toBeVisible();
  await pail.getByRole('radio', { name: 'Bulb food' }).click();
  await expect(pail.getByText(/^Lee Shore for bulbs: \d+ × sachet/)).toBeVisible();
  await expectNothingSerious(page);
  await pail.getByRole('button', { name: /^Fill pail/ }).click();
  const question = page.getByRole('dialog', { name: 'One moment' });
  await expect(question).toContainText('is kept for the van of');
  await question.getByRole('button', { name: 'No, leave it' }).click();
  await van.getByRole('button', { name: /let (them|it) go/ }).click();
  await expect(van.getByRole('button', { name: /^Keep/ })).toBeVisible();
});

test('what water cost is told by week, pail and lot; a pail tells what stood in it and how its count went', async ({
  page,
}) => {
  await signInAs(page, 'Tove');
  await page.goto('/pails');
  await page.getByRole('link', { name: 'What water cost' }).click();
  await expect(page.getByText(/ails and their water cost (nothing|about)/)).toBeVisible();
  await expect(page.getByRole('img', { name: /^Stem-days lost in the week/ })).toBeVisible();
  const brought = page.getByRole('table', { name: 'What more would have brought' });
  await expect(brought.getByRole('row')).toHaveCount(3);
  await expectNothingSerious(page);
  await page.getByRole('link', { name: 'Back to the pails' }).click();
  await page.getByRole('region', { name: 'with water' }).getByRole('button').first().click();
  await page.getByRole('link', { name: 'What stood in it, and its count' }).click();
  await expect(page.getByRole('heading', { level: 1, name: /^Pail / })).toBeVisible();
  await expect(
    page.getByRole('img', { name: /^Predicted count of bacteria in its \d+ waters/ }),
  ).toBeVisible();
  await expectNothingSerious(page);
  await page.getByRole('table', { name: 'What stood in it' }).getByRole('link').first().click();
  await page.waitForURL('**/dock?lot=**');
  // And the other way round: where that lot was, with its pail.
  await page.getByRole('link', { name: 'Its record' }).click();
  const where = page.getByRole('table', { name: 'Where it stood' });
  await expect(where.getByText(/until now/).first()).toBeVisible();
  await where
    .getByRole('link', { name: /^pail / })
    .last()
    .click();
  await expect(page.getByRole('heading', { level: 1, name: /^Pail / })).toBeVisible();
  await page.goto('/pails/7');
  await expect(page.getByText('There is nothing here')).toBeVisible();
});

test('several pails are chosen by tap and by label, and go into the solution together; a knife is cleaned on its clock', async ({
  page,
}) => {
  await signInAs(page, 'Wen');
  await page.goto('/pails');
  const rack = page.getByRole('region', { name: 'under the bench, to wash' });
  // Which stand there, and whether one is scrubbed yet, other jobs in this shop have settled.
  const toWash = rack.getByRole('button', { name: /scrub(bed)?$/ });
  await expect(toWash.nth(1)).toBeVisible();
  const tapped = toWash.first();
  const name = ((await toWash.last().textContent()) ?? '').replace(/ ?scrub(bed)?$/, '');
  await page.goto('/labels?pails');
  const label = page.getByRole('listitem').filter({ has: page.getByText(name, { exact: true }) });
  const code = (await label.getByText(/^%P/).textContent()) ?? '';
  await page.goto('/pails');
  await rack.getByRole('button', { name: 'Choose several' }).click();
  const several = page.getByRole('region', { name: 'Several pails' });
  await tapped.click();
  await expect(several.getByRole('heading', { name: '1 chosen' })).toBeVisible();
  // A reader types what its label says.
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await page.keyboard.type(code, { delay: 5 });
  await page.keyboard.press('Enter');
  await expect(several.getByRole('heading', { name: '2 chosen' })).toBeVisible();
  await expectNothingSerious(page);
  const scrubbed = several.getByRole('button', { name: /: scrubbed$/ });
  if (await scrubbed.isVisible()) await scrubbed.click();
  await several.getByRole('button', { name: /^These 2: in the solution/ }).click();
  await expect(rack.getByRole('button', { name: /in solution$/ })).not.toHaveCount(0);
  await expect(several.getByRole('button', { name: /^These 2: out, drained/ })).toBeVisible();
  await several.getByRole('button', { name: 'Put them down' }).click();
  await expect(page.getByRole('region', { name: /^Pail / })).toBeVisible();

  const knives = page.getByRole('region', { name: 'Knives and the like' });
  await knives.getByRole('button', { name: 'Knives and the like' }).click();
  const tool = knives.getByRole('listitem').filter({ hasText: 'Wen’s knife' });
  await expect(tool.getByText('never cleaned in the record')).toBeVisible();
  await tool.getByRole('button', { name: 'Wen’s knife cleaned' }).click();
  await expect(knives.getByText(/Wen’s knife.*due in 12 h/)).toBeVisible();
  await expectNothingSerious(page);
});
