import { Module, type DynamicModule } from '@nestjs/common';
import { LiveController } from './live.controller.js';
import { LiveService } from './live.service.js';

@Module({})
export class LiveModule {
  static with(databaseUrl: string): DynamicModule {
    return {
      module: LiveModule,
      controllers: [LiveController],
      providers: [{ provide: LiveService, useFactory: () => new LiveService(databaseUrl) }],
    };
  }
}
