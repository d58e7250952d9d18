import { SequelizeStorage, Umzug } from 'umzug';
import type { Sequelize } from 'sequelize-typescript';
import { MIGRATIONS } from './migrations/index.js';

/** Any number that only this product locks with. */
const LOCK = 47_800_001;

/**
 * Brings the schema up to date. Several servers may start at once: they take turns by an advisory
 * lock, each step in a transaction of its own, so that a start that dies half-way leaves whole
 * steps.
 *
 * @returns names of the steps that ran
 */
export async function migrate(sequelize: Sequelize): Promise<string[]> {
  const umzug = new Umzug({
    migrations: MIGRATIONS.map(({ name, up }) => ({
      name,
      up: () =>
        sequelize.transaction(
          async (transaction) => void (await sequelize.query(up, { transaction })),
        ),
    })),
    storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
    logger: undefined,
  });
  return sequelize.transaction(async (transaction) => {
    // Held by this transaction's connection until it ends, while the steps run on others.
    await sequelize.query(`SELECT pg_advisory_xact_lock(${LOCK})`, { transaction });
    return (await umzug.up()).map(({ name }) => name);
  });
}
