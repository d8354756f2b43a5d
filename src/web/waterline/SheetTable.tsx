import type { SheetRow } from '../../core/waterline/index.ts';
import { t } from '../../words.ts';
import { Scroller } from '../parts/Scroller.tsx';
import { StackedTable } from '../parts/StackedTable.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { heightUnit, sayHeight } from './heights.ts';

/** The mark sheet: both sides, station by station. */
export function SheetTable({ rows }: { rows: readonly SheetRow[] }) {
  const { system, symbol } = useUnits();
  const unit = heightUnit(system);
  const metre = system === 'us' ? 0.3048 : 1;
  const stations = [...new Set(rows.map((row) => row.xM))];
  const at = (xM: number, side: SheetRow['side']) => rows.find((row) => row.xM === xM && row.side === side);
  const twin = rows.some(({ innerAboveDatumMm }) => innerAboveDatumMm !== null);
  const cells = (row: SheetRow | undefined, key: string) =>
    [
      row?.aboveDatumMm,
      ...(twin ? [row?.innerAboveDatumMm ?? undefined] : []),
      row?.belowSheerMm,
      row?.belowSheerSkinMm,
      row?.raiseSkinMm,
    ].map((mm, i) => (
      // biome-ignore lint/suspicious/noArrayIndexKey: a column is its place
      <td key={`${key}${i}`} className={`text-right ${i === 0 ? 'font-semibold' : ''}`}>
        {mm === undefined ? '' : sayHeight(mm, unit)}
      </td>
    ));
  const heads = [
    t`above datum`,
    ...(twin ? [t`above datum, inner face`] : []),
    t`Below sheer (vertical)`,
    t`Below sheer (along skin)`,
    t`raise on skin`,
  ];
  return (
    <Scroller label={t`Mark sheet`}>
      <StackedTable
        className="table-xs table"
        heads={[
          t`From aft`,
          ...heads.map((head) => `port, ${head}`),
          ...heads.map((head) => `starboard, ${head}`),
          'flare',
        ]}
      >
        <caption className="pb-1 text-left text-sm">{t`All in ${unit.symbol}. Vertical: straight down from the sheer. Along skin: measured down along the hull surface. Raise: up along the surface from the marked line.`}</caption>
        <thead>
          <tr>
            <th scope="col" rowSpan={2}>
              {t`From aft, ${symbol('length')}`}
            </th>
            <th scope="colgroup" colSpan={heads.length} className="text-center">{t`Port`}</th>
            <th scope="colgroup" colSpan={heads.length} className="text-center">{t`Starboard`}</th>
            <th scope="col" rowSpan={2} className="text-right">{t`Flare`}</th>
          </tr>
          <tr>
            {[...heads, ...heads].map((head, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: a column is its place
              <th key={i} scope="col" className="text-right">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {stations.map((xM) => {
            const [port, starboard] = [at(xM, 'port'), at(xM, 'starboard')];
            return (
              <tr key={xM}>
                <th scope="row">{(xM / metre).toFixed(2)}</th>
                {cells(port, 'p')}
                {cells(starboard, 's')}
                <td className="text-right">{Math.round((port ?? starboard)?.flareDeg ?? 0)}°</td>
              </tr>
            );
          })}
        </tbody>
      </StackedTable>
    </Scroller>
  );
}
