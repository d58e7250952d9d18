import { dirname, basename } from 'node:path';
import type { IncomingMessage } from 'node:http';
import type { LoggerService } from '@nestjs/common';
import { pino, type Logger } from 'pino';
import { createStream, type RotatingFileStream } from 'rotating-file-stream';

/** The log is never larger than these together, and the oldest goes. */
const FILE_SIZE = '5M';
const FILES = 4;

/** The token of an instrument, wherever in an address it stands. */
const TOKEN = /kettle_[\w-]+/g;

/** What the log says of a request: no header, since one may be a secret. */
export const requestInLog = ({ method, url }: IncomingMessage): object => ({
  method,
  url: url?.replace(TOKEN, 'kettle_…'),
});

/**
 * Writes to a file that never fills the disk and is read by its owner alone, or to standard output.
 * A line that cannot be written is lost; the server goes on.
 *
 * @param file undefined is standard output
 */
export function makePino(level: string, file?: string): Logger {
  const options = { level, base: null };
  if (file === undefined) return pino(options);
  const open = streams.get(file) ?? openLog(file);
  streams.set(file, open);
  return pino(options, open);
}

/** One stream for each file: two would move it away from under each other. */
const streams = new Map<string, RotatingFileStream>();

function openLog(file: string): RotatingFileStream {
  const stream = createStream(basename(file), {
    path: dirname(file),
    size: FILE_SIZE,
    maxFiles: FILES - 1,
    mode: 0o600,
  });
  stream.on('error', () => undefined);
  stream.on('warning', () => undefined);
  return stream;
}

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
