import {
  AXES,
  type Axis,
  type Bounds,
  MESH_UNITS,
  type MeshUnit,
  type Placement,
} from '../../core/hull/index.ts';
import { t } from '../../words.ts';
import { Choice, NumberField } from '../forms/NumberField.tsx';
import { useUnits } from '../units/UnitsContext.tsx';

const UNIT_WORDS: Record<MeshUnit, string> = {
  mm: 'millimetres',
  cm: 'centimetres',
  m: 'metres',
  in: 'inches',
  ft: 'feet',
};

const axes = AXES.map((axis) => [axis, axis.toUpperCase()] as const);

/** How the mesh lies in its file, guessed and set right; and how she floats in it. */
export function PlacementFields({
  placement,
  bounds,
  onChange,
}: {
  placement: Placement;
  bounds: Bounds;
  onChange: (placement: Placement) => void;
}) {
  const { show } = useUnits();
  const set = (some: Partial<Placement>) => onChange({ ...placement, ...some });
  const size = (['x', 'y', 'z'] as const).map((axis, k) => {
    const metres = ((bounds.max[k] as number) - (bounds.min[k] as number)) * MESH_UNITS[placement.unit];
    return `${axis.toUpperCase()} ${show(metres, 'length')}`;
  });
  return (
    <fieldset className="space-y-2">
      <legend className="lettered pb-1">{t`Orientation and scale`}</legend>
      <p className="text-sm">{t`Size with these settings: ${size.join(', ')}. These settings are a guess. Check them in the 3-D view.`}</p>
      <div className="grid grid-cols-2 gap-3">
        <Choice
          label={t`File units`}
          value={placement.unit}
          choices={(Object.keys(MESH_UNITS) as MeshUnit[]).map((unit) => [unit, UNIT_WORDS[unit]] as const)}
          onChange={(unit) => set({ unit })}
        />
        <Choice<Axis>
          label={t`Up axis`}
          value={placement.up}
          choices={axes}
          onChange={(up) => set({ up, ...(up[1] === placement.bow[1] && { bow: otherThan(up) }) })}
        />
        <Choice<Axis>
          label={t`Bow axis`}
          value={placement.bow}
          choices={axes.filter(([axis]) => axis[1] !== placement.up[1])}
          onChange={(bow) => set({ bow })}
        />
        <Choice
          label={t`Mesh covers`}
          value={placement.half ? 'half' : 'whole'}
          choices={[
            ['whole', t`Whole hull`],
            ['half', t`One side (mirrored)`],
          ]}
          onChange={(half) => set({ half: half === 'half' })}
        />
        <NumberField
          label={t`Waterline above the lowest point`}
          quantity="length"
          value={placement.waterlineM}
          onChange={(waterlineM) => set({ waterlineM })}
        />
        <NumberField
          label={t`Rotate bow up by`}
          unit="°"
          value={placement.trimDeg}
          onChange={(trimDeg) => set({ trimDeg })}
        />
        <NumberField
          label={t`Rotate starboard side up by`}
          unit="°"
          value={placement.heelDeg}
          onChange={(heelDeg) => set({ heelDeg })}
        />
      </div>
    </fieldset>
  );
}

const otherThan = (up: Axis): Axis => (up[1] === 'x' ? '+y' : '+x');
