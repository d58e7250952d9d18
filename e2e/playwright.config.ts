import { defineConfig } from '@playwright/test';

/** Tests that hold a time to a limit: `./kettle test` gives them the machine to themselves. */
const TIMED = /@timed/;

export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  outputDir: 'results',
  timeout: 180_000,
  expect: { timeout: 10_000 },
  // Each file has a server of its own, so that two may go side by side.
  projects: [
    { name: 'bench', grepInvert: TIMED },
    { name: 'measured', grep: TIMED },
  ],
  workers: 2,
  reporter: [['list'], ['json', { outputFile: process.env.E2E_REPORT ?? 'results/report.json' }]],
  use: {
    // A new browser would fetch the whole app beside every test; the file that is about it lets it.
    serviceWorkers: 'block',
    contextOptions: { reducedMotion: 'reduce' },
    actionTimeout: 20_000,
    navigationTimeout: 30_000,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'UTC',
    screenshot: 'only-on-failure',
    launchOptions: {
      // The same browser without a window to draw: a quarter less work for two cores.
      executablePath: process.env.KETTLE_CHROMIUM ?? '/usr/bin/chromium-headless-shell',
      args: [
        '--no-sandbox',
        '--disable-dev-shm-usage',
        '--disable-gpu',
        '--disable-software-rasterizer',
        '--in-process-gpu',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
      ],
    },
  },
});
