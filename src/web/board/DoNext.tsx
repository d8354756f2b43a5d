import { Link } from 'react-router';
import { t } from '../../words.ts';
import { useNow } from '../clock/now.ts';
import { sayAt, sayCountdown } from '../clock/say.ts';
import { type BoardLine, isRunningOut, nextLine } from '../clock/urgency.ts';
import { StateMark } from '../state/StateMark.tsx';
import { countdownWord, taskOf, workWords } from '../words/clocks.ts';

/** The one thing that needs hands next, and until when. Read before anything is clicked. */
export function DoNext({ lines, zone }: { lines: readonly BoardLine[]; zone: string }) {
  const now = useNow();
  const line = nextLine(lines, now);
  if (!line) {
    return (
      <section aria-label={t`Next`} className="board p-4">
        <p className="text-lg">{t`Nothing in progress. Choose a system for an area to get started.`}</p>
      </section>
    );
  }
  const urgent = isRunningOut(line, now);
  const areaId = line.kind === 'pot' ? line.pot.areaId : line.clock.areaId;
  return (
    <section
      aria-label={t`Next`}
      className={`board grid items-center gap-x-8 gap-y-3 border-l-8 p-4 md:grid-cols-[1fr_auto_auto] ${urgent ? 'border-l-signal' : 'border-l-primary'}`}
    >
      {line.kind === 'pot' ? (
        <PotNext line={line} now={now} zone={zone} />
      ) : (
        <AreaNext line={line} now={now} zone={zone} />
      )}
      <Link className="btn btn-primary btn-lg target" to={`/bench/${areaId}`}>{t`Open bench`}</Link>
    </section>
  );
}

function PotNext({
  line,
  now,
  zone,
}: {
  line: Extract<BoardLine, { kind: 'pot' }>;
  now: number;
  zone: string;
}) {
  const { pot } = line;
  const inducting = now < Date.parse(pot.inductionEnds);
  const ends = inducting ? pot.inductionEnds : pot.potEnds;
  const over = ends !== null && Date.parse(ends) <= now;
  return (
    <>
      <div>
        <p className="label-caps">{t`Mixed, in use`}</p>
        <p className="lettered text-2xl">
          {inducting
            ? t`Leave ${pot.productName} to stand`
            : over
              ? t`${pot.productName}: pot life over, don’t use this pot`
              : t`Use up the ${pot.productName} pot`}
        </p>
        <p className="text-lg">
          {pot.areaName}, {pot.boatName}
        </p>
      </div>
      {ends && !over && (
        <p className="md:text-right">
          <span className="label-caps block">{inducting ? t`ready in` : t`pot life ends in`}</span>
          <span className={`big-figure text-5xl ${inducting ? '' : 'signal-text'}`}>
            {sayCountdown(Date.parse(ends) - now)}
          </span>
          <span className="block">{sayAt(ends, zone, now)}</span>
        </p>
      )}
    </>
  );
}

function AreaNext({
  line,
  now,
  zone,
}: {
  line: Extract<BoardLine, { kind: 'area' }>;
  now: number;
  zone: string;
}) {
  const { clock } = line;
  const word = countdownWord(clock, now);
  const work = workWords(clock, now, zone);
  return (
    <>
      <div>
        <p className="label-caps">{t`Next`}</p>
        <p className="lettered text-2xl">{taskOf(clock, now)}</p>
        <p className="text-lg">
          {clock.areaName}, {clock.boatName} <StateMark state={clock.state} />
        </p>
        {work && <p>{work}.</p>}
      </div>
      {clock.until && word && (
        <p className="md:text-right">
          <span className="label-caps block">{word}</span>
          <span className={`big-figure text-5xl ${isRunningOut(line, now) ? 'signal-text' : ''}`}>
            {sayCountdown(Date.parse(clock.until) - now)}
          </span>
          <span className="block">{sayAt(clock.until, zone, now)}</span>
        </p>
      )}
    </>
  );
}
