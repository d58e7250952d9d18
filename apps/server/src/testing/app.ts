import 'reflect-metadata';
import { randomUUID } from 'node:crypto';
import type { NestExpressApplication } from '@nestjs/platform-express';
import request from 'supertest';
import type { EventBody, FormulaBody } from '@idle-kettle/contract';
import type { Clock } from '../clock/clock.js';
import { createApp } from '../create-app.js';
import { connect } from '../database/connect.js';
import { migrate } from '../database/migrate.js';
import type { Settings } from '../settings.js';

type Agent = ReturnType<typeof request.agent>;

export interface TestApp {
  readonly app: NestExpressApplication;
  /** Requests as a page of this server makes them. */
  readonly http: Agent;
  /** Requests that say nothing of where they come from. */
  readonly bare: ReturnType<typeof request>;
  readonly close: () => Promise<void>;
}

/** What a program of the machine shows. */
export const COMMAND_KEY = 'key of the command line';

/** Settings of a server of a test: on loopback, at any port, silent. */
export const testSettings = (databaseUrl: string): Settings => ({
  databaseUrl,
  host: '127.0.0.1',
  port: 0,
  allowedHosts: [],
  allowedOrigins: [],
  commandKey: COMMAND_KEY,
  webFolder: undefined,
  demo: false,
  instance: 'test',
  logLevel: 'silent',
  logFile: undefined,
});

/** The real server over a migrated database, on the machine's clock unless another is given. */
export async function startTestApp(databaseUrl: string, clock?: Clock): Promise<TestApp> {
  const database = await connect(databaseUrl);
  await migrate(database);
  await database.close();
  const app = await createApp(testSettings(databaseUrl), clock);
  await app.listen(0, '127.0.0.1');
  const url = await app.getUrl();
  const http = request.agent(url).set('Origin', url);
  return { app, http, bare: request(url), close: () => app.close() };
}

export const damsonJam = (change: Partial<FormulaBody> = {}): FormulaBody => ({
  format: 'idle-kettle/formula',
  version: 1,
  title: 'Damson jam',
  kind: 'jam',
  method: 'long-boil',
  lines: [
    { ingredient: 'damson', form: 'pitted', amount: '2.4 kg' },
    { ingredient: 'white-sugar', amount: '2.2 kg' },
  ],
  finish: { type: 'gel-temperature' },
  jars: [{ size: '454-g' }],
  ...change,
});

export const reading = (
  temperature_C: number,
  at = new Date().toISOString(),
  device = 'tablet',
): EventBody => ({ id: randomUUID(), type: 'reading', at, device, body: { temperature_C } });

/** Puts a batch on the bench. @returns its id */
export async function newBatch(http: Agent, document = damsonJam()): Promise<string> {
  const id = randomUUID();
  await http.put(`/api/batches/${id}`).send({ document, revision: 0 }).expect(200);
  return id;
}
