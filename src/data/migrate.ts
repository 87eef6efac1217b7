import type { Knex } from 'knex';
import * as foundations from './migrations/0001-foundations';

interface Migration {
  readonly name: string;
  readonly up: (knex: Knex) => Promise<void>;
}

/** Every migration in order. They only go forward; a mistake is mended by the next one. */
const MIGRATIONS: readonly Migration[] = [{ name: '0001-foundations', up: foundations.up }];

const source: Knex.MigrationSource<Migration> = {
  getMigrations: () => Promise.resolve([...MIGRATIONS]),
  getMigrationName: (migration) => migration.name,
  getMigration: (migration) =>
    Promise.resolve({
      up: migration.up,
      down: () => Promise.reject(new Error('Migrations go forward only.')),
    }),
};

/** Brings a database to the newest shape. Run as its owner, never as the application. */
export async function migrate(knex: Knex): Promise<void> {
  await knex.migrate.latest({ migrationSource: source });
}
