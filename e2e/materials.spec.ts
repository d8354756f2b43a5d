import { expect, type Page } from '@playwright/test';
import { toBuffer } from 'qrcode';
import type {
  BoardView,
  BuyingView,
  MaterialsView,
  Product,
  StockView,
  TradeView,
} from '../src/contract/index.ts';
import { BY_HAND, expectAccessible, materialsTest as test } from './yard.ts';

/** What a yard does with its stock from the first shortage to the quote, in the demo yard. */

const get = async <T>(page: Page, path: string) =>
  (await (await page.request.get(`/api/v1${path}`)).json()) as T;

test('a shortage is named with the coat it stops, and a better measure makes the safe need smaller', async ({
  page,
}) => {
  await page.goto('/materials');
  await expect(page.getByRole('status').first()).toContainText(
    /products short\. First coat affected: .+coat on .+ \(.+\)/,
  );
  await page.getByLabel('Boat', { exact: true }).selectOption({ label: 'Old Tansy' });
  const enamel = page.getByRole('article', { name: 'Samphire Enamel' });
  await expect(enamel).toContainText(/short/);
  await enamel.getByText('How this was worked out').click();
  await expect(enamel).toContainText(/Deck.*hand measures.*% volume solids.*% loss/s);
  const board = await get<BoardView>(page, '/board');
  const boat = board.boats.find(({ name }) => name === 'Old Tansy');
  const safe = async () => {
    const view = await get<MaterialsView>(page, `/materials?boatId=${boat?.id}`);
    return view.products.find(({ name }) => name === 'Samphire Enamel')?.colours[0];
  };
  const before = await safe();
  const deck = boat?.areas.find((area) => area.areaName === 'Deck');
  const { archived: _a, ...area } = await get<Record<string, unknown>>(page, `/areas/${deck?.areaId}`);
  const wide = await page.request.put(`/api/v1/areas/${deck?.areaId}`, {
    data: { ...area, spread: 0.3 },
    headers: BY_HAND,
  });
  expect(wide.status()).toBe(200);
  const rough = await safe();
  expect(rough?.likely).toBeCloseTo(before?.likely ?? 0, 6);
  expect(rough?.safe).toBeGreaterThan((before?.safe ?? 0) + 0.2);
});

test('what is ordered is not bought again; taken in, both parts stand in the stock apart', async ({
  page,
}) => {
  await page.goto('/materials/buy');
  await expect(page.getByRole('status').first()).toContainText('proven optimal');
  const before = await get<BuyingView>(page, '/buying');
  expect(before.orders.length).toBeGreaterThan(0);
  for (const _ of before.orders) {
    await page.getByRole('button', { name: 'Mark as ordered' }).first().click();
    await page.waitForTimeout(300);
  }
  await expect(page.getByText(/^No paint to buy\./)).toBeVisible();
  const { purchases } = await get<TradeView>(page, '/trade');
  const count = purchases.filter(({ receivedAt }) => receivedAt === null).length;
  const arrived = purchases.length - count;
  await page.getByRole('button', { name: 'Receive order' }).first().click();
  const code = page.getByLabel('Lot number').first();
  await code.fill('Q 12');
  await page.getByRole('group', { name: 'Date made' }).first().getByRole('spinbutton').first().focus();
  // A day typed in part is refused, not left out.
  await page.keyboard.type('3103');
  await page.getByRole('button', { name: 'Add to stock' }).click();
  await expect(page.getByText('Date made “31/03/yyyy” isn’t in the expected format')).toBeVisible();
  await page.getByRole('group', { name: 'Date made' }).first().getByRole('spinbutton').last().focus();
  await page.keyboard.type('2026');
  await page.getByLabel('Location').fill('steel cabinet');
  await page.getByRole('button', { name: 'Add to stock' }).click();
  await expect(page.getByRole('button', { name: 'Add to stock' })).toBeHidden();
  // The button says so while it saves: only the order itself tells that it arrived.
  await expect(page.getByText(/^Received /)).toHaveCount(arrived + 1);
  await expect(page.getByRole('button', { name: 'Receive order' })).toHaveCount(count - 1);
  await page.goto('/materials/stock');
  await page.getByLabel('Search by product, lot number or location').fill('Q 12');
  await expect(page.getByText(/^1 of \d+ lots$/)).toBeVisible();
  await expect(page.getByText(/lot Q 12 · steel cabinet · made 31 Mar 2026/)).toBeVisible();
});

