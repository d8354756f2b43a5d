import type { JudgedStack, Verdict } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { Why } from '../parts/Why.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { andList } from '../words/counted.ts';
import { SERVICE_WORDS } from '../words/survey.ts';
import { SUBSTRATE_WORDS } from '../words/systems.ts';
import { VERDICT_SIGNS } from './ruleWords.ts';
import type { StackContext } from './stackContext.ts';
import type { Extremes } from './stackRules.ts';

/** Steps with a verdict, as one says them: "step 2", "steps 1 and 3". */
function stepsWith(judged: JudgedStack, verdict: Verdict): string {
  const numbers = judged.layers.flatMap((layer, i) => (layer.verdict === verdict ? [i + 1] : []));
  const list = andList(numbers.map(String));
  return `${numbers.length === 1 ? 'step' : 'steps'} ${list}`;
}

/** The verdict on a stack in one line. */
export function sayVerdict(judged: JudgedStack): string {
  const { verdict } = judged;
  if (verdict === 'fine') return t`No conflicts found`;
  if (verdict === 'no') return t`Not allowed: see ${stepsWith(judged, 'no')}`;
  return t`OK with conditions: see ${stepsWith(judged, 'condition')}`;
}

interface Props {
  judged: JudgedStack | null;
  context: StackContext;
  air: Extremes;
}

/** What the rules say of the stack as a whole, and what they were asked. */
export function StackVerdict({ judged, context, air }: Props) {
  const { show } = useUnits();
  if (!judged) return <p role="status">{t`Not checked yet. Correct the values marked above.`}</p>;
  if (judged.layers.length === 0) return null;
  const { substrate, service, oldCoating } = context.area;
  const temperatures = [air.coldestC, air.hottestC]
    .filter((tempC) => tempC !== null)
    .map((tempC) => show(tempC, 'temperature'));
  return (
    <div role="status">
      <Why
        figure={
          <strong
            className={
              judged.verdict === 'fine' ? '' : judged.verdict === 'no' ? 'text-error' : 'text-warning'
            }
          >
            {VERDICT_SIGNS[judged.verdict]} {sayVerdict(judged)}.
          </strong>
        }
      >
        <ul className="list-disc pl-4">
          <li>
            {t`On ${SUBSTRATE_WORDS[substrate]}`}
            {oldCoating !== null && t` with old paint on it`}; {SERVICE_WORDS[service].toLowerCase()}.
          </li>
          <li>{t`Each coat over the one below, including bands and washes.`}</li>
          <li>{t`Film thickness, thinner and method of each coat against its data sheet.`}</li>
          <li>
            {oldCoating === null
              ? t`Total film and number of coats (common practice).`
              : t`Total film and number of coats aren’t checked over old paint.`}
          </li>
          <li>
            {temperatures.length > 0
              ? t`Expected surface temperature: ${temperatures.join('–')}.`
              : t`No forecast, so temperature wasn’t checked.`}
          </li>
        </ul>
      </Why>
    </div>
  );
}
