import 'reflect-metadata';
import { Clock } from './clock/clock.js';
import { createApp } from './create-app.js';
import { connect } from './database/connect.js';
import { migrate } from './database/migrate.js';
import { seedDemo } from './demo/seed.js';
import { makePino } from './http/logger.js';
import { readSettings } from './settings.js';

async function main(): Promise<void> {
  const settings = readSettings(process.env);
  const log = makePino(settings.logLevel, settings.logFile);
  const database = await connect(settings.databaseUrl);
  const ran = await migrate(database);
  await database.close();
  if (ran.length > 0) log.info({ migrations: ran }, 'schema brought up to date');
  const app = await createApp(settings);
  await app.init();
  if (settings.demo && (await seedDemo(app, app.get(Clock).now())))
    log.info('demo household added');
  await app.listen(settings.port, settings.host);
  log.info({ address: await app.getUrl() }, 'listening');
}

// What started it may be gone, or its disk full: that nobody reads must not end the server.
for (const output of [process.stdout, process.stderr]) output.on('error', () => undefined);

main().catch((error: unknown) => {
  // To the one who starts it, whatever becomes of the log.
  process.stderr.write(
    `the server did not start: ${error instanceof Error ? error.message : String(error)}\n`,
  );
  // What is open by then, the database's listener too, must not keep it running.
  process.exit(1);
});
