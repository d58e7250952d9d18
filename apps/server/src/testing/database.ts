import {
  createServer,
  connect as connectTo,
  type AddressInfo,
  type Server,
  type Socket,
} from 'node:net';
import { Client } from 'pg';

/**
 * The PostgreSQL the tests may make databases on; `./kettle test` starts it and sets the variable.
 */
export function testServerUrl(): string {
  const url = process.env.TEST_SERVER_URL;
  if (!url) throw new Error('TEST_SERVER_URL is not set; run the tests with ./kettle test');
  return url;
}

/** A new empty database of that name, in place of what an earlier run left. @returns its address */
export async function freshDatabase(name: string): Promise<string> {
  const client = new Client({ connectionString: `${testServerUrl()}/postgres` });
  await client.connect();
  await client.query(`DROP DATABASE IF EXISTS ${name} WITH (FORCE)`);
  await client.query(`CREATE DATABASE ${name}`);
  await client.end();
  return `${testServerUrl()}/${name}`;
}

/**
 * A door between a server and its database that can be shut, to see what happens when the database
 * is away.
 */
export class DatabaseDoor {
  private readonly sockets = new Set<Socket>();
  private server: Server | undefined;
  private port = 0;

  constructor(private readonly target: URL) {}

  /** Opens on the same port as before, or a free one. @returns the address to connect to */
  async open(): Promise<string> {
    this.server = createServer((inside) => {
      const outside = connectTo(Number(this.target.port), this.target.hostname);
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
    await new Promise<void>((resolve) => this.server?.listen(this.port, '127.0.0.1', resolve));
    this.port = (this.server.address() as AddressInfo).port;
    const url = new URL(this.target);
    url.port = String(this.port);
    return url.href;
  }

  /** Cuts every connection and takes no new one. */
  async shut(): Promise<void> {
    const closed = new Promise((resolve) => this.server?.close(resolve));
    for (const socket of this.sockets) socket.destroy();
    await closed;
  }
}
