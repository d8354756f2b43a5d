import { Link } from 'react-router';
import type { BenchView } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { useNow } from '../clock/now.ts';
import { sayAt, sayCountdown, sayTime } from '../clock/say.ts';
import { AreaParts } from '../parts/AreaParts.tsx';
import { StateTerm } from '../parts/Term.tsx';
import { StateMark } from '../state/StateMark.tsx';
import { STATES } from '../state/states.ts';
import { workLeft } from '../state/workStates.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { countdownWord, taskOf } from '../words/clocks.ts';
import { METHOD_WORDS, ORDER_WORDS } from '../words/systems.ts';
import { ReadAloud, SPOKEN } from './ReadAloud.tsx';

/** A second lap straight on, while the far end of the first is not ready and no work comes between the two. */
function Lap({ clock, zone, now }: { clock: BenchView['clock']; zone: string; now: number }) {
  const { lap } = clock;
  if (!lap || clock.state !== 'too-soon' || Date.parse(lap.farEnd) <= now) return null;
  if (workLeft(clock.work, now).length > 0) return null;
  return (
    <p>{t`You can start the next coat from ${sayTime(lap.start, zone, now)}, where you started this one. Don’t overtake the cure: the far end isn’t ready until ${sayTime(lap.farEnd, zone, now)}.`}</p>
  );
}

/** The next task on the area, its product, and the state of its window. */
export function BenchHead({ view, zone }: { view: BenchView; zone: string }) {
  const now = useNow();
  const { show } = useUnits();
  const { clock, product, step } = view;
  const next = clock.next;
  const hex = product?.sheet.colours.find((c) => c.name === next?.colour)?.hex;
  const word = countdownWord(clock, now);
  return (
    <header className="space-y-2">
      <div className="flex items-center justify-between gap-2">
        <p>
          <Link className="link" to="/bench">{t`Bench`}</Link> / {view.area.name}, {view.boat.name}
        </p>
        <ReadAloud />
      </div>
      <h1 className="text-3xl" {...SPOKEN}>
        {taskOf(clock, now)}
      </h1>
      {next && step && (
        <p className="flex flex-wrap items-center gap-x-4 gap-y-1 text-lg">
          {hex && (
            <span className="inline-flex items-center gap-2">
              <svg width="22" height="22" aria-hidden="true">
                <rect width="22" height="22" fill={hex} stroke="var(--line)" strokeWidth="2" />
              </svg>
              {next.colour}
            </span>
          )}
          <span>{METHOD_WORDS[step.method].toLowerCase()}</span>
          <span>{t`${show(step.dryMicronsPerCoat, 'film')} dry film`}</span>
          {next.areaM2 > 0 && <span>{t`${show(next.areaM2 - next.coveredM2, 'area')} left to cover`}</span>}
          {next.band && <span>{t`only on the ${next.band}`}</span>}
          {step.order && <span>{ORDER_WORDS[step.order]}</span>}
          {step.coatNotes[next.coatNo] && <strong>{step.coatNotes[next.coatNo]}</strong>}
        </p>
      )}
      <AreaParts clock={clock} zone={zone} now={now} />
      <Lap clock={clock} zone={zone} now={now} />
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 text-lg">
        <StateMark state={clock.state} />
        <span>
          {STATES[clock.state].meaning} <StateTerm state={clock.state} />
        </span>
        {clock.until && word && (
          <span className="font-semibold">
            {word} {sayCountdown(Date.parse(clock.until) - now)}, {sayAt(clock.until, zone, now)}
          </span>
        )}
        {clock.film && (
          <Link className="link" to={`/window/${clock.areaId}`}>
            {t` How this was worked out `}
          </Link>
        )}
      </div>
    </header>
  );
}
