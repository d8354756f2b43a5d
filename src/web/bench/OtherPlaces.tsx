import { useState } from 'react';
import type { CoatOutlook, HeatView, OtherPlaceView } from '../../contract/index.ts';
import { SHELL_DEFAULTS, SHELLS, type ShellKind } from '../../core/air/index.ts';
import { type CurrencyCode, toMinor } from '../../core/supply/index.ts';
import { figure } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import type { InsideAsked } from '../api/benchQueries.ts';
import { saySpan, sayTime } from '../clock/say.ts';
import { NumberField } from '../forms/NumberField.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { sayMoney } from '../words/supply.ts';

interface Props {
  outlook: CoatOutlook;
  /** Of the yard’s prices. */
  currency: CurrencyCode;
  inside: InsideAsked;
  onInside: (inside: InsideAsked) => void;
  now: number;
  zone: string;
}

/** What a kilowatt hour costs, in the yard's money, remembered on this device; 0: nobody said. */
const KEY = 'jack-plane.kilowatt-hour';
const MOST_PRICE = 1000;

function keptPrice(): number {
  const kept = Number(localStorage.getItem(KEY) ?? Number.NaN);
  return Number.isFinite(kept) && kept >= 0 && kept <= MOST_PRICE ? kept : 0;
}

const SHELL_WORDS: Record<ShellKind, string> = {
  tent: t`Tent, one film`,
  'tent-two-films': t`Tent, two films`,
  'shed-metal': t`Shed, sheet metal`,
  'shed-boards': t`Shed, boards`,
  'shed-insulated': t`Shed, insulated`,
  'hull-metal': t`Inside a metal hull`,
  'hull-grp': t`Inside a GRP hull, single skin`,
  'hull-sandwich': t`Inside a GRP sandwich hull`,
  'hull-timber': t`Inside a timber hull`,
};

const whole = (value: number, least: number, most: number) =>
  Math.round(Math.min(most, Math.max(least, value)));

/** What a cover or a heater would change, before it is decided: when the coat could start, and what the heat would cost. */
export function OtherPlaces({ outlook, currency, inside, onInside, now, zone }: Props) {
  const { show } = useUnits();
  const [price, setPrice] = useState(keptPrice);
  if (outlook.otherPlaces.length === 0) return null;
  const heat = outlook.otherPlaces.find((each) => each.heat !== null)?.heat ?? null;
  return (
    <details className="border-base-300 border-y py-2">
      <summary className="target cursor-pointer py-2">{t`Compare with a tent or heater`}</summary>
      <div className="space-y-3 pt-2">
        <ul className="list-disc space-y-1 pl-5">
          {outlook.otherPlaces.map((each) => (
            <li key={each.surroundings.kind}>
              <strong>{each.surroundings.kind === 'heated' ? sayHeated(each, show) : t`Under a tent`}</strong>
              : {sayOtherPlace(each, now, zone)}
            </li>
          ))}
        </ul>
        {heat && <Heat {...{ heat, price, currency, now, zone }} setC={inside.heatC} />}
        <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
          <NumberField
            label={t`Target temperature`}
            quantity="temperature"
            value={inside.heatC}
            onChange={(tempC) => onInside({ ...inside, heatC: whole(tempC, 5, 45) })}
          />
          <NumberField
            label={t`Heater power`}
            unit="W"
            value={inside.watts}
            onChange={(watts) => onInside({ ...inside, watts: whole(watts, 1, 999_999) })}
          />
          <NumberField
            label={t`Volume of the space`}
            unit="m³"
            value={inside.roomM3}
            onChange={(m3) => onInside({ ...inside, roomM3: whole(m3, 1, 99_999) })}
          />
          {heat && (
            <>
              <label className="block">
                <span className="label-caps block pb-1">{t`Enclosed by`}</span>
                <select
                  className="select w-full"
                  value={heat.shell}
                  onChange={({ target }) => {
                    const shell = SHELLS.find((each) => each === target.value);
                    // Another enclosure has other air changes: the usual ones of its kind.
                    if (shell) onInside({ ...inside, shell, changesTenths: null });
                  }}
                >
                  {SHELLS.map((shell) => (
                    <option key={shell} value={shell}>
                      {SHELL_WORDS[shell]}
                    </option>
                  ))}
                </select>
              </label>
              <NumberField
                label={t`Surface to the outside`}
                quantity="area"
                value={Math.round(heat.areaM2)}
                onChange={(m2) => onInside({ ...inside, outsideM2: whole(m2, 1, 99_999) })}
              />
              <NumberField
                label={t`Air changes`}
                unit={t`per hour`}
                value={heat.airChangesPerH}
                onChange={(changes) => onInside({ ...inside, changesTenths: whole(changes * 10, 0, 999) })}
              />
            </>
          )}
          <NumberField
            label={t`Water evaporating inside`}
            unit="l/h"
            value={inside.wetDl / 10}
            onChange={(litres) => onInside({ ...inside, wetDl: whole(litres * 10, 0, 999) })}
          />
          <NumberField
            label={t`Price`}
            unit={t`${currency} per kWh`}
            value={price}
            onChange={(typed) => {
              const kept = Math.min(MOST_PRICE, Math.max(0, typed));
              localStorage.setItem(KEY, String(kept));
              setPrice(kept);
            }}
          />
        </div>
        <p className="text-sm">{t`The surface has to be warm, not only the air: measure it. Heating keeps the moisture in the air, so ventilate. A hull that was washed or wet-blasted inside gives off about 0.2 l an hour for each wet square metre (from memory). Use flued or electric heat, never a flame or a glowing wire near solvent.`}</p>
      </div>
    </details>
  );
}

