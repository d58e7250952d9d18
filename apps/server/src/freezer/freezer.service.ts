import { Injectable } from '@nestjs/common';
import { InjectModel } from '@nestjs/sequelize';
import type { FrozenFruitView, SaveFrozenFruit } from '@idle-kettle/contract';
import { ingredientById } from '@idle-kettle/core';
import { HouseholdService } from '../households/household.service.js';
import { notFound, ProblemException } from '../http/problem.filter.js';
import { FrozenFruit } from './frozen-fruit.model.js';

const view = ({ id, ingredient, mass_kg, note, frozenOn }: FrozenFruit): FrozenFruitView => ({
  id,
  ingredient,
  mass_kg,
  note,
  frozenOn,
});

/** Fruit that waits in the freezer. */
@Injectable()
export class FreezerService {
  constructor(
    @InjectModel(FrozenFruit) private readonly fruit: typeof FrozenFruit,
    private readonly households: HouseholdService,
  ) {}

  /** What has waited longest comes first. */
  async list(): Promise<FrozenFruitView[]> {
    const found = await this.fruit.findAll({
      where: { householdId: await this.households.current() },
      order: [
        ['frozenOn', 'ASC'],
        ['id', 'ASC'],
      ],
    });
    return found.map(view);
  }

  /** Keeps one bag, or what is left of it. */
  async save(id: string, body: SaveFrozenFruit): Promise<FrozenFruitView> {
    if (!ingredientById(body.ingredient))
      throw new ProblemException('not-understood', `there is no ingredient "${body.ingredient}"`, {
        errors: [{ path: 'ingredient', message: 'write the id of a fruit, such as "quince"' }],
      });
    const householdId = await this.households.current();
    const [row, isNew] = await this.fruit.findOrCreate({
      where: { id },
      defaults: { id, householdId, ...body },
    });
    if (row.householdId !== householdId) throw notFound('frozen fruit');
    return view(isNew ? row : await row.update({ ...body }));
  }

  async remove(id: string): Promise<void> {
    const gone = await this.fruit.destroy({
      where: { id, householdId: await this.households.current() },
    });
    if (gone === 0) throw notFound('frozen fruit');
  }
}
