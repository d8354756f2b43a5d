import { lookup as resolve } from 'node:dns';
import http from 'node:http';
import https from 'node:https';
import { BlockList, isIP, type LookupFunction } from 'node:net';
import { postedReadings, type Station, strict } from '../../contract/index.ts';
import type { Context } from '../context.ts';
import { askedReadings } from '../endpoints/stations.ts';
import { runWrite } from '../http/runWrite.ts';
import { allStations, noteStation } from '../rows/stations.ts';

const MINUTE_MS = 60_000;
/** How often it is looked whether some station is due. */
const LOOK_MS = MINUTE_MS;
const TIME_OUT_MS = 10_000;
const MOST_BYTES = 1_000_000;

/** Addresses of one's own machine and network, by their standards (RFC 1918, 3927, 4193, 4291, 6598, 6890). */
const PRIVATE = new BlockList();
for (const [net, bits] of [
  ['0.0.0.0', 8],
  ['10.0.0.0', 8],
  ['100.64.0.0', 10],
  ['127.0.0.0', 8],
  ['169.254.0.0', 16],
  ['172.16.0.0', 12],
  ['192.0.0.0', 24],
  ['192.168.0.0', 16],
  ['198.18.0.0', 15],
  ['224.0.0.0', 3],
] as const)
  PRIVATE.addSubnet(net, bits, 'ipv4');
for (const [net, bits] of [
  ['::', 127],
  ['fc00::', 7],
  ['fe80::', 10],
  ['ff00::', 8],
] as const)
  PRIVATE.addSubnet(net, bits, 'ipv6');

/** Whether an address is of one's own machine or network. */
export function isPrivate(address: string): boolean {
  const mapped = /^::ffff:(\d+\.\d+\.\d+\.\d+)$/i.exec(address)?.[1];
  if (mapped) return PRIVATE.check(mapped, 'ipv4');
  return PRIVATE.check(address, isIP(address) === 6 ? 'ipv6' : 'ipv4');
}

const own = (address: string) =>
  new Error(`${address} is of this machine’s own network; allow it at the station if it is meant`);

/** Resolves a name and refuses what is of one's own network, so that the address looked at is the one connected to. */
const publicLookup: LookupFunction = (name, options, callback) => {
  resolve(name, { ...options, all: true }, (error, addresses) => {
    if (error) return callback(error, '', 0);
    const bad = addresses.find(({ address }) => isPrivate(address));
    if (bad) return callback(own(bad.address), '', 0);
    if (options.all) return callback(null, addresses);
    const [first] = addresses;
    callback(null, first?.address ?? '', first?.family ?? 4);
  });
};

/**
 * What an address answers, as text.
 *
 * Within {@link TIME_OUT_MS}, up to {@link MOST_BYTES}, no redirects followed; an address of one's own network only where
 * the station says so.
 */
export function ask({ url, privateNet }: Pick<Station, 'privateNet'> & { url: string }): Promise<string> {
  return new Promise((done, fail) => {
    const to = new URL(url);
    const host = to.hostname.replace(/^\[|\]$/g, '');
    if (!privateNet && isIP(host) && isPrivate(host)) return fail(own(host));
    const client = to.protocol === 'https:' ? https : http;
    const asking = client.get(
      to,
      {
        headers: { accept: 'application/json' },
        signal: AbortSignal.timeout(TIME_OUT_MS),
        ...(privateNet ? {} : { lookup: publicLookup }),
      },
      (answer) => {
        if (answer.statusCode !== 200) {
          answer.resume();
          return fail(new Error(`it answers ${answer.statusCode}, not 200`));
        }
        const parts: Buffer[] = [];
        let size = 0;
        answer.on('data', (part: Buffer) => {
          size += part.length;
          if (size > MOST_BYTES) asking.destroy(new Error(`its answer is larger than ${MOST_BYTES} bytes`));
          else parts.push(part);
        });
        answer.on('end', () => done(Buffer.concat(parts).toString('utf8')));
        answer.on('error', fail);
      },
    );
    asking.on('error', (error) =>
      fail(
        error.name === 'TimeoutError' || error.name === 'AbortError'
          ? new Error('it does not answer within 10 s')
          : error,
      ),
    );
  });
}

/** Asks the stations that are to be asked, each in its time. A server that is stopped asks nobody. */
export class FeedKeeper {
  readonly #context: Context;
  readonly #timer: NodeJS.Timeout;
  readonly #asked = new Map<string, number>();
  #busy = false;

  constructor(context: Context) {
    this.#context = context;
    this.#timer = setInterval(() => void this.look(), LOOK_MS);
    this.#timer.unref();
  }

  stop(): void {
    clearInterval(this.#timer);
  }

  /** Asks every station that is due, one after the other. */
  async look(): Promise<void> {
    if (this.#busy) return;
    this.#busy = true;
    try {
      const now = this.#context.now();
      for (const station of await allStations(this.#context.db)) {
        const due = (this.#asked.get(station.id) ?? 0) + station.everyMin * MINUTE_MS <= now;
        if (!station.on || station.way !== 'asked' || station.url === null || !due) continue;
        this.#asked.set(station.id, now);
        await this.#askOne(station, station.url);
      }
    } catch {
      // A yard that cannot be read now is looked at again in a minute.
    } finally {
      this.#busy = false;
    }
  }

  async #askOne(station: Station, url: string): Promise<void> {
    const { db, live, memory } = this.#context;
    try {
      const answer = await ask({ url, privateNet: station.privateNet });
      const { error, value } = postedReadings.validate(JSON.parse(answer), strict);
      if (error) throw error;
      const address = `/stations/${station.id}/readings`;
      await runWrite(
        askedReadings as never,
        { params: { id: station.id }, query: {}, body: value as never, address },
        this.#context,
      );
    } catch (error) {
      const reason = error instanceof SyntaxError ? 'its answer is no JSON' : (error as Error).message;
      await noteStation(db, station.id, { fault: `not taken: ${reason}`.slice(0, 300) });
      memory.changed([{ of: 'stations' }]);
      live.publish([{ of: 'stations' }]);
    }
  }
}
