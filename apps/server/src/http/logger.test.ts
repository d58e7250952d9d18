import { randomUUID } from 'node:crypto';
import { readFileSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout } from 'node:timers/promises';
import { createApp } from '../create-app.js';
import { migrate } from '../database/migrate.js';
import { connect } from '../database/connect.js';
import { testSettings } from '../testing/app.js';
import { freshDatabase } from '../testing/database.js';
import { makePino } from './logger.js';

test('no form of an address brings a token into the log, and only its owner reads it', async () => {
  const databaseUrl = await freshDatabase('kettle_test_logger');
  const database = await connect(databaseUrl);
  await migrate(database);
  await database.close();
  const logFile = join(tmpdir(), `kettle-${randomUUID()}.log`);
  const app = await createApp({ ...testSettings(databaseUrl), logLevel: 'info', logFile });
  await app.listen(0, '127.0.0.1');
  const address = await app.getUrl();
  const token = 'kettle_c2VjcmV0LXRva2Vu';
  for (const path of ['/api/readings', '/api/readings/', '/API/readings', '/api/readings?x=1'])
    await fetch(address + path, {
      method: 'POST',
      headers: { Authorization: `Bearer ${token}`, 'Content-Type': 'application/json' },
      body: '{"readings":[]}',
    });
  await fetch(`${address}/api/readings/${token}?token=${token}`);
  await app.close();
  await setTimeout(200);
  const log = readFileSync(logFile, 'utf8');
  expect(log).toContain('/api/readings/kettle_…?token=kettle_…');
  expect(log).not.toContain('c2VjcmV0');
  expect(log).not.toContain('Bearer');
  expect(statSync(logFile).mode & 0o077).toBe(0);
});

test('a log that cannot be written stops nobody', async () => {
  const log = makePino('info', '/dev/full/no/such/place.log');
  for (let i = 0; i < 100; i++) log.info('lost');
  await setTimeout(50);
});
