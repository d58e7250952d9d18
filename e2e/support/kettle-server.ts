import { spawn, type ChildProcess } from 'node:child_process';
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

/** The built product on a database of its own, which can be killed, started again and cut from its database. */
export class KettleServer {
  private child: ChildProcess | undefined;
  private port = 0;
  private databaseUrl = '';

  private constructor(
    /** Stands between the server and its database; shut it and the database is away. */
    readonly door: DatabaseDoor,
    private readonly demo: boolean,
  ) {}

  /** Makes an empty database and starts the server on it. */
  static async begin(name: string, { demo = false } = {}): Promise<KettleServer> {
    const server = new KettleServer(
      new DatabaseDoor(new URL(await freshDatabase(`kettle_e2e_${name}`))),
      demo,
    );
    server.port = await freePort();
    server.databaseUrl = await server.door.open();
    await server.start();
    return server;
  }

  /** Another server process on the same database. It is the caller's to kill. */
  async beside(): Promise<KettleServer> {
    const other = new KettleServer(this.door, false);
    other.databaseUrl = this.databaseUrl;
    other.port = await freePort();
    await other.start();
    return other;
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  async start(): Promise<void> {
    this.child = spawn(process.execPath, [join(ROOT, 'apps/server/dist/main.js')], {
      env: {
        ...process.env,
        DATABASE_URL: this.databaseUrl,
        KETTLE_PORT: String(this.port),
        KETTLE_WEB_FOLDER: join(ROOT, 'apps/web/dist'),
        KETTLE_DEMO: this.demo ? '1' : '0',
        KETTLE_LOG_LEVEL: 'error',
      },
      stdio: ['ignore', 'inherit', 'inherit'],
    });
    for (let i = 0; i < 150; i++) {
      if (await this.healthy()) return;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    throw new Error('the server did not answer within 15 s');
  }

  /** Ends the server as a power cut would. */
  async kill(): Promise<void> {
    const child = this.child;
    if (!child || child.exitCode !== null) return;
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

  private async healthy(): Promise<boolean> {
    return fetch(`${this.address}/api/health`, { signal: AbortSignal.timeout(1000) }).then(
      (response) => response.ok,
      () => false,
    );
  }
}
