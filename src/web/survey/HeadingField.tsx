import { type KeyboardEvent, type PointerEvent, useRef } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import { t } from '../../words.ts';
import { Field } from '../forms/Field.tsx';

const POINTS = ['N', t`NE`, 'E', 'SE', 'S', 'SW', 'W', 'NW'];
/** Steps of the arrow keys and of Page Up and Page Down, degrees. */
const STEP = 5;
const LARGE_STEP = 45;
const STEPS: Record<string, number> = {
  ...{ ArrowRight: STEP, ArrowUp: STEP, ArrowLeft: -STEP, ArrowDown: -STEP },
  ...{ PageUp: LARGE_STEP, PageDown: -LARGE_STEP },
};

const turned = (degrees: number) => ((degrees % 360) + 360) % 360;
const pointName = (degrees: number) => POINTS[Math.round(degrees / 45) % 8] ?? 'N';

/** The heading of the bow: degrees, or a compass to turn by hand or keyboard. */
export function HeadingField() {
  const { control, setValue } = useFormContext<{ heading: string }>();
  const typed = useWatch({ control, name: 'heading' });
  const dial = useRef<HTMLDivElement>(null);
  const number = Number(typed);
  const heading = typed?.trim() && Number.isFinite(number) ? turned(number) : null;
  const put = (degrees: number) =>
    setValue('heading', String(turned(Math.round(degrees / STEP) * STEP)), { shouldDirty: true });
  const follow = (event: PointerEvent<HTMLDivElement>) => {
    const box = dial.current?.getBoundingClientRect();
    if (!box) return;
    const [x, y] = [event.clientX - box.left - box.width / 2, event.clientY - box.top - box.height / 2];
    if (Math.hypot(x, y) > 4) put((Math.atan2(x, -y) * 180) / Math.PI);
  };
  const turn = (event: KeyboardEvent) => {
    const step = STEPS[event.key];
    if (step === undefined && event.key !== 'Home') return;
    event.preventDefault();
    put(step === undefined ? 0 : (heading ?? 0) + step);
  };
  return (
    <div className="flex flex-wrap items-start gap-4">
      <div className="max-w-md grow">
        <Field
          name="heading"
          label={t`Heading (optional)`}
          hint={t`Compass degrees of the bow, 0–360. Used to work out which side gets the sun. Leave empty if unknown.`}
          inputMode="decimal"
        />
      </div>
      <div
        ref={dial}
        className="size-40 shrink-0 cursor-pointer touch-none"
        role="slider"
        tabIndex={0}
        aria-label={t`Heading of the bow`}
        aria-valuemin={0}
        aria-valuemax={355}
        aria-valuenow={heading ?? 0}
        aria-valuetext={heading === null ? 'unknown' : `${heading}°, ${pointName(heading)}`}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture?.(event.pointerId);
          follow(event);
        }}
        onPointerMove={(event) => event.buttons > 0 && follow(event)}
        onKeyDown={turn}
      >
        <svg viewBox="-60 -60 120 120" aria-hidden="true">
          <circle r="46" fill="var(--board)" stroke="var(--line)" strokeWidth="1.5" />
          {POINTS.map((name, i) => (
            <g key={name} transform={`rotate(${i * 45})`}>
              <path d={`M0 -46V${i % 2 ? -42 : -38}`} stroke="var(--line)" strokeWidth="1.5" />
              {i % 2 === 0 && (
                <text
                  transform={`translate(0 -53) rotate(${-i * 45})`}
                  textAnchor="middle"
                  dominantBaseline="central"
                  fontSize="11"
                  fill="currentColor"
                >
                  {name}
                </text>
              )}
            </g>
          ))}
          <g transform={`rotate(${heading ?? 0})`} opacity={heading === null ? 0.35 : 1}>
            <path
              d="M0 -36C11 -18 12 8 9 32H-9C-12 8 -11 -18 0 -36Z"
              fill="none"
              stroke="var(--line)"
              strokeWidth="2.5"
              strokeDasharray={heading === null ? '4 4' : undefined}
            />
          </g>
        </svg>
      </div>
    </div>
  );
}