/** Heat needed against heat given, and the cost until the next coat. */
function Heat({
  heat,
  price,
  currency,
  setC,
  now,
  zone,
}: {
  heat: HeatView;
  price: number;
  currency: CurrencyCode;
  setC: number;
  now: number;
  zone: string;
}) {
  const { show } = useUnits();
  const kilowatts = (watts: number) => `${figure(Math.round(watts / 100) / 10)} kW`;
  const short = heat.neededW > heat.watts;
  const cost = (kWh: number) =>
    t`${figure(Math.round(kWh * 10) / 10)} kWh${price > 0 ? ` (${sayMoney(toMinor(kWh * price, currency), currency)})` : ''}`;
  return (
    <div className="space-y-1">
      <p className={short ? 'font-semibold' : ''}>
        {t`${kilowatts(heat.watts)} makes this space about ${show(heat.warmsK, 'temperatureDifference')} warmer than outside. ${
          short
            ? t`At ${show(heat.coldestOutsideC, 'temperature')} outside it reaches ${show(heat.coldestInsideC, 'temperature')}; holding ${show(setC, 'temperature', { digits: 0 })} needs ${kilowatts(heat.neededW)}.`
            : t`That holds ${show(setC, 'temperature', { digits: 0 })} (${kilowatts(heat.neededW)} needed at ${show(heat.coldestOutsideC, 'temperature')} outside).`
        }`}
      </p>
      <p>
        {heat.kWhLikely !== null && heat.kWhMost !== null && heat.until !== null
          ? t`Heating until ${sayTime(heat.until, zone, now)}: with a thermostat, likely ${cost(heat.kWhLikely)}; if always on, at most ${cost(heat.kWhMost)}.${price > 0 ? '' : t` For the cost, enter the price of a kWh below.`}`
          : t`No cost given: the coat isn’t safe before the forecast ends.`}
      </p>
      <p className="text-sm">{t`Heat loss ${figure(Math.round(heat.lossWPerK))} W/K = ${heat.uWPerM2K} W/m²K × ${show(heat.areaM2, 'area')} + 0.33 × ${figure(heat.airChangesPerH)} × ${figure(heat.volumeM3)} m³ (EN 12831 simplified; W/m²K of ${SHELL_DEFAULTS[heat.shell].uWPerM2K} and air changes are typical values from memory). Nearly warm after about ${saySpan(heat.warmUpH * 3_600_000)}. The surface to the outside is taken as that of a cube of this volume unless you enter it.`}</p>
    </div>
  );
}

/** The set point, or what the heater reaches of it in the coldest hour. */
function sayHeated(
  { surroundings, heat }: OtherPlaceView,
  show: ReturnType<typeof useUnits>['show'],
): string {
  const setC = surroundings.kind === 'heated' ? surroundings.setPointC : 0;
  return heat && heat.coldestInsideC < setC
    ? t`Heated, at least ${show(heat.coldestInsideC, 'temperature', { digits: 0 })}`
    : t`Heated to ${show(setC, 'temperature', { digits: 0 })}`;
}

function sayOtherPlace({ start, safe, next }: OtherPlaceView, now: number, zone: string): string {
  if (start === null) return t`no suitable start within the forecast`;
  return [
    Date.parse(start) <= now ? t`suitable now` : t`suitable from ${sayTime(start, zone, now)}`,
    safe !== null && t`safe from dew and rain ${sayTime(safe, zone, now)}`,
    next !== null && t`next coat from ${sayTime(next, zone, now)}`,
  ]
    .filter(Boolean)
    .join(', ');
}
