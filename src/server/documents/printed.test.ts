import { inflateSync } from 'node:zlib';
import { expect, it } from 'vitest';
import { listPdf } from './listPdf.ts';

async function bytesOf(doc: AsyncIterable<Buffer>): Promise<Buffer> {
  const parts: Buffer[] = [];
  for await (const part of doc) parts.push(part);
  return Buffer.concat(parts);
}

/** The letters that a PDF's fonts say they show: its ToUnicode tables, which a reader copies text by. */
function lettersOf(pdf: Buffer): Set<string> {
  const letters = new Set<string>();
  for (let at = pdf.indexOf('stream\n'); at >= 0; at = pdf.indexOf('stream\n', at + 7)) {
    let table: string;
    try {
      table = inflateSync(pdf.subarray(at + 7)).toString('latin1');
    } catch {
      continue;
    }
    if (!table.includes('beginbfrange')) continue;
    for (const [, hex = ''] of table.matchAll(/<([0-9a-f]{4})>(?=[\s\]>])/gi))
      letters.add(String.fromCharCode(Number.parseInt(hex, 16)));
  }
  return letters;
}

const NAMES = ['Łódź Żółć', 'Ελληνικό σκάφος', 'Чайка', 'Ærø Ñandú'];

it('names in Latin, Greek and Cyrillic letters are printed as they are written; of other scripts a box and a line say so', async () => {
  const list = (more: string[]) =>
    listPdf({ title: NAMES.join(', '), yard: 'Yard', intro: more, tables: [], closing: [] });
  const letters = lettersOf(await bytesOf(list([]) as never));
  expect([...new Set(NAMES.join(''))].filter((sign) => sign !== ' ' && !letters.has(sign))).toEqual([]);
  expect(letters.has('\u25a1')).toBe(false);
  expect(lettersOf(await bytesOf(list(['舟']) as never)).has('\u25a1')).toBe(true);
});

it('the foot with its page number begins no page of its own, on one page or on several', async () => {
  const pages = async (rows: number) => {
    const columns = [{ head: 'Item', share: 1 }];
    const table = { heading: '', columns, rows: Array.from({ length: rows }, (_, i) => [`Tin ${i}`]) };
    const pdf = await bytesOf(
      listPdf({ title: 'List', yard: 'Yard', intro: [], tables: [table], closing: [] }) as never,
    );
    return pdf.toString('latin1').match(/\/Type \/Page\b/g)?.length;
  };
  expect([await pages(1), await pages(60), await pages(100)]).toEqual([1, 2, 3]);
});
