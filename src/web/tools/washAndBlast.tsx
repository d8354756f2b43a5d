import { useState } from 'react';
import {
  BARE_STEEL_HOURS,
  blastDay,
  PASSIVATED_HOURS,
  WASH_RATIO,
  washLitres,
} from '../../core/inspect/index.ts';
import { figure } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { Choice, NumberField } from '../forms/NumberField.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { StockNote } from './StockFinding.tsx';
import { Problem, Tool, tried } from './Tool.tsx';

/** A dose by the label of a cleaner, grams or millilitres to the litre. */
function BucketDose() {
  const { show } = useUnits();
  const [bucket, setBucket] = useState(10);
  const [perLitre, setPerLitre] = useState<number | null>(null);
  const dose = perLitre === null || !(perLitre > 0) || !(bucket > 0) ? null : perLitre * bucket;
  return (
    <>
      <div className="grid max-w-xl gap-3 sm:grid-cols-2">
        <NumberField label={t`Bucket`} quantity="volume" value={bucket} onChange={setBucket} />
        <NumberField
          label={t`Dose on the label`}
          unit={t`g or ml a litre`}
          value={perLitre}
          onChange={setPerLitre}
          hint={t`As the label says: too much leaves a film that paint doesn’t stick to.`}
        />
      </div>
      {dose !== null && (
        <output className="block text-lg">
          <strong>{t`${figure(dose)} g or ml`}</strong>
          {t` into ${show(bucket, 'volume')} of water; rinse it off`}
        </output>
      )}
    </>
  );
}

const WASHES = [
  ['salt-remover', t`Salt remover, ${WASH_RATIO['salt-remover']} : 1`],
  ['passivating-wash', t`Passivating wash, ${WASH_RATIO['passivating-wash']} : 1`],
] as const;

/** Concentrate for any tank. */
export function WashDilution() {
  const { show } = useUnits();
  const [wash, setWash] = useState<keyof typeof WASH_RATIO>('salt-remover');
  const [tank, setTank] = useState(20);
  const found = tried(() => washLitres(tank, WASH_RATIO[wash]));
  return (
    <Tool title={t`Wash dilution`}>
      <div className="grid max-w-xl gap-3 sm:grid-cols-2">
        <Choice label={t`Wash dilution`} value={wash} choices={WASHES} onChange={setWash} />
        <NumberField label={t`Tank size`} quantity="volume" value={tank} onChange={setTank} />
      </div>
      {'problem' in found ? (
        <Problem text={found.problem} />
      ) : (
        <>
          <output className="block text-lg">
            <strong>{show(found.value, 'volume')}</strong>
            {t` of concentrate to ${show(tank, 'volume')} of water`}
          </output>
          <StockNote
            note={t`${wash.replace('-', ' ')}, ${WASH_RATIO[wash]} : 1: ${show(found.value, 'volume')} to ${show(tank, 'volume')} of water`}
          />
        </>
      )}
      <h3 className="pt-2 font-semibold">{t`Cleaner by dose`}</h3>
      <BucketDose />
    </Tool>
  );
}

const LIMITED: Record<string, string> = {
  'bare-time': t`Limited by how long bare steel can be left unprimed`,
  blasting: t`Limited by the working day; blasting takes most of the time`,
  priming: t`Limited by the working day; priming takes most of the time`,
  area: t`This is the whole area`,
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
    <Tool title={t`Blasting and priming in a day`}>
      <div className="grid max-w-3xl grid-cols-2 gap-3 sm:grid-cols-3">
        <NumberField label={t`Area`} quantity="area" value={areaM2} onChange={setArea} />
        <NumberField label={t`Blasting rate`} unit="m²/h" value={blastM2PerH} onChange={setBlast} />
        <NumberField label={t`Priming rate`} unit="m²/h" value={primeM2PerH} onChange={setPrime} />
        <NumberField label={t`Working hours`} unit="h" value={hours} onChange={setHours} />
        <Choice
          label={t`Time until primed`}
          value={wash}
          choices={[
            ['bare', t`unwashed: 4 h`],
            ['passivated', t`passivating wash: 2 days`],
          ]}
          onChange={setWash}
        />
      </div>
      {'problem' in found ? (
        <Problem text={found.problem} />
      ) : (
        <>
          <output className="block text-lg">
            {t`Blast `}
            <strong>{show(found.value.areaM2, 'area')}</strong>
            {t` today (${found.value.blastHours.toFixed(1)} h), then prime. `}
            {LIMITED[found.value.limitedBy]}.
          </output>
          <StockNote
            note={t`blast ${show(found.value.areaM2, 'area')} today (${found.value.blastHours.toFixed(1)} h), then prime. ${LIMITED[found.value.limitedBy]}`}
          />
          <p className="text-sm opacity-80">{t`Prime bare blasted steel within 4 hours, sooner when damp (common practice). Protect your eyes, hearing and lungs. Don’t blast next to wet paint.`}</p>
        </>
      )}
    </Tool>
  );
}