test('a keep-back takes both parts in ratio and is refused beyond what the tin has; it is taken back by hand', async ({
  page,
}) => {
  const board = await get<BoardView>(page, '/board');
  const ketch = board.boats.find(({ name }) => name === "Curlew's Errand");
  await page.goto('/materials/stock');
  await page.getByLabel('Search by product, lot number or location').fill('KB 17 B');
  await page.getByRole('button', { name: /Log movement: Kelpie Bilge Epoxy/ }).click();
  await page.getByLabel('Boat', { exact: true }).selectOption(ketch?.id ?? '');
  await page.getByLabel('For', { exact: true }).selectOption({ label: 'Bottom port, under port aft' });
  const much = page.getByRole('textbox', { name: 'Amount of base' });
  await much.fill('40');
  await expect(page.getByText('No usable tin holds enough base.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep back paint' })).toBeDisabled();
  await much.fill('0.1');
  await expect(page.getByText('100 ml of base and 20 ml of hardener in separate closed cups')).toBeVisible();
  await page.getByRole('button', { name: 'Keep back paint' }).click();
  await expect(page.getByText('100 ml kept back (unmixed) for Bottom port, under port aft')).toBeVisible();
  const labels = await page.request.get(
    `/api/v1/labels.pdf?areaId=${board.clocks.find(({ areaName }) => areaName === 'Bottom port, under port aft')?.areaId ?? ketch?.areas.find(({ areaName }) => areaName === 'Bottom port, under port aft')?.areaId}`,
  );
  expect((await labels.body()).subarray(0, 5).toString()).toBe('%PDF-');
  await page
    .getByRole('button', { name: 'Void movement: Kelpie Bilge Epoxy, base, white kept back' })
    .first()
    .click();
  await expect(page.getByText('voided', { exact: true }).first()).toBeVisible();
});

test('the stock is counted by thumb, and the tins tell a mix that ran rich', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/materials/count');
  await page.getByLabel('Search by product, lot number or location').fill('SU 33');
  await page.getByRole('button', { name: /^Decrease/ }).click();
  await expect(page.getByText('50 ml less than expected')).toBeVisible();
  await page.getByRole('button', { name: 'Save 1 count' }).click();
  await expect(page.getByText('Count saved.')).toBeVisible();
  const { lots } = await get<StockView>(page, '/lots');
  expect(lots.find(({ code }) => code === 'SU 33 B')?.difference?.found).toBeCloseTo(1.35, 6);
  const products = await get<Product[]>(page, '/products');
  const primer = products.find(({ name }) => name === 'Marram Grey Primer');
  await page.goto(`/materials/tins/${primer?.id}`);
  await expect(page.getByText('28 % too much hardener.')).toBeVisible();
  await expect(page.getByText(/168 ml of hardener was spilt or lost/)).toBeVisible();
  await expect(page.getByText(/Never make up the other part by guess/)).toBeVisible();
  // Read to a coarse mark it can no longer be told.
  await page.getByLabel('Measured to the nearest').selectOption('0.25');
  await expect(page.getByText(/Can’t tell at this precision/)).toBeVisible();
});

