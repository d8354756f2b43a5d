import { spawn } from 'node:child_process';
import path from 'node:path';
import { ensurePackages, root } from './ensure.mjs';

// npm run dev: the server from its source, started anew when it changes, and the pages with hot reload beside it.
// Arguments go to the server: npm run dev -- --demo
ensurePackages();
const PORT = '4871';
const args = process.argv.slice(2);
const entry = args.includes('--demo') ? 'demo/main.ts' : 'src/server/main.ts';
const bin = (name) => path.join(root, 'node_modules/.bin', name);
const start = (command, list) =>
  spawn(command, list, { cwd: root, stdio: 'inherit', env: { ...process.env, API_PORT: PORT } });
const both = [
  start(bin('tsx'), ['watch', '--clear-screen=false', entry, '--port', PORT, ...args]),
  start(bin('vite'), []),
];
for (const child of both) {
  child.on('exit', (code) => {
    for (const other of both) other.kill();
    process.exitCode = code ?? 0;
  });
}
