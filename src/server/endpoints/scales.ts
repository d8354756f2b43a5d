import { type ScaleView, scaleReply } from '../../contract/index.ts';
import { gramsInLine } from '../../core/mix/index.ts';
import { t } from '../../words.ts';
import { read, upload } from '../http/endpoint.ts';
import { badFields } from '../http/problem.ts';
import { keepScaleReading, scaleReadings } from '../rows/scaleReadings.ts';

/** One line of a scale is shorter, bytes. */
const LONGEST_LINE = 200;

async function textOf(content: AsyncIterable<Uint8Array>): Promise<string> {
  const parts: Uint8Array[] = [];
  let length = 0;
  for await (const part of content) {
    length += part.length;
    if (length > LONGEST_LINE) throw noWeight(t`a longer line`);
    parts.push(part);
  }
  return Buffer.concat(parts).toString('utf8').trim();
}

const noWeight = (line: string) =>
  badFields([
    {
      path: 'line',
      message: t`A line with one weight and its unit is expected, such as “0.450 kg” or “450 g”, but was: ${line || 'nothing'}`,
    },
  ]);

/** Scales that send over the network. Their readings last a minute and change nothing in the yard. */
export const scaleEndpoints = [
  upload({
    method: 'put',
    path: '/scales/:id',
    summary: 'Send one line of a scale, as on its serial port (“0.450 kg”); the id is shown at the bench',
    types: ['text/plain'],
    mostBytes: LONGEST_LINE,
    run: async ({ params, content }, { db, now }) => {
      const line = await textOf(content);
      const grams = gramsInLine(line);
      if (grams === null) throw noWeight(line);
      await keepScaleReading(db, params.id, { atMs: now(), grams });
      return { reply: undefined, made: false };
    },
  }),
  read({
    path: '/scales/:id',
    summary: 'List the readings of a network scale from the last minute',
    reply: scaleReply,
    run: async ({ params }, { db, now }): Promise<ScaleView> => {
      const nowMs = now();
      const readings = await scaleReadings(db, params.id, nowMs);
      return {
        now: new Date(nowMs).toISOString(),
        readings: readings.map(({ atMs, grams }) => ({ at: new Date(atMs).toISOString(), grams })),
      };
    },
  }),
];
