// Odd requests over every route, made from the API's own description: whatever is sent, the answer
// is no 5xx, comes in time, and says what is wrong as problem+json; the memory of the server comes
// back. The seed is printed; with it the same requests are made again.
import { request } from 'node:http';
import { createHash } from 'node:crypto';
import { fileURLToPath } from 'node:url';
import { benchDatabase, memory_MB, pause, quantile, startServer } from './bench-server.mjs';

const PATIENCE_MS = 20_000;
/** Of all that was sent, the memory after so much is compared with that at the end. */
const WARM_UP = 0.3;
const MEMORY_BACK = 1.2;
const AT_ONCE = 8;

/** Mulberry32: the same numbers for the same seed. */
function random(seed) {
  let state = seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
  const below = (most) => Math.floor(next() * most);
  const pick = (list) => list[below(list.length)];
  const chance = (share) => next() < share;
  const uuid = () => {
    const hex = createHash('md5').update(String(next())).digest('hex');
    return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-a${hex.slice(17, 20)}-${hex.slice(20)}`;
  };
  return { below, pick, chance, uuid };
}

const nested = (depth) => {
  let value = {};
  for (let i = 0; i < depth; i++) value = i % 2 ? [value] : { a: value };
  return value;
};
/** Values nobody means to send. */
const ODD = [
  null,
  undefined,
  '',
  ' ',
  0,
  -1,
  1e308,
  -1e-308,
  2 ** 53,
  2 ** 31,
  0.1,
  true,
  [],
  {},
  [[]],
  [null],
  'x\0y',
  '\ud83d',
  '\udc00x',
  '😀'.repeat(500),
  'x'.repeat(20_000),
  "'; DROP TABLE batches; --",
  '${jndi:ldap://x}',
  '%00',
  '../../etc/passwd',
  'NaN',
  'Infinity',
  '1e999',
  '2026-W37-6',
  '2026-366',
  '2026-02-30',
  '2026-13-01T00:00:00Z',
  '0000-00-00',
  '+275760-09-13T00:00:00.000Z',
  '2026-09-12T18:00:00',
  '2026-09-12T25:00:00Z',
  '10000-01-01T00:00:00Z',
  '0001-01-01T00:00:00Z',
  nested(40),
  nested(3000),
  JSON.parse('{"__proto__":{"admin":true}}'),
  { constructor: { prototype: { x: 1 } } },
  { toString: 1, valueOf: null },
  { length: 1e9 },
];
const QUERY_NAMES = [
  'since',
  'after',
  'limit',
  'search',
  'kind',
  'state',
  'place',
  'left',
  'today',
];
const MORE_QUERY_NAMES = ['year', 'at', 'batch', '__proto__', 'limit[]', 'today[a]', 'search[][]'];
const SEGMENTS = ['', '.', '..', '%00', '%', '%ff', 'x', '-1', '0', 'null', '%F0%9F%98%80'];

const FORMULA = {
  format: 'idle-kettle/formula',
  version: 1,
  title: 'Quince jelly',
  kind: 'jelly',
  method: 'long-boil',
  lines: [
    { ingredient: 'quince', amount: '1.4 kg' },
    { ingredient: 'white-sugar', amount: '900 g', overrides: { pH: 4 } },
  ],
  finish: { type: 'gel-temperature' },
  jars: [{ size: '340-g' }],
  notes: 'slow',
};
/** What an event of a type carries where it is right; a type that is not here carries nothing. */
const BODIES = {
  reading: { temperature_C: 97.4 },
  light: { gelTemperature_C: 100.5, boilingPoint_C: 96.1, altitude_m: 1180 },
  jarred: { jars: [{ size: '340-g', full: 3, part: 0.5 }] },
  addition: { text: '200 g sugar' },
  note: { text: 'foam' },
  processed: { method: 'boiling-water', minutes: 10, altitude_m: 1180 },
  seals: { size: '340-g', failed: [1] },
  simulated: {
    speed: 5,
    realAt: '2026-09-12T18:00:00Z',
    noise_K: 0,
    offset_K: 0,
    lag_s: 1,
    dropouts: 0,
  },
  'formula-filled': { document: FORMULA },
  undo: { eventId: '00000000-0000-4000-8000-000000000000' },
};

/** Makes requests of a description of an API. */
class Requests {
  constructor(description, seed) {
    this.random = random(seed);
    this.schemas = description.components.schemas;
    this.routes = Object.entries(description.paths).flatMap(([path, methods]) =>
      Object.entries(methods).map(([method, about]) => ({
        path,
        method: method.toUpperCase(),
        schema: about.requestBody?.content?.['application/json']?.schema?.$ref?.split('/').pop(),
      })),
    );
    this.ids = Array.from({ length: 12 }, () => this.random.uuid());
    this.tokens = [];
  }

  id() {
    return this.random.chance(0.75) ? this.random.pick(this.ids) : this.random.uuid();
  }

  /** A value that is right, or nearly: by what its name means, else by its schema. */
  value(name, schema = {}, depth = 0) {
    const { pick, below, chance } = this.random;
    if (schema.$ref) return this.object(schema.$ref.split('/').pop(), depth + 1);
    if (name === 'document') return structuredClone(FORMULA);
    if (/^(id|.*Id|to)$/.test(name)) return this.id();
    if (name === 'size') return pick(['340-g', 'half-pint', 'pint']);
    if (name === 'ingredient') return pick(['damson', 'quince']);
    if (/^(on|.*On|today)$/.test(name)) return '2026-09-12';
    if (/^(at|.*At|since)$/.test(name)) return new Date(1.75e12 + below(3e10)).toISOString();
    if (schema.enum) return pick(schema.enum);
    if (schema.type === 'array')
      return Array.from({ length: 1 + below(2) }, () => this.value(name, schema.items, depth + 1));
    if (schema.type === 'integer' || schema.type === 'number') {
      const least = schema.minimum ?? 0;
      const value =
        least + (this.random.below(100) / 100) * Math.min((schema.maximum ?? 10) - least, 20);
      return schema.type === 'integer' ? Math.round(value) : value;
    }
    if (schema.type === 'boolean') return chance(0.5);
    if (schema.type === 'object') return {};
    return 'plum';
  }

  object(name, depth = 0) {
    const schema = this.schemas[name];
    if (!schema || depth > 6) return {};
    if (name === 'EventBody') return this.event();
    const value = Object.fromEntries(
      Object.entries(schema.properties ?? {}).flatMap(([key, each]) =>
        (schema.required ?? []).includes(key) || this.random.chance(0.5)
          ? [[key, this.value(key, each, depth)]]
          : [],
      ),
    );
    return value;
  }

  event() {
    const type = this.random.pick([...Object.keys(BODIES), 'done', 'sugar-in', 'minute']);
    return {
      id: this.id(),
      type,
      at: this.value('at'),
      device: 'fuzz',
      body: structuredClone(BODIES[type] ?? {}),
    };
  }

  /** A copy with something in it that is odd. */
  mutated(value) {
    const { pick, below, chance } = this.random;
    if (typeof value !== 'object' || value === null || chance(0.15)) return pick(ODD);
    const keys = Object.keys(value);
    if (keys.length === 0 || chance(0.1)) {
      if (Array.isArray(value)) return [...value, pick(ODD)];
      return { ...value, [pick(['extra', '__proto__', 'constructor', 'id', ''])]: pick(ODD) };
    }
    const copy = Array.isArray(value) ? [...value] : { ...value };
    const key = pick(keys);
    if (chance(0.1)) delete copy[key];
    else if (Array.isArray(copy) && chance(0.05))
      return Array.from({ length: 300 + below(400) }, () => copy[0]);
    else copy[key] = this.mutated(copy[key]);
    return copy;
  }

  path(template) {
    const { pick, chance } = this.random;
    const path = template.replace(/\{(\w+)\}/g, (_, name) => {
      if (name === 'sheet' && chance(0.7)) return pick(['shelf', 'moves', 'batches', 'log']);
      return chance(0.9) ? this.id() : pick(SEGMENTS);
    });
    if (!chance(0.3)) return path;
    const pairs = Array.from({ length: 1 + this.random.below(3) }, () => {
      const odd = chance(0.5) ? pick(ODD) : this.value(pick(QUERY_NAMES));
      const text = typeof odd === 'object' ? JSON.stringify(odd) : String(odd);
      const name = pick(chance(0.8) ? QUERY_NAMES : MORE_QUERY_NAMES);
      return `${name}=${encodeURIComponent(text?.toWellFormed().slice(0, 4000) ?? '')}`;
    });
    return `${path}?${pairs.join('&')}`;
  }

  /** The next request. */
  next() {
    const { pick, chance, below } = this.random;
    const route = pick(this.routes);
    const method = chance(0.02) ? pick(['HEAD', 'OPTIONS', 'PATCH', 'POST', 'PUT']) : route.method;
    const headers = {};
    let body;
    if (['POST', 'PUT', 'PATCH'].includes(method)) {
      let value = route.schema ? this.object(route.schema) : pick([{}, FORMULA, undefined]);
      for (let i = chance(0.25) ? 0 : 1 + below(2); i > 0; i--) value = this.mutated(value);
      body = value === undefined ? undefined : JSON.stringify(value);
      if (body !== undefined && chance(0.03)) body = body.slice(0, below(body.length + 1));
      if (body !== undefined && chance(0.02)) body = `\ufeff${body}`;
      headers['content-type'] = chance(0.95)
        ? 'application/json'
        : pick([
            'text/plain',
            'image/png',
            'application/x-www-form-urlencoded',
            'application/json; charset=x',
          ]);
      if (chance(0.02)) headers['content-encoding'] = pick(['gzip', 'br', 'x']);
      if (chance(0.05))
        headers['idle-kettle-device-time'] = pick(['0', '-1', 'x', '99999999999999']);
    }
    if (chance(0.03)) headers.origin = pick(['null', 'http://jam.example', '', 'x']);
    if (route.path === '/api/readings')
      headers.authorization = chance(0.8)
        ? `Bearer ${pick(this.tokens)}`
        : pick(['Bearer', 'x', '']);
    return { method, path: this.path(route.path), headers, body };
  }
}

/** Sends a request. @returns its status, type and text */
function send(port, { method, path, headers, body }) {
  return new Promise((resolve, reject) => {
    const asked = request(
      {
        host: '127.0.0.1',
        port,
        method,
        path: path.replaceAll(' ', '%20'),
        headers: {
          ...(headers.origin === undefined && { origin: `http://127.0.0.1:${port}` }),
          ...headers,
          ...(body !== undefined && { 'content-length': Buffer.byteLength(body) }),
        },
        timeout: PATIENCE_MS,
      },
      (answer) => {
        const { statusCode: status, headers: got } = answer;
        // The stream of news has no end: that it began is its answer.
        if (/event-stream/.test(got['content-type'] ?? '')) {
          answer.destroy();
          resolve({ status, type: 'text/event-stream', text: '' });
          return;
        }
        const all = [];
        answer.on('data', (chunk) => all.push(chunk));
        answer.on('end', () =>
          resolve({ status, type: got['content-type'] ?? '', text: String(Buffer.concat(all)) }),
        );
        answer.on('error', reject);
      },
    );
    asked.on('timeout', () => asked.destroy(new Error(`no answer in ${PATIENCE_MS} ms`)));
    asked.on('error', reject);
    // Whatever else became of it: once settled this changes nothing.
    asked.on('close', () => reject(new Error('closed without a whole answer')));
    asked.end(body);
  });
}

