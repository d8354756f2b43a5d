import { useState } from 'react';
import { Link } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import type { Area, AreaClock, OwnTemplate, StackView, Step } from '../../contract/index.ts';
import { FILLERS, fillTemplate, templatesFor } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { useTemplates } from '../api/boatQueries.ts';
import { useQueued, useWrite } from '../api/mutations.ts';
import { EachKey, NumberField } from '../forms/NumberField.tsx';
import { useConfirm } from '../parts/Confirm.tsx';
import { UndoNotice } from '../parts/UndoNotice.tsx';
import { useAnyUnsaved } from '../state/unsaved.ts';
import { counted } from '../words/counted.ts';
import { FAMILY_WORDS } from '../words/systems.ts';
import type { StackContext } from './stackContext.ts';
import { stepFromTemplate } from './stackForm.ts';

interface Offer {
  key: string;
  name: string;
  school: string | undefined;
  steps: Step[];
  missing: string[];
  own: OwnTemplate | null;
}

/** The templates that fit an area, the trade's and the yard's own, filled with the products at hand. */
export function offersFor(context: StackContext, own: readonly OwnTemplate[]): Offer[] {
  return [
    ...templatesFor(context.area).map((template): Offer => {
      const { steps, missing } = fillTemplate(template, context.products);
      return {
        key: template.id,
        name: template.name,
        school: template.school,
        steps: steps.map(stepFromTemplate),
        missing: missing.map((family) => FAMILY_WORDS[family]),
        own: null,
      };
    }),
    ...own.map(
      (template): Offer => ({
        key: template.id,
        name: template.name,
        school: undefined,
        steps: template.steps.map((step) => ({ ...step, id: uuidv7(), overrule: null })),
        missing: [],
        own: template,
      }),
    ),
  ];
}

/** Which products a template takes, and of how many of their family: none is picked in silence. */
export function sayProducts(steps: readonly Step[], products: StackContext['products']): string {
  const names = steps.flatMap(({ productId }) => {
    const product = products.find(({ id }) => id === productId);
    if (!product) return [];
    const alike = products.filter(({ sheet }) => sheet.family === product.sheet.family).length;
    return alike > 1 ? [t`${product.name} (one of ${alike} products of this type)`] : [product.name];
  });
  return [...new Set(names)].join(', ');
}

interface Props {
  context: StackContext;
  version: number;
  steps: readonly Step[];
  others: readonly { area: Area; clock: AreaClock | undefined }[];
  /** Called with the stack as the server answered it, once a template lies on the area. */
  onTaken: (stack: StackView) => void;
}

