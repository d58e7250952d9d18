import { isDeepStrictEqual } from 'node:util';
import type { Attributes, CreationAttributes, Transaction } from 'sequelize';
import type { Model, ModelCtor } from 'sequelize-typescript';
import type { FormulaBody, SaveDocument } from '@idle-kettle/contract';
import { notFound, ProblemException } from '../http/problem.filter.js';

/** What formulas and batches share: a titled document that is saved again and again. */
export interface Revisioned {
  id: string;
  householdId: string;
  title: string;
  document: FormulaBody;
  revision: number;
}

type InTransaction<M> = (row: M, transaction: Transaction) => Promise<unknown>;

export interface SavedDocument<M extends Model & Revisioned> {
  readonly model: ModelCtor<M>;
  readonly id: string;
  readonly householdId: string;
  /** The document, and the revision it was based on. */
  readonly sent: SaveDocument;
  /** Further columns to set. @default none */
  readonly extra?: Partial<Attributes<M>>;
  /** What is stored, as it is told after a conflict. */
  readonly view: (row: M) => unknown;
  /** Throws where a document that is there is not to be changed. @default never */
  readonly refuse?: (row: M) => void;
  /** Runs in the same transaction before a document that is there is changed. @default nothing */
  readonly beforehand?: InTransaction<M>;
  /** Runs in it when something was changed. @default nothing */
  readonly afterwards?: InTransaction<M>;
}

/**
 * Creates or updates a document. Sending the same document again changes nothing; sending one that
 * was based on an older revision is a conflict, answered with what is stored.
 *
 * @throws ProblemException 409 with `current`, 404 when the id belongs to another household
 */
export async function saveDocument<M extends Model & Revisioned>({
  model,
  id,
  householdId,
  sent: { document, revision },
  extra = {},
  view,
  refuse,
  beforehand,
  afterwards,
}: SavedDocument<M>): Promise<M> {
  const sequelize = model.sequelize;
  if (!sequelize) throw new Error('the model has no connection');
  const plain = JSON.parse(JSON.stringify(document)) as FormulaBody;
  const values = { title: plain.title, document: plain, ...extra };
  return sequelize.transaction(async (transaction: Transaction) => {
    const [row, isNew] = await model.findOrCreate({
      where: { id } as never,
      defaults: { id, householdId, revision: 1, ...values } as unknown as CreationAttributes<M>,
      transaction,
      lock: transaction.LOCK.UPDATE,
    });
    if (isNew) {
      await afterwards?.(row, transaction);
      return row;
    }
    if (row.householdId !== householdId) throw notFound('document');
    refuse?.(row);
    if (isDeepStrictEqual(row.document, plain)) {
      const other = Object.entries(extra).some(([key, value]) => row.get(key) !== value);
      return other ? row.update(extra, { transaction }) : row;
    }
    // What only keeps the place for a document that comes later is overwritten by any.
    if (row.revision !== revision && row.revision > 0) {
      throw new ProblemException(
        'revision-conflict',
        'it was changed on another device since you opened it; choose which to save',
        { current: view(row) },
      );
    }
    await beforehand?.(row, transaction);
    const next = await row.update({ ...values, revision: revision + 1 } as never, { transaction });
    await afterwards?.(next, transaction);
    return next;
  });
}
