import { spawn, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { createServer, type AddressInfo } from 'node:net';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { DatabaseDoor, freshDatabase } from '../../apps/server/src/testing/database.js';

const ROOT = join(dirname(fileURLToPath(import.meta.url)), '../..');

async function freePort(): Promise<number> {
  const probe = createServer();
  await new Promise<void>((resolve) => probe.listen(0, '127.0.0.1', resolve));
  const { port } = probe.address() as AddressInfo;
  await new Promise((resolve) => probe.close(resolve));
  return port;
}

/**
 * The built product on a database of its own, which can be killed, started again and cut from its
 * database.
 */
export class KettleServer {
  private child: ChildProcess | undefined;
  private port = 0;
  private databaseUrl = '';

  private constructor(
    /** Stands between the server and its database; shut it and the database is away. */
    readonly door: DatabaseDoor,
    private readonly demo: boolean,
    /** Run on a clock that the test holds. */
    private readonly clocked: boolean,
  ) {}

  /** Makes an empty database and starts the server on it. */
  static async begin(
    name: string,
    {
      demo = false,
      clocked = false,
      database,
      altitude_m,
    }: { demo?: boolean; clocked?: boolean; database?: URL; altitude_m?: number } = {},
  ): Promise<KettleServer> {
    const server = new KettleServer(
      new DatabaseDoor(database ?? new URL(await freshDatabase(`kettle_e2e_${name}`))),
      demo,
      clocked,
    );
    server.port = await freePort();
    server.databaseUrl = await server.door.open();
    try {
      await server.start();
      if (altitude_m !== undefined) await server.setUpKitchen(altitude_m);
    } catch (error) {
      await server.end();
      throw error;
    }
    return server;
  }

  /** The household's one kitchen, as the Kitchen page would set it. */
  private async setUpKitchen(altitude_m: number): Promise<void> {
    const settings = {
      name: 'Home',
      altitude_m,
      boilingPoint_C: null,
      boilingPointMeasuredAt: null,
      units: 'metric',
      temperatureUnit: 'C',
    };
    await this.put(`/api/kitchens/${randomUUID()}`, settings);
  }

  /** Another server process on the same database. It is the caller's to kill. */
  async beside(): Promise<KettleServer> {
    const other = new KettleServer(this.door, false, this.clocked);
    other.databaseUrl = this.databaseUrl;
    other.port = await freePort();
    await other.start();
    return other;
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  async start(): Promise<void> {
    const main = this.clocked ? 'e2e/support/clocked-server.mjs' : 'apps/server/dist/main.js';
    this.child = spawn(process.execPath, [join(ROOT, main)], {
      env: {
        ...process.env,
        DATABASE_URL: this.databaseUrl,
        KETTLE_PORT: String(this.port),
        KETTLE_WEB_FOLDER: join(ROOT, 'apps/web/dist'),
        KETTLE_DEMO: this.demo ? '1' : '0',
        KETTLE_LOG_LEVEL: 'error',
      },
      stdio: ['ignore', 'inherit', 'inherit', ...(this.clocked ? (['ipc'] as const) : [])],
    });
    // It takes what it takes on a slow machine; one that has ended does not start.
    while (this.child.exitCode === null && this.child.signalCode === null) {
      if (await this.healthy()) return;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    throw new Error('the server ended before it answered');
  }

  /** Sets the clock of a clocked server. @param now milliseconds since 1970 */
  async setClock(now: number): Promise<void> {
    const heard = new Promise((resolve) => this.child?.once('message', resolve));
    this.child?.send({ now });
    await heard;
  }

  /** Ends the server as a power cut would. */
  async kill(): Promise<void> {
    const child = this.child;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    const gone = new Promise((resolve) => child.once('exit', resolve));
    child.kill('SIGKILL');
    await gone;
  }

  async end(): Promise<void> {
    await this.kill();
    await this.door.shut();
  }

  async get<T>(path: string): Promise<T> {
    return (await (await fetch(this.address + path)).json()) as T;
  }

  async put(path: string, body: unknown): Promise<void> {
    const answer = await fetch(this.address + path, {
      method: 'PUT',
      headers: { 'content-type': 'application/json', origin: this.address },
      body: JSON.stringify(body),
    });
    if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`);
  }

  private async healthy(): Promise<boolean> {
    return fetch(`${this.address}/api/health`, { signal: AbortSignal.timeout(1000) }).then(
      (response) => response.ok,
      () => false,
    );
  }
}
