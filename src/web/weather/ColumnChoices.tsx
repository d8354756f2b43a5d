import Papa from 'papaparse';
import { useMemo } from 'react';
import type { ColumnMapping, WeatherColumn } from '../../contract/index.ts';
import { WEATHER_COLUMNS } from '../../contract/weatherColumns.ts';
import { t } from '../../words.ts';

const WORDS: Record<WeatherColumn, string> = {
  time: t`Time`,
  air: t`Air temperature`,
  rh: 'Humidity (RH)',
  wind: t`Wind`,
  rain: t`Rain`,
  surface: t`Surface temperature`,
  cloud: t`Cloud cover`,
};
const BY_HEADER = t`From the header`;
const NOT_TOLD = t`Not in the file`;

interface Props {
  csv: string;
  mapping: ColumnMapping;
  onChange: (mapping: ColumnMapping) => void;
}

/** Which column of a file is what, for headers that say it in words of their own. */
export function ColumnChoices({ csv, mapping, onChange }: Props) {
  const header = useMemo(
    () => Papa.parse<string[]>(csv.slice(0, 20_000), { preview: 1 }).data[0] ?? [],
    [csv],
  );
  const choose = (column: WeatherColumn, value: string) => {
    const { [column]: _was, ...rest } = mapping;
    if (value === BY_HEADER) onChange(rest);
    else if (value === NOT_TOLD) onChange({ ...rest, [column]: null });
    else onChange({ ...rest, [column]: { index: Number(value), unit: WEATHER_COLUMNS[column][0] } });
  };
  const chosenFor = (column: WeatherColumn) => {
    const choice = mapping[column];
    return choice === undefined ? BY_HEADER : choice === null ? NOT_TOLD : String(choice.index);
  };
  return (
    <fieldset className="grid gap-3 sm:grid-cols-2">
      <legend className="sr-only">{t`File columns`}</legend>
      {(Object.keys(WORDS) as WeatherColumn[]).map((column) => {
        const choice = mapping[column];
        return (
          <div key={column} className="flex items-end gap-2">
            <label className="min-w-0 grow">
              <span className="label-caps block pb-1">{WORDS[column]}</span>
              <select
                className="select w-full"
                value={chosenFor(column)}
                onChange={(event) => choose(column, event.target.value)}
              >
                <option>{BY_HEADER}</option>
                {column !== 'time' && column !== 'air' && column !== 'rh' && <option>{NOT_TOLD}</option>}
                {header.map((name, index) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: two columns may have one header
                  <option key={index} value={index}>
                    {index + 1}: {name.trim() || t`no header`}
                  </option>
                ))}
              </select>
            </label>
            {choice && WEATHER_COLUMNS[column].length > 1 && (
              <label>
                <span className="label-caps block pb-1">{t`Unit`}</span>
                <select
                  className="select w-28"
                  value={choice.unit}
                  onChange={(event) =>
                    onChange({ ...mapping, [column]: { ...choice, unit: event.target.value } })
                  }
                >
                  {WEATHER_COLUMNS[column].map((unit) => (
                    <option key={unit}>{unit}</option>
                  ))}
                </select>
              </label>
            )}
          </div>
        );
      })}
    </fieldset>
  );
}
