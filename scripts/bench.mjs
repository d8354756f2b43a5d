import path from 'node:path';
import { ensureBuilt, ensurePackages, ensurePostgres, root, run } from './ensure.mjs';

// npm run bench: the budgets of the design that exist so far, measured on this machine.
// npm run bench -- load: 20 connections on the embedded database and on a server with 1, 2 and 4 processes.
// npm run bench -- weather: a yard with two years of weather.
// npm run bench -- plan: plans, and a general solver on the same problems.
ensurePackages();
ensureBuilt();
const vite = path.join(root, 'node_modules/vite/bin/vite.js');
run(process.execPath, [vite, 'build', '--logLevel', 'warn', '-c', 'vite.bench.config.ts']);
const [which = 'bench'] = process.argv.slice(2);
if (which === 'load') ensurePostgres();
process.exit(run(process.execPath, [path.join(root, `dist/bench/${which}.js`)]));
