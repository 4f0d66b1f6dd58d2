import type { Pool, PoolConnection, QueryOptions, TypeCastField, TypeCastNext } from "mysql2/promise";

type Query = Pool["query"];
type CastQuery = QueryOptions & { readonly typeCast?: (field: TypeCastField, next: TypeCastNext) => unknown };

/**
 * mysql2 reads a DOUBLE's text digit by digit and can be one unit in the last place off, so that what was saved doesn't
 * read back the same and the same save sent twice looks like two. JavaScript's own Number() is exact. Drizzle sets a
 * typeCast of its own on every query, so the pool's setting isn't heard: it is put round the query instead.
 */
function exact(query: Query): Query {
  const wrapped = (options: CastQuery, values?: unknown) =>
    (query as (options: CastQuery, values?: unknown) => unknown)(
      typeof options === "string"
        ? options
        : {
            ...options,
            typeCast(field: TypeCastField, next: TypeCastNext) {
              if (field.type !== "DOUBLE") return options.typeCast ? options.typeCast(field, next) : next();
              const text = field.string();
              return text === null ? null : Number(text);
            },
          },
      values,
    );
  return wrapped as Query;
}

/** Makes a pool, and the connections it hands out, read doubles exactly. */
export function readExactDoubles(pool: Pool): Pool {
  const getConnection = pool.getConnection.bind(pool);
  pool.query = exact(pool.query.bind(pool) as Query);
  pool.getConnection = async (): Promise<PoolConnection> => {
    const connection = await getConnection();
    connection.query = exact(connection.query.bind(connection) as Query) as PoolConnection["query"];
    return connection;
  };
  return pool;
}
