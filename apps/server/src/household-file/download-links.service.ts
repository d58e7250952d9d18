import { createHash, randomBytes } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { InjectConnection } from '@nestjs/sequelize';
import { QueryTypes } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import { MINUTE_MS } from '@idle-kettle/core';
import { Clock } from '../clock/clock.js';
import { HouseholdService } from '../households/household.service.js';

/** 192 bits: nobody guesses it, so a plain hash is enough to keep. */
const TOKEN_BYTES = 24;
const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');

const ADD = `
  WITH expired AS (DELETE FROM download_links WHERE expires_at < :now)
  INSERT INTO download_links (token_hash, household_id, path, expires_at)
  VALUES (:hash, :householdId, :path, :until)`;
const USE = `
  DELETE FROM download_links
  WHERE token_hash = :hash AND household_id = :householdId AND path = :path AND expires_at >= :now
  RETURNING path`;

/** Addresses of downloads that work once, for whoever our own page gave them to. */
@Injectable()
export class DownloadLinksService {
  constructor(
    @InjectConnection() private readonly sequelize: Sequelize,
    private readonly households: HouseholdService,
    private readonly clock: Clock,
  ) {}

  /**
   * @param path of a download, such as `/api/household/book.pdf?year=2026`
   * @returns a token that opens it once, within a minute
   */
  async add(path: string): Promise<string> {
    const token = randomBytes(TOKEN_BYTES).toString('base64url');
    const now = this.clock.now();
    await this.sequelize.query(ADD, {
      replacements: {
        hash: hashOf(token),
        householdId: await this.households.current(),
        path,
        now,
        until: new Date(now.getTime() + MINUTE_MS),
      },
      type: QueryTypes.INSERT,
    });
    return token;
  }

  /** @returns whether the token opens the path; it opens nothing after that */
  async use(token: string, path: string): Promise<boolean> {
    const used = await this.sequelize.query(USE, {
      replacements: {
        hash: hashOf(token),
        householdId: await this.households.current(),
        path,
        now: this.clock.now(),
      },
      type: QueryTypes.SELECT,
    });
    return used.length > 0;
  }
}
