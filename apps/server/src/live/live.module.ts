import { Global, Module, type DynamicModule } from '@nestjs/common';
import { LiveController } from './live.controller.js';
import { LiveService } from './live.service.js';

@Global()
@Module({})
export class LiveModule {
  static with(databaseUrl: string): DynamicModule {
    return {
      module: LiveModule,
      controllers: [LiveController],
      exports: [LiveService],
      providers: [{ provide: LiveService, useFactory: () => new LiveService(databaseUrl) }],
    };
  }
}
