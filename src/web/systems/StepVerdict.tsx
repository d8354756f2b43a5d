import type { JudgedLayer } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { Field } from '../forms/Field.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { MARK_WORDS, VERDICT_SIGNS, VERDICT_WORDS } from './ruleWords.ts';

/** What the rules say of one step, each with its reason; a "no" asks for a reason to apply the step anyway. */
export function StepVerdict({ index, judged }: { index: number; judged: JudgedLayer | undefined }) {
  const { write } = useUnits();
  if (!judged || judged.judgements.length === 0) return null;
  const refused = judged.judgements.some(({ verdict }) => verdict === 'no');
  return (
    <div className={`mt-2 border-l-4 pl-3 ${refused ? 'border-error' : 'border-warning'}`}>
      <ul className="space-y-1">
        {judged.judgements.map(({ ruleId, verdict, reason, condition, mark }) => (
          <li key={ruleId}>
            <strong className={verdict === 'no' ? 'text-error' : 'text-warning'}>
              {VERDICT_SIGNS[verdict]} {VERDICT_WORDS[verdict]}
              {condition && ` ${condition}`}:
            </strong>{' '}
            {write(reason)} <span className="text-sm opacity-80">({MARK_WORDS[mark]})</span>
          </li>
        ))}
      </ul>
      {refused && (
        <div className="pt-1">
          <Field name={`steps.${index}.reason`} label={t`Reason to apply anyway (kept on record)`} />
        </div>
      )}
    </div>
  );
}
