import pg from 'pg';

const BELIEVED_MS = 1000;
const LONGEST_MS = 1500;

/** Knows whether the database answers: asked at most once a second, by one connection of its own. */
export function watchDatabase(/** @type {string} */ url) {
  /** @type {pg.Client | null} */
  let client = null;
  let askedAt = -Infinity;
  let answer = Promise.resolve(true);

  async function ask() {
    try {
      if (!client) {
        const fresh = new pg.Client({
          connectionString: url,
          connectionTimeoutMillis: LONGEST_MS,
          query_timeout: LONGEST_MS,
        });
        fresh.on('error', () => {
          if (client === fresh) client = null;
        });
        await fresh.connect();
        client = fresh;
      }
      await client.query('select 1');
      return true;
    } catch {
      const lost = client;
      client = null;
      lost?.end().catch(() => {});
      return false;
    }
  }

  return {
    isUp() {
      if (Date.now() - askedAt > BELIEVED_MS) {
        askedAt = Date.now();
        answer = ask();
      }
      return answer;
    },
    async close() {
      await client?.end().catch(() => {});
      client = null;
    },
  };
}
