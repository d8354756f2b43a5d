import { defineConfig } from 'vite';

export default defineConfig({
  build: {
    ssr: true,
    outDir: 'dist/bench',
    emptyOutDir: true,
    target: 'node20',
    rollupOptions: {
      input: {
        bench: 'bench/bench.ts',
        // Found beside the server, as in its own build.
        engineThread: 'src/server/workers/engineThread.ts',
        worker: 'src/server/workers/worker.ts',
        load: 'bench/load.ts',
        weather: 'bench/weather.ts',
        plan: 'bench/plan.ts',
      },
      output: { entryFileNames: '[name].js', chunkFileNames: '[name]-[hash].js' },
    },
  },
});
