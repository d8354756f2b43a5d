import { Plus, Trash2 } from 'lucide-react';
import { v7 as uuidv7 } from 'uuid';
import type { Waterline } from '../../contract/index.ts';
import type { MarkKind, ReferenceMark, StruckLine } from '../../core/waterline/index.ts';
import { t } from '../../words.ts';
import { Scroller } from '../parts/Scroller.tsx';
import { StackedTable } from '../parts/StackedTable.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { CellInput } from './CellInput.tsx';
import { heightUnit, sayHeight } from './heights.ts';

const KIND_WORDS: Record<MarkKind, string> = {
  line: 'waterline',
  sheer: 'sheer',
  'old-line': t`old waterline`,
  fitting: 'fitting',
};

const ABOVE_HINT: Record<MarkKind, string> = {
  line: t`0 (the mark is on the line)`,
  sheer: t`Distance from the sheer down to the line`,
  'old-line': t`Height of the old line above the new one`,
  fitting: t`Height of the fitting above the line, from drawings or photos`,
};

interface Props {
  plan: Waterline;
  struck: StruckLine | null;
  onChange: (marks: ReferenceMark[]) => void;
}

/** Reference marks, each with how far it lies off the plane they make together. */
export function MarkTable({ plan, struck, onChange }: Props) {
  const { system, symbol } = useUnits();
  const unit = heightUnit(system);
  const metre = system === 'us' ? 0.3048 : 1;
  const { marks } = plan;
  const set = (i: number, some: Partial<ReferenceMark>) =>
    onChange(marks.map((mark, k) => (k === i ? { ...mark, ...some } : mark)));
  const outliers = struck?.fit.outliers;
  const named = outliers && 'indices' in outliers ? outliers.indices : [];
  const add = () => {
    const last = marks.at(-1);
    onChange([
      ...marks,
      {
        id: uuidv7(),
        name: '',
        kind: 'line',
        side: last?.side ?? 'port',
        xM: 0,
        yM: null,
        readingMm: 0,
        aboveLineMm: 0,
      },
    ]);
  };
  return (
    <div className="space-y-2">
      {marks.length > 0 && (
        <Scroller label={t`Reference marks`}>
          <StackedTable className="table-xs table">
            <thead>
              <tr>
                <th scope="col">{t`No.`}</th>
                <th scope="col">{t`Mark type`}</th>
                <th scope="col">{t`Side`}</th>
                <th scope="col">{t`From aft, ${symbol('length')}`}</th>
                <th scope="col">{t`Height above datum, ${unit.symbol}`}</th>
                <th scope="col">{t`Height above line, ${unit.symbol}`}</th>
                <th scope="col" className="text-right">
                  {t`Residual, ${unit.symbol}`}
                </th>
                <th scope="col">
                  <span className="sr-only">{t`Remove`}</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {marks.map((mark, i) => {
                const off = struck?.fit.residualsMm[i];
                const lies = named.includes(i);
                return (
                  <tr key={mark.id} className={lies ? 'bg-base-200' : ''}>
                    <th scope="row">{i + 1}</th>
                    <td>
                      <select
                        className="select select-sm w-28"
                        aria-label={t`Type of mark ${i + 1}`}
                        value={mark.kind}
                        onChange={(event) => {
                          const kind = event.target.value as MarkKind;
                          set(i, { kind, ...(kind === 'line' && { aboveLineMm: 0 }) });
                        }}
                      >
                        {Object.entries(KIND_WORDS).map(([kind, word]) => (
                          <option key={kind} value={kind}>
                            {word}
                          </option>
                        ))}
                      </select>
                      <input
                        className="input input-sm mt-1 w-28"
                        aria-label={t`Name of mark ${i + 1}`}
                        placeholder={t`Name`}
                        value={mark.name}
                        maxLength={80}
                        onChange={(event) => set(i, { name: event.target.value })}
                      />
                    </td>
                    <td>
                      <select
                        className="select select-sm w-16"
                        aria-label={t`Side of mark ${i + 1}`}
                        value={mark.side}
                        onChange={(event) => set(i, { side: event.target.value as ReferenceMark['side'] })}
                      >
                        <option value="port">P</option>
                        <option value="starboard">S</option>
                      </select>
                    </td>
                    <td>
                      <CellInput
                        label={t`Mark ${i + 1}: distance from aft`}
                        className="w-16"
                        value={mark.xM / metre}
                        onChange={(value) => set(i, { xM: (value ?? 0) * metre })}
                      />
                    </td>
                    <td>
                      <CellInput
                        label={t`Mark ${i + 1}: height above the datum`}
                        className="w-16"
                        value={mark.readingMm / unit.mm}
                        onChange={(value) => set(i, { readingMm: (value ?? 0) * unit.mm })}
                      />
                      <span
                        className="mt-1 flex items-center gap-1"
                        title={t`Leave empty to use the reading error of all marks`}
                      >
                        ±
                        <CellInput
                          empty
                          label={t`Mark ${i + 1}: reading error ±, empty as for all marks`}
                          className="w-14"
                          value={mark.errorMm == null ? null : mark.errorMm / unit.mm}
                          onChange={(value) => set(i, { errorMm: value === null ? null : value * unit.mm })}
                        />
                      </span>
                    </td>
                    <td title={ABOVE_HINT[mark.kind]}>
                      <CellInput
                        label={t`Mark ${i + 1}: height above the line`}
                        className="w-16"
                        value={mark.aboveLineMm / unit.mm}
                        onChange={(value) => set(i, { aboveLineMm: (value ?? 0) * unit.mm })}
                      />
                    </td>
                    <td className="text-right whitespace-nowrap">
                      {off === undefined ? '–' : sayHeight(off, unit)}
                      {lies && (
                        <strong className="block">
                          {outliers?.verdict === 'named' ? 'outlier' : t`may be off`}
                        </strong>
                      )}
                    </td>
                    <td>
                      <button
                        type="button"
                        className="btn btn-ghost btn-sm"
                        aria-label={t`Remove mark ${i + 1}`}
                        onClick={() => onChange(marks.filter((_, k) => k !== i))}
                      >
                        <Trash2 size={16} aria-hidden="true" />
                      </button>
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </StackedTable>
        </Scroller>
      )}
      <button type="button" className="btn btn-sm" onClick={add}>
        <Plus size={16} aria-hidden="true" />
        {t` Add mark`}
      </button>
    </div>
  );
}
