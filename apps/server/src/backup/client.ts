import { Client } from 'pg';

/** A statement of a backup that takes longer does not end, ms. */
const PATIENCE_MS = 10 * 60_000;

/**
 * A connection for copying: it takes its time, and finds nothing but PostgreSQL's own by a name
 * without its schema, so that an operator of somebody's cannot stand in for a built-in one.
 */
async function connectClient(url: string): Promise<Client> {
  const client = new Client({
    connectionString: url,
    options: '-c search_path=pg_catalog',
    query_timeout: PATIENCE_MS,
  });
  await client.connect();
  return client;
}

/** Uses a connection and ends it. */
export async function withClient<T>(url: string, use: (client: Client) => Promise<T>): Promise<T> {
  const client = await connectClient(url);
  try {
    return await use(client);
  } finally {
    await client.end();
  }
}
