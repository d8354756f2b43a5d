import { afterAll } from 'vitest';
import { atEnd } from './atEnd.ts';

afterAll(async () => {
  for (const close of atEnd.splice(0)) await close();
});
