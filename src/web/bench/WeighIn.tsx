import { useEffect, useState } from 'react';
import {
  isSettled,
  type MeasuringTool,
  type MixPart,
  type RatioBasis,
  type Split,
  shares,
  weighIn,
} from '../../core/mix/index.ts';
import { t } from '../../words.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { orProblem } from './batchInHand.ts';
import { SPOKEN } from './ReadAloud.tsx';
import {
  canConnect,
  connectScale,
  disconnectScale,
  listenToNetworkScale,
  type ScaleState,
  scaleAddress,
  simulateScale,
  useScale,
  weighed,
} from './scaleStore.ts';
import { type ToolAmounts, toolAmounts } from './toolAmounts.ts';

interface Props {
  tool: MeasuringTool;
  split: Split;
  parts: readonly MixPart[];
  by: RatioBasis;
  /** Whether the simulated scale is offered: where the weather is simulated too. */
  simulates: boolean;
  /** g of each part in the pot, after each that is in. */
  onAmounts: (amounts: readonly number[]) => void;
}

/** Speeds that scales commonly send at; the first is the usual one (common practice, no source). */
const SPEEDS = [9600, 1200, 2400, 4800, 19_200, 38_400, 115_200];
/** The simulated scale pours so much at a press, g. */
const SIMULATED_G = [100, 10, 1];

/** The pot on a connected scale, which shows how much of the part in hand is still to pour. */
export function WeighIn(props: Props) {
  const scale = useScale();
  const [baud, setBaud] = useState(SPEEDS[0] as number);
  if (scale.source === 'none') {
    return (
      <div className="space-y-2">
        {scale.problem && <p role="alert">{scale.problem}</p>}
        <div className="flex flex-wrap items-center gap-3">
          {canConnect() && (
            <>
              <button
                type="button"
                className="btn target"
                onClick={() => void connectScale(baud)}
              >{t`Connect a scale`}</button>
              <label className="flex items-center gap-2">
                {t`Speed (baud)`}
                <select
                  className="select target w-auto"
                  value={baud}
                  onChange={({ target }) => setBaud(Number(target.value))}
                >
                  {SPEEDS.map((each) => (
                    <option key={each}>{each}</option>
                  ))}
                </select>
              </label>
            </>
          )}
          <button
            type="button"
            className="btn target"
            onClick={listenToNetworkScale}
          >{t`Use a scale on the network`}</button>
          {props.simulates && (
            <button
              type="button"
              className="btn target"
              onClick={simulateScale}
            >{t`Use a simulated scale`}</button>
          )}
        </div>
      </div>
    );
  }
  return <Weighing {...props} scale={scale} />;
}

