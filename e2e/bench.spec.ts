import { type Browser, expect, type Page } from '@playwright/test';
import type { BenchView, BoardView, Entry, LogView } from '../src/contract/index.ts';
import { expectAccessible, logCoat, benchTest as test, type YardProcess } from './yard.ts';

/** One coat from the first pot to the record, by two people with a phone each, through a lost connection and a server that is killed. */

const PHONE = { width: 390, height: 844 };
const toStep = (page: Page, step: string) =>
  page.getByRole('navigation', { name: 'Steps of this coat' }).getByText(step, { exact: true }).click();

async function phone(browser: Browser, yard: YardProcess, path: string): Promise<Page> {
  const context = await browser.newContext({ baseURL: yard.address, viewport: PHONE });
  const page = await context.newPage();
  await page.goto(path);
  return page;
}

test('two phones on one coat: pots, sections and readings are seen by both, survive a lost connection, a killed server and reloads, and stand in the record', async ({
  page: mine,
  browser,
  yard,
  request,
}) => {
  await mine.setViewportSize(PHONE);
  const get = async <T>(path: string) => (await (await request.get(`/api/v1${path}`)).json()) as T;
  const { clocks } = await get<BoardView>('/board');
  const bottom = clocks.find(
    ({ boatName, areaName }) => boatName === "Curlew's Errand" && areaName === 'Bottom starboard',
  );
  if (!bottom) throw new Error('the demo yard has no bottom');
  const bench = () => get<BenchView>(`/bench/${bottom.areaId}`);
  const coatNo = (await bench()).clock.next?.coatNo ?? 0;
  const own = `/bench/${bottom.areaId}`;

  // The first pot: each tin by its lot, then the timers.
  await mine.goto(own);
  await toStep(mine, 'Mix');
  const lots = (await bench()).tins?.lots ?? [];
  const tins = ['base', 'hardener'].map((each) =>
    lots.find(({ part, otherColour }) => part === each && !otherColour),
  );
  for (const tin of tins) await mine.getByRole('button', { name: new RegExp(`Lot ${tin?.code}`) }).click();
  await mine.getByRole('button', { name: 'Log mix and start timers' }).click();
  await expect(mine.getByRole('button', { name: 'Section 1 of 3' })).toBeVisible();
  await expectAccessible(mine);

  // The second phone sees the pot, and each sees what the other ticks.
  const theirs = await phone(browser, yard, own);
  await toStep(theirs, 'Apply');
  await mine.getByRole('button', { name: 'Section 1 of 3' }).click();
  await expect(theirs.getByText(/^1 of 3 sections covered/)).toBeVisible();

  // Without a connection both go on, and the server dies meanwhile.
  for (const each of [mine, theirs]) await each.context().setOffline(true);
  await mine.getByRole('button', { name: 'Section 2 of 3' }).click();
  await expect(mine.getByText(/^2 of 3 sections covered/)).toBeVisible();
  await theirs.getByRole('button', { name: '200 µm' }).click();
  await expect(theirs.getByText(/wet dries to/)).toBeVisible();
  await theirs.getByRole('button', { name: 'Section 3 of 3' }).click();
  await expect(theirs.getByText(/^2 of 3 sections covered/)).toBeVisible();
  const port = Number(new URL(yard.address).port);
  await yard.kill('SIGKILL');
  await yard.launch(port);
  for (const each of [mine, theirs]) await each.context().setOffline(false);
  for (const each of [mine, theirs]) await expect(each.getByText(/^3 of 3 sections covered/)).toBeVisible();

  // A reload between two steps changes nothing.
  await mine.reload();
  await expect(mine.getByText(/^3 of 3 sections covered/)).toBeVisible();
  await expect(mine.getByText(/wet dries to/)).toBeVisible();
  for (const each of [mine, theirs]) await expect(each.getByText(/^Begun .* on 2 devices/)).toBeVisible();
  await toStep(mine, 'Log');
  await logCoat(mine);
  await expect.poll(async () => (await bench()).clock.next?.coatNo).not.toBe(coatNo);
  expect((await bench()).progress).toEqual([]);
  await expect(theirs.getByText(/sections covered/)).toHaveCount(0);

  const { entries } = await get<LogView>(`/boats/${bottom.boatId}/log`);
  const ofCoat = entries.filter(
    ({ areaId, body }) => areaId === bottom.areaId && 'coatNo' in body && body.coatNo === coatNo,
  );
  const kinds = (kind: Entry['kind']) => ofCoat.filter((entry) => entry.kind === kind);
  expect([kinds('batch'), kinds('coat'), kinds('progress')].map((each) => each.length)).toEqual([1, 1, 4]);
  const [pot] = kinds('batch');
  expect(pot?.kind === 'batch' && pot.body.lots?.map(({ code }) => code).sort()).toEqual(
    tins.map((tin) => tin?.code).sort(),
  );
  const [coat] = kinds('coat');
  expect(coat?.kind === 'coat' && coat.body.batchIds).toEqual([pot?.id]);
  await mine.goto(`/boats/${bottom.boatId}/log`);
  await mine
    .getByText(/notes while applying/)
    .first()
    .click();
  await expect(mine.getByText(/section 3 of 3 covered/).first()).toBeVisible();
  await theirs.context().close();
});
