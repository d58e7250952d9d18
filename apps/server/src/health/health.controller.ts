import { Controller, Get, Inject } from '@nestjs/common';
import { InjectConnection } from '@nestjs/sequelize';
import { Sequelize } from 'sequelize-typescript';
import { SETTINGS, type Settings } from '../settings.js';

@Controller('health')
export class HealthController {
  constructor(
    @InjectConnection() private readonly sequelize: Sequelize,
    @Inject(SETTINGS) private readonly settings: Settings,
  ) {}

  /** Asks the database a question; when it does not answer, the problem filter says 503. */
  @Get()
  async health(): Promise<{ status: 'ok'; database: 'ok'; instance: string }> {
    await this.sequelize.query('SELECT 1');
    return { status: 'ok', database: 'ok', instance: this.settings.instance };
  }
}
