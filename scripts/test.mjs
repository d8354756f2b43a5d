import { spawn } from 'node:child_process';
import { readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { ensureBuilt, ensureChromium, ensurePackages, ensurePostgres, root, run } from './ensure.mjs';

// npm test: installs what is missing, then types, lint, import direction, unused code, unit and browser tests.
// npm run types | lint | unit | browser: one part of it.
const [only] = process.argv.slice(2);
const wanted = (part) => only === undefined || only === part;
ensurePackages();
if (wanted('browser')) ensureChromium();
if (wanted('unit')) ensurePostgres();

const bin = (name) => path.join(root, 'node_modules/.bin', name);
const reports = path.join(root, '.cache/reports');
rmSync(reports, { recursive: true, force: true });
let passed = 0;
let failed = 0;
let skipped = 0;

/** One check by itself, what it says kept together until it ends. */
const check = ([name, command, args]) =>
  /** @type {Promise<void>} */ (
    new Promise((done) => {
      const child = spawn(bin(command), args, { cwd: root });
      let said = '';
      const hear = (chunk) => {
        said += chunk;
      };
      child.stdout.on('data', hear);
      child.stderr.on('data', hear);
      child.on('error', (error) => hear(`${error.message}\n`));
      child.on('close', (status) => {
        console.log(`\n— ${name}\n${said}`);
        if (status === 0) passed += 1;
        else {
          failed += 1;
          console.error(`✗ ${name}`);
        }
        done();
      });
    })
  );

/** Checks side by side, one a core. */
async function checkAll(list) {
  const left = [...list];
  const hand = async () => {
    for (let next = left.shift(); next; next = left.shift()) await check(next);
  };
  await Promise.all([hand(), hand()]);
}

function tally(name, command, args, read) {
  console.log(`\n— ${name}`);
  const status = run(command, args);
  try {
    const counts = read();
    passed += counts.passed;
    failed += counts.failed;
    skipped += counts.skipped;
    // A runner may fail without a failing test, e.g. on an error outside one: that counts too.
    if (status !== 0 && counts.failed === 0) failed += 1;
  } catch (thrown) {
    const error = /** @type {Error} */ (thrown);
    console.error(`${name} left no report: ${error.message}`);
    failed += 1;
  }
}

const report = (file) => JSON.parse(readFileSync(path.join(reports, file), 'utf8'));

await checkAll([
  ...(wanted('types')
    ? [
        ['types', '../typescript-7/bin/tsc', ['-p', '.']],
        ['types of the scripts', '../typescript-7/bin/tsc', ['-p', 'tsconfig.scripts.json']],
      ]
    : []),
  ...(wanted('lint')
    ? [
        ['lint and format', 'biome', ['check', '--error-on-warnings', '.']],
        ['import direction', 'depcruise', ['src']],
        ['unused code', 'knip', []],
      ]
    : []),
]);
if (wanted('unit') || wanted('browser')) ensureBuilt();
if (wanted('unit'))
  tally(
    'unit and server tests',
    bin('vitest'),
    [
      'run',
      '--reporter=default',
      '--reporter=json',
      `--outputFile.json=${path.join(reports, 'vitest.json')}`,
    ],
    () => {
      const r = report('vitest.json');
      return { passed: r.numPassedTests, failed: r.numFailedTests, skipped: r.numPendingTests };
    },
  );
if (wanted('browser'))
  tally('browser tests', bin('playwright'), ['test'], () => {
    const { stats } = report('playwright.json');
    return { passed: stats.expected + stats.flaky, failed: stats.unexpected, skipped: stats.skipped };
  });

console.log(`\n${passed} passed, ${failed} failed${skipped ? `, ${skipped} skipped` : ''}`);
process.exit(failed ? 1 : 0);
