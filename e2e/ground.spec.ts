import { chromium, expect, type Page } from '@playwright/test';
import { v7 as uuidv7 } from 'uuid';
import type { BoardView, BoatInput, OwnTemplate } from '../src/contract/index.ts';
import { BY_HAND, groundTest as test } from './yard.ts';

/** What happens to a yard in real life: strangers, many tabs, a server that goes and comes, a device that is offline. */

const ARGS = ['--no-sandbox', '--disable-gpu', '--disable-quic', '--disable-background-networking'];

const aBoat = (name: string): BoatInput => ({
  id: uuidv7(),
  name,
  kind: 'fin-keel',
  dimensions: { loaM: 9, lwlM: 8, beamM: 3, draughtM: 1.5, freeboardM: 1 },
  note: '',
});
const boatsOf = async (address: string) =>
  ((await (await fetch(`${address}/api/v1/board`)).json()) as BoardView).boats.map(({ name }) => name);

test('a hostile page in the same browser gets nothing and changes nothing, rebinding included', async ({
  yard,
}) => {
  const { port } = new URL(yard.address);
  // Its names lead to this machine: what DNS rebinding comes to.
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: [...ARGS, '--host-resolver-rules=MAP *.example 127.0.0.1'],
  });
  const before = await boatsOf(yard.address);
  const tries = async (page: Page, base: string) =>
    page.evaluate(
      async ({ to, boat }) => {
        const json = { 'content-type': 'application/json' };
        const ask = async (path: string, init: RequestInit = {}) => {
          try {
            const response = await fetch(`${to}/api/v1${path}`, init);
            return [response.status, (await response.text()).includes('"dimensions"')];
          } catch {
            return ['blocked', false];
          }
        };
        return [
          await ask('/boats'),
          await ask('/boats', { method: 'POST', body: boat, headers: json }),
          await ask('/boats', { method: 'POST', body: boat, mode: 'no-cors' }),
          await ask(`/boats/${JSON.parse(boat).id}`, { method: 'DELETE' }),
          await ask('/events'),
        ];
      },
      { to: base, boat: JSON.stringify(aBoat('Planted hull')) },
    );
  for (const [origin, to] of [
    // The page's own origin is by now this server's address: no check of the browser's stands in between.
    [`http://rebound.example:${port}`, ''],
    ['http://evil.example:9', yard.address],
  ] as const) {
    const page = await browser.newPage();
    await page.route(`${origin}/`, (route) =>
      route.fulfill({ contentType: 'text/html', body: '<p>free paint' }),
    );
    await page.goto(`${origin}/`);
    for (const [status, heard] of await tries(page, to)) {
      expect([origin, [403, 0, 'blocked'].includes(status as never), heard]).toEqual([origin, true, false]);
    }
    await page.close();
  }
  await browser.close();
  expect(await boatsOf(yard.address)).toEqual(before);
});

test('seven tabs work side by side, and hear of each other', async ({ context, yard }) => {
  const tabs: Page[] = [];
  for (let i = 0; i < 7; i++) {
    const tab = await context.newPage();
    await tab.goto('/');
    await expect(tab.getByRole('heading', { level: 1 })).toBeVisible();
    tabs.push(tab);
  }
  const add = async (name: string) => {
    const data = aBoat(name);
    const { status } = await fetch(`${yard.address}/api/v1/boats`, {
      method: 'POST',
      body: JSON.stringify(data),
      headers: { 'content-type': 'application/json', ...BY_HAND },
    });
    expect(status).toBe(201);
  };
  await add('Seventh hull');
  for (const tab of tabs) await expect(tab.getByText('Seventh hull').first()).toBeVisible();
  // The tab that listened for all is closed: another one takes over.
  await tabs[0]?.close();
  await add('Eighth hull');
  for (const tab of tabs.slice(1)) await expect(tab.getByText('Eighth hull').first()).toBeVisible();
  for (const tab of tabs) await tab.close();
});

test('a page that was open while the server was away shows what it missed', async ({ page, yard }) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  const { port } = new URL(yard.address);
  await yard.kill();
  const address = await yard.launch(Number(port));
  await fetch(`${address}/api/v1/boats`, {
    method: 'POST',
    body: JSON.stringify(aBoat('Hull of the morning')),
    headers: { 'content-type': 'application/json' },
  });
  await expect(page.getByText('Hull of the morning').first()).toBeVisible();
  // Parts that were to be fetched just then came later, and took nothing down meanwhile.
  await expect(page.getByRole('slider', { name: 'Time on the weather chart' })).toBeVisible();
});

test('a part of the page whose download broke off comes by itself: the browser remembers the failure, so the page reloads once', async ({
  page,
}) => {
  let requests = 0;
  await page.route(/\/assets\/AirPanel[^/]*\.js$/, (route) =>
    requests++ === 0 ? route.abort() : route.continue(),
  );
  await page.goto('/');
  await expect(page.getByRole('slider', { name: 'Time on the weather chart' })).toBeVisible();
  expect(requests).toBeGreaterThan(1);
});

test('two tabs offline each keep a template: both wait, both arrive, once each', async ({
  page,
  context,
  yard,
}) => {
  const boat = aBoat('Templated hull');
  const headers = { 'content-type': 'application/json' };
  const post = (path: string, body: object) =>
    fetch(`${yard.address}/api/v1${path}`, { method: 'POST', body: JSON.stringify(body), headers });
  await post('/boats', boat);
  const board = (await (await fetch(`${yard.address}/api/v1/board`)).json()) as BoardView;
  const coated = board.clocks.find(({ stepsAll }) => stepsAll > 0);
  if (!coated) throw new Error('the demo has no stack');
  const systems = `/boats/${coated.boatId}/systems/${coated.areaId}`;
  const second = await context.newPage();
  for (const tab of [page, second]) {
    await tab.goto(systems);
    await tab.getByText('Templates and copying').click();
  }
  await context.setOffline(true);
  for (const [tab, name] of [
    [page, 'From the first tab'],
    [second, 'From the second tab'],
  ] as const) {
    await tab.getByLabel('Template name').fill(name);
    await tab.getByRole('button', { name: 'Save as template' }).click();
  }
  for (const tab of [page, second]) {
    await expect(tab.getByText('2 entries saved on this device')).toBeVisible();
    await expect(tab.getByText('From the first tab (your own)')).toBeVisible();
  }
  await context.setOffline(false);
  await expect(page.getByText(/saved on this device/)).toBeHidden();
  const names = ((await (await fetch(`${yard.address}/api/v1/templates`)).json()) as OwnTemplate[]).map(
    ({ name }) => name,
  );
  expect(names.filter((name) => name.startsWith('From the'))).toEqual([
    'From the first tab',
    'From the second tab',
  ]);
  await second.close();
});

test('what is broken on the device is set aside and told, and the page opens', async ({ page }) => {
  await page.addInitScript(() => {
    if (sessionStorage.getItem('broken')) return;
    sessionStorage.setItem('broken', 'yes');
    localStorage.setItem('jack-plane.outbox', '[{"entry":');
    localStorage.setItem('jack-plane.tool', '{"kind":"spoon"');
  });
  await page.goto('/');
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await expect(page.getByText('Some data saved on this device couldn’t be read')).toBeVisible();
  await page.getByRole('button', { name: 'Delete data' }).click();
  await expect(page.getByText('Some data saved on this device couldn’t be read')).toBeHidden();
  await page.goto('/bench');
  await page.getByRole('main').getByRole('link').first().click();
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
});
