import type { ReactNode } from 'react';
import type { Boat } from '../../contract/index.ts';
import { type BoatKind, type Hull, hasHull } from '../../core/hull/index.ts';
import { t } from '../../words.ts';
import { api } from '../api/client.ts';
import { FormReader, refusals } from '../forms/canonical.ts';
import { QuantityField, SelectField } from '../forms/Field.tsx';
import { RecordForm } from '../forms/RecordForm.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { choices, KIND_WORDS } from '../words/survey.ts';
import {
  DIMENSION_WORDS,
  type DimensionValues,
  dimensionsToValues,
  valuesToDimensions,
} from './dimensions.ts';

export type HullNeed = 'waterline' | 'usual-areas' | 'drawing';
const WITHOUT_HULL: Record<HullNeed, string> = {
  waterline: t`it has no waterline`,
  'usual-areas': t`there are no usual areas to add`,
  drawing: t`there is no drawing`,
};
const WITH_HULL: Record<HullNeed, string> = {
  waterline: t`set out the waterline`,
  'usual-areas': t`add the usual areas`,
  drawing: t`draw the hull`,
};
interface Props {
  boat: Boat;
  /** What the hull is needed for. */ need: HullNeed;
  children: (hull: Hull<Boat>) => ReactNode;
}

/** What can only be done on a hull of known dimensions: they are asked for here, where they are needed. */
export function HullOnly({ boat, need, children }: Props) {
  if (hasHull(boat)) return children(boat);
  if (boat.kind === 'parts') {
    return (
      <p className="board max-w-prose p-4">
        {t`${boat.name} is a set of parts without a hull, so ${WITHOUT_HULL[need]}. Measure its areas by hand.`}
      </p>
    );
  }
  return <AskDimensions boat={{ ...boat, kind: boat.kind }} need={need} />;
}

interface Values {
  kind: BoatKind;
  dimensions: DimensionValues;
}

function AskDimensions({ boat, need }: { boat: Boat & { kind: BoatKind }; need: HullNeed }) {
  const { system } = useUnits();
  const submit = async (values: Values, over: { version?: number }) => {
    const read = new FormReader(system);
    const dimensions = valuesToDimensions(values.dimensions, read);
    if (!dimensions) read.refuse('dimensions.loaM', t`Enter the length overall`);
    const { archived: _, ...input } = boat;
    const body = { ...input, version: over.version ?? boat.version, kind: values.kind, dimensions };
    const errors = await refusals((c) => c.boatUpdate, body, read);
    if (errors.length) return errors;
    await api<Boat>('PUT', `/boats/${boat.id}`, body);
    return undefined;
  };
  return (
    <section aria-label={t`Main dimensions`} className="board space-y-3 p-4">
      <p>{t`Enter the main dimensions to ${WITH_HULL[need]}. Areas measured by hand don’t need them.`}</p>
      <RecordForm<Values>
        values={{ kind: boat.kind, dimensions: dimensionsToValues(null, system) }}
        submit={submit}
        base={boat}
        button={t`Save dimensions`}
      >
        <SelectField
          name="kind"
          label={t`Boat type`}
          choices={choices(KIND_WORDS).filter(([kind]) => kind !== 'parts')}
        />
        <div className="grid grid-cols-2 gap-4 sm:grid-cols-3">
          {choices(DIMENSION_WORDS).map(([key, word]) => (
            <QuantityField key={key} name={`dimensions.${key}`} label={word} quantity="length" />
          ))}
        </div>
      </RecordForm>
    </section>
  );
}
