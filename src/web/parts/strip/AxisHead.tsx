import { useMemo, useRef } from 'react';
import { t } from '../../../words.ts';
import { useMinute } from '../../clock/now.ts';
import { axisMarks } from './axisMarks.ts';
import { type SpanStore, useSpan } from './span.ts';
import { useSpanGestures } from './useSpanGestures.ts';

/** Hours, days and the present above the lanes of a strip; wheel, pinch and drag on it zoom and pan. */
export function AxisHead({
  store,
  zone,
  className = '',
}: {
  store: SpanStore;
  zone: string;
  className?: string;
}) {
  const box = useRef<HTMLDivElement>(null);
  useSpanGestures(box, store, { wheelFree: true });
  const span = useSpan(store);
  const now = useMinute();
  const { from, to } = span;
  const marks = useMemo(() => axisMarks(span, zone), [span, zone]);
  const percent = (ms: number) => `${((ms - from) / (to - from)) * 100}%`;
  return (
    <div
      ref={box}
      className={`relative h-9 cursor-grab text-xs ${className}`}
      style={{ touchAction: 'pan-y' }}
      title={t`Zoom: scroll or pinch. Pan: drag.`}
      aria-hidden="true"
    >
      {marks.map((mark) => (
        <span
          key={mark.at}
          className={`absolute bottom-0 -translate-x-1/2 ${mark.strong ? 'font-semibold' : 'opacity-80'}`}
          style={{ left: percent(mark.at) }}
        >
          {mark.text}
        </span>
      ))}
      {now >= from && now <= to && (
        <span
          className="absolute top-0 -translate-x-1/2 font-semibold"
          style={{ left: percent(now) }}
        >{t`now`}</span>
      )}
    </div>
  );
}
