import { Injectable } from '@nestjs/common';
import { InjectConnection } from '@nestjs/sequelize';
import { QueryTypes } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import { MOST_PHOTOS, type PhotoView } from '@idle-kettle/contract';
import { BatchService } from '../batches/batch.service.js';
import { Clock } from '../clock/clock.js';
import { HouseholdService } from '../households/household.service.js';
import { notFound, ProblemException } from '../http/problem.filter.js';
import { normalizePhoto } from './normalize-photo.js';
import { DAY_MS } from '@idle-kettle/core';

type PhotoRow = Omit<PhotoView, 'at'> & { at: Date };

const VIEW = 'SELECT id, note, width, height, taken_at AS at FROM batch_photos';

/** A photo that was taken out can be brought back for so long; then it is gone for good, ms. */
const BROUGHT_BACK_MS = DAY_MS;

const view = ({ at, ...photo }: PhotoRow): PhotoView => ({ ...photo, at: at.toISOString() });

/** Photos of batches. */
@Injectable()
export class PhotoService {
  constructor(
    @InjectConnection() private readonly sequelize: Sequelize,
    private readonly households: HouseholdService,
    private readonly batches: BatchService,
    private readonly clock: Clock,
  ) {}

  /** Those of a batch, the oldest first. */
  async list(batchId: string): Promise<PhotoView[]> {
    await this.batches.get(batchId);
    const rows = await this.ask<PhotoRow>(
      `${VIEW} WHERE batch_id = :batchId AND household_id = :householdId AND removed_at IS NULL ORDER BY taken_at, id`,
      { batchId },
    );
    return rows.map(view);
  }

  /** Keeps a photo; the id is made by the device, and sending it again changes nothing. */
  async keep(
    batchId: string,
    id: string,
    bytes: Buffer,
    at: string | undefined,
  ): Promise<PhotoView> {
    const already = await this.list(batchId);
    const same = already.find((photo) => photo.id === id);
    if (same) return same;
    if (already.length >= MOST_PHOTOS)
      throw new ProblemException(
        'not-now',
        `a batch has at most ${MOST_PHOTOS} photos; delete one first`,
      );
    const { image, small, width, height } = await normalizePhoto(bytes);
    await this.ask(
      `INSERT INTO batch_photos (id, household_id, batch_id, taken_at, width, height, image, small)
        VALUES (:id, :householdId, :batchId, :at, :width, :height, :image, :small) ON CONFLICT DO NOTHING`,
      { id, batchId, at: at ?? this.clock.now(), width, height, image, small },
    );
    return this.one(id);
  }

  async write(id: string, note: string): Promise<PhotoView> {
    await this.one(id);
    await this.ask(
      'UPDATE batch_photos SET note = :note WHERE id = :id AND household_id = :householdId',
      { id, note: note.trim() },
    );
    return this.one(id);
  }

  /** Takes a photo out, or brings it back the same day. */
  async takeOut(id: string, out: boolean): Promise<void> {
    await this.one(id, true);
    const now = this.clock.now();
    await this.ask(
      'UPDATE batch_photos SET removed_at = :removedAt WHERE id = :id AND household_id = :householdId',
      { id, removedAt: out ? now : null },
    );
    await this.ask(
      'DELETE FROM batch_photos WHERE household_id = :householdId AND removed_at < :gone',
      { gone: new Date(now.getTime() - BROUGHT_BACK_MS) },
    );
  }

  /** @returns the picture as WebP */
  async picture(id: string, size: 'image' | 'small'): Promise<Buffer> {
    const [found] = await this.ask<{ bytes: Buffer }>(
      `SELECT ${size} AS bytes FROM batch_photos WHERE id = :id AND household_id = :householdId AND removed_at IS NULL`,
      { id },
    );
    if (!found) throw notFound('photo');
    return found.bytes;
  }

  private async one(id: string, removedToo = false): Promise<PhotoView> {
    const [row] = await this.ask<PhotoRow>(
      `${VIEW} WHERE id = :id AND household_id = :householdId ${removedToo ? '' : 'AND removed_at IS NULL'}`,
      { id },
    );
    if (!row) throw notFound('photo');
    return view(row);
  }

  private async ask<T extends object>(sql: string, replacements: object): Promise<T[]> {
    return this.sequelize.query<T>(sql, {
      replacements: { householdId: await this.households.current(), ...replacements },
      type: QueryTypes.SELECT,
    });
  }
}
