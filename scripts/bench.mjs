import path from 'node:path';
import { ensureBuilt, ensurePackages, root, run } from './ensure.mjs';

// npm run bench: the budgets of the design that exist so far, measured on this machine.
ensurePackages();
ensureBuilt();
const vite = path.join(root, 'node_modules/vite/bin/vite.js');
run(process.execPath, [vite, 'build', '--logLevel', 'warn', '-c', 'vite.bench.config.ts']);
process.exit(run(process.execPath, [path.join(root, 'dist/bench/bench.js')]));
