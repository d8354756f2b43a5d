import { Link } from 'react-router';
import { v7 as uuidv7 } from 'uuid';
import type { AreaClock, HandView } from '../../contract/index.ts';
import type { HandFinding } from '../../core/cure/index.ts';
import { t } from '../../words.ts';
import { entryWrite, strikeWrite } from '../api/logEntry.ts';
import { useQueued } from '../api/mutations.ts';
import { sayTime } from '../clock/say.ts';
import { FOUND_WORDS } from '../words/systems.ts';

const WAYS: readonly { name: string; found: readonly (readonly [HandFinding, string])[] }[] = [
  {
    name: t`Thumb`,
    found: [
      ['sticks', t`Sticks`],
      ['prints', t`Prints, nothing sticks`],
      ['no-print', t`No print`],
    ],
  },
  {
    name: t`Fingernail`,
    found: [
      ['dents', t`Dents`],
      ['hard', t`No dent`],
    ],
  },
  {
    name: t`Sandpaper`,
    found: [
      ['clogs', t`Clogs`],
      ['powders', t`Powders`],
    ],
  },
];

interface Props {
  clock: Pick<AreaClock, 'areaId' | 'film' | 'hand' | 'nextIsWater'>;
  zone: string;
  now: number;
}

/** Hand tests of the top coat: logged with a tap; its cure times use them from then on. */
export function HandTests({ clock, zone, now }: Props) {
  const { mutate: log } = useQueued();
  const { film, hand } = clock;
  if (!film?.stepId) return null;
  const { stepId, coatNo } = film;
  const test = (found: HandFinding) =>
    log(
      entryWrite({
        id: uuidv7(),
        areaId: clock.areaId,
        at: new Date().toISOString(),
        corrects: null,
        kind: 'hand-test',
        body: { stepId, coatNo, found, place: '', note: '' },
      }),
    );
  const undo = (entryId: string) => log(strikeWrite(clock.areaId, entryId, t`logged by mistake`));
  return (
    <details className="border-base-300 border-y py-2" open={hand !== null}>
      <summary className="target cursor-pointer py-2">
        {t`Hand test`}
        {hand && `: ${FOUND_WORDS[hand.tests.at(-1)?.found ?? 'sticks']}`}
      </summary>
      <div className="space-y-3 pt-2">
        <p className="text-sm">{t`Test where the coat was applied last and where it is thickest. The result corrects this coat’s cure times.`}</p>
        <div className="flex flex-wrap gap-x-6 gap-y-3">
          {WAYS.map(({ name, found }) => (
            <fieldset key={name}>
              <legend className="label-caps pb-1">{name}</legend>
              <div className="flex flex-wrap gap-2">
                {found.map(([key, word]) => (
                  <button key={key} type="button" className="btn target" onClick={() => test(key)}>
                    {word}
                  </button>
                ))}
              </div>
            </fieldset>
          ))}
        </div>
        {hand && (
          <>
            <ul className="space-y-1">
              {hand.tests.map(({ entryId, at, found }) => (
                <li key={entryId} className="flex flex-wrap items-center gap-2">
                  <span>
                    {sayTime(at, zone, now)}: {FOUND_WORDS[found]}
                  </span>
                  <button type="button" className="btn btn-ghost target" onClick={() => undo(entryId)}>
                    {t`Undo`}
                    <span className="sr-only"> {FOUND_WORDS[found]}</span>
                  </button>
                </li>
              ))}
            </ul>
            <p role="status" className="font-semibold">
              {sayEffect(hand, clock.nextIsWater, zone, now)}
            </p>
            {hand.notCuring && (
              <p>
                {t`Don’t coat over it. Likely causes: the wrong ratio, no hardener, too much thinner, or cold. `}
                <Link
                  className="link"
                  to={`/materials/tins/${film.productId}`}
                >{t`Check the ratio that was really mixed`}</Link>
                {t` and ask the manufacturer before you remove the coat.`}
              </p>
            )}
          </>
        )}
      </div>
    </details>
  );
}

/** How the tests changed the cure times, before and after. */
export function sayEffect(hand: HandView, nextIsWater: boolean, zone: string, now: number): string {
  if (hand.waits) return t`Saved on this device. Cure times update after syncing.`;
  if (hand.notCuring)
    return t`The coat still sticks after more than four times the tack-free time on its data sheet. It isn’t curing.`;
  if (hand.silent && hand.stuckAt !== null)
    return t`The coat sticks, and the data sheet gives no tack-free time. Don’t apply anything until a later test finds it dry.`;
  if (hand.silent)
    return t`The data sheet has no time that this test can correct. Cure times haven’t changed.`;
  const doubt = hand.contradicts ? t`The tests contradict each other. The last one counts. ` : '';
  if (hand.factor === 1) return t`${doubt}The test agrees with the cure times.`;
  const pace = t`${doubt}This coat cures at ${Math.round(hand.factor * 100)} % of the data sheet’s speed.`;
  const { opensNow, opensBySheet } = hand;
  if (!opensNow || !opensBySheet || opensNow === opensBySheet) return pace;
  const what = nextIsWater ? t`Launch` : t`Next coat`;
  return t`${pace} ${what} from ${sayTime(opensNow, zone, now)} (data sheet alone: ${sayTime(opensBySheet, zone, now)}).`;
}
