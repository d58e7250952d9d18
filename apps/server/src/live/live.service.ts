import {
  Injectable,
  Logger,
  type OnApplicationBootstrap,
  type OnApplicationShutdown,
} from '@nestjs/common';
import { Client } from 'pg';
import { Subject, type Observable } from 'rxjs';
import type { News } from '@idle-kettle/contract';

/** A notice as the database sends it. */
export interface Notice extends News {
  /** Whose, or null for everyone: something may have been missed. */
  readonly household: string | null;
}

const AGAIN_MS = 2000;

/**
 * Hears what any server of this database has written, over a connection of its own that comes back
 * by itself.
 */
@Injectable()
export class LiveService implements OnApplicationBootstrap, OnApplicationShutdown {
  private readonly logger = new Logger(LiveService.name);
  private readonly subject = new Subject<Notice>();
  private client: Client | undefined;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private stopped = false;

  constructor(private readonly databaseUrl: string) {}

  get notices(): Observable<Notice> {
    return this.subject.asObservable();
  }

  onApplicationBootstrap(): void {
    void this.listen();
  }

  async onApplicationShutdown(): Promise<void> {
    this.stopped = true;
    clearTimeout(this.timer);
    this.subject.complete();
    await this.client?.end().catch(() => undefined);
  }

  private async listen(): Promise<void> {
    const client = new Client({
      connectionString: this.databaseUrl,
      connectionTimeoutMillis: 3000,
      keepAlive: true,
    });
    this.client = client;
    let over = false;
    const again = (): void => {
      if (over || this.stopped) return;
      over = true;
      client.end().catch(() => undefined);
      this.timer = setTimeout(() => void this.listen(), AGAIN_MS);
    };
    client.on('error', again);
    client.on('end', again);
    client.on('notification', ({ payload }) => {
      if (payload !== undefined) this.subject.next(JSON.parse(payload) as Notice);
    });
    try {
      await client.connect();
      await client.query('LISTEN kettle_live');
      // What was written while nobody listened is fetched by asking again for everything.
      this.subject.next({ household: null, of: 'everything', batch: null });
    } catch (error) {
      this.logger.debug(
        `not listening yet: ${error instanceof Error ? error.message : String(error)}`,
      );
      again();
    }
  }
}
