import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['src/**/*.test.{ts,tsx}', 'demo/**/*.test.ts'],
    setupFiles: ['test/closeAtEnd.ts'],
    globalSetup: ['test/migratedDump.ts', 'test/webServer.ts'],
    testTimeout: 60_000,
    hookTimeout: 60_000,
    pool: 'forks',
    // Of its own it leaves a core free; the tests have the machine to themselves.
    maxWorkers: 2,
  },
});
