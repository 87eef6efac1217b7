import { expect } from '@playwright/test';
import {
  bookNote,
  expectNothingSerious,
  sayYes,
  signInAs,
  takeBack,
  takeInHand,
  test,
} from '../support/shop-floor';

test('roses that need six pails: dealt in one tap, at different steps, one portion rescued, all of it taken back', async ({
  page,
}) => {
  await signInAs(page, 'Wen');
  await bookNote(page, 'SIX-1', ['Rose,Long Mole,16,20']);
  await takeInHand(page, /Rose ‘Long Mole’ 320/);
  const whole = page.getByRole('article', { name: /^Rose, lot \d+$/ }).filter({ hasText: 'Long Mole' });
  for (const done of ['Unpacked', 'Stripped', 'Handholds clear', 'Cut'])
    await whole.getByRole('button', { name: new RegExp(`^${done}`) }).click();
  const dealt = whole.getByRole('group', { name: 'Into these pails' });
  await expect(dealt.getByRole('listitem')).toHaveCount(6);
  const names = await dealt.getByRole('listitem').locator('strong').allTextContents();
  await expectNothingSerious(page);
  await whole.getByRole('button', { name: 'Standing in 6 pails' }).click();
  const next = page.getByRole('complementary', { name: 'Next' });
  const drinking = (portions: number) =>
    next.getByRole('link', {
      name: new RegExp(`‘Long Mole’, lot \\d+, ${portions} portions.*drinking`, 's'),
    });
  // One clock to whoever hears it, for all six.
  await expect(drinking(6)).toHaveCount(1);

  await test.step('one of the six hangs, and is rescued while the others drink on', async () => {
    await page.getByRole('link', { name: /Rose ‘Long Mole’ lot \d+·3/ }).click();
    const third = page.getByRole('article', { name: /^Rose, lot \d+·3$/ });
    await third.getByRole('button', { name: 'It has had its time' }).click();
    await expect(page.getByText(/of 2 h.* may hang again/)).toBeVisible();
    await sayYes(page);
    await third.getByRole('button', { name: 'Hanging' }).click();
    await third.getByRole('button', { name: 'They hang: what now' }).click();
    await expect(third.getByRole('heading', { level: 2 })).toContainText('just-boiled water');
    await expect(drinking(5)).toHaveCount(1);
    await expectNothingSerious(page);
  });

  await test.step('the racks say what stands where, and how much', async () => {
    await page.goto('/pails');
    await page.getByRole('button', { name: new RegExp(`^${names[0]} `) }).click();
    await expect(
      page.getByRole('region', { name: `Pail ${names[0]}` }).getByText(/‘Long Mole’, lot \d+·\d, 5\d stems/),
    ).toBeVisible();
  });

  await test.step('each tap is taken back in turn, the six pails stand clean again, and it can be done again', async () => {
    await page.goto('/bench');
    await takeBack(page);
    await expect(page.getByText(/^Taken back: Lot \d+·3, looked back: hanging/)).toBeVisible();
    // What is next to be taken back is said before.
    await expect(page.getByText(/Your last: Lot \d+·3, into warm water\. Done$/)).toBeVisible();
    await takeBack(page);
    await expect(drinking(6)).toHaveCount(1);
    await expect(page.getByText(/and \d+ more with it$/)).toBeVisible();
    await takeBack(page);
    await expect(next.getByRole('link', { name: /‘Long Mole’.*dry/s })).toHaveCount(1);
    await page.getByRole('button', { name: 'Do it again' }).click();
    await expect(drinking(6)).toHaveCount(1);
    await takeBack(page);
    await expect(next.getByRole('link', { name: /‘Long Mole’.*dry/s })).toHaveCount(1);
  });
});
