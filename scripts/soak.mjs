import path from 'node:path';
import { ensureBuilt, ensurePackages, root, run } from './ensure.mjs';

// npm run soak: what takes too long for every day. Power cuts on a disk whose power can be cut, and 10 000 requests
// made up from the description of the API. npm run soak -- power | fuzz for one of them.
ensurePackages();
ensureBuilt();
const [only] = process.argv.slice(2);
const parts = ['power', 'fuzz'].filter((part) => only === undefined || only === part);
const tsx = path.join(root, 'node_modules/.bin/tsx');
const failed = parts.filter((part) => run(tsx, [path.join(root, 'test/soak', `${part}.ts`)]) !== 0);
process.exit(failed.length === 0 ? 0 : 1);
