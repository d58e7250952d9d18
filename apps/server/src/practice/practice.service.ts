import { Injectable } from '@nestjs/common';
import { InjectConnection, InjectModel } from '@nestjs/sequelize';
import { Sequelize } from 'sequelize-typescript';
import type {
  PracticeRunView,
  PracticeScenarioView,
  SavePracticeRun,
  SavePracticeScenario,
} from '@idle-kettle/contract';
import { SCENARIOS } from '@idle-kettle/core';
import { HouseholdService } from '../households/household.service.js';
import { notFound, ProblemException } from '../http/problem.filter.js';
import { PracticeRunRow, PracticeScenarioRow } from './practice.models.js';

const runView = ({
  id,
  player,
  scenario,
  seed,
  mode,
  score,
  medals,
  playedAt,
}: PracticeRunRow): PracticeRunView => ({
  id,
  player,
  scenario,
  seed,
  mode,
  score,
  medals,
  at: playedAt.toISOString(),
});
const scenarioView = ({ id, document }: PracticeScenarioRow): PracticeScenarioView => ({
  id,
  document,
});

/** Runs of practice pans, and the pans this household wrote itself. */
@Injectable()
export class PracticeService {
  constructor(
    @InjectConnection() private readonly sequelize: Sequelize,
    @InjectModel(PracticeRunRow) private readonly runs: typeof PracticeRunRow,
    @InjectModel(PracticeScenarioRow) private readonly scenarios: typeof PracticeScenarioRow,
    private readonly households: HouseholdService,
  ) {}

  /** The earliest first. */
  async listRuns(): Promise<PracticeRunView[]> {
    const found = await this.runs.findAll({
      where: { householdId: await this.households.current() },
      order: [
        ['playedAt', 'ASC'],
        ['id', 'ASC'],
      ],
    });
    return found.map(runView);
  }

  /** Keeps a run; sent again it stays as it is. */
  async saveRun(id: string, { at, ...run }: SavePracticeRun): Promise<PracticeRunView> {
    const householdId = await this.households.current();
    const [row] = await this.runs.findOrCreate({
      where: { id },
      defaults: { id, householdId, ...run, playedAt: new Date(at) },
    });
    if (row.householdId !== householdId) throw notFound('practice run');
    return runView(row);
  }

  async removeRun(id: string): Promise<void> {
    const where = { id, householdId: await this.households.current() };
    if ((await this.runs.destroy({ where })) === 0) throw notFound('practice run');
  }

  async listScenarios(): Promise<PracticeScenarioView[]> {
    const found = await this.scenarios.findAll({
      where: { householdId: await this.households.current() },
      order: [['id', 'ASC']],
    });
    return found.map(scenarioView);
  }

  /** Keeps a scenario, or another version of it. */
  async saveScenario(
    id: string,
    { document }: SavePracticeScenario,
  ): Promise<PracticeScenarioView> {
    return this.sequelize.transaction(async (transaction) => {
      const householdId = await this.households.hold(transaction);
      const own = await this.scenarios.findAll({ where: { householdId }, transaction });
      const isTaken =
        SCENARIOS.some((each) => each.id === document.id) ||
        own.some((each) => each.id !== id && each.document.id === document.id);
      if (isTaken)
        throw new ProblemException(
          'not-understood',
          `there is a practice pan "${document.id}" already`,
          { errors: [{ path: 'document.id', message: 'give it another id' }] },
        );
      const [row, isNew] = await this.scenarios.findOrCreate({
        where: { id },
        defaults: { id, householdId, document },
        transaction,
      });
      if (row.householdId !== householdId) throw notFound('practice pan');
      return scenarioView(isNew ? row : await row.update({ document }, { transaction }));
    });
  }

  async removeScenario(id: string): Promise<void> {
    const where = { id, householdId: await this.households.current() };
    if ((await this.scenarios.destroy({ where })) === 0) throw notFound('practice pan');
  }
}
