import 'server-only';
import type { Knex } from 'knex';
import { connect } from '@/data/connection';

// One pool a process, also when a module is loaded twice by two bundles of the same server.
const holder = globalThis as typeof globalThis & { hushPailPool?: Knex };

/** The application's pool, as the role that row-level security binds. */
export function database(): Knex {
  const url = process.env.HUSH_PAIL_DATABASE_URL;
  if (!url) throw new Error('HUSH_PAIL_DATABASE_URL is not set; the shop is started by "npm start".');
  return (holder.hushPailPool ??= connect(url));
}
