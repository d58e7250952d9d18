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
  const log = makePino(settings.logLevel);
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

main().catch((error: unknown) => {
  makePino('info').fatal(
    { error: error instanceof Error ? error.message : String(error) },
    'the server did not start',
  );
  // What is open by then, the database's listener too, must not keep it running.
  process.exit(1);
});
