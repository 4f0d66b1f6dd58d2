import type { Pool, PoolConnection, QueryOptions } from "mysql2/promise";

type Query = Pool["query"];

/**
 * Sends reads as prepared statements. In MariaDB's text protocol a DOUBLE comes as digits, which mysql2 reads one by one
 * and can be one unit in the last place off: what was saved doesn't read back the same, and the same save sent twice
 * looks like two. The binary protocol carries the double itself, and is faster to read besides. Drizzle only ever calls
 * `query`, so it is turned round here.
 */
function binaryReads(query: Query, execute: Pool["execute"]): Query {
  const read = execute as (options: object, values?: unknown) => unknown;
  const other = query as (options: object | string, values?: unknown) => unknown;
  const routed = (options: QueryOptions | string, values?: unknown) => {
    if (typeof options === "string" || !/^\s*select\b/i.test(options.sql)) return other(options, values);
    const { sql, rowsAsArray } = options as QueryOptions & { readonly rowsAsArray?: boolean };
    return read({ sql, rowsAsArray }, values);
  };
  return routed as Query;
}

/** Makes a pool, and the connections it hands out, read doubles exactly. Dates must come as text: set dateStrings. */
export function readExactDoubles(pool: Pool): Pool {
  const getConnection = pool.getConnection.bind(pool);
  pool.query = binaryReads(pool.query.bind(pool) as Query, pool.execute.bind(pool) as Pool["execute"]);
  pool.getConnection = async (): Promise<PoolConnection> => {
    const connection = await getConnection();
    connection.query = binaryReads(
      connection.query.bind(connection) as Query,
      connection.execute.bind(connection) as Pool["execute"],
    ) as PoolConnection["query"];
    return connection;
  };
  return pool;
}
