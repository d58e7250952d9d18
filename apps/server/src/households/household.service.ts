import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { InjectModel } from '@nestjs/sequelize';
import type { Transaction } from 'sequelize';
import { Household } from './household.model.js';

/**
 * Whose data a request is about. There is one household to an installation; every query still names
 * it, so that sharing a server later changes only this class.
 */
@Injectable()
export class HouseholdService {
  private id: string | undefined;

  constructor(@InjectModel(Household) private readonly households: typeof Household) {}

  /** The household of this installation, made on first use. */
  async current(): Promise<string> {
    this.id ??= await this.firstOrNew();
    return this.id;
  }

  /**
   * What must not be done by two requests at once takes turns: whoever holds the household goes on,
   * others wait for the end of the transaction.
   *
   * @returns its id
   */
  async hold(transaction: Transaction): Promise<string> {
    const id = await this.current();
    await this.households.findByPk(id, { transaction, lock: transaction.LOCK.NO_KEY_UPDATE });
    return id;
  }

  private async firstOrNew(): Promise<string> {
    const sequelize = this.households.sequelize;
    if (!sequelize) throw new Error('the household model has no connection');
    return sequelize.transaction(async (transaction) => {
      // Two requests, or two servers, may come first at once.
      await sequelize.query('LOCK TABLE households IN SHARE ROW EXCLUSIVE MODE', { transaction });
      const found = await this.households.findOne({ order: [['createdAt', 'ASC']], transaction });
      return (
        found ??
        (await this.households.create({ id: randomUUID(), name: 'Our kitchen' }, { transaction }))
      ).id;
    });
  }
}
