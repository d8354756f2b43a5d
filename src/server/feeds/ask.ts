import { lookup as resolve } from 'node:dns';
import http from 'node:http';
import https from 'node:https';
import { BlockList, isIP, type LookupFunction } from 'node:net';
import type { Station } from '../../contract/index.ts';

const TIME_OUT_MS = 10_000;
const MOST_BYTES = 1_000_000;

/** Addresses of one's own machine and network, by their standards (RFC 1918, 3056, 3879, 3927, 4193, 4291, 6052, 6598, 6890, 8215). */
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
  // Unspecified, loopback, and addresses of version 4 written as version 6 in ways that some systems still follow.
  ['::', 96],
  ['64:ff9b::', 96],
  ['64:ff9b:1::', 48],
  ['2002::', 16],
  ['fc00::', 7],
  ['fe80::', 10],
  ['fec0::', 10],
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
  new Error(
    `${address} is on this computer’s local network. If that is intended, turn on “On the yard’s own network” for the station`,
  );

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
          fail(new Error(`the address answered with status ${answer.statusCode}`));
          return asking.destroy();
        }
        const parts: Buffer[] = [];
        let size = 0;
        answer.on('data', (part: Buffer) => {
          size += part.length;
          if (size > MOST_BYTES) asking.destroy(new Error(`the answer is larger than ${MOST_BYTES} bytes`));
          else parts.push(part);
        });
        answer.on('end', () => done(Buffer.concat(parts).toString('utf8')));
        answer.on('error', fail);
      },
    );
    asking.on('error', (error) =>
      fail(
        error.name === 'TimeoutError' || error.name === 'AbortError'
          ? new Error('no answer within 10 s')
          : error,
      ),
    );
  });
}
