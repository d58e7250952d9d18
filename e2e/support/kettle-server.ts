import { spawn, type ChildProcess } from 'node:child_process';
import { createServer, connect, type AddressInfo, type Server, type Socket } from 'node:net';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import pg from 'pg';

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
  private door: Server | undefined;
  private doorPort = 0;
  private readonly sockets = new Set<Socket>();

  private constructor(
    private readonly database: string,
    private readonly demo: boolean,
  ) {}

  /** Makes an empty database and starts the server on it. */
  static async begin(name: string, { demo = false } = {}): Promise<KettleServer> {
    const server = new KettleServer(`kettle_e2e_${name}`, demo);
    const base = process.env.TEST_SERVER_URL;
    if (!base) throw new Error('TEST_SERVER_URL is not set; run the tests with ./kettle test');
    const client = new pg.Client({ connectionString: `${base}/postgres` });
    await client.connect();
    await client.query(`DROP DATABASE IF EXISTS ${server.database} WITH (FORCE)`);
    await client.query(`CREATE DATABASE ${server.database}`);
    await client.end();
    server.databaseUrl = `${base}/${server.database}`;
    server.port = await freePort();
    await server.openDoor();
    await server.start();
    return server;
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  async start(): Promise<void> {
    const url = new URL(this.databaseUrl);
    url.port = String(this.doorPort);
    this.child = spawn(process.execPath, [join(ROOT, 'apps/server/dist/main.js')], {
      env: {
        ...process.env,
        DATABASE_URL: url.href,
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

  /** The database can be reached through this door only. */
  async openDoor(): Promise<void> {
    const { hostname, port } = new URL(this.databaseUrl);
    const door = createServer((inside) => {
      const outside = connect(Number(port), hostname);
      for (const socket of [inside, outside]) {
        this.sockets.add(socket);
        socket.on('error', () => socket.destroy());
        socket.on('close', () => {
          this.sockets.delete(socket);
          inside.destroy();
          outside.destroy();
        });
      }
      inside.pipe(outside).pipe(inside);
    });
    await new Promise<void>((resolve) => door.listen(this.doorPort, '127.0.0.1', resolve));
    this.doorPort = (door.address() as AddressInfo).port;
    this.door = door;
  }

  async shutDoor(): Promise<void> {
    const closed = new Promise((resolve) => this.door?.close(resolve));
    for (const socket of this.sockets) socket.destroy();
    await closed;
  }

  async end(): Promise<void> {
    await this.kill();
    await this.shutDoor();
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
