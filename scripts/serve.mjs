import { spawn } from 'node:child_process';
import path from 'node:path';
import { ensureBuilt, ensurePackages, root } from './ensure.mjs';

// npm run demo / npm start: installs what is missing, builds, serves. Arguments go on to the server.
ensurePackages();
ensureBuilt();
const server = spawn(process.execPath, [path.join(root, 'dist/server/main.js'), ...process.argv.slice(2)], {
  stdio: 'inherit',
  cwd: root,
});
// A terminal sends Ctrl-C to the server as well; it is the server that closes the data folder, so this waits for it.
process.on('SIGINT', () => {});
process.on('SIGTERM', () => server.kill('SIGTERM'));
server.on('exit', (code, signal) => process.exit(code ?? (signal ? 1 : 0)));
