import { createRequire } from 'node:module';

/**
 * Pages are tested with the React that is shipped: the checks of its development build take about a fifth of their time. It has no `act`, which
 * Testing Library asks for; here work is flushed at once.
 */
const load = createRequire(import.meta.url);
const React = load('react') as { act?: (work: () => unknown) => Promise<unknown> };
const { flushSync } = load('react-dom') as { flushSync: (work: () => unknown) => unknown };
React.act = async (work) => flushSync(work);
