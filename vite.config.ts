import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  root: 'src/web',
  plugins: [react(), tailwindcss()],
  // npm run dev: the API is served beside the pages.
  server: { port: 5173, proxy: { '/api': `http://127.0.0.1:${process.env.API_PORT ?? 4870}` } },
  build: { outDir: '../../dist/web', emptyOutDir: true, assetsInlineLimit: 0, manifest: true },
});
