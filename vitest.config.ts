import { defineConfig } from 'vitest/config';

/** These hold React's own clock still, which only its development build allows. */
const CLOCKED = ['src/web/parts/lazyPart.test.tsx', 'src/web/forms/recordForm.test.tsx'];

const test = {
  setupFiles: ['test/closeAtEnd.ts'],
  // A machine that is shared stands still now and then: what is slow is not wrong.
  testTimeout: 300_000,
  hookTimeout: 300_000,
  pool: 'forks' as const,
  // A failed comparison shows both texts whole.
  chaiConfig: { truncateThreshold: 0 },
};

export default defineConfig({
  test: {
    globalSetup: ['test/migratedDump.ts', 'test/webServer.ts'],
    // The browser tests run beside them.
    maxWorkers: 2,
    projects: [
      {
        test: {
          ...test,
          name: 'logic',
          include: ['src/**/*.test.ts', 'demo/**/*.test.ts'],
          // Modules are loaded once a process, not once a file, and databases are used again.
          isolate: false,
        },
      },
      { test: { ...test, name: 'clocked pages', include: CLOCKED } },
      {
        oxc: { jsx: { development: false } },
        test: {
          ...test,
          name: 'pages',
          include: ['src/web/**/*.test.tsx'],
          exclude: CLOCKED,
          env: { NODE_ENV: 'production' },
          setupFiles: ['test/freshModules.ts', 'test/productionReact.ts', ...test.setupFiles],
          // Packages are loaded once a process, our own modules once a file.
          isolate: false,
        },
      },
    ],
  },
});
