import { rename, rm } from 'node:fs/promises';
import { newYardFolder } from './db/newYard.ts';
import { openFolder } from './db/open.ts';

/** The end of the build: an empty yard that every new one is a copy of. One broken off half-way is never copied. */
const folder = newYardFolder();
const part = `${folder}.part`;
for (const each of [folder, part]) await rm(each, { recursive: true, force: true });
const { close } = await openFolder(part);
await close();
await rename(part, folder);
