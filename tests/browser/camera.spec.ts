import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { chromium, expect, type Page } from '@playwright/test';
import { codeOf } from '@/core/labels/codes';
import { writeCameraView } from '../support/fake-camera';
import { expectNothingSerious, signInAs, test } from '../support/shop-floor';

const FAKE = ['--use-fake-ui-for-media-stream', '--use-fake-device-for-media-stream'];

/** A tablet of its own whose camera is held before that label. */
async function beforeLabel(
  text: string,
  {
    baseURL,
    launchOptions,
  }: { baseURL: string | undefined; launchOptions: Parameters<typeof chromium.launch>[0] },
  work: (page: Page) => Promise<void>,
): Promise<void> {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'hush-pail-camera-'));
  const view = path.join(folder, 'label.y4m');
  writeCameraView(view, text);
  const args = [...(launchOptions?.args ?? []), ...FAKE, `--use-file-for-fake-video-capture=${view}`];
  const browser = await chromium.launch({ ...launchOptions, args });
  try {
    const tablet = await browser.newContext({
      baseURL: baseURL ?? '',
      viewport: { width: 390, height: 844 },
    });
    const page = await tablet.newPage();
    await signInAs(page, 'Wen');
    await work(page);
  } finally {
    await browser.close();
    rmSync(folder, { recursive: true });
  }
}

const dialog = (page: Page) => page.getByRole('dialog', { name: 'Scan a label' });

async function openFromPlaces(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'All', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Scan a label …' }).click();
}

test('held before the label of a pail, a telephone opens that pail and lets the camera go', async ({
  baseURL,
  launchOptions,
}) => {
  await beforeLabel(codeOf({ kind: 'pail', number: 3 }), { baseURL, launchOptions }, async (page) => {
    await openFromPlaces(page);
    await page.waitForURL('**/pails?pail=*');
    await expect(dialog(page)).toBeHidden();
    await expect(page.getByText('Scanned: Pail 3')).toBeVisible();
    await expect(page.locator('video')).toHaveCount(0);
  });
});

test('a code of somebody else’s opens nothing: the camera stays, and says so', async ({
  baseURL,
  launchOptions,
}) => {
  await beforeLabel('HTTPS://EXAMPLE.TEST/P3', { baseURL, launchOptions }, async (page) => {
    await openFromPlaces(page);
    await expect(dialog(page).getByText('That code is none of ours')).toBeVisible();
    await expect(page).toHaveURL(/\/bench$/);
    await expectNothingSerious(page);
  });
});

test('a tablet without a camera says what does the same', async ({ page }) => {
  await signInAs(page, 'Wen');
  await page.getByRole('button', { name: 'Find' }).click();
  await page.getByRole('button', { name: 'Scan a label with the camera' }).click();
  await expect(dialog(page).getByRole('alert')).toContainText('has no camera');
  await dialog(page).getByRole('button', { name: 'Close' }).click();
  await expect(dialog(page)).toBeHidden();
});
