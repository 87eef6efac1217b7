import 'server-only';
import type { Knex } from 'knex';
import { connect } from '@/data/connection';
import { countStatement } from './request-state';

/** Tells the server in front of us how many statements a request took, and how long, where it wants to know. */
function timed(db: Knex): Knex {
  if (!process.env.HUSH_PAIL_TIMES_FILE) return db;
  const began = new Map<string, number>();
  db.on('query', ({ __knexQueryUid: id }: { __knexQueryUid: string }) => began.set(id, performance.now()));
  db.on('query-response', (_rows: unknown, { __knexQueryUid: id }: { __knexQueryUid: string }) => {
    countStatement(performance.now() - (began.get(id) ?? NaN));
    began.delete(id);
  });
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
