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
        load: 'bench/load.ts',
        weather: 'bench/weather.ts',
        plan: 'bench/plan.ts',
      },
      output: { entryFileNames: '[name].js', chunkFileNames: '[name]-[hash].js' },
    },
  },
});
