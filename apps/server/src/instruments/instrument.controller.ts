import {
  Body,
  Controller,
  Delete,
  Get,
  Headers,
  HttpCode,
  Param,
  Patch,
  Post,
} from '@nestjs/common';
import {
  ChangeInstrument,
  NewInstrument,
  plainReadings,
  SendReadings,
  type InstrumentView,
  type InstrumentWithToken,
  type IntakeResult,
} from '@idle-kettle/contract';
import { ApiBearerAuth, ApiBody } from '@nestjs/swagger';
import { idPipe, validationPipe } from '../http/validation.js';
import { InstrumentService } from './instrument.service.js';
import { IntakeService } from './intake.service.js';

@Controller('instruments')
export class InstrumentController {
  constructor(private readonly instruments: InstrumentService) {}

  @Get()
  list(): Promise<InstrumentView[]> {
    return this.instruments.list();
  }

  @Post()
  add(@Body() body: NewInstrument): Promise<InstrumentWithToken> {
    return this.instruments.add(body);
  }

  @Patch(':id')
  change(@Param('id', idPipe) id: string, @Body() body: ChangeInstrument): Promise<InstrumentView> {
    return this.instruments.change(id, body);
  }

  @Post(':id/token')
  @HttpCode(200)
  renew(@Param('id', idPipe) id: string): Promise<InstrumentWithToken> {
    return this.instruments.renew(id);
  }

  @Delete(':id')
  @HttpCode(204)
  remove(@Param('id', idPipe) id: string): Promise<void> {
    return this.instruments.remove(id);
  }
}

const rules = validationPipe();
/** @throws ProblemException naming everything that is wrong */
const byTheRules = (body: unknown): Promise<SendReadings> =>
  rules.transform(body, { type: 'body', metatype: SendReadings }) as Promise<SendReadings>;

/** Where probes, scales and refractometers send what they measure. */
@Controller('readings')
export class ReadingsController {
  constructor(private readonly intake: IntakeService) {}

  @Post()
  @HttpCode(200)
  @ApiBearerAuth()
  @ApiBody({ schema: { $ref: '#/components/schemas/SendReadings' } })
  async take(
    @Headers('authorization') authorization: string | undefined,
    @Body() body: unknown,
  ): Promise<IntakeResult> {
    const readings = plainReadings(body) ?? (await byTheRules(body)).readings;
    return this.intake.take(/^Bearer (\S+)$/i.exec(authorization ?? '')?.[1], readings);
  }
}
