import { defineConfig } from 'vite';

/** The server, the demo and the thread for heavy work, each as one file; packages stay outside them. */
export default defineConfig({
  build: {
    ssr: true,
    outDir: 'dist/server',
    emptyOutDir: true,
    target: 'node20',
    rollupOptions: {
      input: {
        main: 'src/server/main.ts',
        demo: 'demo/main.ts',
        makeNewYard: 'src/server/makeNewYard.ts',
        move: 'src/server/move.ts',
        engineThread: 'src/server/workers/engineThread.ts',
        worker: 'src/server/workers/worker.ts',
      },
      output: { entryFileNames: '[name].js', chunkFileNames: '[name]-[hash].js' },
    },
  },
});