/** From the empty pot to the last part. */
function Weighing({ tool, split, parts, by, onAmounts, scale }: Props & { scale: ScaleState }) {
  const { system } = useUnits();
  const of = toolAmounts(tool, system);
  const [tareG, setTareG] = useState<number | null>(null);
  const [poured, setPoured] = useState<readonly number[]>([]);
  const [now, setNow] = useState(Date.now);
  // A scale that has settled sends nothing new, or always the same: looked at again after a moment.
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 250);
    return () => clearInterval(timer);
  }, []);
  const reading = scale.readings.at(-1)?.grams ?? null;
  const settled = isSettled(scale.readings, Math.max(now, scale.readings.at(-1)?.atMs ?? 0));
  const { value: inPot, problem } = orProblem(() =>
    weighIn({
      ratios: shares({ parts, by, as: 'weight' }),
      firstG: split.pours[0]?.amount ?? 0,
      poured,
      onScaleG: (reading ?? 0) - (tareG ?? 0),
    }),
  );
  if (!inPot)
    return (
      <div className="space-y-2">
        <p role="alert">{t`${problem}. Enter the amounts by hand.`}</p>
        <button type="button" className="btn target" onClick={disconnectScale}>{t`Disconnect`}</button>
      </div>
    );
  const part = inPot.part === null ? null : parts[inPot.part];
  const again = () => {
    setTareG(null);
    setPoured([]);
  };
  return (
    <section aria-label={t`Scale`} className="border-line space-y-2 border-l-4 pl-3">
      <p>
        {scale.source === 'simulated' ? t`Simulated scale` : t`Scale`}:{' '}
        <strong>{reading === null ? t`no reading yet` : of.say(reading)}</strong>
        {reading !== null && !settled && t`, settling`}
      </p>
      {scale.problem && <p role="alert">{scale.problem}</p>}
      {scale.source === 'network' && reading === null && <NetworkScale />}
      {scale.source === 'simulated' && <Simulated reading={reading ?? 0} of={of} />}
      {tareG === null ? (
        <>
          <p className="text-xl">{t`Put the empty pot on the scale.`}</p>
          <button
            type="button"
            className="btn btn-primary target"
            disabled={reading === null || !settled}
            onClick={() => setTareG(reading)}
          >{t`The empty pot is on`}</button>
        </>
      ) : part ? (
        <>
          {reading === null ? (
            <p
              role="alert"
              className="text-xl"
            >{t`The scale sends no readings. Stop pouring until it does, or enter the amounts by hand.`}</p>
          ) : (
            <Left {...inPot} name={part.name} of={of} />
          )}
          <button
            type="button"
            className="btn btn-primary target"
            disabled={!settled || (inPot.amounts[poured.length] ?? 0) <= 0}
            onClick={() => {
              const next = [...poured, inPot.amounts[poured.length] as number];
              setPoured(next);
              onAmounts(parts.map((_, i) => next[i] ?? 0));
            }}
          >{t`The ${part.name} is in`}</button>
        </>
      ) : (
        <p role="status">{t`All parts are in the pot. The amounts are shown below.`}</p>
      )}
      <div className="flex flex-wrap gap-2">
        {tareG !== null && (
          <button
            type="button"
            className="btn btn-ghost target"
            onClick={again}
          >{t`Weigh again from the empty pot`}</button>
        )}
        <button
          type="button"
          className="btn btn-ghost target"
          onClick={disconnectScale}
        >{t`Disconnect`}</button>
      </div>
    </section>
  );
}

/** What a scale on the network has to send, until it does. */
function NetworkScale() {
  return (
    <div className="space-y-1">
      <p>{t`Have the scale, or the device that reads it, send each line with its weight to this address (HTTP PUT, text/plain), for example “0.450 kg”:`}</p>
      <p>
        <code className="break-all">{scaleAddress()}</code>
      </p>
    </div>
  );
}

/** The amount still to pour of a part, large enough to read while pouring. */
function Left({ left, wanted, name, of }: { left: number; wanted: number; name: string; of: ToolAmounts }) {
  const near = left >= 0 ? left : 0;
  return (
    <div {...SPOKEN}>
      <p className="text-xl">
        {left >= 0 ? (
          <>
            {t`Pour `}
            <span className="big-figure text-5xl">{of.say(near)}</span>
            {t` more ${name}`}
          </>
        ) : (
          <span className="text-warning font-semibold">
            {t`${of.say(-left)} too much ${name}. The other parts are adjusted to it.`}
          </span>
        )}
      </p>
      <progress
        className="progress progress-primary w-full"
        aria-label={t`${name} in the pot`}
        max={wanted || 1}
        value={Math.min(wanted, wanted - left)}
      />
    </div>
  );
}

/** Stands in for a scale: each press pours. */
function Simulated({ reading, of }: { reading: number; of: ToolAmounts }) {
  return (
    <div className="flex flex-wrap gap-2">
      {SIMULATED_G.map((each) => (
        <button key={each} type="button" className="btn target" onClick={() => weighed(reading + each)}>
          + {of.say(each)}
        </button>
      ))}
    </div>
  );
}
