import type { APIRequestContext } from '@playwright/test';
import type { BoardView, Product } from '../src/contract/index.ts';

/** Every screen of the demo yard, by name. */
export const SCREENS = [
  'board', 'survey', 'hull form', 'waterline', 'walk', 'stands', 'findings', 'systems', 'log', 'window', 'benches', 'bench', 'pot', 'weather', 'plan', 'day', 'yard calendar', 'rehearsal', 'practice', 'need',
  'buy', 'stock', 'count', 'costs', 'tins', 'sheets', 'sheet', 'new boat', 'reference', 'rules', 'tools', 'glossary', 'yard', 'nowhere',
] as const; // biome-ignore format: a list

/** Where each screen of the demo yard is. */
export async function addresses(
  request: APIRequestContext,
): Promise<Record<(typeof SCREENS)[number], string>> {
  const board = (await (await request.get('/api/v1/board')).json()) as BoardView;
  const port = board.clocks.find((c) => c.zone === 'bottom' && c.side === 'port');
  const open = board.clocks.find((c) => c.zone === 'bottom' && c.side === 'starboard');
  const pot = board.pots[0];
  const products = (await (await request.get('/api/v1/products')).json()) as Product[];
  const barrier = products.find(({ name }) => name === 'Thrift Barrier');
  return {
    board: '/',
    survey: `/boats/${port?.boatId}/survey/${port?.areaId}`,
    'hull form': `/boats/${board.clocks.find((c) => c.boatName === 'Grey Phalarope')?.boatId}/form`,
    waterline: `/boats/${port?.boatId}/waterline`,
    walk: `/boats/${port?.boatId}/waterline/walk`,
    stands: `/boats/${port?.boatId}/stands`,
    findings: `/boats/${port?.boatId}/findings`,
    systems: `/boats/${port?.boatId}/systems/${port?.areaId}`,
    log: `/boats/${port?.boatId}/log`,
    window: `/window/${open?.areaId}`,
    benches: '/bench',
    bench: `/bench/${open?.areaId}`,
    pot: `/bench/${pot?.areaId}`,
    weather: '/weather',
    plan: '/plan',
    day: '/plan/today',
    'yard calendar': '/plan/calendar',
    rehearsal: '/plan/rehearsal',
    practice: '/plan/practice',
    need: '/materials',
    buy: '/materials/buy',
    stock: '/materials/stock',
    count: '/materials/count',
    costs: '/materials/costs',
    tins: `/materials/tins/${barrier?.id}`,
    sheets: '/materials/sheets',
    sheet: '/materials/new',
    'new boat': '/boats/new',
    reference: '/reference',
    rules: '/rules',
    tools: '/tools',
    glossary: '/glossary#tie-coat',
    yard: '/yard',
    nowhere: '/no/such/place',
  };
}
