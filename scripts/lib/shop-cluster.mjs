import { freePort, initCluster, startCluster } from './cluster.mjs';
import { STATE } from './paths.mjs';
import { databaseTask, ownerUrl, prepareMachine, secrets } from './prepare.mjs';
import { runningCopy } from './running.mjs';

/**
 * Hands the owner's address of this checkout's database to `work`, whether the shop is open (then beside it) or not.
 * @template T
 * @param {(ownerUrl: string) => T | Promise<T>} work
 */
export async function besideShop(work) {
  await prepareMachine();
  const { owner } = secrets();
  const other = runningCopy();
  // Its database may be starting at this very moment: a second one would take it down again.
  if (other && other.databasePort === null)
    throw new Error('The shop is still starting. Nothing was changed; try again in a moment.');
  const cluster = other?.databasePort
    ? { port: other.databasePort, stop: async () => {} }
    : (initCluster(STATE, { password: owner }), await startCluster(STATE, { port: await freePort(15400) }));
  try {
    return await work(ownerUrl(cluster.port, owner));
  } finally {
    await cluster.stop();
  }
}

/** Runs a database task on the shop of this checkout. */
export const shopTask = (/** @type {string} */ task, env = {}) =>
  besideShop((/** @type {string} */ url) =>
    databaseTask(task, { HUSH_PAIL_OWNER_URL: url, HUSH_PAIL_APP_PASSWORD: secrets().app, ...env }),
  );

/** Gives a database, made where it is not there, the shape of that name, or the newest. */
export const giveShape = (/** @type {string} */ url, /** @type {string | undefined} */ shape) =>
  databaseTask('shape', {
    HUSH_PAIL_OWNER_URL: url,
    HUSH_PAIL_APP_PASSWORD: secrets().app,
    ...(shape ? { HUSH_PAIL_SHAPE: shape } : {}),
  });
