import { Sequelize, type SequelizeOptions } from 'sequelize-typescript';

/**
 * Options every connection shares: small pool, short waits, so that an absent database is noticed
 * in seconds.
 */
export const connectionOptions: SequelizeOptions = {
  dialect: 'postgres',
  logging: false,
  pool: { max: 10, min: 0, acquire: 4000, idle: 10_000 },
  dialectOptions: {
    connectionTimeoutMillis: 3000,
    statement_timeout: 15_000,
    // A household's indexes are in memory, or on a disk without a head that moves; unless told,
    // PostgreSQL reckons with a head.
    options: '-c random_page_cost=1.1',
  },
  define: { underscored: true },
};

/** Options of connections that look in a schema first. */
function optionsFor(schema: string | undefined): SequelizeOptions {
  if (schema === undefined) return connectionOptions;
  const { options, ...others } = connectionOptions.dialectOptions as { options: string };
  const path = `${options} -c search_path=${schema},public`;
  return { ...connectionOptions, dialectOptions: { ...others, options: path } };
}

/**
 * Waits for the database to answer, then hands over a connection.
 *
 * @param schema where names without one are looked for first; the role's own choice unless given
 * @throws the last error after `patience_ms`
 */
export async function connect(
  databaseUrl: string,
  patience_ms = 20_000,
  schema?: string,
): Promise<Sequelize> {
  const sequelize = new Sequelize(databaseUrl, optionsFor(schema));
  const until = Date.now() + patience_ms;
  for (;;) {
    try {
      await sequelize.authenticate();
      return sequelize;
    } catch (error) {
      if (Date.now() > until) {
        await sequelize.close();
        throw error;
      }
      await new Promise((resolve) => setTimeout(resolve, 300));
    }
  }
}
