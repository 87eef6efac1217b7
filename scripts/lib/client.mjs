// A connection to a database; its driver is asked for only now, when packages are there.

/** @returns {Promise<import('pg').Client>} connected */
export async function connected(/** @type {string} */ url) {
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  return client;
}
