import { defineConfig } from 'vite';

export default defineConfig({
  build: {
    ssr: 'bench/bench.ts',
    outDir: 'dist/bench',
    emptyOutDir: true,
    target: 'node20',
    rollupOptions: { output: { entryFileNames: 'bench.js' } },
  },
});
