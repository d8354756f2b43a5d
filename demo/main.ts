import { rename } from 'node:fs/promises';
import { lockFolder } from '../src/server/db/lock.ts';
import { serve } from '../src/server/serve.ts';
import { demoAge, layDemo } from './layDemo.ts';

const HOUR_MS = 3_600_000;
const STALE_DEMO_MS = 24 * HOUR_MS;

/** Serves the demo yard: one that is over a day old is set aside and made again. */
await serve('demo', {
  folder: async ({ folder, fresh }, say) => {
    // Held only long enough to know that no other process serves the folder before it may be set aside.
    await (await lockFolder(folder)).release();
    const age = await demoAge(folder);
    if (age === null) return;
    const hours = Math.round(age / HOUR_MS);
    if (!fresh && age <= STALE_DEMO_MS) {
      say(`Going on with the demo yard of ${hours} h ago (npm run demo -- --fresh makes a new one).`);
      return;
    }
    const aside = `${folder}-${new Date().toISOString().replaceAll(/[:.]/g, '-')}`;
    await rename(folder, aside);
    say(`The demo yard of ${hours} h ago was set aside in ${aside}; making a new one.`);
  },
  db: (db, folder) => layDemo(db, { folder, now: Date.now() }),
});
