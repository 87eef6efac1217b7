import type { Knex } from 'knex';
import { pendingMigrations } from '../../src/data/migrate';
import { backUp, beforeChanges } from './backup.mjs';

/** So many backups are kept of those made before a change. */
const KEEP = 30;

/**
 * Backs a database up before its shape changes, where a shop of somebody's own is in it.
 * It stands apart from the daily ones, which are kept to a smaller number.
 * @returns the file; null where nothing is about to change, or there is only the demo
 */
export async function backedUpBefore(db: Knex, url: string, folder: string): Promise<string | null> {
  if (!(await db.schema.hasTable('shop')) || (await pendingMigrations(db)) === 0) return null;
  if (!(await db('shop').where({ demo: false }).first<{ id: string } | undefined>('id'))) return null;
  const { file } = await backUp(url, beforeChanges(folder), { at: new Date(), keep: KEEP });
  return file;
}
