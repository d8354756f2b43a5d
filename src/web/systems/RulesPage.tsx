import { useState } from 'react';
import {
  type Family,
  type Ground,
  JOINT_RULES,
  type JudgedLayer,
  judgeGrounds,
  type Substrate,
  TREATMENTS,
} from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { Choice } from '../forms/NumberField.tsx';
import { Scroller } from '../parts/Scroller.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { choices, SERVICE_WORDS } from '../words/survey.ts';
import { FAMILY_WORDS, SUBSTRATE_WORDS } from '../words/systems.ts';
import { BOND_WORDS, MARK_WORDS, VERDICT_SIGNS, VERDICT_WORDS } from './ruleWords.ts';

const ALL = Object.keys(FAMILY_WORDS) as Family[];

const WHATEVER_THE_SHEET = JOINT_RULES.filter(({ never }) => never);

type Service = keyof typeof SERVICE_WORDS;

/** What goes over what: every family over every other, each square with its reason. */
export function RulesPage() {
  const [substrate, setSubstrate] = useState<Substrate>('grp');
  const [service, setService] = useState<Service>('immersed');
  const [old, setOld] = useState<'new' | 'old'>('new');
  const [picked, setPicked] = useState<{ below: Family; coat: Family } | null>(null);
  const { write } = useUnits();
  const judge = (below: Family, coat: Family): JudgedLayer => {
    const met: Ground = old === 'old' ? { kind: 'old', family: below } : { kind: 'coat', family: below };
    const through: Ground[] = TREATMENTS.includes(below) ? [{ kind: 'bare', substrate }] : [];
    return judgeGrounds([met, ...through], {
      coat: { family: coat, copper: null },
      substrate,
      service,
      windowClosed: false,
    });
  };
  return (
    <div className="space-y-5 p-3 md:p-6">
      <h1 className="text-2xl">{t`What goes over what`}</h1>
      <p className="max-w-prose">{t`Common-practice rules unless marked otherwise. A product’s own data sheet overrides them, except for those below. Select a cell to see the reason.`}</p>
      <details className="max-w-prose">
        <summary className="target cursor-pointer py-2">
          {t`${WHATEVER_THE_SHEET.length} rules apply even if a data sheet says otherwise`}
        </summary>
        <ul className="list-disc space-y-1 pl-5">
          {WHATEVER_THE_SHEET.map(({ id, verdict, reason, condition }) => (
            <li key={id}>
              {VERDICT_SIGNS[verdict]} {write(reason)}
              {condition && <>{t`. Fine if ${write(condition)}`}</>}
            </li>
          ))}
        </ul>
      </details>
      <div className="grid max-w-3xl gap-3 sm:grid-cols-3">
        <Choice label={t`On`} value={substrate} choices={choices(SUBSTRATE_WORDS)} onChange={setSubstrate} />
        <Choice label={t`Exposure`} value={service} choices={choices(SERVICE_WORDS)} onChange={setService} />
        <Choice
          label={t`Coat below`}
          value={old}
          choices={[
            ['new', t`New (same system)`],
            ['old', t`Old paint`],
          ]}
          onChange={setOld}
        />
      </div>
      {picked && <Reason picked={picked} judged={judge(picked.below, picked.coat)} />}
      <OverOne judge={judge} onPick={setPicked} picked={picked} />
      <div className="hidden sm:block">
        <Scroller label={t`Compatibility table`}>
          <table className="border-collapse text-xs">
            <thead>
              <tr>
                <th scope="col" className="p-1 text-left">{t`Below ↓ Above →`}</th>
                {ALL.map((coat) => (
                  <th key={coat} scope="col" className="h-44 p-0 align-bottom">
                    <span className="block w-7 rotate-180 pt-1 text-left whitespace-nowrap [writing-mode:vertical-rl]">
                      {FAMILY_WORDS[coat]}
                    </span>
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {ALL.map((below) => (
                <tr key={below}>
                  <th scope="row" className="p-1 text-right font-normal whitespace-nowrap">
                    {FAMILY_WORDS[below]}
                  </th>
                  {ALL.map((coat) => {
                    const { verdict } = judge(below, coat);
                    const chosen = picked?.below === below && picked.coat === coat;
                    return (
                      <td key={coat} className="border-base-300 border p-0">
                        <button
                          type="button"
                          className={`h-7 w-7 ${verdict === 'no' ? 'bg-base-content text-base-100' : verdict === 'condition' ? 'bg-base-300' : ''} ${chosen ? 'outline-info outline-3' : ''}`}
                          aria-label={t`${FAMILY_WORDS[coat]} over ${FAMILY_WORDS[below]}: ${VERDICT_WORDS[verdict]}`}
                          aria-pressed={chosen}
                          onClick={() => setPicked({ below, coat })}
                        >
                          {VERDICT_SIGNS[verdict]}
                        </button>
                      </td>
                    );
                  })}
                </tr>
              ))}
            </tbody>
          </table>
        </Scroller>
      </div>
      <p className="text-sm">
        {t`${VERDICT_SIGNS.fine} OK · ${VERDICT_SIGNS.condition} OK with a condition · ${VERDICT_SIGNS.no} not allowed. Rules about exposure are checked for the whole system, on the area’s Systems page.`}
      </p>
    </div>
  );
}

/** On a phone: one coat below, and every family over it as a list with its verdict. */
function OverOne({
  judge,
  picked,
  onPick,
}: {
  judge: (below: Family, coat: Family) => JudgedLayer;
  picked: { below: Family; coat: Family } | null;
  onPick: (pair: { below: Family; coat: Family }) => void;
}) {
  const [below, setBelow] = useState<Family>('epoxy-primer');
  return (
    <div className="space-y-3 sm:hidden">
      <Choice label={t`Coating below`} value={below} choices={choices(FAMILY_WORDS)} onChange={setBelow} />
      <ul className="divide-base-300 divide-y">
        {ALL.map((coat) => {
          const { verdict } = judge(below, coat);
          return (
            <li key={coat}>
              <button
                type="button"
                className="flex min-h-12 w-full items-center gap-3 text-left"
                aria-pressed={picked?.below === below && picked.coat === coat}
                onClick={() => onPick({ below, coat })}
              >
                <span className="w-6 text-center font-semibold">{VERDICT_SIGNS[verdict]}</span>
                <span className="grow first-letter:uppercase">{FAMILY_WORDS[coat]}</span>
                <span className="text-sm">{VERDICT_WORDS[verdict]}</span>
              </button>
            </li>
          );
        })}
      </ul>
    </div>
  );
}

function Reason({ picked, judged }: { picked: { below: Family; coat: Family }; judged: JudgedLayer }) {
  const { write } = useUnits();
  return (
    <section
      aria-live="polite"
      aria-label={t`Reason`}
      className="border-line max-w-3xl space-y-1 border-2 p-3"
    >
      <p className="font-semibold">
        {t`${FAMILY_WORDS[picked.coat]} over ${FAMILY_WORDS[picked.below]}: ${VERDICT_WORDS[judged.verdict]}`}
      </p>
      {judged.judgements.length === 0 && <p>{t`No conflicts found. Bond: ${BOND_WORDS[judged.bond]}.`}</p>}
      {judged.judgements.map(({ ruleId, reason, condition, mark }) => (
        <p key={ruleId}>
          {write(reason)}
          {condition && t`. OK if ${condition}`} ({MARK_WORDS[mark]}).
        </p>
      ))}
    </section>
  );
}
