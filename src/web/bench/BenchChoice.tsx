import { Link } from 'react-router';
import { t } from '../../words.ts';
import { useBoard, useYard } from '../api/queries.ts';
import { useNow } from '../clock/now.ts';
import { sayCountdown } from '../clock/say.ts';
import { boardLines, isRunningOut } from '../clock/urgency.ts';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { StateMark } from '../state/StateMark.tsx';
import { countdownWord, taskOf } from '../words/clocks.ts';

/** What to apply: every area with a coat to come, the most pressing first. */
export function BenchChoice() {
  const board = useBoard();
  const yard = useYard();
  const now = useNow();
  return (
    <div className="space-y-4 p-3 md:p-6">
      <h1 className="text-2xl">{t`Bench: choose the next coat`}</h1>
      <QueryBoundary query={yard}>
        {() => (
          <QueryBoundary query={board}>
            {(view) => {
              const lines = boardLines([], view.clocks).flatMap((line) =>
                line.kind === 'area' && line.clock.next ? [line] : [],
              );
              if (lines.length === 0) {
                return (
                  <p>
                    {t`No area has a coat due. `}
                    <Link className="link" to="/">{t`Back to the board`}</Link>
                    {t`, or choose a system for an area.`}
                  </p>
                );
              }
              return (
                <ul className="max-w-4xl">
                  {lines.map((line) => {
                    const { clock } = line;
                    const word = countdownWord(clock, now);
                    return (
                      <li key={clock.areaId} className="border-base-300 border-b">
                        <Link
                          to={`/bench/${clock.areaId}`}
                          className="hover:bg-base-200 grid min-h-16 grid-cols-[1fr_auto] items-center gap-3 py-2"
                        >
                          <span className="min-w-0">
                            <span className="lettered block text-lg">{taskOf(clock, now)}</span>
                            <span className="block">
                              {clock.areaName}, {clock.boatName}
                            </span>
                          </span>
                          <span className="text-right">
                            <StateMark state={clock.state} />
                            {clock.until && word && (
                              <span className={`block ${isRunningOut(line, now) ? 'signal-text' : ''}`}>
                                {word} {sayCountdown(Date.parse(clock.until) - now)}
                              </span>
                            )}
                          </span>
                        </Link>
                      </li>
                    );
                  })}
                </ul>
              );
            }}
          </QueryBoundary>
        )}
      </QueryBoundary>
    </div>
  );
}
