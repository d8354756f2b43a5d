import { ensureBuilt, ensurePackages, root, run } from './ensure.mjs';

// npm run move -- --to postgres://… : copies a yard between a folder and a database server, and verifies the copy.
ensurePackages();
ensureBuilt();
process.exit(run(process.execPath, [`${root}/dist/server/move.js`, ...process.argv.slice(2)]));
