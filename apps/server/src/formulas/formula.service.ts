import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { InjectModel } from '@nestjs/sequelize';
import { readFormula, STARTERS } from '@idle-kettle/core';
import type {
  FormulaBody,
  FormulaVersion,
  FormulaView,
  MarkFormula,
  SaveDocument,
} from '@idle-kettle/contract';
import { saveDocument } from '../database/save-document.js';
import { SummaryCacheService } from '../batches/summary-cache.service.js';
import { Clock } from '../clock/clock.js';
import { HouseholdService } from '../households/household.service.js';
import { notFound, ProblemException } from '../http/problem.filter.js';
import { FormulaVersionRow } from './formula-version.model.js';
import { Formula } from './formula.model.js';

const view = (formula: Formula): FormulaView => ({
  id: formula.id,
  document: formula.document,
  revision: formula.revision,
  favourite: formula.favourite,
  archivedAt: formula.archivedAt?.toISOString() ?? null,
  createdAt: formula.createdAt.toISOString(),
  updatedAt: formula.updatedAt.toISOString(),
});

type Won = FormulaVersion['prizes'][number] & { readonly laidOutAt: string };

/** Batches laid out by a formula that won something. */
const WON = `
  SELECT coalesce(json_agg(jsonb_build_object('batchId', entry.batch_id, 'laidOutAt', entry.summary ->> 'createdAt') || (entry.summary -> 'best')
    ORDER BY entry.created_at), '[]')
  FROM batch_summaries entry JOIN batches batch ON batch.id = entry.batch_id
  WHERE entry.household_id = :householdId AND batch.formula_id = :id AND NOT entry.removed
    AND entry.summary -> 'best' ->> 'result' IN ('first', 'second', 'third', 'commended')`;
const isBetween = (at: number, from: number, to: number): boolean => at >= from && at < to;

@Injectable()
export class FormulaService {
  constructor(
    @InjectModel(Formula) private readonly formulas: typeof Formula,
    @InjectModel(FormulaVersionRow) private readonly kept: typeof FormulaVersionRow,
    private readonly households: HouseholdService,
    private readonly summaries: SummaryCacheService,
    private readonly clock: Clock,
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

  /**
   * A formula is kept to be made again, so it must be one that can be computed; a half-typed one
   * stays with its batch.
   */
  async save(id: string, body: SaveDocument): Promise<FormulaView> {
    const { problems } = readFormula(body.document);
    if (problems.length > 0) {
      throw new ProblemException('not-understood', 'this formula cannot be computed yet', {
        errors: problems.map(({ path, message }) => ({ path: `document.${path}`, message })),
      });
    }
    return view(
      await saveDocument({
        model: this.formulas,
        id,
        householdId: await this.households.current(),
        sent: body,
        view,
        afterwards: ({ revision, householdId, document }, transaction) =>
          this.kept.create({ formulaId: id, revision, householdId, document }, { transaction }),
      }),
    );
  }

  /** What the formula has been, the newest first. */
  async versions(id: string): Promise<FormulaVersion[]> {
    const { householdId } = await this.find(id);
    const found = await this.kept.findAll({
      where: { formulaId: id, householdId },
      order: [['revision', 'DESC']],
      limit: 200,
    });
    const won = JSON.parse(await this.summaries.list(WON, { id })) as Won[];
    return found.map(({ revision, document, savedAt }, i) => ({
      revision,
      document,
      savedAt: savedAt.toISOString(),
      // The version a batch was made by is the one that counted when it was laid out.
      prizes: won
        .filter(({ laidOutAt }) =>
          isBetween(
            Date.parse(laidOutAt),
            i === found.length - 1 ? 0 : savedAt.getTime(),
            found[i - 1]?.savedAt.getTime() ?? Infinity,
          ),
        )
        .map(({ laidOutAt: _at, ...prize }) => prize),
    }));
  }

  async mark(id: string, { favourite, archived }: MarkFormula): Promise<FormulaView> {
    const formula = await this.find(id);
    await formula.update({
      ...(favourite !== undefined && { favourite }),
      ...(archived !== undefined && {
        archivedAt: archived ? (formula.archivedAt ?? this.clock.now()) : null,
      }),
    });
    return view(formula);
  }

  /**
   * Lays in the starter set, but none whose title is there already, put away or not.
   * @returns all formulas
   */
  async layInStarters(): Promise<FormulaView[]> {
    const titles = new Set((await this.list()).map(({ document }) => document.title));
    for (const document of STARTERS)
      if (!titles.has(document.title))
        await this.save(randomUUID(), { document: document as FormulaBody, revision: 0 });
    return this.list();
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
