import 'server-only';
import type { Knex } from 'knex';
import { connect } from '@/data/connection';
import { statementAnswered, statementAsked } from './request-state';

/** Tells the server in front of us how many statements a request took, and how long, where it wants to know. */
function timed(db: Knex): Knex {
  if (!process.env.HUSH_PAIL_TIMES_FILE) return db;
  // Of what begins and ends a transaction Knex does not say when it was answered.
  db.on('query', ({ sql }: { sql: string }) => {
    if (!/^(BEGIN|COMMIT|ROLLBACK|SAVEPOINT|RELEASE)/.test(sql)) statementAsked();
  });
  db.on('query-response', () => statementAnswered());
  return db;
}

// One pool a process, also when a module is loaded twice by two bundles of the same server.
const holder = globalThis as typeof globalThis & { hushPailPool?: Knex };

/** The application's pool, as the role that row-level security binds. */
export function database(): Knex {
  const url = process.env.HUSH_PAIL_DATABASE_URL;
  if (!url) throw new Error('HUSH_PAIL_DATABASE_URL is not set; the shop is started by "npm start".');
  return (holder.hushPailPool ??= timed(connect(url)));
}
