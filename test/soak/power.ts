import path from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import type { Boat } from '../../src/contract/index.ts';
import { aBoat } from '../examples.ts';
import { CuttableDisk } from '../powerCut.ts';
import { post, running } from '../serverProcess.ts';

/**
 * Cuts the power of a real file system at random moments while three writers write, and looks on the disk that is left
 * for everything that had been acknowledged by then.
 */
const CUTS = 10;
const WRITES_A_CUT = 20;

const disk = new CuttableDisk(700);
let [acknowledgedInAll, lostInAll] = [0, 0];
try {
  const server = await running(path.join(disk.mount, 'data'));
  const acknowledged: string[] = [];
  let writing = true;
  const writer = async () => {
    while (writing) {
      const boat = aBoat();
      const response = await post(server.address, '/boats', boat);
      if (response.status === 201) acknowledged.push(boat.id);
    }
  };
  const writers = [writer(), writer(), writer()];
  for (let cut = 1; cut <= CUTS; cut++) {
    const before = acknowledged.length;
    while (acknowledged.length < before + WRITES_A_CUT) await wait(5);
    await wait(Math.random() * 80);
    const known = [...acknowledged];
    // What the disk holds now; what is written while it is copied may or may not be on it.
    const left = disk.cut();
    const after = await running(path.join(left.mount, 'data'));
    const boats = (await (await fetch(`${after.address}/api/v1/boats`)).json()) as Boat[];
    const there = new Set(boats.map(({ id }) => id));
    const lost = known.filter((id) => !there.has(id));
    process.stdout.write(`cut ${cut}: ${known.length} acknowledged, ${lost.length} lost\n`);
    acknowledgedInAll += known.length;
    lostInAll += lost.length;
    await after.end('SIGTERM');
    left.release();
  }
  writing = false;
  await Promise.all(writers);
  await server.end('SIGTERM');
} finally {
  disk.remove();
}
process.stdout.write(`${CUTS} cuts, ${acknowledgedInAll} acknowledged by then in all, ${lostInAll} lost\n`);
process.exit(lostInAll === 0 && acknowledgedInAll >= 200 ? 0 : 1);
