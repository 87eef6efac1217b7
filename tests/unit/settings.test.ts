import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { backupsHere } from '@/server/backups';
import { SETTINGS, settingsHelp, wrongSettings } from '../../scripts/lib/settings.mjs';

jest.mock('server-only', () => ({}));

test.each([
  [{}, 0],
  [{ HUSH_PAIL_PORT: '3300', HUSH_PAIL_HTTPS: '1', HUSH_PAIL_ORIGIN: 'https://pails.shop.lan' }, 0],
  [{ HUSH_PAIL_DEMO: 'none', HUSH_PAIL_MOST_SHOPS: '0', PORT: 'anything', HUSH_PAIL_DATABASE_URL: 'x' }, 0],
  [{ HUSH_PAIL_PORT: '0' }, 1],
  [{ HUSH_PAIL_PORT: '33o0' }, 1],
  [{ HUSH_PAIL_ORIGIN: 'https://pails.shop.lan/' }, 1],
  [{ HUSH_PAIL_ORIGIN: 'pails.shop.lan' }, 1],
  [{ HUSH_PAIL_HTTPS: 'yes' }, 1],
  [{ HUSH_PAIL_NOW: 'tomorrow' }, 1],
  [{ HUSH_PAIL_MOST_SHOP: '1' }, 1],
  [{ HUSH_PAIL_PORT: 'x', HUSH_PAIL_DEMO: 'no' }, 2],
] as const)('%j has %i settings that are refused, each by its name', (env, wrong) => {
  const lines = wrongSettings(env as unknown as NodeJS.ProcessEnv);
  expect(lines).toHaveLength(wrong);
  for (const line of lines) expect(Object.keys(env).some((name) => line.startsWith(name))).toBe(true);
});

test('help and the page on deploying tell every setting there is', () => {
  const page = readFileSync('docs/deploy.md', 'utf8');
  for (const name of Object.keys(SETTINGS)) {
    expect(settingsHelp()).toContain(name);
    expect(page).toContain(`| \`${name}\` |`);
  }
});

test('the last backup is told by its name, what is no backup is passed over, and two days are too old', async () => {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'hush-pail-backups-'));
  const before = process.env.HUSH_PAIL_BACKUPS;
  try {
    process.env.HUSH_PAIL_BACKUPS = path.join(folder, 'not there');
    expect(await backupsHere(0)).toEqual({ lastAt: null, kept: 0, isOld: true });
    process.env.HUSH_PAIL_BACKUPS = folder;
    for (const name of [
      'hush-pail-2026-11-20T03-10-00Z.dump',
      'hush-pail-2026-11-24T03-10-00Z.dump',
      'hush-pail-2026-11-25T03-10-00Z.dump.part',
      'hush-pail-2026-11-24T03-10-00Z.dump.json',
    ])
      writeFileSync(path.join(folder, name), '');
    const at = (iso: string) => backupsHere(Date.parse(iso));
    const lastAt = Date.parse('2026-11-24T03:10:00Z');
    expect(await at('2026-11-25T12:00:00Z')).toEqual({ lastAt, kept: 2, isOld: false });
    expect(await at('2026-11-26T12:00:00Z')).toEqual({ lastAt, kept: 2, isOld: true });
  } finally {
    if (before === undefined) delete process.env.HUSH_PAIL_BACKUPS;
    else process.env.HUSH_PAIL_BACKUPS = before;
    rmSync(folder, { recursive: true, force: true });
  }
});
