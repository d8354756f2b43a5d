import type { Pour, Split } from '../../core/mix/index.ts';
import { type MeasuringTool, mlPerMm } from '../../core/mix/index.ts';
import { figure, fromCanonical, type UnitSystem } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { SPOKEN } from './ReadAloud.tsx';

/** What the tool shows for one part, in its reader's units. */
function reading(
  pour: Pour,
  tool: MeasuringTool,
  system: UnitSystem,
): { figure: string; unit: string; below: string } {
  const volume = tool.kind !== 'scale';
  const own = volume
    ? (ml: number) => fromCanonical(ml / 1000, system === 'us' ? 'usfloz' : 'ml')
    : (g: number) => fromCanonical(g / 1000, system === 'us' ? 'oz' : 'g');
  const [ml, gram] = system === 'us' ? [t`US fl oz`, 'oz'] : ['ml', 'g'];
  const amount = figure(Math.round(own(pour.amount) * 100) / 100);
  switch (tool.kind) {
    case 'scale':
      return { figure: amount, unit: gram, below: '' };
    case 'syringe':
      return { figure: amount, unit: ml, below: '' };
    case 'cup':
      return { figure: amount, unit: ml, below: t`fill to ${figure(own(pour.fillTo ?? 0))} ${ml}` };
    case 'stick': {
      const mm = (each: number) => each / mlPerMm(tool.potDiameterMm);
      const unit = system === 'us' ? 'in' : 'mm';
      const shown = (each: number) =>
        system === 'us' ? figure(Math.round((mm(each) / 25.4) * 100) / 100) : String(Math.round(mm(each)));
      return { figure: shown(pour.amount), unit, below: t`mark at ${shown(pour.fillTo ?? 0)} ${unit}` };
    }
    case 'counted-cups':
      return {
        figure: String(pour.marks),
        unit: pour.marks === 1 ? 'cup' : 'cups',
        below: `${amount} ${ml}`,
      };
    case 'pump':
      return {
        figure: String(pour.marks),
        unit: pour.marks === 1 ? 'stroke' : 'strokes',
        below: `${amount} ${ml}`,
      };
  }
}

/** "1. base": numbered in the order of pouring, where there is one. */
const inOrder = (name: string, i: number, { pours }: Split) =>
  pours.length > 1 ? `${i + 1}. ${name}` : name;

const LAYERS = ['var(--st-finished)', 'var(--st-key-first)', 'var(--st-too-soon)', 'var(--st-thumb)'];

/** The pot with its parts in the order of pouring: figures for arm's length, and the pot drawn filled. */
export function Pours({ split, tool, product }: { split: Split; tool: MeasuringTool; product: string }) {
  const { system } = useUnits();
  const total = split.pours.reduce((sum, pour) => sum + pour.amount, 0);
  let below = 0;
  return (
    <div className="flex items-stretch gap-4">
      <svg
        viewBox="0 0 100 150"
        className="h-44 shrink-0"
        role="img"
        aria-label={t`Mixing pot for ${product}, showing the parts to pour`}
      >
        {split.pours.map((pour, i) => {
          const height = (pour.amount / total) * 118;
          const y = 140 - below - height;
          below += height;
          return (
            <g key={pour.name}>
              <rect x="12" y={y} width="76" height={height} fill={LAYERS[i]} opacity="0.55" />
              <path d={`M12 ${y}H88`} stroke="var(--line)" strokeDasharray="4 3" />
              <text
                x="50"
                y={y + height / 2 + 5}
                fontSize="13"
                textAnchor="middle"
                fill="var(--color-base-content)"
              >
                {inOrder(pour.name, i, split)}
              </text>
            </g>
          );
        })}
        <path d="M12 6V140H88V6" fill="none" stroke="var(--line)" strokeWidth="2.5" />
      </svg>
      <dl className="grid grow content-around gap-3">
        {split.pours.map((pour, i) => {
          const read = reading(pour, tool, system);
          return (
            <div key={pour.name} {...SPOKEN}>
              <dt className="label-caps">{inOrder(pour.name, i, split)}</dt>
              <dd>
                <span className="big-figure text-5xl">{read.figure}</span>{' '}
                <span className="text-2xl">{read.unit}</span>
                {read.below && <span className="block text-lg">{read.below}</span>}
              </dd>
            </div>
          );
        })}
      </dl>
    </div>
  );
}