const shown = ({ method, path, body = '' }) => `${method} ${path} ${body.slice(0, 300)}`;

/** What is wrong with an answer; undefined where nothing is. */
function wrongWith({ status, type, text }, { method }) {
  if (status >= 500 && status !== 503) return `${status} ${text.slice(0, 200)}`;
  if (status === 503) return '503: the database is there';
  // 431 is Node's own, of a head that is too long to be read.
  if (status >= 400 && status !== 431 && method !== 'HEAD' && !/problem\+json/.test(type))
    return `${status} as ${type}`;
  return undefined;
}

/**
 * Sends so many requests to a server of its own.
 * @returns what was wrong, and figures
 */
export async function fuzz(count, seed, database = 'kettle_bench') {
  const { url, drop } = await benchDatabase(database);
  // A heap that may not grow: what is kept for ever ends the server.
  const { port, child } = await startServer(url, { NODE_OPTIONS: '--max-old-space-size=256' });
  const wrong = [];
  const rss = [];
  const statuses = new Map();
  let over = false;
  child.once('exit', (code) => over || wrong.push(`the server ended (${code})`));
  try {
    const ask = async (method, path, body) =>
      JSON.parse(
        (
          await send(port, {
            method,
            path,
            headers: { 'content-type': 'application/json' },
            body: body && JSON.stringify(body),
          })
        ).text,
      );
    const requests = new Requests(await ask('GET', '/api/docs.json'), seed);
    // Things that are there, so that not everything ends at "no such thing".
    for (const id of requests.ids.slice(0, 4)) {
      await ask('PUT', `/api/batches/${id}`, { document: FORMULA, revision: 0 });
      await ask('PUT', `/api/formulas/${id}`, { document: FORMULA, revision: 0 });
      await ask('POST', '/api/shelf', {
        id,
        batchId: id,
        size: '340-g',
        count: 5,
        madeOn: '2026-09-12',
      });
      const { token } = await ask('POST', '/api/instruments', {
        id,
        name: 'probe',
        kind: 'thermometer',
        batchId: id,
      });
      requests.tokens.push(token);
    }
    let sent = 0;
    await Promise.all(
      Array.from({ length: AT_ONCE }, async () => {
        while (sent < count && wrong.length < 20) {
          sent += 1;
          if (sent % Math.ceil(count / 100) === 0) rss.push(memory_MB(child.pid));
          const asked = requests.next();
          try {
            const answer = await send(port, asked);
            statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1);
            const problem = wrongWith(answer, asked);
            if (problem !== undefined) wrong.push(`${shown(asked)}: ${problem}`);
          } catch (error) {
            wrong.push(`${shown(asked)}: ${error.message}`);
          }
        }
      }),
    );
    // What is left over is given back in a moment of rest.
    await pause(1000);
  } finally {
    over = true;
    child.kill('SIGKILL');
    await drop();
  }
  const warm = quantile(
    rss.slice(Math.floor(rss.length * WARM_UP), Math.ceil(rss.length * 0.6)),
    0.5,
  );
  const last = quantile(rss.slice(-Math.ceil(rss.length * 0.2)), 0.5);
  return { wrong, statuses, warm_MB: warm, last_MB: last };
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const count = Number(process.argv[2] ?? 50_000);
  const seed = Number(process.argv[3] ?? Math.floor(Math.random() * 2 ** 32));
  console.log(`${count} requests, seed ${seed}`);
  const began = performance.now();
  const { wrong, statuses, warm_MB, last_MB } = await fuzz(count, seed);
  wrong.forEach((each) => console.log(`wrong  ${each}`));
  const seconds = (performance.now() - began) / 1000;
  console.log(
    [...statuses]
      .sort(([a], [b]) => a - b)
      .map(([status, n]) => `${status}: ${n}`)
      .join(', '),
  );
  console.log(
    `memory ${warm_MB.toFixed(0)} MB warm, ${last_MB.toFixed(0)} MB at the end; ${seconds.toFixed(0)} s`,
  );
  if (wrong.length > 0 || last_MB > warm_MB * MEMORY_BACK) process.exitCode = 1;
}
