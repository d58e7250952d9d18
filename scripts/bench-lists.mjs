// How soon the lists of the shelf and the logbook answer a household of very many years: 5,000
// batches, 60,000 jars and 2 million readings by default, asked by twenty clients at once: hasty
// ones, who look for a tenth of a second at what came before they ask for more, are held to the
// limit. What comes of clients that never pause is printed too: how much the server and this
// machine give at all.
import pg from 'pg';
import { ask, benchDatabase, pause, quantile, startServer } from './bench-server.mjs';

const BATCHES = Number(process.argv[2] ?? 5000);
const CLIENTS = Number(process.argv[3] ?? 20);
const SECONDS = Number(process.argv[4] ?? 20);
const READINGS = 400;
const LIMIT_MS = 50;
/**
 * Half to one and a half times as long each client looks at a list before it asks for the next, ms.
 */
const LOOK_MS = 100;

const FRUIT = [
  'damson',
  'quince',
  'bitter-orange',
  'blackcurrant',
  'pear',
  'redcurrant',
  'apricot',
  'passion-fruit',
];

/**
 * Batches a day apart, the latest of them yesterday: each with a log, two sizes of jars and what
 * was eaten of them.
 */
const FILL = `
CREATE TEMP TABLE made AS
  SELECT gen_random_uuid() AS id, n, now() - (n || ' days')::interval AS at, (ARRAY['${FRUIT.join("','")}'])[n % ${FRUIT.length} + 1] AS fruit
  FROM generate_series(1, ${BATCHES}) AS n;
INSERT INTO batches (id, household_id, title, document, revision, created_at, updated_at)
  SELECT id, (SELECT id FROM households), initcap(replace(fruit, '-', ' ')) || ' jam ' || n, jsonb_build_object('format', 'idle-kettle/formula', 'version', 1,
    'title', initcap(replace(fruit, '-', ' ')) || ' jam ' || n, 'kind', (ARRAY['jam', 'jelly', 'marmalade'])[n % 3 + 1], 'method', 'long-boil',
    'finish', jsonb_build_object('type', 'gel-temperature'), 'jars', '[{"size":"340-g"},{"size":"half-pint"}]'::jsonb,
    'lines', jsonb_build_array(jsonb_build_object('ingredient', fruit, 'amount', 1.5 + n % 20 / 10.0 || ' kg'),
      '{"ingredient":"white-sugar","amount":"1.6 kg"}'::jsonb, '{"ingredient":"lemon-juice-bottled","amount":"3 tbsp"}'::jsonb)), 1, at, at FROM made;
INSERT INTO batch_events (id, household_id, batch_id, type, happened_at, device, body)
  SELECT gen_random_uuid(), (SELECT id FROM households), made.id, said.type, made.at + said.after, 'bench', said.body FROM made, (VALUES
    ('light', interval '0', '{"gelTemperature_C":100.5,"boilingPoint_C":96.1}'::jsonb),
    ('stirred', interval '10 min', '{}'), ('addition', interval '12 min', '{"text":"1 tbsp bottled lemon juice"}'),
    ('heat', interval '20 min', '{"turned":"down"}'), ('test', interval '30 min', '{"way":"plate","verdict":"wrinkles"}'),
    ('done', interval '33 min', '{}'), ('jarred', interval '45 min', '{"jars":[{"size":"340-g","full":8,"part":0},{"size":"half-pint","full":4,"part":0}]}'),
    ('processed', interval '70 min', '{"method":"boiling-water","minutes":15,"altitude_m":1180}'),
    ('seals', interval '20 h', '{"size":"340-g","failed":[]}'), ('seals', interval '20 h', '{"size":"half-pint","failed":[]}'),
    ('note', interval '21 h', '{"text":"Stop a degree sooner next time; the plate was right before the thermometer."}'),
    ('scored', interval '40 days', '{"set":0,"taste":4}')) AS said (type, after, body);
INSERT INTO shelf_lots (id, household_id, batch_id, size, made_on, place, created_at)
  SELECT gen_random_uuid(), (SELECT id FROM households), id, size, at::date, (ARRAY['Larder', 'Cellar', 'Attic', ''])[n % 4 + 1], at
  FROM made, unnest(ARRAY['340-g', 'half-pint']) AS size;
INSERT INTO shelf_moves (id, household_id, lot_id, change, reason, happened_at)
  SELECT gen_random_uuid(), household_id, id, CASE size WHEN '340-g' THEN 8 ELSE 4 END, 'put', created_at FROM shelf_lots;
-- Of every other batch all were eaten, of the rest two jars, one at a time.
INSERT INTO shelf_moves (id, household_id, lot_id, change, reason, happened_at)
  SELECT gen_random_uuid(), lot.household_id, lot.id, -1, 'eaten', lot.created_at + (jar || ' weeks')::interval
  FROM shelf_lots lot JOIN made ON made.id = lot.batch_id,
    generate_series(1, CASE WHEN made.n % 2 = 0 THEN 2 WHEN lot.size = '340-g' THEN 8 ELSE 4 END) AS jar;
ALTER TABLE batch_events DISABLE TRIGGER USER;
INSERT INTO batch_events (id, household_id, batch_id, type, happened_at, device, body)
  SELECT gen_random_uuid(), (SELECT id FROM households), id, 'reading', at + (i * 5 || ' seconds')::interval, 'probe',
    jsonb_build_object('temperature_C', round((96 + i * 4.5 / ${READINGS})::numeric, 2)) FROM made, generate_series(1, ${READINGS}) AS i;
ALTER TABLE batch_events ENABLE TRIGGER USER;
VACUUM ANALYZE;
`;

