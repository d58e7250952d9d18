// The built server on a clock that the test holds: it runs on by itself and is set forward by
// messages.
import { createApp } from '../../apps/server/dist/create-app.js';
import { Clock } from '../../apps/server/dist/clock/clock.js';
import { connect } from '../../apps/server/dist/database/connect.js';
import { migrate } from '../../apps/server/dist/database/migrate.js';
import { readSettings } from '../../apps/server/dist/settings.js';

class HeldClock extends Clock {
  ahead_ms = 0;
  now() {
    return new Date(Date.now() + this.ahead_ms);
  }
}

const clock = new HeldClock();
process.on('message', ({ now }) => {
  clock.ahead_ms = now - Date.now();
  process.send({ now });
});
process.on('disconnect', () => process.exit(0));
const settings = readSettings(process.env);
const database = await connect(settings.databaseUrl);
await migrate(database);
await database.close();
const app = await createApp(settings, clock);
await app.listen(settings.port, settings.host);
