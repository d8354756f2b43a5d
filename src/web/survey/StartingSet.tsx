import { useId, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { AreaInput, Boat } from '../../contract/index.ts';
import { type Hull, startingAreas } from '../../core/hull/index.ts';
import type { Substrate } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { useWrite } from '../api/mutations.ts';
import { Scroller } from '../parts/Scroller.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { counted } from '../words/counted.ts';
import { choices, KIND_WORDS, SURROUNDING_WORDS } from '../words/survey.ts';
import { SUBSTRATE_WORDS } from '../words/systems.ts';
import { USUAL_SERVICE } from './areaForm.ts';

type Around = Exclude<AreaInput['surroundings']['kind'], 'heated'>;

/** A full list of areas from the main dimensions, by rules of thumb: ticked, made at once, edited afterwards. */
export function StartingSet({ boat, onMade }: { boat: Hull<Boat>; onMade: () => void }) {
  const { show } = useUnits();
  const ids = { substrate: useId(), around: useId() };
  const list = startingAreas({ kind: boat.kind, dimensions: boat.dimensions });
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [substrate, setSubstrate] = useState<Substrate>('grp');
  const [around, setAround] = useState<Around>('open');
  const { mutate: write, isPending: busy } = useWrite();
  const wanted = list.filter((area) => !left.has(area.name));

  const make = () => {
    const areas: AreaInput[] = wanted.map((area) => ({
      id: uuidv7(),
      boatId: boat.id,
      name: area.name,
      zone: area.zone,
      side: area.side,
      substrate,
      service: area.name === 'Inside' ? 'interior' : USUAL_SERVICE[area.zone],
      surroundings: { kind: around },
      oldCoating: null,
      highWear: false,
      part: null,
      measures: [],
      spread: 0.05,
      estimates: [
        { way: 'rule', areaM2: Number(area.areaM2.toFixed(2)), spread: area.spread, basis: area.basis },
      ],
      chosenWay: null,
      note: '',
    }));
    write({ method: 'POST', path: `/boats/${boat.id}/areas`, body: { areas } }, { onSuccess: onMade });
  };

  return (
    <section aria-labelledby="starting" className="board space-y-4 p-4">
      <h2 id="starting" className="batten pb-1 text-lg">{t`Suggested areas`}</h2>
      <p className="max-w-prose">{t`Usual areas for this boat type (${KIND_WORDS[boat.kind]}), sized by rule of thumb. Untick any that don’t apply. Measure an area before you buy paint for it.`}</p>
      <div className="grid gap-3 sm:grid-cols-2">
        <div>
          <label htmlFor={ids.substrate} className="label-caps block pb-1">{t`Substrate`}</label>
          <select
            id={ids.substrate}
            className="select w-full"
            value={substrate}
            onChange={(event) => setSubstrate(event.target.value as Substrate)}
          >
            {choices(SUBSTRATE_WORDS).map(([value, word]) => (
              <option key={value} value={value}>
                {word}
              </option>
            ))}
          </select>
        </div>
        <div>
          <label htmlFor={ids.around} className="label-caps block pb-1">{t`Shelter`}</label>
          <select
            id={ids.around}
            className="select w-full"
            value={around}
            onChange={(event) => setAround(event.target.value as Around)}
          >
            {choices(SURROUNDING_WORDS)
              .filter(([value]) => value !== 'heated')
              .map(([value, word]) => (
                <option key={value} value={value}>
                  {word}
                </option>
              ))}
          </select>
        </div>
      </div>
      <Scroller label={t`Suggested areas`}>
        <table className="table-sm table">
          <thead>
            <tr>
              <th scope="col">{t`Area`}</th>
              <th scope="col" className="text-right">{t`Estimated size`}</th>
              <th scope="col">{t`Based on`}</th>
            </tr>
          </thead>
          <tbody>
            {list.map((area) => (
              <tr key={area.name}>
                <th scope="row">
                  <label className="flex cursor-pointer items-center gap-3">
                    <input
                      type="checkbox"
                      className="checkbox"
                      checked={!left.has(area.name)}
                      onChange={(event) => {
                        const next = new Set(left);
                        if (event.target.checked) next.delete(area.name);
                        else next.add(area.name);
                        setLeft(next);
                      }}
                    />
                    {area.name}
                  </label>
                </th>
                <td className="text-right whitespace-nowrap">
                  {show(area.areaM2, 'area')} ± {Math.round(area.spread * 100)} %
                </td>
                <td>{area.basis}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scroller>
      <button
        type="button"
        className="btn btn-primary"
        disabled={busy || wanted.length === 0}
        onClick={() => make()}
      >
        {busy ? t`Creating…` : t`Create ${counted(wanted.length, 'area')}`}
      </button>
    </section>
  );
}
