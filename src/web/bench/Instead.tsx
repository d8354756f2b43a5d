import { useState } from 'react';
import type { CoatOutlook, InsteadView } from '../../contract/index.ts';
import { heatingCost } from '../../core/air/index.ts';
import { figure } from '../../core/units/index.ts';
import type { InsideAsked } from '../api/queries.ts';
import { saySpan, sayTime } from '../clock/say.ts';
import { NumberField } from '../forms/NumberField.tsx';
import { useUnits } from '../units/UnitsContext.tsx';

interface Props {
  outlook: CoatOutlook;
  inside: InsideAsked;
  onInside: (inside: InsideAsked) => void;
  now: number;
  zone: string;
}

const KEY = 'jack-plane.heater';
interface Heater {
  watts: number;
  /** What a kilowatt hour costs, in the yard's money. */
  price: number;
}

function keptHeater(): Heater {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? 'null') as Heater | null;
    if (kept && kept.watts > 0 && kept.price >= 0) return kept;
  } catch {
    // What was kept cannot be read: it is asked for anew.
  }
  return { watts: 2000, price: 0.3 };
}

/** What a cover or a heater would change, beside the present, before it is decided; and what the heat would cost. */
export function Instead({ outlook, inside, onInside, now, zone }: Props) {
  const { show } = useUnits();
  const [heater, setHeater] = useState(keptHeater);
  if (outlook.instead.length === 0) return null;
  const keep = (some: Partial<Heater>) => {
    const next = { ...heater, ...some };
    localStorage.setItem(KEY, JSON.stringify(next));
    setHeater(next);
  };
  return (
    <details className="border-base-300 border-y py-2">
      <summary className="target cursor-pointer py-2">What a cover or a heater would change</summary>
      <div className="space-y-3 pt-2">
        <ul className="list-disc space-y-1 pl-5">
          {outlook.instead.map((each) => (
            <li key={each.surroundings.kind}>
              <strong>
                {each.surroundings.kind === 'heated'
                  ? `Heated to ${show(each.surroundings.setPointC, 'temperature', { digits: 0 })}`
                  : 'Under a tent'}
              </strong>
              : {sayInstead(each, now, zone)}
              {each.surroundings.kind === 'heated' && sayCost(each, heater, now)}
            </li>
          ))}
        </ul>
        <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
          <NumberField
            label="Heat to"
            quantity="temperature"
            value={inside.heatC}
            onChange={(tempC) => onInside({ ...inside, heatC: Math.round(Math.min(45, Math.max(5, tempC))) })}
          />
          <NumberField
            label="Heater"
            unit="W"
            value={heater.watts}
            onChange={(watts) => keep({ watts: Math.max(1, watts) })}
          />
          <NumberField
            label="Drying inside: water"
            unit="l/h"
            value={inside.wetDl / 10}
            onChange={(litres) =>
              onInside({ ...inside, wetDl: Math.round(Math.min(99.9, Math.max(0, litres)) * 10) })
            }
          />
          <NumberField
            label="Air inside"
            unit="m³"
            value={inside.roomM3}
            onChange={(m3) => onInside({ ...inside, roomM3: Math.round(Math.min(99_999, Math.max(1, m3))) })}
          />
          <NumberField
            label="A kilowatt hour"
            unit="money"
            value={heater.price}
            onChange={(price) => keep({ price: Math.max(0, price) })}
          />
        </div>
        <p className="text-sm">
          The surface has to be that warm, not the air only: measure it. Warmed air is drier, its moisture
          stays. A hull washed or wet-blasted inside gives off some 0.2 l an hour for each square metre that
          is wet (from memory; the air counts as changed once an hour). Flued or electric heat, never a flame
          near solvent; ventilate.
        </p>
      </div>
    </details>
  );
}

function sayInstead({ start, safe }: InsteadView, now: number, zone: string): string {
  if (start === null) return 'no start passes in the days that are known';
  const from = Date.parse(start) <= now ? 'suitable now' : `suitable from ${sayTime(start, zone, now)}`;
  return safe === null ? from : `${from}, safe ${sayTime(safe, zone, now)}`;
}

/** Heat from now until the coat is safe, the heater running all the time: at most that. */
function sayCost({ safe }: InsteadView, { watts, price }: Heater, now: number): string {
  if (safe === null) return '.';
  const toMs = Math.max(now, Date.parse(safe));
  const { kWh, cost } = heatingCost({ watts, fromMs: now, toMs, pricePerKWh: price });
  return `. Running all of ${saySpan(toMs - now)}: ${figure(Math.round(kWh * 10) / 10)} kWh, at most ${cost.toFixed(2)}.`;
}
