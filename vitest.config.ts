import { defineConfig } from 'vitest/config';

const test = {
  setupFiles: ['test/closeAtEnd.ts'],
  testTimeout: 60_000,
  hookTimeout: 60_000,
  pool: 'forks' as const,
  // A failed comparison shows both texts whole.
  chaiConfig: { truncateThreshold: 0 },
};

export default defineConfig({
  test: {
    globalSetup: ['test/migratedDump.ts', 'test/webServer.ts'],
    // Of its own it leaves a core free; the tests have the machine to themselves.
    maxWorkers: 2,
    projects: [
      {
        test: {
          ...test,
          name: 'logic',
          include: ['src/{core,contract,server}/**/*.test.ts', 'demo/**/*.test.ts'],
          // Modules are loaded once a process, not once a file, and databases are used again.
          isolate: false,
        },
      },
      { test: { ...test, name: 'pages', include: ['src/web/**/*.test.{ts,tsx}'] } },
    ],
  },
});
