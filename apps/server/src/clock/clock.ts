import { Global, Module, type DynamicModule } from '@nestjs/common';

/** Where every part of the server takes the time from. */
export abstract class Clock {
  abstract now(): Date;
}

/** The clock of the machine. */
export class SystemClock extends Clock {
  now(): Date {
    return new Date();
  }
}

@Global()
@Module({})
export class ClockModule {
  static with(clock: Clock): DynamicModule {
    return {
      module: ClockModule,
      providers: [{ provide: Clock, useValue: clock }],
      exports: [Clock],
    };
  }
}
