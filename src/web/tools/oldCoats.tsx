import { useState } from 'react';
import {
  adhesionTest,
  type ConverterRound,
  converterCourse,
  judgeFinding,
  solventRub,
} from '../../core/inspect/index.ts';
import { t } from '../../words.ts';
import { Choice, NumberField } from '../forms/NumberField.tsx';
import { counted } from '../words/counted.ts';
import { StockFinding } from './StockFinding.tsx';
import { Problem, Tool, tried } from './Tool.tsx';

/** A rust converter's course, round by round. */
export function ConverterTool() {
  const [rounds, setRounds] = useState<ConverterRound[]>([]);
  const [years, setYears] = useState(0);
  const last = rounds.at(-1);
  const found = tried(() => converterCourse({ rounds, openedYears: years }));
  return (
    <Tool title={t`Rust converter`}>
      <div className="flex flex-wrap items-end gap-3">
        <div className="w-56">
          <NumberField label={t`Bottle opened`} unit={t`years ago`} value={years} onChange={setYears} />
        </div>
        <button
          type="button"
          className="btn"
          onClick={() => setRounds([...rounds, { red: true }])}
        >{t`Add coat: red still shows`}</button>
        <button
          type="button"
          className="btn"
          onClick={() => setRounds([...rounds, { red: false }])}
        >{t`Add coat: all black`}</button>
        <button
          type="button"
          className="btn btn-ghost"
          disabled={rounds.length === 0}
          onClick={() => setRounds([])}
        >{t`Start again`}</button>
      </div>
      {'problem' in found ? (
        <Problem text={found.problem} />
      ) : (
        <>
          <output className="block text-lg first-letter:uppercase">
            {rounds.length === 0 ? t`No coat applied yet` : t`${counted(rounds.length, 'coat')} applied`}.{' '}
            {found.value.step.why}.
          </output>
          {found.value.bottle && <p className="text-warning font-semibold">{found.value.bottle}</p>}
          {last && (
            <StockFinding
              reading={{
                kind: 'converter',
                value: rounds.length,
                grade: last.red ? 'red' : 'black',
                limit: null,
                note: years > 0 ? t`Bottle opened ${counted(years, 'year')} ago` : '',
              }}
            />
          )}
          <p className="text-sm opacity-80">{t`Common practice. Rust converter is acidic: wear gloves and eye protection. Follow the product’s safety data sheet first.`}</p>
        </>
      )}
    </Tool>
  );
}

/** What old paint is, and how its adhesion is tested. */
export function OldPaintTool() {
  const [softens, setSoftens] = useState<'yes' | 'no'>('no');
  const [microns, setMicrons] = useState(200);
  const [grade, setGrade] = useState(1);
  const found = tried(() => ({
    test: adhesionTest(microns),
    judged: judgeFinding({ kind: 'adhesion', value: grade, grade: null, limit: null }),
  }));
  return (
    <Tool title={t`Old paint`}>
      <div className="grid max-w-xl gap-3 sm:grid-cols-3">
        <Choice
          label={t`Effect of the solvent`}
          value={softens}
          choices={[
            ['no', t`stays hard`],
            ['yes', t`softens`],
          ]}
          onChange={setSoftens}
        />
        <NumberField label={t`Paint thickness`} quantity="film" value={microns} onChange={setMicrons} />
        <NumberField label={t`Adhesion grade (0–5)`} value={grade} unit="" onChange={setGrade} />
      </div>
      <output className="block text-lg">{t`Solvent rub: ${solventRub(softens === 'yes').why}.`}</output>
      <StockFinding
        reading={{
          kind: 'solvent-rub',
          value: null,
          grade: softens === 'yes' ? 'softens' : 'hard',
          limit: null,
          note: '',
        }}
      />
      {'problem' in found ? (
        <Problem text={found.problem} />
      ) : (
        <>
          <output className="block text-lg">
            {t`Adhesion test (${found.value.test}): ${found.value.judged.reason}`}
          </output>
          <p className="text-sm opacity-80">{t`Use a cross-cut up to 250 µm (ISO 2409) and an X-cut above that (ISO 16276-2, from memory). Old paint may contain lead, tin or chromate. Test first, and never dry-sand old antifouling.`}</p>
          <StockFinding
            reading={{
              kind: 'adhesion',
              value: grade,
              grade: null,
              limit: null,
              note: `${found.value.test}`,
            }}
          />
        </>
      )}
    </Tool>
  );
}
