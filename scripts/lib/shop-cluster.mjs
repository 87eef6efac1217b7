import { freePort, initCluster, startCluster } from './cluster.mjs';
import { STATE } from './paths.mjs';
import { databaseTask, ownerUrl, prepareMachine, secrets } from './prepare.mjs';
import { runningCopy } from './running.mjs';

/** Runs a database task on the shop of this checkout, whether it is open (then beside it) or not. */
export async function shopTask(task, env = {}) {
  await prepareMachine();
  const { owner, app } = secrets();
  const other = runningCopy();
  const cluster = other?.databasePort
    ? { port: other.databasePort, stop: async () => {} }
    : (initCluster(STATE, { password: owner }), await startCluster(STATE, { port: await freePort(15400) }));
  try {
    databaseTask(task, {
      HUSH_PAIL_OWNER_URL: ownerUrl(cluster.port, owner),
      HUSH_PAIL_APP_PASSWORD: app,
      ...env,
    });
  } finally {
    await cluster.stop();
  }
}
