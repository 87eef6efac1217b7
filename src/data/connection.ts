import type { Socket } from 'node:net';
import knex, { type Knex } from 'knex';
import pg from 'pg';
import { asDataError } from './errors';

// numeric and int8 columns hold counts and measures well inside a double; dates stay calendar text.
pg.types.setTypeParser(pg.types.builtins.NUMERIC, Number);
pg.types.setTypeParser(pg.types.builtins.INT8, Number);
pg.types.setTypeParser(pg.types.builtins.DATE, (text) => text);

interface Queries {
  query: (
    config: { text: string; values?: unknown[]; name?: string } | string,
    ...rest: unknown[]
  ) => unknown;
  /** The socket to the database, as the driver holds it. */
  readonly connection: { readonly stream: Pick<Socket, 'cork' | 'uncork' | 'writableCorked'> };
}

/** Statements that are prepared once a connection; what is written anew each time (long lists) is not worth it. */
const names = new Map<string, string>();
const MOST_PREPARED = 400;
const PREPARABLE = /^\s*(select|insert|update|delete|with)\b/i;
const LONGEST_PREPARED = 6000;

function nameOf(sql: string): string | undefined {
  const known = names.get(sql);
  if (known || names.size >= MOST_PREPARED || sql.length > LONGEST_PREPARED || !PREPARABLE.test(sql))
    return known;
  const name = `s${names.size}`;
  names.set(sql, name);
  return name;
}

/** Keeps what is asked in one turn back until its end: it then goes out in one packet, not a dozen. */
function sendTogether({ stream }: Queries['connection']): void {
  if (stream.writableCorked > 0) return;
  stream.cork();
  process.nextTick(() => stream.uncork());
}

/** Has the database plan a statement once a connection, and not each time: that is most of a small one's time. */
function prepared(connection: Queries): Queries {
  const { query } = connection;
  connection.query = (config, ...rest) => {
    sendTogether(connection.connection);
    if (typeof config === 'object' && config.values && config.name === undefined) {
      const name = nameOf(config.text);
      if (name) return query.call(connection, { ...config, name }, ...rest);
    }
    return query.call(connection, config, ...rest);
  };
  return connection;
}

/** How long a statement, a lock and a silence may last, ms: the driver waits a little longer than the database allows. */
const BOUNDS = {
  query_timeout: 8000,
  statement_timeout: 6000,
  lock_timeout: 3000,
  idle_in_transaction_session_timeout: 10_000,
};
/** What is asked for together goes out together: a page waits once for a dozen answers, not a dozen times. */
const TOGETHER = { pipeline: true };

interface Begins {
  begin: (connection: unknown) => Promise<unknown>;
}

/** Lets what is asked first in a transaction go out with its BEGIN: one connection answers in the order it is asked. */
function beginsUnderway(db: Knex): Knex {
  const client = db.client as { transaction: (...args: unknown[]) => Begins };
  const { transaction } = client;
  client.transaction = (...args) => {
    const made = transaction.apply(client, args);
    const { begin } = made;
    made.begin = (connection) => {
      // Where it fails, the transaction itself is told, and all that follows in it fails too.
      void begin.call(made, connection);
      return Promise.resolve();
    };
    return made;
  };
  return db;
}

/** A pool to one database; every wait in it is bounded, so that a lost server is soon said. */
export function connect(url: string, poolMax = 10): Knex {
  return beginsUnderway(
    knex({
      client: 'pg',
      connection: { connectionString: url, connectionTimeoutMillis: 2000, ...TOGETHER, ...BOUNDS },
      pool: {
        min: 0,
        max: poolMax,
        acquireTimeoutMillis: 3000,
        createTimeoutMillis: 2500,
        createRetryIntervalMillis: 200,
        afterCreate: (connection: Queries, done: (error: null, connection: Queries) => void) =>
          done(null, prepared(connection)),
      },
    }),
  );
}

/** A pool for the owner's tasks (migrations, demo worlds): they take as long as they take. */
export function connectAsOwner(url: string, poolMax = 2): Knex {
  return knex({ client: 'pg', connection: { connectionString: url }, pool: { min: 0, max: poolMax } });
}

export type Trx = Knex.Transaction;
/** Ids as they are, or what finds them. */
export type Ids = readonly string[] | Knex.QueryBuilder;

/** Says whose rows a transaction sees: it goes out first, with what is asked in the same turn. */
const sayShop = (trx: Trx, shopId: string, settings = ''): Promise<true> =>
  // A statement of Knex is sent once it is waited for.
  trx.raw(`select set_config('app.shop_id', ?, true)${settings}`, [shopId]).then((): true => true);

/**
 * Begins a transaction of one shop's rows that only reads; whoever began it ends it by `rollback`.
 * @throws DataError
 */
export async function beginReading(db: Knex, shopId: string): Promise<Trx> {
  try {
    const trx = await db.transaction();
    // Where it fails, all that is asked after it fails too.
    sayShop(trx, shopId, `, set_config('transaction_read_only', 'on', true)`).catch(() => undefined);
    return trx;
  } catch (error) {
    throw asDataError(error);
  }
}

/**
 * Runs `work` in one transaction that sees one shop's rows alone.
 * @throws DataError, named once from the database's own code
 */
export async function inShop<T>(db: Knex, shopId: string, work: (trx: Trx) => Promise<T>): Promise<T> {
  try {
    return await db.transaction(async (trx) => {
      const [, done] = await Promise.all([sayShop(trx, shopId), work(trx)]);
      return done;
    });
  } catch (error) {
    throw asDataError(error);
  }
}

/** Locks one row until the transaction ends; false when the shop has no such row. */
export async function isLocked(
  trx: Trx,
  table: 'lot' | 'pail' | 'protocol_step' | 'claim',
  id: string,
): Promise<boolean> {
  const rows: unknown[] = await trx(table).where({ id }).forUpdate().select('id');
  return rows.length > 0;
}
