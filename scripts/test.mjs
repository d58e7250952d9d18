// Every check of the project, stage by stage. The last line is "N passed, N failed" over all of
// them.
import { spawn } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const reports = join(tmpdir(), `kettle-test-${process.pid}`);
mkdirSync(reports, { recursive: true });
// However it ends, nothing of it stays.
process.on('exit', () => rmSync(reports, { recursive: true, force: true }));
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => process.exit(1));

/** Runs a command; its output is shown at once, or only when it fails. */
function run(command, args, { env = {}, quiet = false, cwd = '.' } = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd,
      env: { ...process.env, ...env },
      stdio: ['ignore', quiet ? 'pipe' : 'inherit', quiet ? 'pipe' : 'inherit'],
    });
    let output = '';
    child.stdout?.on('data', (chunk) => (output += chunk));
    child.stderr?.on('data', (chunk) => (output += chunk));
    child.on('close', (code) => resolve({ code, output }));
  });
}

const readReport = (name) => {
  try {
    return JSON.parse(readFileSync(join(reports, name), 'utf8'));
  } catch {
    return null;
  }
};

const npmScript = async (name) => {
  const { code, output } = await run('npm', ['run', '--silent', name], { quiet: true });
  if (code !== 0) console.log(`\n${name} failed:\n${output}`);
  return { passed: code === 0 ? 1 : 0, failed: code === 0 ? 0 : 1 };
};

/** Unit tests; nothing else runs beside them. */
async function jest(more) {
  const file = join(reports, 'jest.json');
  await run('npx', [
    'jest',
    '--json',
    `--outputFile=${file}`,
    '--forceExit',
    '--silent=false',
    '--testTimeout=20000',
    '--maxWorkers=100%',
    ...more,
  ]);
  const report = readReport('jest.json');
  if (!report) return { passed: 0, failed: 1 };
  return {
    passed: report.numPassedTests,
    failed: report.numFailedTests + report.numRuntimeErrorTestSuites,
  };
}

/** Tests of files changed since the last commit; with nothing changed, those of that commit. */
async function changedTests() {
  const { output } = await run('git', ['status', '--porcelain'], { quiet: true });
  return jest([
    output.trim() === '' ? '--changedSince=HEAD~1' : '--onlyChanged',
    '--passWithNoTests',
  ]);
}

/** Stages that are only run when they are named. */
const BY_NAME = {
  async quick() {
    const types = await STAGES.types();
    const changed = await changedTests();
    return {
      passed: types.passed + changed.passed,
      failed: types.failed + changed.failed,
    };
  },
};

/** Each stage answers how many checks passed and failed. */
const STAGES = {
  types: () => npmScript('typecheck'),
  lint: () => npmScript('lint'),
  format: () => npmScript('format:check'),
  rooms: () => npmScript('deps:check'),
  dependencies: () => npmScript('deps:used'),
  unit: () => jest([]),
  async script() {
    const { code, output } = await run(
      'node',
      ['--test', '--test-reporter=tap', 'scripts/kettle.test.mjs'],
      {
        quiet: true,
      },
    );
    const count = (word) => Number(new RegExp(`^# ${word} (\\d+)$`, 'm').exec(output)?.[1] ?? 0);
    const failed = count('fail') + count('cancelled');
    if (code !== 0) console.log(output);
    return { passed: count('pass'), failed: code !== 0 && failed === 0 ? 1 : failed };
  },
  async browser() {
    const sum = { passed: 0, failed: 0 };
    // What is held to a time has both cores to itself.
    for (const [project, workers] of [
      ['measured', 1],
      ['bench', 2],
    ]) {
      const file = `e2e-${project}.json`;
      await run('npx', ['playwright', 'test', `--project=${project}`, `--workers=${workers}`], {
        cwd: 'e2e',
        env: { E2E_REPORT: join(reports, file) },
      });
      const stats = readReport(file)?.stats;
      sum.passed += stats?.expected ?? 0;
      sum.failed += stats ? stats.unexpected + stats.flaky : 1;
    }
    return sum;
  },
};

const wanted = process.argv.slice(2);
const ALL = { ...STAGES, ...BY_NAME };
const unknown = wanted.filter((name) => !(name in ALL));
if (unknown.length > 0) {
  console.error(
    `kettle: there is no stage ${unknown.join(', ')}; known are ${Object.keys(ALL).join(', ')}`,
  );
  process.exit(2);
}

const total = { passed: 0, failed: 0 };
const lines = [];
async function conduct(name) {
  const began = Date.now();
  const { passed, failed } = await ALL[name]();
  total.passed += passed;
  total.failed += failed;
  lines.push(
    `${name.padEnd(12)} ${String(passed).padStart(4)} passed ${String(failed).padStart(3)} failed  ${((Date.now() - began) / 1000).toFixed(0).padStart(4)} s`,
  );
  console.log(lines.at(-1));
}

const READS_ONLY = new Set(['types', 'lint', 'format', 'rooms', 'dependencies']);
// What only reads the source goes side by side; what starts servers goes one after the other.
const chosen =
  wanted.length === 0
    ? Object.keys(STAGES)
    : Object.keys(ALL).filter((name) => wanted.includes(name));
const reading = chosen.filter((name) => READS_ONLY.has(name));
console.log(`\n== ${reading.join(', ')}`);
await Promise.all(reading.map(conduct));
// The start script mostly waits for what it starts, each in a folder of its own: it goes beside the
// unit tests.
const beside = chosen.filter((name) => ['unit', 'script'].includes(name));
console.log(`\n== ${beside.join(', ')}`);
await Promise.all(beside.map(conduct));
for (const name of chosen.filter((each) => !reading.includes(each) && !beside.includes(each))) {
  console.log(`\n== ${name}`);
  await conduct(name);
}
console.log(`\n${lines.join('\n')}\n\n${total.passed} passed, ${total.failed} failed`);
process.exit(total.failed === 0 && total.passed > 0 ? 0 : 1);