test('the bench does not begin a coat that the tins do not finish, and says how far they reach', async ({
  page,
}) => {
  const board = await get<BoardView>(page, '/board');
  const topsides = board.clocks.find(
    ({ boatName, areaName }) => boatName === "Curlew's Errand" && areaName === 'Topsides',
  );
  const { lots } = await get<StockView>(page, '/lots');
  // Little of the base is found in any tin, whatever came in meanwhile.
  const bases = lots.filter(
    ({ productName, part }) => productName === 'Samphire Two Gloss' && part === 'base',
  );
  const id = (n: number) => `019a0000-0000-7000-8000-00000000000${n}`;
  const movements = bases.map((lot, n) => ({
    id: id(n + 1),
    lotId: lot.id,
    kind: 'counted',
    amount: 0.1,
    at: new Date().toISOString(),
    areaId: null,
    note: '',
    corrects: null,
  }));
  const spilt = await page.request.post('/api/v1/movements/together', {
    data: { id: id(0), movements },
    headers: BY_HAND,
  });
  expect(spilt.status()).toBe(201);
  await page.goto(`/bench/${topsides?.areaId}`);
  const alert = page.getByRole('alert').filter({ hasText: 'Not enough to finish this coat.' });
  await expect(alert).toContainText(/makes .+, enough for .+ of .+ Base runs out first/);
  await expect(page.getByRole('button', { name: /Log mix/ })).toBeDisabled();
  await expectAccessible(page);
});

test('a tin is scanned from its printed label, and one of another product is stopped', async ({ page }) => {
  const board = await get<BoardView>(page, '/board');
  const bottom = board.clocks.find(
    ({ boatName, areaName }) => boatName === "Curlew's Errand" && areaName === 'Bottom starboard',
  );
  const { lots } = await get<StockView>(page, '/lots');
  const inHand = lots.find(
    ({ productName, part }) => productName === 'Thrift Barrier' && part === 'hardener',
  );
  const other = lots.find(({ productName }) => productName === 'Samphire Two Gloss');
  const photo = async (lotId: string | undefined) =>
    page.getByLabel('Photograph label').setInputFiles({
      name: 'label.png',
      mimeType: 'image/png',
      buffer: await toBuffer(`jackplane:lot/${lotId}`, { scale: 6 }),
    });
  await page.goto(`/bench/${bottom?.areaId}`);
  // This browser has no camera: the label is photographed.
  await page.getByRole('button', { name: 'Scan label' }).click();
  await expect(page.getByText('The browser gives no camera.')).toBeVisible();
  await photo(other?.id);
  await expect(page.getByText('Stop: this tin is not Thrift Barrier. Put it aside.')).toBeVisible();
  await photo(inHand?.id);
  await expect(page.getByRole('button', { name: new RegExp(`Lot ${inHand?.code}`) })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await expect(page.getByText('Stop: this tin')).toHaveCount(0);
  await expectAccessible(page);
});

test('a boat’s page says what is missing, and her costs come to a quote', async ({ page }) => {
  const board = await get<BoardView>(page, '/board');
  const tender = board.boats.find(({ name }) => name === 'Grey Phalarope');
  await page.goto(`/boats/${tender?.id}/survey`);
  const { purchases } = await get<TradeView>(page, '/trade');
  for (const { id, receivedAt } of purchases)
    if (receivedAt === null) await page.request.delete(`/api/v1/purchases/${id}`, { headers: BY_HAND });
  await page.reload();
  await page.getByText('Short for the next coats: Samphire Two Gloss').click();
  await expect(
    page.getByText(/short\. First coat affected: .+coat on Topsides \(Grey Phalarope\)/).first(),
  ).toBeVisible();
  await page.goto(`/materials/costs?boat=${tender?.id}`);
  await expect(page.getByRole('status').first()).toContainText(
    /Planned €[\d,.]+ · spent so far €[\d,.]+ · forecast total €[\d,.]+ · \d+ h of labour/,
  );
  await page.getByLabel('Title').fill('Spring work on the tender');
  await page.getByLabel('Days in yard').fill('12');
  await page.getByRole('button', { name: 'Save quote text' }).click();
  await expect(page.getByText('Days in yard').or(page.getByText('Yard')).first()).toBeVisible();
  const quote = await page.request.get(`/api/v1/boats/${tender?.id}/quote.pdf`);
  expect(quote.headers()['content-type']).toBe('application/pdf');
});