/** Begin from a template, keep this stack as one, or apply it to other areas as well. */
export function Templates({ context, version, steps, others, onTaken }: Props) {
  const own = useTemplates();
  const { mutate: write } = useWrite();
  const { mutate: change } = useQueued();
  const confirm = useConfirm();
  const [removed, setRemoved] = useState<OwnTemplate | null>(null);
  const offers = offersFor(context, own.data ?? []);
  const { area } = context;
  const typed = useAnyUnsaved();
  const [fillPercent, setFillPercent] = useState<number | null>(null);
  const isFiller = ({ productId }: Step) => {
    const product = context.products.find(({ id }) => id === productId);
    return product !== undefined && FILLERS.includes(product.sheet.family);
  };
  /** Whether a template fills lows that nobody has said the share of. */
  const asksShare = ({ steps: offered }: Offer) => offered.some((step) => isFiller(step) && !step.band);
  const onShare = (step: Step): Step =>
    isFiller(step) && !step.band && context.areaM2 > 0 && fillPercent !== null && fillPercent < 100
      ? { ...step, band: { name: t`lows to fill`, areaM2: (context.areaM2 * fillPercent) / 100 } }
      : step;
  const take = async (offer: Offer) => {
    const lost =
      steps.length > 0
        ? t`Replace the ${counted(steps.length, 'step')} of ${area.name}?`
        : typed && t`Discard unsaved changes to ${area.name} and use this template?`;
    if (lost && !(await confirm({ title: lost, action: t`Replace` }))) return;
    write(
      { method: 'PUT', path: `/areas/${area.id}/stack`, body: { version, steps: offer.steps.map(onShare) } },
      { onSuccess: (stack) => onTaken(stack as StackView) },
    );
  };
  return (
    <details className="board p-3" open={steps.length === 0}>
      <summary className="cursor-pointer font-semibold">
        {steps.length === 0 ? t`Start from a template` : t`Templates and copying`}
      </summary>
      <div className="space-y-4 pt-3">
        {offers.some(asksShare) && (
          <div className="max-w-48">
            {/* Each key counts: the button that waits for it is pressed straight from the field. */}
            <EachKey value={true}>
              <NumberField
                label={t`Share to be filled`}
                value={fillPercent}
                unit="%"
                hint={t`Of the area, by a long batten: only lows are filled.`}
                onChange={(value) => setFillPercent(Math.min(100, Math.max(1, value)))}
              />
            </EachKey>
          </div>
        )}
        <ul className="divide-base-300 divide-y">
          {offers.length === 0 && <li className="py-1">{t`No template for this substrate and exposure.`}</li>}
          {offers.map((offer) => (
            <li key={offer.key} className="flex flex-wrap items-baseline gap-x-4 gap-y-1 py-2">
              <span className="grow">
                <strong>{offer.name}</strong>
                {offer.own && t` (your own)`}
                {offer.school && <span className="block text-sm">{offer.school}</span>}
                {offer.missing.length > 0 && (
                  <span className="block text-sm">{t`Data sheet missing for: ${offer.missing.join(', ')}`}</span>
                )}
                {asksShare(offer) && fillPercent === null && (
                  <span className="block text-sm">{t`Enter how much is to be filled first.`}</span>
                )}
                {offer.steps.length > 0 && (
                  <span className="block text-sm">
                    {t`Products: ${sayProducts(offer.steps, context.products)}`}
                  </span>
                )}
              </span>
              <button
                type="button"
                className="btn btn-sm"
                disabled={offer.steps.length === 0 || (asksShare(offer) && fillPercent === null)}
                onClick={() => void take(offer)}
              >
                {t`Use template`}
                <span className="sr-only"> {offer.name}</span>
              </button>
              {offer.own && (
                <button
                  type="button"
                  className="btn btn-ghost btn-sm"
                  onClick={() => {
                    const { own: mine } = offer;
                    if (!mine) return;
                    change(
                      { method: 'DELETE', path: `/templates/${mine.id}`, what: t`template archive` },
                      { onSuccess: () => setRemoved(mine) },
                    );
                  }}
                >
                  {t`Archive`}
                  <span className="sr-only"> {offer.name}</span>
                </button>
              )}
            </li>
          ))}
        </ul>
        {removed && (
          <UndoNotice
            text={t`${removed.name} archived.`}
            onUndo={() =>
              change(
                { method: 'POST', path: `/templates/${removed.id}/restore`, what: t`template restore` },
                { onSuccess: () => setRemoved(null) },
              )
            }
            onGone={() => setRemoved(null)}
          />
        )}
        {steps.length > 0 && (
          <>
            {typed && (
              <p className="text-warning">{t`Save your changes below first; unsaved changes aren’t included.`}</p>
            )}
            <KeepAs
              onKeep={(name, onSuccess) =>
                change(
                  {
                    method: 'POST',
                    path: '/templates',
                    body: { id: uuidv7(), name, steps },
                    what: t`a template`,
                  },
                  { onSuccess },
                )
              }
            />
            <LayOnOthers
              others={others}
              onLay={(areaIds, onSuccess) =>
                write(
                  { method: 'POST', path: `/boats/${area.boatId}/stacks`, body: { areaIds, steps } },
                  { onSuccess },
                )
              }
            />
          </>
        )}
        <p className="text-sm">
          <Link
            className="link"
            to={`/boats/${area.boatId}/systems/${area.id}/compare`}
          >{t`Compare two systems`}</Link>
          {t`, or browse `}
          <Link className="link" to="/rules">{t`what goes over what`}</Link>.
        </p>
      </div>
    </details>
  );
}

function KeepAs({ onKeep }: { onKeep: (name: string, done: () => void) => void }) {
  const [name, setName] = useState('');
  return (
    <form
      className="flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        onKeep(name.trim(), () => setName(''));
      }}
    >
      <label className="min-w-48">
        <span className="label-caps block pb-1">{t`Template name`}</span>
        <input
          className="input w-full"
          value={name}
          maxLength={80}
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <button type="submit" className="btn" disabled={name.trim() === ''}>{t`Save as template`}</button>
    </form>
  );
}

function LayOnOthers({
  others,
  onLay,
}: {
  others: Props['others'];
  onLay: (areaIds: string[], done: () => void) => void;
}) {
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  // An area with paint on it keeps its own record; it is changed by itself.
  const free = others.filter(({ area, clock }) => !area.part?.sharesSystem && clock?.film == null);
  if (free.length === 0) return null;
  return (
    <fieldset className="space-y-2">
      <legend className="label-caps pb-1">{t`Copy this system to other areas (unpainted areas only)`}</legend>
      <div className="flex flex-wrap gap-x-5 gap-y-2">
        {free.map(({ area }) => (
          <label key={area.id} className="flex items-center gap-2">
            <input
              type="checkbox"
              className="checkbox"
              checked={chosen.has(area.id)}
              onChange={(event) => {
                const next = new Set(chosen);
                if (event.target.checked) next.add(area.id);
                else next.delete(area.id);
                setChosen(next);
              }}
            />
            {area.name}
          </label>
        ))}
      </div>
      <button
        type="button"
        className="btn btn-sm"
        disabled={chosen.size === 0}
        onClick={() => onLay([...chosen], () => setChosen(new Set()))}
      >
        {chosen.size > 0 ? t`Copy to ${counted(chosen.size, 'area')}` : t`Copy system`}
      </button>
    </fieldset>
  );
}
