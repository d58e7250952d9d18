import {
  createServer,
  request,
  type IncomingMessage,
  type Server,
  type ServerResponse,
} from 'node:http';
import type { AddressInfo } from 'node:net';

/** How the API is answered in the server's place. */
export type ProxyMood =
  | 'honest'
  | 'login-page'
  | 'wants-a-name'
  | 'finds-nothing'
  | 'other-program'
  | 'nothing-large'
  | 'cut-off'
  | 'loses-answers';

const html = (response: ServerResponse, status: number, text: string): void => {
  response.writeHead(status, { 'content-type': 'text/html' }).end(`<title>${text}</title>`);
};

/** What somebody between page and server answers; undefined where the server is asked. */
const IN_PLACE: Readonly<
  Partial<Record<ProxyMood, (response: ServerResponse, length: number) => boolean>>
> = {
  'login-page': (response) => {
    html(response, 200, 'Please log in');
    return true;
  },
  'wants-a-name': (response) => {
    html(response, 401, 'Who are you?');
    return true;
  },
  'finds-nothing': (response) => {
    html(response, 404, 'Not here');
    return true;
  },
  'other-program': (response) => {
    response.writeHead(404, { 'content-type': 'application/json' }).end('{"error":"no route"}');
    return true;
  },
  'nothing-large': (response, length) => {
    if (length > 700) html(response, 413, 'Too large');
    return length > 700;
  },
};

/** Stands between a page and the server, and answers as such boxes do. */
export class FaultProxy {
  mood: ProxyMood = 'honest';
  private server: Server | undefined;

  /** @param target where the server answers at the moment */
  constructor(private readonly target: () => string) {}

  async begin(): Promise<void> {
    this.server = createServer((asked, response) => this.handle(asked, response));
    await new Promise<void>((resolve) => this.server?.listen(0, '127.0.0.1', resolve));
  }

  get address(): string {
    const { port } = this.server?.address() as AddressInfo;
    return `http://127.0.0.1:${port}`;
  }

  end(): void {
    this.server?.closeAllConnections();
    this.server?.close();
  }

  private handle(asked: IncomingMessage, response: ServerResponse): void {
    const isApi = asked.url?.startsWith('/api/') ?? false;
    const length = Number(asked.headers['content-length'] ?? 0);
    if (isApi && IN_PLACE[this.mood]?.(response, length)) {
      asked.resume();
      return;
    }
    const { origin: _origin, ...headers } = asked.headers;
    const forwarded = request(
      new URL(asked.url ?? '/', this.target()),
      // A box that hands requests on makes them its own.
      { method: asked.method, headers: { ...headers, host: new URL(this.target()).host } },
      (answer) => {
        if (isApi && this.mood === 'loses-answers' && asked.method !== 'GET') {
          response.destroy();
          return;
        }
        response.writeHead(answer.statusCode ?? 502, answer.headers);
        if (isApi && this.mood === 'cut-off') {
          answer.once('data', (part: Buffer) => {
            response.write(part.subarray(0, Math.floor(part.length / 2)));
            response.destroy();
          });
          return;
        }
        answer.pipe(response);
      },
    );
    forwarded.on('error', () => html(response, 502, 'Bad gateway'));
    response.on('close', () => forwarded.destroy());
    asked.pipe(forwarded);
  }
}
