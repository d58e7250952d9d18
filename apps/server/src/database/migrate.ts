import { SequelizeStorage, Umzug } from 'umzug';
import type { Sequelize } from 'sequelize-typescript';
import { MIGRATIONS } from './migrations/index.js';

/** Any number that only this product locks with. */
const LOCK = 47_800_001;

export interface MigrateOptions {
  /** The schema its tables are made in; the connection must look there first. @default 'public' */
  readonly schema?: string | undefined;
  /** The last step to run. @default the newest */
  readonly upTo?: string | undefined;
}

/**
 * Brings the schema up to date. Several servers may start at once: they take turns by an advisory
 * lock, each step in a transaction of its own, so that a start that dies half-way leaves whole
 * steps.
 *
 * @returns names of the steps that ran
 */
export async function migrate(
  sequelize: Sequelize,
  { schema, upTo }: MigrateOptions = {},
): Promise<string[]> {
  const last = MIGRATIONS.findIndex(({ name }) => name === upTo);
  const steps = upTo === undefined ? MIGRATIONS : MIGRATIONS.slice(0, last + 1);
  const umzug = new Umzug({
    migrations: steps.map(({ name, up }) => ({
      name,
      up: () =>
        sequelize.transaction(
          async (transaction) => void (await sequelize.query(up, { transaction })),
        ),
    })),
    storage: new SequelizeStorage({
      sequelize,
      tableName: 'migrations',
      ...(schema && { schema }),
    }),
    logger: undefined,
  });
  return sequelize.transaction(async (transaction) => {
    // Held by this transaction's connection until it ends, while the steps run on others.
    await sequelize.query(`SELECT pg_advisory_xact_lock(${LOCK})`, { transaction });
    return (await umzug.up()).map(({ name }) => name);
  });
}
