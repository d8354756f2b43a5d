import type { FormSource, FormView } from '../../contract/index.ts';
import { disagreements, type Zone } from '../../core/hull/index.ts';
import { t } from '../../words.ts';
import { Scroller } from '../parts/Scroller.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import type { SourceFigures } from './formFigures.ts';

export const SOURCE_WORDS: Record<FormSource, string> = {
  dimensions: t`Main dimensions`,
  offsets: t`Table of offsets`,
  mesh: t`Surface mesh`,
};

/** Parts compared; the bottom with what hangs under it, since not every source tells them apart. */
const ROWS: readonly (readonly [string, readonly Zone[]])[] = [
  [t`Bottom, keel and rudder`, ['bottom', 'keel', 'rudder']],
  [t`Boot stripe`, ['boot-stripe']],
  [t`Topsides and transom`, ['topsides', 'transom']],
];

const sum = (figures: SourceFigures, zones: readonly Zone[]): number | null => {
  const found = zones.flatMap((zone) => figures.areas[zone] ?? []);
  return found.length ? found.reduce((total, each) => total + each.portM2 + each.starboardM2, 0) : null;
};

/** The figures of each source of the hull form, side by side, and the source used for drawings and waterline. */
export function SourceTable({
  view,
  figures,
  onUse,
}: {
  view: FormView;
  figures: readonly SourceFigures[];
  onUse: (use: FormSource) => void;
}) {
  const { show } = useUnits();
  const floats = (pick: (figures: NonNullable<SourceFigures['floats']>) => string) =>
    figures.map((each) => (each.floats ? pick(each.floats) : '–'));
  const apart = ROWS.flatMap(([word, zones]) => {
    const known = figures.flatMap((each) => {
      const areaM2 = sum(each, zones);
      const way = { dimensions: 'rule', offsets: 'offsets', mesh: 'mesh' }[each.source] as
        | 'rule'
        | 'offsets'
        | 'mesh';
      return areaM2 === null ? [] : [{ way, areaM2, spread: each.spread }];
    });
    return disagreements(known).map(({ ways, gapM2 }) => ({ word, ways, gapM2 }));
  });
  const words = { rule: 'dimensions', offsets: 'offsets', mesh: 'mesh' } as Record<string, string>;
  const rows: [string, string[]][] = [
    ...ROWS.map(([word, zones]): [string, string[]] => [
      word,
      figures.map((each) => {
        const m2 = sum(each, zones);
        return m2 === null ? '–' : `${show(m2, 'area')} ± ${Math.round(each.spread * 100)} %`;
      }),
    ]),
    [t`Displacement`, floats((f) => show(f.displacementKg, 'mass', { digits: 0 }))],
    [t`Wetted surface`, floats((f) => show(f.wettedM2, 'area'))],
    [
      t`Wetted surface by Mumford’s formula (check)`,
      figures.map((each) => (each.mumfordM2 === null ? '–' : show(each.mumfordM2, 'area'))),
    ],
    [t`Waterplane`, floats((f) => show(f.waterplaneM2, 'area'))],
    [t`Weight to sink 1 cm`, floats((f) => show(f.kgPerCm, 'mass', { digits: 0 }))],
    [t`Block coefficient`, floats((f) => f.cb.toFixed(3))],
    [t`Waterplane coefficient`, floats((f) => f.cwp.toFixed(3))],
  ];
  return (
    <div className="space-y-3">
      <Scroller label={t`Hull form by source`}>
        <table className="table-sm table max-w-4xl">
          <thead>
            <tr>
              <th scope="col">{t`By`}</th>
              {figures.map((each) => (
                <th key={each.source} scope="col" className="text-right">
                  {SOURCE_WORDS[each.source]}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            <tr>
              <th scope="row">{t`Used for drawing and waterline`}</th>
              {figures.map((each) => (
                <td key={each.source} className="text-right">
                  <input
                    type="radio"
                    className="radio"
                    name="form-use"
                    aria-label={t`Use ${SOURCE_WORDS[each.source].toLowerCase()}`}
                    checked={view.source === each.source}
                    onChange={() => onUse(each.source)}
                  />
                </td>
              ))}
            </tr>
            {rows.map(([word, cells]) => (
              <tr key={word}>
                <th scope="row" className="font-normal">
                  {word}
                </th>
                {cells.map((cell, i) => (
                  <td key={figures[i]?.source} className="text-right whitespace-nowrap">
                    {cell}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </Scroller>
      {apart.map(({ word, ways: [a, b], gapM2 }) => (
        <p key={`${word}${a}${b}`} className="text-warning font-semibold">
          {word}: {words[a]}
          {t` and `}
          {words[b]}
          {t` differ by ${show(gapM2, 'area')} more than their uncertainties allow.`}
        </p>
      ))}
    </div>
  );
}
