import highs from 'highs';
import { type BuyablePack, cheapestPacks, type PartNeed } from '../src/core/supply/index.ts';
import { median, say } from './say.ts';

const SIZES = [0.5, 1, 2.5, 5, 10, 20];

/** Thirty two-part products in six kits each, dearer by the litre the smaller they are. */
function thirtyProducts(): { need: PartNeed[]; packs: BuyablePack[] } {
  const need: PartNeed[] = [];
  const packs: BuyablePack[] = [];
  for (let n = 0; n < 30; n++) {
    const litres = 3 + ((n * 7.3) % 40);
    need.push({ part: `base ${n}`, litres: litres * 0.8 }, { part: `hardener ${n}`, litres: litres * 0.2 });
    for (const [i, size] of SIZES.entries())
      packs.push({
        id: `${n} ${size}`,
        price: Math.round(size * (30 - 2.3 * i + (n % 5)) * 100) / 100,
        contents: { [`base ${n}`]: size * 0.8, [`hardener ${n}`]: size * 0.2 },
      });
  }
  return { need, packs };
}

function modelOf({ need, packs }: { need: readonly PartNeed[]; packs: readonly BuyablePack[] }): string {
  const sum = (of: (pack: BuyablePack) => number) =>
    packs.flatMap((pack, i) => (of(pack) === 0 ? [] : [`+ ${of(pack)} x${i}`])).join(' ');
  const rows = need.map(({ part, litres }, p) => `c${p}: ${sum((k) => k.contents[part] ?? 0)} >= ${litres}`);
  const names = packs.map((_, i) => `x${i}`).join(' ');
  return `Minimize\n obj: ${sum(({ price }) => price)}\nSubject To\n ${rows.join('\n ')}\nGeneral\n ${names}\nEnd`;
}

/** The cheapest packs of thirty products, beside a general solver on the same model, proven by both. */
export async function packsOfThirtyProducts(): Promise<void> {
  const shop = thirtyProducts();
  const solver = await highs();
  const model = modelOf(shop);
  const timed = (run: () => number, times: number) => {
    let cost = 0;
    const each = Array.from({ length: times }, () => {
      const from = performance.now();
      cost = run();
      return performance.now() - from;
    });
    return { ms: median(each), cost };
  };
  const ours = timed(() => cheapestPacks(shop).cost, 15);
  const theirs = timed(() => solver.solve(model, { mip_rel_gap: 0 }).ObjectiveValue, 3);
  say('cheapest packs, 30 products × 6 packs, proven', `${ours.ms.toFixed(1)} ms`, '50 ms');
  say('  HiGHS on the same model / ours', `${(theirs.ms / ours.ms).toFixed(1)} ×`, '≥ 10 ×');
  say('  cost, ours / HiGHS', `${ours.cost.toFixed(2)} / ${theirs.cost.toFixed(2)}`, 'the same');
}
