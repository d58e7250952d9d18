import { Controller, Get } from '@nestjs/common';
import { InjectConnection } from '@nestjs/sequelize';
import { Sequelize } from 'sequelize-typescript';

@Controller('health')
export class HealthController {
  constructor(@InjectConnection() private readonly sequelize: Sequelize) {}

  /** Asks the database a question; when it does not answer, the problem filter says 503. */
  @Get()
  async health(): Promise<{ status: 'ok'; database: 'ok' }> {
    await this.sequelize.query('SELECT 1');
    return { status: 'ok', database: 'ok' };
  }
}
