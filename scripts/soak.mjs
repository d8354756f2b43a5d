import path from 'node:path';
import { ensureBuilt, ensurePackages, root, run } from './ensure.mjs';

// npm run soak: what takes too long for every day. Power cuts on a disk whose power can be cut, 10 000 requests made up from
// the description of the API, and all cases of the tests that are given a share of theirs in the suite.
// Last, the tests of pages and of the browser with every answer late: what they don't wait for shows.
// npm run soak -- power | fuzz | random | screens | late for one of them.
ensurePackages();
ensureBuilt();
const [only] = process.argv.slice(2);
const bin = (name) => path.join(root, 'node_modules/.bin', name);
const script = (part) => () => run(bin('tsx'), [path.join(root, 'test/soak', `${part}.ts`)]);
/** The files that ask `cases` how many to take. */
const random = () => {
  process.env.SOAK = '1';
  const files = [
    'howSure',
    'cheapestPacks',
    'plan/schedule',
    'planYard',
    'planKeeping',
    'plan/odds',
    'rehearse',
    'everyView',
    'limits',
    'everyEntry',
  ];
  return run(bin('vitest'), ['run', '--project', 'logic', ...files]);
};
/** Typical and forbidden stacks in the browser, all of them. */
const screens = () => {
  process.env.SOAK = '1';
  return run(bin('playwright'), ['test', '--project=screens', 'stacks.spec']);
};
/** A test that passes only because the server is quick fails here. */
const late = () => {
  process.env.LATE_ANSWERS = '500';
  return (
    run(bin('vitest'), ['run', '--project', 'pages']) || run(bin('playwright'), ['test', '--project=screens'])
  );
};
const parts = { power: script('power'), fuzz: script('fuzz'), random, screens, late };
const failed = Object.keys(parts).filter(
  (part) => (only === undefined || only === part) && parts[part]() !== 0,
);
process.exit(failed.length === 0 ? 0 : 1);
