import { createHash, randomBytes } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { InjectModel } from '@nestjs/sequelize';
import type {
  ChangeInstrument,
  InstrumentView,
  InstrumentWithToken,
  NewInstrument,
} from '@idle-kettle/contract';
import { BatchService } from '../batches/batch.service.js';
import { Clock } from '../clock/clock.js';
import { HouseholdService } from '../households/household.service.js';
import { notFound, ProblemException } from '../http/problem.filter.js';
import { InstrumentPlace, InstrumentRow } from './instrument.models.js';

export const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');
/** 192 bits: nobody guesses it, so a plain hash is enough to keep. */
const newToken = (): string => `kettle_${randomBytes(24).toString('base64url')}`;

const view = ({ id, name, kind }: InstrumentRow, batchId: string | null): InstrumentView => ({
  id,
  name,
  kind,
  batchId,
});

/** The probes, scales and refractometers of a household, and in which pot each stands. */
@Injectable()
export class InstrumentService {
  constructor(
    @InjectModel(InstrumentRow) private readonly instruments: typeof InstrumentRow,
    @InjectModel(InstrumentPlace) private readonly places: typeof InstrumentPlace,
    private readonly batches: BatchService,
    private readonly households: HouseholdService,
    private readonly clock: Clock,
  ) {}

  async list(): Promise<InstrumentView[]> {
    const householdId = await this.households.current();
    const [rows, places] = await Promise.all([
      this.instruments.findAll({ where: { householdId }, order: [['createdAt', 'ASC']] }),
      this.places.findAll({ where: { householdId }, order: [['fromAt', 'ASC']] }),
    ]);
    const now = new Map(places.map(({ instrumentId, batchId }) => [instrumentId, batchId]));
    return rows.map((row) => view(row, now.get(row.id) ?? null));
  }

  /** Makes an instrument and its token, which is shown this once. */
  async add({ id, name, kind, batchId }: NewInstrument): Promise<InstrumentWithToken> {
    const householdId = await this.households.current();
    if (await this.instruments.findByPk(id))
      throw new ProblemException('id-taken', 'this id already stands for an instrument');
    const token = newToken();
    const row = await this.instruments.create({
      id,
      householdId,
      name,
      kind,
      tokenHash: hashOf(token),
    });
    if (batchId) await this.put(row, batchId);
    return { ...view(row, batchId ?? null), token };
  }

  async change(id: string, { name, batchId }: ChangeInstrument): Promise<InstrumentView> {
    const row = await this.find(id);
    if (name !== undefined) await row.update({ name });
    if (batchId !== undefined) await this.put(row, batchId);
    return view(row, await this.standsIn(id));
  }

  /** A new token; the one before it is worth nothing from now on. */
  async renew(id: string): Promise<InstrumentWithToken> {
    const row = await this.find(id);
    const token = newToken();
    await row.update({ tokenHash: hashOf(token) });
    return { ...view(row, await this.standsIn(id)), token };
  }

  /** Takes it out; what it measured stays in the logs. */
  async remove(id: string): Promise<void> {
    await (await this.find(id)).destroy();
  }

  private async put({ id, householdId }: InstrumentRow, batchId: string | null): Promise<void> {
    if (batchId !== null) await this.batches.get(batchId);
    await this.places.upsert({ instrumentId: id, householdId, batchId, fromAt: this.clock.now() });
  }

  private async standsIn(instrumentId: string): Promise<string | null> {
    return (
      (await this.places.findOne({ where: { instrumentId }, order: [['fromAt', 'DESC']] }))
        ?.batchId ?? null
    );
  }

  private async find(id: string): Promise<InstrumentRow> {
    const row = await this.instruments.findOne({
      where: { id, householdId: await this.households.current() },
    });
    if (!row) throw notFound('instrument');
    return row;
  }
}
