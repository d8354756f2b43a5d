import { useEffect, useState } from 'react';
import { t } from '../../words.ts';
import { Choice } from '../forms/Choice.tsx';
import { sayMoment } from './planTimes.ts';

const HOUR_MS = 3_600_000;
/** Hours of the rehearsal shown in a second. */
const SPEEDS = { '1': t`Slow`, '4': t`Normal`, '16': t`Fast` } as const;
/** Weathers to choose from: any number is one. */
const WEATHERS = 12;

/** Controls of a rehearsal: play, step, speed, weather and the hour shown. */
export function Player(of: {
  at: number;
  fromMs: number;
  untilMs: number;
  onMove: (ms: number) => void;
  zone: string;
  draw: number;
  onDraw: (draw: number) => void;
}) {
  const { at, fromMs, untilMs, onMove, zone, draw, onDraw } = of;
  const [isPlaying, setPlaying] = useState(false);
  const [speed, setSpeed] = useState<keyof typeof SPEEDS>('4');
  const isOver = at >= untilMs;
  useEffect(() => {
    if (!isPlaying || isOver) return;
    const timer = setTimeout(() => onMove(Math.min(untilMs, at + HOUR_MS)), 1000 / Number(speed));
    return () => clearTimeout(timer);
  }, [isPlaying, isOver, at, untilMs, speed, onMove]);
  const timeText = sayMoment(new Date(at).toISOString(), zone);
  return (
    <section aria-label={t`Time`} className="space-y-2">
      <div className="flex flex-wrap items-end gap-3">
        <button
          type="button"
          className="btn btn-primary target"
          onClick={() => {
            if (isOver) onMove(fromMs);
            setPlaying(isOver || !isPlaying);
          }}
        >
          {isOver ? t`Play again` : isPlaying ? t`Pause` : t`Play`}
        </button>
        <button
          type="button"
          className="btn target"
          disabled={at <= fromMs}
          onClick={() => onMove(Math.max(fromMs, at - HOUR_MS))}
        >{t`1 hour back`}</button>
        <button
          type="button"
          className="btn target"
          disabled={isOver}
          onClick={() => onMove(Math.min(untilMs, at + HOUR_MS))}
        >{t`1 hour on`}</button>
        <Choice
          label={t`Speed`}
          value={speed}
          choices={Object.entries(SPEEDS)}
          onChange={(value) => setSpeed(value as keyof typeof SPEEDS)}
        />
        <Choice
          label={t`Weather`}
          value={String(draw)}
          choices={Array.from({ length: WEATHERS }, (_, i) => [String(i), t`Simulated weather ${i + 1}`])}
          onChange={(value) => onDraw(Number(value))}
        />
      </div>
      <label className="block">
        <span className="text-xl font-semibold tabular-nums">{timeText}</span>
        <input
          type="range"
          className="range range-lg mt-2 block w-full"
          aria-label={t`Time in the rehearsal`}
          aria-valuetext={timeText}
          min={fromMs}
          max={untilMs}
          step={HOUR_MS / 2}
          value={at}
          onChange={({ target }) => onMove(Number(target.value))}
        />
      </label>
    </section>
  );
}
