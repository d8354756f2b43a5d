import { type ReactNode, useId, useState } from 'react';
import {
  adhesionTest,
  BARE_STEEL_HOURS,
  blastDay,
  type ConverterRound,
  converterCourse,
  judgeFinding,
  PASSIVATED_HOURS,
  profileFromTape,
  saltFromConductivity,
  solventRub,
  type TapeGrade,
  WASH_RATIO,
  washLitres,
} from '../../core/inspect/index.ts';
import { Choice, NumberField } from '../forms/NumberField.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { StoreFinding } from './StoreFinding.tsx';

/** A result, or why there is none. */
function tried<T>(work: () => T): { value: T } | { problem: string } {
  try {
    return { value: work() };
  } catch (error) {
    return { problem: (error as Error).message };
  }
}

function Tool({ title, children }: { title: string; children: ReactNode }) {
  const id = useId();
  return (
    <section aria-labelledby={id} className="space-y-3">
      <h2 id={id} className="batten pb-1 text-lg">
        {title}
      </h2>
      {children}
    </section>
  );
}

const Problem = ({ text }: { text: string }) => <p className="text-error font-semibold">{text}</p>;

/** Blast profile from replica tape. */
export function ReplicaTape() {
  const { show } = useUnits();
  const [text, setText] = useState('105 115');
  const [tape, setTape] = useState<TapeGrade>('coarse');
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
  return (
    <Tool title="Profile by replica tape">
      <div className="grid max-w-xl gap-3 sm:grid-cols-2">
        <div>
          <label htmlFor={id} className="label-caps block pb-1">
            Micrometer readings, µm
          </label>
          <input
            id={id}
            className="input w-full"
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
        </div>
        <Choice
          label="Tape"
          value={tape}
          choices={[
            ['coarse', 'coarse'],
            ['extra-coarse', 'extra-coarse'],
          ]}
          onChange={setTape}
        />
      </div>
      {'problem' in found ? (
        <Problem text={found.problem} />
      ) : (
        <>
          <output className="block text-lg">
            <strong>{show(found.value.microns, 'film')}</strong> peak to valley
          </output>
          {found.value.few && <p>One tape is no average: take two or more.</p>}
          {found.value.warning && <p className="text-warning font-semibold">{found.value.warning}</p>}
          <p className="text-sm opacity-80">
            Mean reading less 50 µm of film (ASTM D4417 method C, ISO 8503-5). What the sheet wants decides.
          </p>
          <StoreFinding
            reading={{
              kind: 'profile',
              value: Number(found.value.microns.toFixed(1)),
              grade: null,
              limit: null,
              note: `replica tape, ${tape}: ${text}`,
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
    <Tool title="Salt by patch">
      <div className="grid max-w-xl grid-cols-3 gap-3">
        <NumberField label="Conductivity" unit="µS/cm" value={reading} onChange={setReading} />
        <NumberField label="Blank" unit="µS/cm" value={blank} onChange={setBlank} />
        <NumberField label="Water" unit="ml" value={millilitres} onChange={setMillilitres} />
      </div>
      {'problem' in found ? (
        <Problem text={found.problem} />
      ) : (
        <>
          <output className="block text-lg">
            <strong>{found.value.salt.toFixed(0)} mg/m²</strong> as NaCl: {found.value.judged.reason}
          </output>
          <p className="text-sm opacity-80">
            6 mg/m² for each µS/cm above blank with 15 ml on 1250 mm² (ISO 8502-6 and 8502-9; the factor from
            memory).
          </p>
          <StoreFinding
            reading={{
              kind: 'salt',
              value: Number(found.value.salt.toFixed(1)),
              grade: null,
              limit: null,
              note: `patch: ${reading} µS/cm, blank ${blank}, ${millilitres} ml`,
            }}
          />
        </>
      )}
    </Tool>
  );
}

const WASHES = [
  ['salt-remover', `Salt remover, ${WASH_RATIO['salt-remover']} : 1`],
  ['passivating-wash', `Passivating wash, ${WASH_RATIO['passivating-wash']} : 1`],
] as const;

/** Concentrate for any tank. */
export function WashDilution() {
  const { show } = useUnits();
  const [wash, setWash] = useState<keyof typeof WASH_RATIO>('salt-remover');
  const [tank, setTank] = useState(20);
  const found = tried(() => washLitres(tank, WASH_RATIO[wash]));
  return (
    <Tool title="Wash">
      <div className="grid max-w-xl gap-3 sm:grid-cols-2">
        <Choice label="Wash" value={wash} choices={WASHES} onChange={setWash} />
        <NumberField label="Tank" quantity="volume" value={tank} onChange={setTank} />
      </div>
      {'problem' in found ? (
        <Problem text={found.problem} />
      ) : (
        <output className="block text-lg">
          <strong>{show(found.value, 'volume')}</strong> of concentrate to {show(tank, 'volume')} of water
        </output>
      )}
    </Tool>
  );
}

const LIMITED: Record<string, string> = {
  'bare-time': 'no metre stands bare longer',
  blasting: 'the day is over; blasting is what takes it',
  priming: 'the day is over; priming is what takes it',
  area: 'that is all of it',
};

/** m² to blast today so that none is bare too long. */
export function BlastDayTool() {
  const { show } = useUnits();
  const [areaM2, setArea] = useState(40);
  const [blastM2PerH, setBlast] = useState(8);
  const [primeM2PerH, setPrime] = useState(30);
  const [hours, setHours] = useState(8);
  const [wash, setWash] = useState<'bare' | 'passivated'>('bare');
  const found = tried(() =>
    blastDay({
      areaM2,
      blastM2PerH,
      primeM2PerH,
      hours,
      bareHours: wash === 'bare' ? BARE_STEEL_HOURS : PASSIVATED_HOURS,
    }),
  );
  return (
    <Tool title="Blast and prime in a day">
      <div className="grid max-w-3xl grid-cols-2 gap-3 sm:grid-cols-5">
        <NumberField label="Area" quantity="area" value={areaM2} onChange={setArea} />
        <NumberField label="Blasting" unit="m²/h" value={blastM2PerH} onChange={setBlast} />
        <NumberField label="Priming" unit="m²/h" value={primeM2PerH} onChange={setPrime} />
        <NumberField label="Hours of the day" unit="h" value={hours} onChange={setHours} />
        <Choice
          label="Steel is"
          value={wash}
          choices={[
            ['bare', 'bare: 4 h'],
            ['passivated', 'passivated: 2 days'],
          ]}
          onChange={setWash}
        />
      </div>
      {'problem' in found ? (
        <Problem text={found.problem} />
      ) : (
        <>
          <output className="block text-lg">
            Blast <strong>{show(found.value.areaM2, 'area')}</strong> today,{' '}
            {found.value.blastHours.toFixed(1)} h; then prime: {LIMITED[found.value.limitedBy]}.
          </output>
          <p className="text-sm opacity-80">
            Bare blasted steel is primed within 4 hours, sooner when damp (common practice). Eyes, hearing,
            dust; no blasting beside a wet film.
          </p>
        </>
      )}
    </Tool>
  );
}

/** A rust converter's course, round by round. */
export function ConverterTool() {
  const [rounds, setRounds] = useState<ConverterRound[]>([]);
  const [years, setYears] = useState(0);
  const found = tried(() => converterCourse({ rounds, openedYears: years }));
  return (
    <Tool title="Rust converter">
      <div className="flex flex-wrap items-end gap-3">
        <div className="w-56">
          <NumberField label="Bottle opened" unit="years ago" value={years} onChange={setYears} />
        </div>
        <button type="button" className="btn" onClick={() => setRounds([...rounds, { red: true }])}>
          A coat on: red still shows
        </button>
        <button type="button" className="btn" onClick={() => setRounds([...rounds, { red: false }])}>
          A coat on: all black
        </button>
        <button
          type="button"
          className="btn btn-ghost"
          disabled={rounds.length === 0}
          onClick={() => setRounds([])}
        >
          Begin anew
        </button>
      </div>
      {'problem' in found ? (
        <Problem text={found.problem} />
      ) : (
        <>
          <output className="block text-lg">
            {rounds.length} {rounds.length === 1 ? 'coat' : 'coats'} on. {found.value.step.why}.
          </output>
          {found.value.bottle && <p className="text-warning font-semibold">{found.value.bottle}.</p>}
          <p className="text-sm opacity-80">
            Common practice. It is acid: gloves, eyes; the product's safety data sheet comes first.
          </p>
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
    <Tool title="Old paint">
      <div className="grid max-w-xl gap-3 sm:grid-cols-3">
        <Choice
          label="Rubbed with solvent it"
          value={softens}
          choices={[
            ['no', 'stays hard'],
            ['yes', 'softens'],
          ]}
          onChange={setSoftens}
        />
        <NumberField label="It is thick" quantity="film" value={microns} onChange={setMicrons} />
        <NumberField label="Adhesion grade 0–5" value={grade} unit="" onChange={setGrade} />
      </div>
      <p>{solventRub(softens === 'yes').why}.</p>
      {'problem' in found ? (
        <Problem text={found.problem} />
      ) : (
        <>
          <output className="block text-lg">
            Test by {found.value.test}: {found.value.judged.reason}
          </output>
          <p className="text-sm opacity-80">
            Cross-cut to 250 µm (ISO 2409), X-cut above (ISO 16276-2, from memory). Old paint may hold lead,
            tin or chromate: test first, never dry-sand old antifouling.
          </p>
          <StoreFinding
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
