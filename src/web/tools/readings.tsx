import { useId, useState } from 'react';
import {
  judgeFinding,
  profileFromTape,
  saltFromConductivity,
  type TapeGrade,
} from '../../core/inspect/index.ts';
import { t } from '../../words.ts';
import { Choice, NumberField } from '../forms/NumberField.tsx';
import { StockFinding } from './StockFinding.tsx';
import { Problem, Tool, tried } from './Tool.tsx';

/** Blast profile from replica tape. */
export function ReplicaTape() {
  const [text, setText] = useState('105 115');
  const [tape, setTape] = useState<TapeGrade>('coarse');
  const [wanted, setWanted] = useState(50);
  const id = useId();
  const found = tried(() =>
    profileFromTape({
      tape,
      readingsMicrons: text
        .split(/[\s;]+/)
        .filter(Boolean)
        .map((each) => Number(each.replace(',', '.'))),
    }),
  );
  const reading = { kind: 'profile', grade: null, limit: wanted } as const;
  return (
    <Tool title={t`Blast profile (replica tape)`}>
      <div className="grid max-w-xl gap-3 sm:grid-cols-3">
        <div>
          <label
            htmlFor={id}
            className="label-caps block pb-1"
          >{t`Micrometer readings, µm (separate with spaces)`}</label>
          <input
            id={id}
            className="input w-full"
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
        </div>
        <Choice
          label={t`Tape grade`}
          value={tape}
          choices={[
            ['coarse', t`coarse`],
            ['extra-coarse', t`extra-coarse`],
          ]}
          onChange={setTape}
        />
        <NumberField
          label={t`Minimum profile on the data sheet`}
          quantity="film"
          value={wanted}
          onChange={setWanted}
        />
      </div>
      {'problem' in found ? (
        <Problem text={found.problem} />
      ) : (
        <>
          <output className="block text-lg">
            {t`Peak to valley: `}
            <strong>
              {judgeFinding({ ...reading, value: Number(found.value.microns.toFixed(1)) }).reason}
            </strong>
          </output>
          {found.value.few && <p>{t`One tape isn’t enough for an average. Take at least two.`}</p>}
          {found.value.warning && <p className="text-warning font-semibold">{found.value.warning}</p>}
          <p className="text-sm opacity-80">{t`Mean reading minus 50 µm for the tape film (ASTM D4417 method C, ISO 8503-5). The data sheet decides what is required.`}</p>
          <StockFinding
            reading={{
              ...reading,
              value: Number(found.value.microns.toFixed(1)),
              note: t`Replica tape (${tape}): ${text} µm`,
            }}
          />
        </>
      )}
    </Tool>
  );
}

/** Salt from the conductivity of a patch. */
export function SaltPatch() {
  const [reading, setReading] = useState(8);
  const [blank, setBlank] = useState(2);
  const [millilitres, setMillilitres] = useState(15);
  const found = tried(() => {
    const salt = saltFromConductivity({ microSiemensPerCm: reading, blank, millilitres });
    return {
      salt,
      judged: judgeFinding({ kind: 'salt', value: Number(salt.toFixed(1)), grade: null, limit: null }),
    };
  });
  return (
    <Tool title={t`Salt (patch test)`}>
      <div className="grid max-w-xl grid-cols-3 gap-3">
        <NumberField
          label={t`Conductivity of the sample`}
          unit="µS/cm"
          value={reading}
          onChange={setReading}
        />
        <NumberField label={t`Conductivity of the blank`} unit="µS/cm" value={blank} onChange={setBlank} />
        <NumberField label={t`Water volume`} unit="ml" value={millilitres} onChange={setMillilitres} />
      </div>
      {'problem' in found ? (
        <Problem text={found.problem} />
      ) : (
        <>
          <output className="block text-lg">
            {t`Salt as NaCl: `}
            <strong>{found.value.judged.reason}</strong>
          </output>
          <p className="text-sm opacity-80">{t`6 mg/m² for each µS/cm above the blank, with 15 ml on 1250 mm² (ISO 8502-6 and 8502-9; factor from memory). Other water volumes are scaled.`}</p>
          <StockFinding
            reading={{
              kind: 'salt',
              value: Number(found.value.salt.toFixed(1)),
              grade: null,
              limit: null,
              note: t`Patch test: ${reading} µS/cm, blank ${blank} µS/cm, ${millilitres} ml`,
            }}
          />
        </>
      )}
    </Tool>
  );
}
