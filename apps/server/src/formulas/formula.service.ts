import { Injectable } from '@nestjs/common';
import { InjectModel } from '@nestjs/sequelize';
import { readFormula } from '@idle-kettle/core';
import type { FormulaView, SaveDocument } from '@idle-kettle/contract';
import { saveDocument } from '../database/save-document.js';
import { HouseholdService } from '../households/household.service.js';
import { notFound, ProblemException } from '../http/problem.filter.js';
import { Formula } from './formula.model.js';

const view = (formula: Formula): FormulaView => ({
  id: formula.id,
  document: formula.document,
  revision: formula.revision,
  createdAt: formula.createdAt.toISOString(),
  updatedAt: formula.updatedAt.toISOString(),
});

@Injectable()
export class FormulaService {
  constructor(
    @InjectModel(Formula) private readonly formulas: typeof Formula,
    private readonly households: HouseholdService,
  ) {}

  async list(): Promise<FormulaView[]> {
    const found = await this.formulas.findAll({
      where: { householdId: await this.households.current() },
      order: [['title', 'ASC']],
      limit: 500,
    });
    return found.map(view);
  }

  async get(id: string): Promise<FormulaView> {
    return view(await this.find(id));
  }

  /** A formula is kept to be made again, so it must be one that can be computed; a half-typed one stays with its batch. */
  async save(id: string, body: SaveDocument): Promise<FormulaView> {
    const { problems } = readFormula(body.document);
    if (problems.length > 0) {
      throw new ProblemException(400, 'this formula cannot be computed yet', {
        errors: problems.map(({ path, message }) => ({ path: `document.${path}`, message })),
      });
    }
    return view(await saveDocument(this.formulas, id, await this.households.current(), body, {}, view));
  }

  async remove(id: string): Promise<void> {
    await (await this.find(id)).destroy();
  }

  private async find(id: string): Promise<Formula> {
    const formula = await this.formulas.findOne({
      where: { id, householdId: await this.households.current() },
    });
    if (!formula) throw notFound('formula');
    return formula;
  }
}
