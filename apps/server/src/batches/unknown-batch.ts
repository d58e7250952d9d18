import { QueryTypes, type Transaction } from 'sequelize';
import type { Sequelize } from 'sequelize-typescript';
import { emptyFormula } from '@idle-kettle/core';
import { ProblemException } from '../http/problem.filter.js';

/** The device that laid it out will send its formula as revision 0, and make it the first. */
const UNNAMED = JSON.stringify({ ...emptyFormula('Unnamed batch'), jars: [] });

const MAKE_ROOM = `
  INSERT INTO batches (id, household_id, title, document, revision)
  VALUES (:id, :householdId, 'Unnamed batch', :document, 0) ON CONFLICT DO NOTHING`;
const LOOK = `
  SELECT household_id = :householdId AS ours, removed_at IS NOT NULL AS removed
  FROM batches WHERE id = :id FOR SHARE`;

/**
 * Makes sure that something can be stored for a batch, and that nobody deletes it before this
 * transaction ends. A batch this server has never heard of gets a place: its readings and jars may
 * come before its formula, or without it.
 *
 * @throws ProblemException 410 where it was deleted, 409 where it is another household's
 */
export async function holdBatch(
  sequelize: Sequelize,
  id: string,
  householdId: string,
  transaction: Transaction,
): Promise<void> {
  const look = async () => {
    const [found] = await sequelize.query<{ ours: boolean; removed: boolean }>(LOOK, {
      replacements: { id, householdId },
      type: QueryTypes.SELECT,
      transaction,
    });
    return found;
  };
  let found = await look();
  if (!found) {
    await sequelize.query(MAKE_ROOM, {
      replacements: { id, householdId, document: UNNAMED },
      type: QueryTypes.INSERT,
      transaction,
    });
    found = await look();
  }
  if (!found?.ours)
    throw new ProblemException('id-taken', 'this id stands for a batch of another household');
  if (found.removed) throw wasRemoved();
}

export const wasRemoved = (): ProblemException =>
  new ProblemException('removed', 'this batch was deleted; restore it, or leave it deleted');
