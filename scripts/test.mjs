import { spawn } from 'node:child_process';
import { readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { ensureBuilt, ensureChromium, ensurePackages, ensurePostgres, root } from './ensure.mjs';

// npm test: installs what is missing, then types, lint, import direction, unused code, unit and browser tests.
// npm run types | lint | unit | browser: one part of it.
const [only] = process.argv.slice(2);
const wanted = (part) => only === undefined || only === part;
ensurePackages();
if (wanted('browser')) ensureChromium();
if (wanted('unit')) ensurePostgres();

const bin = (name) => path.resolve(root, 'node_modules/.bin', name);
const reports = path.join(root, '.cache/reports');
rmSync(reports, { recursive: true, force: true });
let passed = 0;
let failed = 0;
let skipped = 0;
/** What failed, by name with the first lines of why. Printed last: logs are often cut in the middle. */
const failures = [];
const fails = (name, why = '') => failures.push([name, ...why.split('\n').slice(0, 6)].join('\n    '));

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
          fails(name, said.trim().split('\n').slice(-6).join('\n'));
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

/** A runner of many tests, counted by its report; what it prints stands together, as it comes or when it has ended. */
const tally = (name, command, args, { read, live = true, env = {} }) =>
  /** @type {Promise<void>} */ (
    new Promise((done) => {
      if (live) console.log(`\n— ${name}`);
      const child = spawn(command, args, { cwd: root, env: { ...process.env, ...env } });
      const held = [];
      const hear = (chunk) => (live ? process.stdout.write(chunk) : held.push(chunk));
      child.stdout.on('data', hear);
      child.stderr.on('data', hear);
      child.on('error', (error) => hear(Buffer.from(`${error.message}\n`)));
      child.on('close', (status) => {
        if (!live) process.stdout.write(`\n— ${name}\n${Buffer.concat(held)}`);
        count(name, status, read);
        done();
      });
    })
  );

function count(name, status, read) {
  try {
    const counts = read();
    passed += counts.passed;
    failed += counts.failed;
    skipped += counts.skipped;
    for (const { title, why } of counts.failures) fails(`${name}: ${title}`, why);
    // A runner may fail without a failing test, e.g. on an error outside one: that counts too.
    if (status !== 0 && counts.failed === 0) {
      failed += 1;
      fails(`${name}: ended with ${status} though no test failed`);
    }
  } catch (thrown) {
    const error = /** @type {Error} */ (thrown);
    fails(`${name} left no report: ${error.message}`);
    failed += 1;
  }
}

const report = (file) => JSON.parse(readFileSync(path.join(reports, file), 'utf8'));

/** The failed tests of the unit runner's report, and its errors outside any test. */
const unitFailures = ({ testResults }) => [
  ...testResults.flatMap(({ assertionResults }) =>
    assertionResults
      .filter(({ status }) => status === 'failed')
      .map(({ fullName, failureMessages }) => ({ title: fullName, why: failureMessages.join('\n') })),
  ),
  ...report('errors.json').map((why) => ({ title: 'error outside a test', why })),
];

/** The failed tests of the browser runner's report. */
const browserFailures = ({ suites = [], specs = [] }) => [
  ...suites.flatMap(browserFailures),
  ...specs
    .filter(({ ok }) => !ok)
    .map(({ title, file, tests }) => ({
      title: `${file} ${title}`,
      why: tests.flatMap(({ results }) => results.map(({ error }) => error?.message ?? '')).join('\n'),
    })),
];

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
        ['catalogue of texts', process.execPath, ['scripts/words.mjs', '--check']],
      ]
    : []),
]);
const unitTests = () =>
  tally(
    'unit and server tests',
    bin('vitest'),
    [
      'run',
      '--reporter=default',
      '--reporter=json',
      '--reporter=./scripts/errorsReporter.mjs',
      `--outputFile.json=${path.join(reports, 'vitest.json')}`,
    ],
    {
      read: () => {
        const r = report('vitest.json');
        return {
          passed: r.numPassedTests,
          failed: r.numFailedTests,
          skipped: r.numPendingTests,
          failures: unitFailures(r),
        };
      },
    },
  );

const browserTests = (project, live) =>
  tally(`browser tests: ${project}`, bin('playwright'), ['test', `--project=${project}`], {
    live,
    env: { PLAYWRIGHT_JSON_OUTPUT_FILE: path.join(reports, `${project}.json`) },
    read: () => {
      const r = report(`${project}.json`);
      const { expected, flaky, unexpected, skipped: left } = r.stats;
      return { passed: expected + flaky, failed: unexpected, skipped: left, failures: browserFailures(r) };
    },
  });

if (wanted('unit') || wanted('browser')) ensureBuilt();
// Side by side: each waits for a server, a disk or a timer a third of its time.
await Promise.all([
  ...(wanted('unit') ? [unitTests()] : []),
  ...(wanted('browser') ? [browserTests('screens', !wanted('unit'))] : []),
]);
// A search for plans finds less in its time where others work: by itself.
if (wanted('browser')) await browserTests('plan', true);

if (failures.length > 0) console.log(`\nWhat failed:\n\n${failures.map((text) => `✗ ${text}`).join('\n\n')}`);
console.log(`\n${passed} passed, ${failed} failed${skipped ? `, ${skipped} skipped` : ''}`);
process.exit(failed ? 1 : 0);
