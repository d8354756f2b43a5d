import { cpSync, fstatSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, expect, it } from 'vitest';
import { aBoat } from '../../../test/examples.ts';
import { allBoats, insertBoat } from '../rows/boats.ts';
import { DurableFs } from './durableFs.ts';
import { openFolder } from './open.ts';

const home = mkdtempSync(path.join(tmpdir(), 'jack-plane-cut-'));
afterAll(() => rmSync(home, { recursive: true, force: true }));

/**
 * A file system that drops what was never flushed, in small: each fsync copies the file as it then is to a folder beside;
 * a power cut leaves that folder. (On a real disk: npm run soak.)
 */
function keepOnlyFlushed(folder: string, survives: string): void {
  const mend = DurableFs.prototype.init;
  DurableFs.prototype.init = async function (...given) {
    const made = await mend.apply(this, given);
    made.emscriptenOpts.preRun?.push((module: object) => {
      const { NODEFS } = module as {
        NODEFS: {
          realPath: (node: object) => string;
          stream_ops: { fsync: (s: { nfd: number; node: object }) => number };
        };
      };
      const { fsync } = NODEFS.stream_ops;
      NODEFS.stream_ops.fsync = (stream) => {
        const file = NODEFS.realPath(stream.node);
        const kept = path.join(survives, path.relative(folder, file));
        if (fstatSync(stream.nfd).isFile()) {
          mkdirSync(path.dirname(kept), { recursive: true });
          writeFileSync(kept, readFileSync(file));
        }
        return fsync(stream);
      };
    });
    return made;
  };
}

it('what was acknowledged outlives a power cut, in the middle of a checkpoint too', async () => {
  const [folder, survives] = [path.join(home, 'data'), path.join(home, 'survives')];
  // A yard that was made and flushed before.
  const first = await openFolder(folder);
  await first.close();
  cpSync(folder, survives, { recursive: true });
  keepOnlyFlushed(folder, survives);
  const { db, close } = await openFolder(folder, { inThisThread: true });
  expect((await db.execute('show fsync')).rows).toEqual([{ fsync: 'on' }]);
  expect((await db.execute('show data_checksums')).rows).toEqual([{ data_checksums: 'on' }]);
  const acknowledged: string[] = [];
  for (let i = 0; i < 40; i++) {
    const boat = aBoat();
    await insertBoat(db, boat);
    acknowledged.push(boat.id);
    if (i === 20) await db.execute('CHECKPOINT');
  }
  // The process goes with the power: it is not closed.
  const after = await openFolder(survives);
  const there = new Set((await allBoats(after.db)).map(({ id }) => id));
  expect(acknowledged.filter((id) => !there.has(id))).toEqual([]);
  await after.close();
  await close();
});
