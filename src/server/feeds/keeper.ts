import type { Station } from '../../contract/index.ts';
import { t } from '../../words.ts';
import type { Context } from '../context.ts';
import { askedReadings } from '../endpoints/stations.ts';
import { inWrite, nothingBefore } from '../http/inWrite.ts';
import { runWrite } from '../http/runWrite.ts';
import { allStations, claimAsking, noteStation } from '../rows/stations.ts';
import { ask } from './ask.ts';

const MINUTE_MS = 60_000;
/** How often it is looked whether some station is due. */
const LOOK_MS = MINUTE_MS;

/** Asks the stations that are to be asked, each in its time. A server that is stopped asks nobody. */
export class FeedKeeper {
  readonly #context: Context;
  readonly #timer: NodeJS.Timeout;
  #busy = false;

  constructor(context: Context) {
    this.#context = context;
    this.#timer = setInterval(() => void this.look(), LOOK_MS);
    this.#timer.unref();
  }

  stop(): void {
    clearInterval(this.#timer);
  }

  /** Fetches from every station that is due, one at a time. */
  async look(): Promise<void> {
    if (this.#busy || this.#context.room.look().state === 'read-only') return;
    this.#busy = true;
    try {
      const now = this.#context.now();
      for (const station of await allStations(this.#context.db)) {
        if (!station.on || station.way !== 'asked' || station.url === null) continue;
        if (!(await claimAsking(this.#context.db, station, now))) continue;
        await this.#askOne(station, station.url);
      }
    } catch {
      // A yard that cannot be read now is looked at again in a minute.
    } finally {
      this.#busy = false;
    }
  }

  async #askOne(station: Station, url: string): Promise<void> {
    try {
      const answer = await ask({ url, privateNet: station.privateNet });
      const value = await this.#context.jobs.run('readings', answer);
      const address = `/stations/${station.id}/readings`;
      await runWrite(
        askedReadings as never,
        { params: { id: station.id }, query: {}, body: value as never, address },
        this.#context,
      );
    } catch (error) {
      const reason = (error as Error).message;
      await inWrite(this.#context, nothingBefore, async ({ tx }) => {
        await noteStation(tx, station.id, { fault: t`readings not accepted: ${reason}`.slice(0, 300) });
        return { changes: [{ of: 'stations' }] };
      });
    }
  }
}