const today = new Date().toISOString().slice(0, 10);
const pick = (list) => list[Math.floor(Math.random() * list.length)];

/** What the pages ask for: their first list, further pages, what is typed and what is chosen. */
const SHELF = [
  () => `/shelf/overview?today=${today}`,
  () => '/shelf?left=yes&limit=40',
  ({ lots }) => `/shelf?left=yes&limit=40&after=${pick(lots)}`,
  () =>
    `/shelf?left=yes&limit=40&search=${pick(['quince', 'cellar', 'half-pints', 'jam 48', 'nothing of the kind'])}`,
  () => `/shelf?left=yes&limit=40&state=${pick(['shelf', 'cold', 'opened'])}`,
  () => `/shelf?limit=40&place=${pick(['Larder', 'Attic'])}`,
];
const LOGBOOK = [
  () => '/batches?limit=40',
  ({ batches }) => `/batches?limit=40&after=${pick(batches)}`,
  () =>
    `/batches?limit=40&search=${pick(['quince', 'degree sooner', 'jam 48', 'nothing of the kind'])}`,
  () => `/batches?limit=40&kind=${pick(['jelly', 'marmalade'])}`,
];

/** Everybody asks for so many seconds. @returns the milliseconds each list took, by its name */
async function load(port, known, pause_ms) {
  const took = { shelf: [], logbook: [] };
  const until = performance.now() + SECONDS * 1000;
  await Promise.all(
    Array.from({ length: CLIENTS }, async () => {
      if (pause_ms > 0) await pause(Math.random() * pause_ms);
      while (performance.now() < until) {
        const name = pick(['shelf', 'logbook']);
        const path = pick(name === 'shelf' ? SHELF : LOGBOOK)(known);
        const from = performance.now();
        const { status } = await ask(port, 'GET', encodeURI(path));
        if (status !== 200) throw new Error(`${path} answered ${status}`);
        took[name].push(performance.now() - from);
        if (pause_ms > 0) await pause(pause_ms * (0.5 + Math.random()));
      }
    }),
  );
  return took;
}

const { url, drop } = await benchDatabase();
const { port, child } = await startServer(url);
let kept = true;
try {
  await ask(port, 'GET', '/kitchens');
  const database = new pg.Client({ connectionString: url });
  await database.connect();
  for (const statement of FILL.split(/;\n/)) await database.query(statement);
  const {
    rows: [counts],
  } = await database.query(
    "SELECT (SELECT count(*) FROM batches) AS batches, (SELECT sum(change) FROM shelf_moves WHERE reason = 'put') AS jars, (SELECT count(*) FROM batch_events WHERE type = 'reading') AS readings",
  );
  console.log(`${counts.batches} batches, ${counts.jars} jars put up, ${counts.readings} readings`);
  const began = performance.now();
  while ((await ask(port, 'GET', `/shelf/overview?today=${today}`)).body.pending > 0);
  console.log(
    `worked out where all of them stand, once, in ${((performance.now() - began) / 1000).toFixed(0)} s`,
  );
  await database.query('VACUUM ANALYZE');
  const ids = async (table) =>
    (await database.query(`SELECT id FROM ${table} ORDER BY random() LIMIT 200`)).rows.map(
      ({ id }) => id,
    );
  const known = { lots: await ids('shelf_lots'), batches: await ids('batches') };
  await database.end();
  for (const pause_ms of [LOOK_MS, 0]) {
    const took = await load(port, known, pause_ms);
    const rate = (took.shelf.length + took.logbook.length) / SECONDS;
    console.log(
      `${CLIENTS} clients, ${pause_ms > 0 ? `each looking for about ${pause_ms} ms` : 'none of them pausing'}: ${rate.toFixed(0)} lists a second`,
    );
    for (const [name, times] of Object.entries(took)) {
      const late = quantile(times, 0.95);
      if (pause_ms > 0) kept &&= late < LIMIT_MS;
      console.log(
        `  ${name}: ${quantile(times, 0.5).toFixed(0)} ms (median), ${late.toFixed(0)} ms (95 %)${pause_ms > 0 ? `, limit ${LIMIT_MS}` : ''}`,
      );
    }
  }
} finally {
  child.kill('SIGTERM');
  await pause(500);
  await drop();
}
process.exit(kept ? 0 : 1);
