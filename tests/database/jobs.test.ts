import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { BACK_UP, keepJobs } from '../../scripts/lib/jobs.mjs';
import { lastBackupJob, type JobState } from '@/data/jobs';
import { freshShop, type TestShop } from '../support/database';

let shop: TestShop;
const folder = mkdtempSync(path.join(os.tmpdir(), 'hush-pail-jobs-'));
beforeAll(async () => {
  shop = await freshShop();
});
afterAll(async () => {
  await shop.close();
  rmSync(folder, { recursive: true });
});

const job = (): Promise<JobState | null> => shop.inside(lastBackupJob);
async function until(state: JobState['state']): Promise<JobState> {
  for (let tries = 0; tries < 300; tries++) {
    const now = await job();
    if (now?.state === state) return now;
    await wait(100);
  }
  throw new Error(`never ${state}: ${JSON.stringify(await job())}`);
}
const lines: string[] = [];
const keeping = (backUp: () => Promise<void>) =>
  keepJobs(shop.ownerUrl, {
    ...{ folder, backUp, retryDelayS: 1, asksEveryS: 0.5 },
    say: (line: string) => lines.push(line),
  });

test('a backup by itself: not of a demo; once, whoever keeps the queue; tried again; seen at the desk', async () => {
  expect(await job()).toBeNull();
  let made = 0;
  const idle = await keeping(async () => {
    made += await Promise.resolve(1);
  });
  expect(await job()).toBeNull();
  await idle.stop();

  await shop.owner('shop').update({ demo: false, time_zone: 'Europe/Oslo' });
  let tries = 0;
  const backUp = async (): Promise<void> => {
    if (++tries === 1) throw new Error('the disk is full');
    await wait(300);
    writeFileSync(
      path.join(folder, `hush-pail-${new Date().toISOString().slice(0, 19).replaceAll(':', '-')}Z.dump`),
      'a backup',
    );
    made++;
  };
  const keepers = await Promise.all([keeping(backUp), keeping(backUp)]);
  try {
    expect((await until('again')).fault).toContain('the disk is full');
    expect((await until('done')).fault).toBeNull();
    await wait(1500);
    expect([tries, made]).toEqual([2, 1]);
    expect(lines.filter((l) => l.includes('backed up'))).toEqual([
      'The shop was not backed up, and is tried again: Error: the disk is full',
      'The shop is backed up.',
    ]);
    const { rows } = await shop.owner.raw<{ rows: unknown[] }>(
      `select cron, timezone from jobs.schedule where name = ?`,
      [BACK_UP],
    );
    expect(rows).toEqual([{ cron: '30 2 * * *', timezone: 'Europe/Oslo' }]);
    // The desk reads the queue, and no more.
    await expect(shop.app.raw('delete from jobs.job')).rejects.toThrow('permission denied');
  } finally {
    await Promise.all(keepers.map((k) => k.stop()));
  }
});
