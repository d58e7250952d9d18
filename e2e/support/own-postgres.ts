import { spawn, spawnSync } from 'node:child_process';
import { chmodSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const ROOT = join(dirname(fileURLToPath(import.meta.url)), '../..');

/** A PostgreSQL of a test's own, made as the start script makes it, that may be killed. */
export class OwnPostgres {
  private constructor(
    private readonly folder: string,
    private readonly isOurs: boolean,
    readonly url: URL,
  ) {}

  /** @param given where its files are, a new folder unless given; that one is emptied in the end */
  static begin(given?: string): OwnPostgres {
    const folder = given ?? mkdtempSync(join(tmpdir(), 'kettle-own-'));
    chmodSync(folder, 0o755);
    endWithUs(folder);
    try {
      const url = script(folder, 'start_postgres >&2; echo "$DATABASE_URL"');
      return new OwnPostgres(folder, given === undefined, new URL(url));
    } catch (error) {
      clear(folder, given === undefined);
      throw error;
    }
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
    clear(this.folder, this.isOurs);
  }
}

/** Stops what runs there and removes what lies there. @param isOurs the folder itself goes too */
function clear(folder: string, isOurs: boolean): void {
  script(folder, CLEAR);
  for (const entry of existsSync(folder) ? readdirSync(folder) : [])
    rmSync(join(folder, entry), { recursive: true, force: true });
  if (isOurs) rmSync(folder, { recursive: true, force: true });
}

const CLEAR = 'stop_postgres; place_cluster; rm -rf "$PG_DIR"';

/**
 * A test that is killed cannot tidy up: a process of its own waits for this one to end, however it
 * does, and clears the folder if it is still there.
 */
function endWithUs(folder: string): void {
  const wait = `while kill -0 ${process.pid} 2>/dev/null; do sleep 1; done; [ -d "$KETTLE_DATA/postgres" ] || [ -f "$KETTLE_DATA/postgres-folder" ] || exit 0; ${CLEAR}; umount "$KETTLE_DATA" 2>/dev/null || true; rm -rf "$KETTLE_DATA"`;
  const { file, args, env } = bash(folder, wait);
  spawn(file, args, { env, detached: true, stdio: 'ignore' }).unref();
}

/** How commands are run with what `./kettle` sources. */
function bash(folder: string, commands: string) {
  const { DATABASE_URL: _, ...env } = process.env;
  const source =
    'ROOT="$1"; for part in say packages postgres; do . "$ROOT/scripts/$part.sh"; done;';
  return {
    file: 'bash',
    args: ['-euc', `${source} ${commands}`, '_', ROOT],
    env: { ...env, KETTLE_DATA: folder },
  };
}

/** Runs commands. @returns what they printed */
function script(folder: string, commands: string): string {
  const { file, args, env } = bash(folder, commands);
  const { status, stdout, stderr } = spawnSync(file, args, {
    env,
    encoding: 'utf8',
    timeout: 60_000,
  });
  if (status !== 0) throw new Error(`"${commands}" failed: ${stdout}${stderr}`);
  return stdout.trim();
}
