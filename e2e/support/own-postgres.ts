import { spawnSync } from 'node:child_process';
import { chmodSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const ROOT = join(dirname(fileURLToPath(import.meta.url)), '../..');

/** A PostgreSQL of a test's own, made as the start script makes it, that may be killed. */
export class OwnPostgres {
  private constructor(
    private readonly folder: string,
    readonly url: URL,
  ) {}

  /** @param folder where its files are, a new one unless given; it is emptied in the end */
  static begin(folder = mkdtempSync(join(tmpdir(), 'kettle-own-'))): OwnPostgres {
    chmodSync(folder, 0o755);
    return new OwnPostgres(
      folder,
      new URL(script(folder, 'start_postgres >&2; echo "$DATABASE_URL"')),
    );
  }

  /** As a power cut would. */
  kill(): void {
    // Its helpers notice and end; until then they hold its memory.
    script(
      this.folder,
      'find_postgres; place_cluster; pid="$(pg head -n 1 "$PG_DIR/data/postmaster.pid")"; kill -KILL "$pid"; for i in $(seq 50); do pgrep -P "$pid" >/dev/null || break; sleep 0.05; done',
    );
  }

  start(): void {
    script(this.folder, 'start_postgres >&2');
  }

  end(): void {
    script(this.folder, 'stop_postgres');
    const elsewhere = script(this.folder, 'place_cluster; echo "$PG_DIR"');
    rmSync(elsewhere, { recursive: true, force: true });
    for (const entry of readdirSync(this.folder))
      rmSync(join(this.folder, entry), { recursive: true, force: true });
  }
}

/** Runs with what `./kettle` sources. @returns what it printed */
function script(folder: string, commands: string): string {
  const { DATABASE_URL: _, ...env } = process.env;
  const { status, stdout, stderr } = spawnSync(
    'bash',
    [
      '-euc',
      `ROOT="$1"; for part in say packages postgres; do . "$ROOT/scripts/$part.sh"; done; ${commands}`,
      '_',
      ROOT,
    ],
    { env: { ...env, KETTLE_DATA: folder }, encoding: 'utf8', timeout: 60_000 },
  );
  if (status !== 0) throw new Error(`"${commands}" failed: ${stdout}${stderr}`);
  return stdout.trim();
}
