// npm run reset-demo: throws the demo world away and starts it afresh, dated to today.
import { freePort, initCluster, startCluster } from './lib/cluster.mjs';
import { STATE, tellFault } from './lib/paths.mjs';
import { databaseTask, ownerUrl, prepareMachine, secrets } from './lib/prepare.mjs';
import { runningCopy } from './lib/running.mjs';

if (process.argv.includes('--help')) {
  console.log(
    'npm run reset-demo\n  Empties the demo shop and loads it afresh, dated to today (or to HUSH_PAIL_NOW). Works while the shop runs.',
  );
  process.exit(0);
}
try {
  await prepareMachine();
  const { owner, app } = secrets();
  const other = runningCopy();
  const cluster = other?.databasePort
    ? { port: other.databasePort, stop: async () => {} }
    : (initCluster(STATE, { password: owner }), await startCluster(STATE, { port: await freePort(15400) }));
  databaseTask('reset', { HUSH_PAIL_OWNER_URL: ownerUrl(cluster.port, owner), HUSH_PAIL_APP_PASSWORD: app });
  await cluster.stop();
  console.log('The demo world is fresh. Everyone signs in again.');
} catch (error) {
  tellFault(error);
}
