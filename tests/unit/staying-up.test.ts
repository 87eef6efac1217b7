import { spawn, type ChildProcess } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { serverFolderFor } from '../../scripts/lib/cluster.mjs';
import { keepUp } from '../../scripts/lib/keep-up.mjs';
import { runningCopy } from '../../scripts/lib/running.mjs';

const scratch = mkdtempSync(path.join(os.tmpdir(), 'hush-pail-up-'));
afterAll(() => rmSync(scratch, { recursive: true, force: true }));
let made = 0;
const file = (name: string, text: string): string => {
  const full = path.join(scratch, String(made++), name);
  mkdirSync(path.dirname(full), { recursive: true });
  writeFileSync(full, text);
  return full;
};
const until = async (holds: () => boolean): Promise<void> => {
  for (let i = 0; i < 200 && !holds(); i++) await wait(20);
  expect(holds()).toBe(true);
};

const started = (program: string) => {
  const child: ChildProcess = spawn(process.execPath, ['-e', program]);
  const stop = async (): Promise<void> => {
    child.kill('SIGKILL');
    await new Promise((gone) => (child.exitCode === null ? child.once('exit', gone) : gone(null)));
  };
  return { child, stop };
};

test('what is killed is started again, in one plain line each time, until it is stopped', async () => {
  const lines: string[] = [];
  const part = await keepUp({
    what: 'The application',
    start: () => Promise.resolve(started('setInterval(() => {}, 1000)')),
    say: (line: string) => lines.push(line),
    firstWaitMs: 10,
  });
  for (let kills = 1; kills <= 3; kills++) {
    part.child?.kill('SIGKILL');
    await until(() => part.restarts === kills && part.child !== null);
  }
  expect(lines.filter((l) => l.includes('ended by itself (SIGKILL)'))).toHaveLength(3);
  expect(lines.filter((l) => l === 'The application is up again.')).toHaveLength(3);
  await part.stop();
  await wait(80);
  expect(part.restarts).toBe(3);
});

test('what does not start is tried again later and later, and said so', async () => {
  const at: number[] = [];
  const lines: string[] = [];
  let fails = 0;
  const part = await keepUp({
    what: 'The database',
    start: () => {
      at.push(Date.now());
      if (at.length > 1 && fails++ < 4) return Promise.reject(new Error('no room on the disk'));
      return Promise.resolve(started(at.length === 1 ? '' : 'setInterval(() => {}, 1000)'));
    },
    say: (line: string) => lines.push(line),
    firstWaitMs: 20,
    longestWaitMs: 80,
  });
  await until(() => part.restarts === 1);
  const waits = at.slice(2).map((t, i) => t - (at[i + 1] ?? 0));
  expect(waits[0]).toBeGreaterThanOrEqual(38);
  expect(waits.at(-1)).toBeGreaterThanOrEqual(78);
  expect(lines.filter((l) => l.includes('did not start: no room on the disk'))).toHaveLength(4);
  await part.stop();
});

test('a leftover note of a run never blocks: unreadable, of a dead process, or of a number given out again', () => {
  const stat = readFileSync(`/proc/${process.pid}/stat`, 'utf8').split(') ').at(-1) ?? '';
  const mineBegan = stat.split(' ')[19];
  const note = (of: object | string): unknown =>
    runningCopy(file('running.json', typeof of === 'string' ? of : JSON.stringify(of)));
  const mine = { pid: process.pid, began: mineBegan, address: 'http://127.0.0.1:1' };
  expect(note(mine)).toEqual(mine);
  expect(note({ ...mine, began: '1' })).toBeNull();
  expect(note({ pid: process.pid, address: null })).toBeNull();
  expect(note({ pid: 2 ** 22 + 1, began: '5' })).toBeNull();
  for (const broken of ['', '{', 'null', '[]', '{"pid":"x"}', '{"pid":-1,"began":null}'])
    expect(note(broken)).toBeNull();
});

test('data is served by the version that made it; without that one it says what to do', () => {
  const servers = path.join(scratch, 'servers');
  const home = path.dirname(path.dirname(file('data/PG_VERSION', '15\n')));
  const putHere = (version: string): void => {
    mkdirSync(path.join(servers, version, 'bin'), { recursive: true });
    for (const program of ['postgres', 'initdb'])
      writeFileSync(path.join(servers, version, 'bin', program), '');
  };
  putHere('17');
  expect(() => serverFolderFor(home, servers)).toThrow(
    /made by PostgreSQL 15.*17 is, which cannot read it.*apt-get install postgresql-15/,
  );
  putHere('15');
  expect(serverFolderFor(home, servers)).toBe(path.join(servers, '15', 'bin'));
  expect(serverFolderFor(path.join(scratch, 'nothing yet'), servers)).toBe(path.join(servers, '17', 'bin'));
});
