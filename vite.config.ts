import path from 'node:path';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

const PRODUCTION_ROUTER = path.resolve('node_modules/react-router/dist/production/index.mjs');

export default defineConfig(({ command }) => ({
  root: 'src/web',
  // The package's exports name its development build for every mode; the other has no warnings for developers.
  resolve: { alias: command === 'build' ? { 'react-router': PRODUCTION_ROUTER } : {} },
  plugins: [react(), tailwindcss()],
  // npm run dev: the API is served beside the pages.
  server: { port: 5173, proxy: { '/api': `http://127.0.0.1:${process.env.API_PORT ?? 4870}` } },
  build: { outDir: '../../dist/web', emptyOutDir: true, assetsInlineLimit: 0, manifest: true },
}));
