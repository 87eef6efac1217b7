// A database server that stays up between tests tried by name. It ends itself when nobody has asked for it for a while.
import { spawn } from 'node:child_process';
import { chmodSync, mkdtempSync, openSync, rmSync, statSync, utimesSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { fileURLToPath } from 'node:url';
import { freePort, initCluster, startCluster } from './cluster.mjs';
import { LOCAL } from './paths.mjs';
import { noteRunning, noteStopped, runningCopy } from './running.mjs';

const FILE = path.join(LOCAL, 'warm.json');
const IDLE_MS = 30 * 60_000;
const LOOKED_AT_EVERY_MS = 20_000;

/** The warm server's port; it is started where there is none, and kept up for another while. */
export async function warmCluster() {
  if (!runningCopy(FILE)?.port) {
    const log = openSync(path.join(LOCAL, 'warm.log'), 'a');
    spawn(process.execPath, [fileURLToPath(import.meta.url)], {
      detached: true,
      stdio: ['ignore', log, log],
    }).unref();
    for (let i = 0; i < 200 && !runningCopy(FILE)?.port; i++) await sleep(100);
  }
  const note = runningCopy(FILE);
  if (!note?.port)
    throw new Error(`The warm database did not start; ${path.join(LOCAL, 'warm.log')} says why.`);
  utimesSync(FILE, new Date(), new Date());
  return note.port;
}

/** Runs the server until nobody has asked for it for half an hour. */
async function keepWarm() {
  const scratch = mkdtempSync(path.join(os.tmpdir(), 'hush-pail-warm-'));
  chmodSync(scratch, 0o711);
  const home = path.join(scratch, 'cluster');
  initCluster(home, { password: 'none', throwaway: true });
  const port = await freePort(16800);
  const cluster = await startCluster(home, { port, throwaway: true });
  const end = async () => {
    await cluster.stop();
    noteStopped(FILE);
    rmSync(scratch, { recursive: true, force: true });
    process.exit(0);
  };
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => void end());
  noteRunning({ port }, FILE);
  setInterval(() => {
    if (Date.now() - statSync(FILE).mtimeMs > IDLE_MS) void end();
  }, LOOKED_AT_EVERY_MS);
}

if (process.argv[1] === fileURLToPath(import.meta.url)) await keepWarm();
