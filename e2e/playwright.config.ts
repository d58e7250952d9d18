import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  outputDir: 'results',
  timeout: 180_000,
  expect: { timeout: 10_000 },
  // Each file has a server of its own, but one browser at a time keeps two cores honest.
  workers: 1,
  reporter: [['list'], ['json', { outputFile: process.env.E2E_REPORT ?? 'results/report.json' }]],
  use: {
    // A new browser would fetch the whole app beside every test; the file that is about it lets it.
    serviceWorkers: 'block',
    actionTimeout: 20_000,
    navigationTimeout: 30_000,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'UTC',
    screenshot: 'only-on-failure',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-dev-shm-usage',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
      ],
    },
  },
});
