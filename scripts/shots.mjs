import { chromium } from '@playwright/test';

// Pictures of the running demo, one a main view: node scripts/shots.mjs ADDRESS FOLDER [name …]
const [address = 'http://127.0.0.1:4870', folder = 'docs/screenshots', ...only] = process.argv.slice(2);
const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

const board = await (await fetch(`${address}/api/v1/board`)).json();
const products = await (await fetch(`${address}/api/v1/products`)).json();
const clock = (boat, area) => board.clocks.find((c) => c.boatName.includes(boat) && c.areaName === area);
const port = clock('Curlew', 'Bottom port');
const starboard = clock('Curlew', 'Bottom starboard');
const gig = clock('Peewit', 'Hull outside');

/** @type {[name: string, address: string, size: { width: number; height: number }, how?: { dark?: boolean; press?: string | RegExp; wait?: number; to?: string }][]} */
const VIEWS = [
  ['board', '/', DESK],
  ['board-phone', '/', PHONE],
  ['board-dark', '/', DESK, { dark: true }],
  ['survey', `/boats/${port.boatId}/survey/${port.areaId}`, DESK],
  ['drawing', `/boats/${port.boatId}/survey`, DESK, { press: 'All views' }],
  ['form', `/boats/${clock('Tansy', 'Deck').boatId}/form`, DESK],
  [
    'mesh',
    `/boats/${clock('Phalarope', 'Bottom').boatId}/form`,
    DESK,
    { press: /^Open wigley|^Open .*\.(stl|obj)$/i, wait: 4000, to: '#mesh' },
  ],
  ['waterline', `/boats/${port.boatId}/waterline`, DESK],
  ['walk-phone', `/boats/${port.boatId}/waterline/walk`, PHONE],
  ['stands', `/boats/${port.boatId}/stands`, DESK],
  ['findings', `/boats/${port.boatId}/findings`, DESK],
  ['systems', `/boats/${port.boatId}/systems/${port.areaId}`, DESK],
  ['compare', `/boats/${port.boatId}/systems/${clock('Curlew', 'Topsides').areaId}/compare`, DESK],
  ['rules', '/rules', DESK],
  ['tools', '/tools', DESK],
  ['bench-phone', `/bench/${starboard.areaId}`, PHONE],
  ['bench', `/bench/${gig.areaId}`, DESK],
  ['window', `/window/${starboard.areaId}`, DESK],
  ['log', `/boats/${port.boatId}/log`, DESK],
  ['weather', '/weather', DESK],
  ['plan', '/plan', DESK, { wait: 8000 }],
  ['rehearsal', '/plan/rehearsal', DESK, { wait: 8000 }],
  ['materials', '/materials', DESK],
  ['buy', '/materials/buy', DESK],
  ['stock', '/materials/stock', DESK],
  ['count-phone', '/materials/count', PHONE],
  ['tins', `/materials/tins/${products.find(({ name }) => name === 'Marram Grey Primer').id}`, DESK],
  ['costs', '/materials/costs', DESK],
  ['sheets', '/materials/sheets', DESK],
  ['sheet', '/materials/new', DESK],
  ['new-boat', '/boats/new', DESK],
  ['settings', '/yard', DESK],
];

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--disable-background-networking'],
});
for (const [name, path, viewport, how = {}] of VIEWS) {
  if (only.length && !only.includes(name.replace(/\+$/, '')) && !only.includes(`${name}+`)) continue;
  const page = await browser.newPage({ viewport, timezoneId: 'Europe/London', locale: 'en-GB' });
  page.on('console', (message) => message.type() === 'error' && console.error(name, message.text()));
  page.on('pageerror', (error) => console.error(name, error.message));
  await page.addInitScript(
    (dark) => localStorage.setItem('jack-plane.theme', dark ? 'shed' : 'loft'),
    how.dark,
  );
  await page.goto(address + path);
  await page.waitForSelector('h1');
  await page.waitForTimeout(700);
  if (how.press) await page.getByRole('button', { name: how.press }).click();
  if (how.wait) await page.waitForTimeout(how.wait);
  if (how.to) await page.locator(how.to).scrollIntoViewIfNeeded();
  if (how.to) await page.evaluate((at) => document.querySelector(at)?.scrollIntoView(), how.to);
  await page.screenshot({ path: `${folder}/${name}.png`, fullPage: only.includes(`${name}+`) });
  await page.close();
}
await browser.close();
