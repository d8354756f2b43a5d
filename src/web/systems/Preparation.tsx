import { Link } from 'react-router';
import type { Area, Product, Step } from '../../contract/index.ts';
import { prepareFor, prepHours } from '../../core/system/index.ts';
import { useUnits } from '../units/UnitsContext.tsx';

/** What the surface needs before the first coat, in order, with what proves each step and the hours it takes. */
export function Preparation({
  area,
  areaM2,
  steps,
  products,
}: {
  area: Area;
  areaM2: number;
  steps: readonly Step[];
  products: readonly Product[];
}) {
  const { show } = useUnits();
  const first = products.find((product) => product.id === steps[0]?.productId);
  const list = prepareFor({
    substrate: area.substrate,
    oldCoating: area.oldCoating,
    service: area.service,
    preparation: first?.sheet.preparation ?? null,
  });
  const hours = prepHours(list, areaM2);
  return (
    <details className="board p-3">
      <summary className="cursor-pointer font-semibold">
        Preparation: {list.length} steps{areaM2 > 0 && `, about ${hours.toFixed(1)} h for one pair of hands`}
      </summary>
      <ol className="space-y-2 pt-3">
        {list.map((each, i) => (
          <li key={each.what} className="grid grid-cols-[2rem_1fr]">
            <span className="font-semibold">{i + 1}</span>
            <div>
              <p>
                {each.what}
                {each.grit !== null && `, ${each.grit} grit`}
                {each.m2PerHour !== null && areaM2 > 0 && (
                  <span className="opacity-80"> ({(areaM2 / each.m2PerHour).toFixed(1)} h)</span>
                )}
              </p>
              <p className="text-sm">Done when: {each.proof}.</p>
              {each.caution && <p className="border-line border-l-4 pl-2 text-sm">{each.caution}</p>}
            </div>
          </li>
        ))}
      </ol>
      <p className="pt-2 text-sm opacity-80">
        Order and rates are common practice on {show(areaM2, 'area')}; the product's sheet and its safety data
        sheet come first.{' '}
        <Link className="link" to="/tools">
          Measuring tools
        </Link>
      </p>
    </details>
  );
}
