import { readSettings } from './settings.js';

const DATABASE_URL = 'postgres://kettle:x@127.0.0.1:4790/kettle';

test('loopback and port 4780 unless told otherwise', () => {
  expect(readSettings({ DATABASE_URL })).toMatchObject({
    host: '127.0.0.1',
    port: 4780,
    allowedHosts: [],
    demo: false,
  });
  expect(
    readSettings({
      DATABASE_URL,
      KETTLE_PORT: '4800',
      KETTLE_ALLOWED_HOSTS: 'Kitchen.local, tablet',
      KETTLE_DEMO: '1',
    }),
  ).toMatchObject({ port: 4800, allowedHosts: ['kitchen.local', 'tablet'], demo: true });
});

test.each([
  [{}, /DATABASE_URL/],
  [{ DATABASE_URL: 'mysql://x' }, /DATABASE_URL/],
  [{ DATABASE_URL, KETTLE_PORT: 'tea' }, /KETTLE_PORT "tea"/],
  [{ DATABASE_URL, KETTLE_PORT: '99999' }, /KETTLE_PORT/],
  [{ DATABASE_URL, KETTLE_LOG_LEVEL: 'loud' }, /KETTLE_LOG_LEVEL/],
])('%j is refused by name', (env, message) => {
  expect(() => readSettings(env)).toThrow(message);
});

test.each([
  ['0.0.0.0', []],
  ['192.168.1.20', ['192.168.1.20']],
  ['fd00::20', ['[fd00::20]']],
  ['Kitchen.local', ['kitchen.local']],
])('listening at %s it answers to %j besides loopback', (KETTLE_HOST, allowedHosts) =>
  expect(readSettings({ DATABASE_URL, KETTLE_HOST }).allowedHosts).toEqual(allowedHosts),
);
