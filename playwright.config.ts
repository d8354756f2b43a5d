import { defineConfig } from '@playwright/test';

// A browser takes the last list of features that it is given. The first line is Playwright’s own. The second are pages of the address
// bar, of which each window would open two: a fifth of the time of a test.
const OFF = [
  'AvoidUnnecessaryBeforeUnloadCheckSync,DestroyProfileOnBrowserClose,HttpsUpgrades,HttpsFirstBalancedModeAutoEnable,LensOverlay,MediaRouter,PaintHolding,ThirdPartyStoragePartitioning,AvoidCorsURLLoaderRestartOnRedirect,OptimizationHints,NetworkTimeServiceQuerying,AimEnabled,PreconnectToSearch',
  'WebUIOmniboxPopup,WebUIOmniboxAimPopup',
];

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  fullyParallel: false,
  // Each file has a yard of its own. The unit tests run beside them; a plan finds less in its time where others take it, so its tests run by themselves.
  workers: 2,
  projects: [
    { name: 'screens', testIgnore: 'plan.spec.ts' },
    { name: 'plan', testMatch: 'plan.spec.ts' },
  ],
  forbidOnly: true,
  // A machine that is shared stands still now and then: what is slow is not wrong.
  timeout: 300_000,
  expect: { timeout: 60_000 },
  reporter: [['list'], ['json', { outputFile: '.cache/reports/playwright.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    timezoneId: 'Europe/London',
    locale: 'en-GB',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--disable-background-networking',
        `--disable-features=${OFF.join()}`,
      ],
    },
  },
});
