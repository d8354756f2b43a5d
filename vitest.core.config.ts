import { defineConfig } from 'vitest/config';

/** The core alone, in one process: what npm run mutate runs against every changed line. */
export default defineConfig({
  test: {
    include: ['src/core/**/*.test.ts'],
    // Ten thousand forecasts for every line changed would take a day.
    exclude: ['src/core/cure/howSure.test.ts'],
    testTimeout: 60_000,
    maxWorkers: 1,
  },
});
