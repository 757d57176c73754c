import { defineConfig, devices } from '@playwright/test';
import { SHELL } from '../scripts/lib/chromium.mjs';

export default defineConfig({
  testDir: './tests',
  globalSetup: './set-up.ts',
  timeout: 120_000,
  expect: { timeout: 15_000 },
  workers: 2,
  fullyParallel: true,
  // A browser beside another browser may be late once; what passes only at the second try is told in the summary.
  retries: process.env.CI ? 1 : 0,
  forbidOnly: Boolean(process.env.CI),
  reporter: [['list'], ['json', { outputFile: './test-results/report.json' }]],
  outputDir: './test-results/traces',
  use: {
    ...devices['Desktop Chrome'],
    locale: 'en-GB',
    timezoneId: 'Europe/Lisbon',
    viewport: { width: 390, height: 844 },
    // Tracing costs a third of the time; the whole run goes without.
    trace: process.env.CI ? 'off' : 'retain-on-failure',
    launchOptions: SHELL,
  },
});
