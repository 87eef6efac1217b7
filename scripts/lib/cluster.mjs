import { spawn, spawnSync } from 'node:child_process';
import {
  chmodSync,
  chownSync,
  existsSync,
  mkdirSync,
  readFileSync,
  readdirSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import net from 'node:net';
import path from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { isRoot } from './paths.mjs';

export const OWNER = 'hush_pail_owner';

const SERVERS = '/usr/lib/postgresql';

/** The version of the server that made the data in that home; null while there is none. */
function versionOfData(/** @type {string} */ home) {
  const file = path.join(home, 'data', 'PG_VERSION');
  return existsSync(file) ? readFileSync(file, 'utf8').trim() : null;
}

/**
 * Folder of the server that the data in `home` was made by: no other reads it. Of the newest one here
 * where there is no data yet.
 * @throws Error that says what to do, where that version is gone
 */
export function serverFolderFor(/** @type {string} */ home, servers = SERVERS) {
  const version = versionOfData(home);
  if (version === null) return foundServer(servers);
  const folder = path.join(servers, version, 'bin');
  if (existsSync(path.join(folder, 'postgres'))) return folder;
  const newest = serverFolder(servers)?.split('/').at(-2) ?? null;
  throw new Error(
    `The shop's data was made by PostgreSQL ${version}, and that version is not on this machine${newest ? ` (${newest} is, which cannot read it)` : ''}. ` +
      `Nothing was changed. Put it back with "sudo apt-get install postgresql-${version}" and start again; ` +
      `where Debian no longer has it, bring the data over with pg_upgradecluster or a dump from the machine that had it. The data is in ${path.join(home, 'data')}.`,
  );
}

/** Folder of the newest PostgreSQL server Debian has put here, or null. */
export function serverFolder(home = SERVERS) {
  if (!existsSync(home)) return null;
  const versions = readdirSync(home).filter(
    (v) =>
      existsSync(path.join(home, v, 'bin', 'postgres')) && existsSync(path.join(home, v, 'bin', 'initdb')),
  );
  versions.sort((a, b) => Number(b) - Number(a));
  return versions[0] ? path.join(home, versions[0], 'bin') : null;
}

/** The same, or an error that says what to do. */
function foundServer(home = SERVERS) {
  const folder = serverFolder(home);
  if (folder === null)
    throw new Error(
      'PostgreSQL is not on this machine. Put it there with "sudo apt-get install postgresql".',
    );
  return folder;
}

/** Words in front of a server command: as root it runs as postgres, and it ends when we do. */
function asServerUser(/** @type {boolean} */ withParent) {
  const user = isRoot ? ['--reuid=postgres', '--regid=postgres', '--init-groups'] : [];
  const tie = withParent ? ['--pdeathsig', 'INT'] : [];
  return [...user, ...tie];
}

function postgresIds() {
  const entry = readFileSync('/etc/passwd', 'utf8')
    .split('\n')
    .find((l) => l.startsWith('postgres:'));
  const [, , uid, gid] = (entry ?? 'postgres:x:0:0').split(':');
  return { uid: Number(uid), gid: Number(gid) };
}

/** Makes a folder that the server's user owns and nobody else enters. */
function serverOwned(/** @type {string} */ folder) {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  if (isRoot) {
    const { uid, gid } = postgresIds();
    chownSync(folder, uid, gid);
  }
  chmodSync(folder, 0o700);
}

export function portIsFree(/** @type {number} */ port) {
  return new Promise((resolve) => {
    const probe = net.createServer();
    probe.once('error', () => resolve(false));
    probe.listen({ port, host: '127.0.0.1', exclusive: true }, () => probe.close(() => resolve(true)));
  });
}

/** First free port from `from`, below those the system hands out at random. */
export async function freePort(/** @type {number} */ from) {
  for (let port = from; port < 32768; port++) if (await portIsFree(port)) return port;
  throw new Error('No port below 32768 is free on 127.0.0.1.');
}

/** Makes a cluster in `home`/data unless it is there. Passwords by scram, or trust for throwaways. */
export function initCluster(
  /** @type {string} */ home,
  /** @type {{ password: string, throwaway?: boolean }} */ { password, throwaway = false },
) {
  const data = path.join(home, 'data');
  if (existsSync(path.join(data, 'PG_VERSION'))) return;
  if (existsSync(data)) rmSync(data, { recursive: true, force: true });
  serverOwned(home);
  serverOwned(data);
  const passwordFile = path.join(home, 'first-password');
  writeFileSync(passwordFile, password, { mode: 0o600 });
  if (isRoot) chownSync(passwordFile, postgresIds().uid, postgresIds().gid);
  const run = spawnSync(
    'setpriv',
    [
      ...asServerUser(false),
      path.join(foundServer(), 'initdb'),
      '-D',
      data,
      '-U',
      OWNER,
      '-E',
      'UTF8',
      '--locale=C.UTF-8',
      throwaway ? '--auth=trust' : '--auth=scram-sha-256',
      `--pwfile=${passwordFile}`,
      ...(throwaway ? ['--no-sync'] : []),
    ],
    { cwd: '/', encoding: 'utf8' },
  );
  rmSync(passwordFile, { force: true });
  if (run.status !== 0) {
    rmSync(data, { recursive: true, force: true });
    throw new Error(`The database could not be set up in ${data}. ${run.stderr || run.error?.message}`);
  }
}

/** Ends a server left over in that data folder by a run that was killed. */
async function endLeftover(/** @type {string} */ data) {
  const pidFile = path.join(data, 'postmaster.pid');
  for (let i = 0; existsSync(pidFile) && i < 100; i++) {
    const pid = Number(readFileSync(pidFile, 'utf8').split('\n')[0]);
    const cmdline = `/proc/${pid}/cmdline`;
    if (!pid || !existsSync(cmdline) || !readFileSync(cmdline, 'utf8').includes(data)) return;
    if (i === 0) process.kill(pid, 'SIGINT');
    await sleep(100);
  }
}

function isReady(/** @type {string} */ folder, /** @type {number} */ port) {
  const run = spawnSync(path.join(folder, 'pg_isready'), ['-q', '-h', '127.0.0.1', '-p', String(port)]);
  return run.status === 0;
}

/**
 * Starts the server of that home on 127.0.0.1 as our child and waits until it answers.
 * A first start after a kill may trip over the dead one's pid file, so it is tried again.
 */
export async function startCluster(
  /** @type {string} */ home,
  /** @type {{ port: number, throwaway?: boolean }} */ { port, throwaway = false },
) {
  const data = path.join(home, 'data');
  const folder = serverFolderFor(home);
  await endLeftover(data);
  const quick = throwaway
    ? ['-c', 'fsync=off', '-c', 'synchronous_commit=off', '-c', 'full_page_writes=off']
    : [];
  for (let attempt = 1; ; attempt++) {
    let log = '';
    const child = spawn(
      'setpriv',
      [
        ...asServerUser(true),
        path.join(folder, 'postgres'),
        '-D',
        data,
        '-p',
        String(port),
        '-c',
        'listen_addresses=127.0.0.1',
        '-c',
        'unix_socket_directories=',
        '-c',
        'max_connections=60',
        ...quick,
      ],
      { cwd: '/', stdio: ['ignore', 'ignore', 'pipe'], detached: true },
    );
    child.stderr.on('data', (chunk) => (log = (log + chunk).slice(-4000)));
    let ended = false;
    child.once('exit', () => (ended = true));
    for (let i = 0; i < 300 && !ended; i++) {
      if (isReady(folder, port)) return { child, port, stop: () => stopCluster(child) };
      await sleep(50);
    }
    if (!ended) child.kill('SIGINT');
    if (attempt === 3) throw new Error(`The database did not start.\n${log}`);
    await sleep(400 * attempt);
  }
}

/** Fast, clean shutdown; resolves when the server has gone. */
function stopCluster(/** @type {import('node:child_process').ChildProcess} */ child) {
  if (child.exitCode !== null || child.signalCode !== null) return Promise.resolve();
  return new Promise((resolve) => {
    child.once('exit', resolve);
    child.kill('SIGINT');
  });
}
