import { defineConfig } from 'vite';

/** The server as one file; packages stay outside it. */
export default defineConfig({
  build: {
    ssr: 'src/server/main.ts',
    outDir: 'dist/server',
    emptyOutDir: true,
    target: 'node20',
    rollupOptions: { output: { entryFileNames: 'main.js' } },
  },
});
