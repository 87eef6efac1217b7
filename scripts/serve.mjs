// The application behind its front door, as one process. The start command runs it; it is not run by hand.
import next from 'next';
import { frontDoor } from './front-door/front-door.mjs';
import { watchDatabase } from './front-door/database-watch.mjs';
import { CHECKOUT } from './lib/paths.mjs';

if (process.argv.includes('--help')) {
  console.log(
    'node scripts/serve.mjs <port>\n  Serves the built application on 127.0.0.1; "npm start" runs it.',
  );
  process.exit(0);
}
const port = Number(process.argv[2]);
/** For whoever works on it: pages are made from the sources, and follow them. */
const dev = process.env.NODE_ENV === 'development';
const app = next({ dev, dir: CHECKOUT, hostname: '127.0.0.1', port });
const database = watchDatabase(process.env.HUSH_PAIL_DATABASE_URL ?? '');
await app.prepare();
const server = frontDoor({ handle: app.getRequestHandler(), database, dev });
if (dev) server.on('upgrade', app.getUpgradeHandler());
server.listen(port, '127.0.0.1');
for (const signal of ['SIGINT', 'SIGTERM'])
  process.once(signal, () => {
    server.close();
    // What is being answered is answered; what only listens is let go.
    setTimeout(() => process.exit(0), 1500).unref();
    server.closeIdleConnections();
    void database.close();
  });
