import { rm } from 'node:fs/promises';
import { newYardFolder } from './db/newYard.ts';
import { openDb } from './db/open.ts';

/** The end of the build: an empty yard that every new one is a copy of. */
const folder = newYardFolder();
await rm(folder, { recursive: true, force: true });
const { close } = await openDb(folder);
await close();
