import { useFormContext, useWatch } from 'react-hook-form';
import { Link } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import { prepareFor, prepHours, prepTasks } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { useConfirm } from '../parts/Confirm.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { counted } from '../words/counted.ts';
import type { StackContext } from './stackContext.ts';
import type { StackValues, TaskValues } from './stackForm.ts';

/** What the surface needs before the first coat, in order, with what proves each step and the hours it takes. */
export function Preparation({ context }: { context: StackContext }) {
  const { area, areaM2, products } = context;
  const { show } = useUnits();
  const { control, getValues, setValue } = useFormContext<StackValues>();
  const firstId = useWatch({ control, name: 'steps.0.productId' });
  const first = products.find((product) => product.id === firstId);
  const list = prepareFor({
    substrate: area.substrate,
    oldCoating: area.oldCoating,
    service: area.service,
    preparation: first?.sheet.preparation ?? null,
    converted: first?.sheet.family === 'rust-converter',
  });
  /** Work already planned, perhaps ticked already, is not written over unasked. */
  const confirm = useConfirm();
  const takeIt = async (product: string) => {
    const planned = getValues('steps.0.before').length;
    const title = t`Replace the ${counted(planned, 'planned task')} before ${product}?`;
    if (planned > 0 && !(await confirm({ title, action: t`Replace tasks` }))) return;
    const tasks = prepTasks(list).map(
      ({ kind, amount, note }): TaskValues => ({
        taskId: uuidv7(),
        kind,
        amount: amount === null ? '' : String(amount),
        note,
      }),
    );
    setValue('steps.0.before', tasks, { shouldDirty: true });
  };
  const hours = prepHours(list, areaM2);
  return (
    <details className="board p-3">
      <summary className="cursor-pointer font-semibold">
        {t`Preparation: ${counted(list.length, 'step')}`}
        {areaM2 > 0 && t`, about ${hours.toFixed(1)} h for one person`}
      </summary>
      <ol className="space-y-2 pt-3">
        {list.map((each, i) => (
          <li key={each.what} className="grid grid-cols-[2rem_1fr]">
            <span className="font-semibold">{i + 1}</span>
            <div>
              <p>
                {each.what}
                {each.grit !== null && t`, ${each.grit} grit`}
                {each.m2PerHour !== null && areaM2 > 0 && (
                  <span className="opacity-80"> ({(areaM2 / each.m2PerHour).toFixed(1)} h)</span>
                )}
              </p>
              <p className="text-sm">{t`Done when ${each.proof}.`}</p>
              {each.caution && <p className="border-line border-l-4 pl-2 text-sm">{each.caution}</p>}
            </div>
          </li>
        ))}
      </ol>
      {first && (
        <button type="button" className="btn btn-sm mt-3" onClick={() => void takeIt(first.name)}>
          {t`Add as tasks before ${first.name}`}
        </button>
      )}
      <p className="pt-2 text-sm opacity-80">
        {t`Order and work rates are common practice, for ${show(areaM2, 'area')}. The product’s data sheet and safety data sheet take priority. `}
        <Link className="link" to="/tools">{t`Measuring tools`}</Link>
      </p>
    </details>
  );
}
