import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  fullyParallel: false,
  // Each file has a yard of its own.
  workers: 2,
  forbidOnly: true,
  // A machine that is shared stands still now and then: what is slow is not wrong.
  timeout: 150_000,
  expect: { timeout: 30_000 },
  reporter: [['list'], ['json', { outputFile: '.cache/reports/playwright.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    timezoneId: 'Europe/London',
    locale: 'en-GB',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--disable-background-networking'],
    },
  },
});
