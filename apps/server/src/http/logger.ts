import type { LoggerService } from '@nestjs/common';
import { pino, type Logger } from 'pino';

export const makePino = (level: string): Logger => pino({ level, base: null });

/** Nest's messages as the same structured lines as the requests. */
export class PinoLogger implements LoggerService {
  constructor(private readonly pino: Logger) {}
  log = (message: unknown, context?: string): void => this.pino.info({ context }, String(message));
  warn = (message: unknown, context?: string): void => this.pino.warn({ context }, String(message));
  error = (message: unknown, stack?: string, context?: string): void =>
    this.pino.error({ context, stack }, String(message));
  debug = (message: unknown, context?: string): void =>
    this.pino.debug({ context }, String(message));
  verbose = (message: unknown, context?: string): void =>
    this.pino.trace({ context }, String(message));
}
