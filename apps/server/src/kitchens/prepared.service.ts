import { Injectable } from '@nestjs/common';
import { InjectModel } from '@nestjs/sequelize';
import type { PreparedWeightView, SavePreparedWeight } from '@idle-kettle/contract';
import { ingredientById } from '@idle-kettle/core';
import { HouseholdService } from '../households/household.service.js';
import { notFound, ProblemException } from '../http/problem.filter.js';
import { PreparedWeightRow } from './prepared-weight.model.js';

/** Weighings a household's losses are learned from: the newest ones. */
const LEARNED_FROM = 500;

const view = ({
  id,
  ingredient,
  variety,
  bought_kg,
  prepared_kg,
  weighedAt,
}: PreparedWeightRow): PreparedWeightView => ({
  id,
  ingredient,
  bought_kg,
  prepared_kg,
  at: weighedAt.toISOString(),
  ...(variety !== null && { variety }),
});

/** What was left of bought fruit, weighing by weighing. */
@Injectable()
export class PreparedService {
  constructor(
    @InjectModel(PreparedWeightRow) private readonly weights: typeof PreparedWeightRow,
    private readonly households: HouseholdService,
  ) {}

  /** Newest first. */
  async list(): Promise<PreparedWeightView[]> {
    const found = await this.weights.findAll({
      where: { householdId: await this.households.current() },
      order: [['weighedAt', 'DESC']],
      limit: LEARNED_FROM,
    });
    return found.map(view);
  }

  /** Keeps one weighing; the same id again is the same weighing. */
  async save(
    id: string,
    { at, variety, ...weight }: SavePreparedWeight,
  ): Promise<PreparedWeightView> {
    if (!ingredientById(weight.ingredient))
      throw new ProblemException(
        'not-understood',
        `there is no ingredient "${weight.ingredient}"`,
        {
          errors: [{ path: 'ingredient', message: 'write the id of a fruit, such as "quince"' }],
        },
      );
    if (weight.prepared_kg > weight.bought_kg)
      throw new ProblemException('not-understood', 'more was prepared than was bought', {
        errors: [{ path: 'prepared_kg', message: `write at most ${weight.bought_kg} kg` }],
      });
    const householdId = await this.households.current();
    const [row] = await this.weights.findOrCreate({
      where: { id },
      defaults: { id, householdId, variety: variety ?? null, weighedAt: new Date(at), ...weight },
    });
    if (row.householdId !== householdId) throw notFound('weighing');
    return view(row);
  }

  async remove(id: string): Promise<void> {
    const gone = await this.weights.destroy({
      where: { id, householdId: await this.households.current() },
    });
    if (gone === 0) throw notFound('weighing');
  }
}
