import type { APIRequestContext } from '@playwright/test';
import type { Product, SlipView } from '../src/contract/index.ts';

/** Every screen of the demo yard, by name. */
export const SCREENS = [
  'slip', 'survey', 'hull form', 'waterline', 'walk', 'stands', 'findings', 'systems', 'log', 'window', 'benches', 'bench', 'pot', 'weather', 'plan', 'day', 'yard calendar', 'rehearsal', 'practice', 'need',
  'buy', 'store', 'count', 'costs', 'tins', 'sheets', 'sheet', 'new boat', 'reference', 'rules', 'tools', 'glossary', 'yard', 'nowhere',
] as const; // biome-ignore format: a list

/** Where each screen of the demo yard is. */
export async function addresses(
  request: APIRequestContext,
): Promise<Record<(typeof SCREENS)[number], string>> {
  const slip = (await (await request.get('/api/v1/slip')).json()) as SlipView;
  const port = slip.clocks.find((c) => c.zone === 'bottom' && c.side === 'port');
  const open = slip.clocks.find((c) => c.zone === 'bottom' && c.side === 'starboard');
  const pot = slip.pots[0];
  const products = (await (await request.get('/api/v1/products')).json()) as Product[];
  const barrier = products.find(({ name }) => name === 'Thrift Barrier');
  return {
    slip: '/',
    survey: `/boats/${port?.boatId}/survey/${port?.areaId}`,
    'hull form': `/boats/${slip.clocks.find((c) => c.boatName === 'Grey Phalarope')?.boatId}/form`,
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
    store: '/materials/store',
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
