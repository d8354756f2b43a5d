import { serve } from './serve.ts';

/** Serves a yard of the user's own. The demo is a program of its own, built beside this one. */
if (process.argv.includes('--demo')) {
  await import(/* @vite-ignore */ new URL('./demo.js', import.meta.url).href);
} else await serve('own');
