import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { Area, BenchView, LotView, MovementInput } from '../../contract/index.ts';
import { shares } from '../../core/mix/index.ts';
import { t } from '../../words.ts';
import { useBench } from '../api/benchQueries.ts';
import { useBoat } from '../api/boatQueries.ts';
import { useWrite } from '../api/mutations.ts';
import { useBoard, useProducts } from '../api/queries.ts';
import { AmountStepper } from '../forms/AmountStepper.tsx';
import { Choice } from '../forms/Choice.tsx';
import { useBoatInHand } from '../state/boatInHand.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { sayAmount } from '../words/supply.ts';

/** Keeps paint back for a later patch: every part in the ratio, in closed cups, unmixed. */
export function KeepBack({
  lot,
  lots,
  onDone,
}: {
  lot: LotView;
  lots: readonly LotView[];
  onDone: () => void;
}) {
  const board = useBoard();
  const products = useProducts();
  const [boatId, setBoatId] = useState('');
  const [chosenId, setAreaId] = useState('');
  const [own, setOwn] = useState<number | null>(null);
  const { show } = useUnits();
  const write = useWrite({ atForm: true });
  const sheet = products.data?.find(({ id }) => id === lot.productId)?.sheet;
  const inHand = useBoatInHand(board.data?.boats);
  const known = board.data?.boats.find(({ id }) => id === inHand) ?? board.data?.boats[0];
  const boat = boatId || known?.id || '';
  const areas = useBoat(boat).data?.areas ?? [];
  // Keep-backs are for patches: the first that still waits under its support.
  const areaId = chosenId || areas.find(({ part }) => part?.standId)?.id || '';
  const patch = useBench(areaId);
  const i = sheet?.parts.findIndex(({ name }) => name === lot.part) ?? -1;
  if (!sheet || i < 0) return null;
  // In the measure of the tins: by weight where they are kept in kg.
  const as = lot.unit === 'kg' ? 'weight' : 'volume';
  const isConvertible =
    sheet.ratioBy === as || sheet.parts.every(({ densityKgPerL }) => densityKgPerL !== null);
  const share = isConvertible ? shares({ parts: sheet.parts, by: sheet.ratioBy, as }) : null;
  // What the patch still takes of it, until somebody says otherwise.
  // While another patch is being read, what is known is still of the one before.
  const need = patch.data?.area.id === areaId ? leftFor(patch.data, lot.productId) : null;
  const amount = own ?? (need !== null && share && lot.unit === 'l' ? need * (share[i] as number) : 0.1);
  const wanted = sheet.parts.map(({ name }, k) => ({
    part: name,
    amount: share ? (amount * (share[k] as number)) / (share[i] as number) : 0,
    lot:
      k === i
        ? lot
        : [...lots]
            .sort((a, b) => b.stock.inTin - a.stock.inTin)
            .find(
              (each) =>
                each.productId === lot.productId &&
                each.part === name &&
                each.unit === lot.unit &&
                each.usable &&
                each.stock.inTin > 0,
            ),
  }));
  const missing = wanted.find((each) => !each.lot || each.lot.stock.inTin + 1e-9 < each.amount);
  const keep = () =>
    write.mutate(
      {
        method: 'POST',
        path: '/movements/together',
        body: {
          id: uuidv7(),
          movements: wanted.map(
            ({ lot: from, amount: part }): MovementInput => ({
              id: uuidv7(),
              lotId: from?.id ?? '',
              kind: 'kept-back',
              amount: Number(part.toFixed(6)),
              at: new Date().toISOString(),
              areaId,
              note: '',
              corrects: null,
            }),
          ),
        },
      },
      { onSuccess: onDone },
    );
  return (
    <div className="space-y-3">
      <h3 className="font-semibold">{t`Keep back paint for a patch (unmixed)`}</h3>
      <div className="grid gap-3 sm:grid-cols-3">
        <Choice
          label={t`Boat`}
          value={boat}
          choices={(board.data?.boats ?? []).map((each) => [each.id, each.name] as const)}
          onChange={(value) => {
            setBoatId(value);
            setAreaId('');
          }}
        />
        <AreaChoice areas={areas} value={areaId} onChange={setAreaId} />
        <AmountStepper
          label={t`Amount of ${lot.part}`}
          unit={lot.unit}
          value={amount}
          min={0.001}
          onChange={setOwn}
        />
      </div>
      {share ? (
        <p>
          {t`${wanted
            .map(({ part, amount: each }) => `${sayAmount(show, each, lot.unit)} of ${part}`)
            .join(' and ')} in separate closed cups with labels. Don’t mix them.`}
        </p>
      ) : (
        <p className="text-error font-semibold">{t`The data sheet gives no densities, so the ratio can’t be converted. Measure as the data sheet does.`}</p>
      )}
      {need !== null && own === null && (
        <p className="text-sm">
          {t`${show(need, 'volume')} mixed paint is needed for the remaining coats on this area.`}
        </p>
      )}
      {missing && share && (
        <p className="text-error font-semibold">{t`No usable tin holds enough ${missing.part}.`}</p>
      )}
      {write.error && (
        <p role="alert" className="text-error font-semibold">
          {write.error.message}
        </p>
      )}
      <button
        type="button"
        className="btn target"
        disabled={areaId === '' || missing !== undefined || !share || write.isPending}
        onClick={keep}
      >{t`Keep back paint`}</button>
    </div>
  );
}

/** Mixed litres that the coats of a product still to go on an area take; null: it is not what comes next there. */
function leftFor(view: BenchView | undefined, productId: string): number | null {
  const next = view?.clock.next;
  if (!view || !next || next.productId !== productId || view.litresForCoat === null) return null;
  const begun = next.areaM2 > 0 ? next.coveredM2 / next.areaM2 : 0;
  return view.litresForCoat * (next.coats - next.coatNo - begun);
}

/** The patches of a boat first, since keep-backs are for them. */
function AreaChoice(of: { areas: readonly Area[]; value: string; onChange: (value: string) => void }) {
  const areas = [...of.areas].sort((a, b) => Number(b.part !== null) - Number(a.part !== null));
  return (
    <Choice
      label={t`For`}
      value={of.value}
      choices={[['', t`choose the patch`] as const, ...areas.map((area) => [area.id, area.name] as const)]}
      onChange={of.onChange}
    />
  );
}
