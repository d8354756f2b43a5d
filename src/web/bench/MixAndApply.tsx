import type { AlikeArea } from '../../contract/index.ts';
import type { Applying } from './applying.ts';
import type { BenchPart } from './BenchSteps.tsx';
import { mixedFor } from './batchInHand.ts';
import { Mixing } from './Mixing.tsx';
import type { MixingProps } from './OneBatch.tsx';
import type { Covered } from './together.ts';
import { WhileApplying } from './WhileApplying.tsx';

interface Props extends Omit<MixingProps, 'othersM2'> {
  /** Other areas painted in one go. */
  others: readonly AlikeArea[];
  /** How far the coat has got on all areas painted in one go. */
  all: Covered;
  applying: Applying;
  /** Adds this device to those at the coat. */
  join: () => void;
  /** Whether there is anything to apply yet. */
  applies: boolean;
  onStop: (note: string) => void;
  zone: string;
  classOf: (part: BenchPart) => string;
}

/** Mixing and applying; the next of them first: applying, once nothing is left to mix. */
export function MixAndApply(props: Props) {
  const {
    view,
    others,
    all,
    step,
    product,
    wanted,
    airC,
    applying,
    join,
    applies,
    onStop,
    zone,
    classOf,
    onMixed,
  } = props;
  const othersM2 = others.reduce((sum, { leftM2 }) => sum + leftM2, 0);
  const { next } = view.clock;
  const mixed = mixedFor(view, step);
  const mixing = (
    <div key="mix" className={classOf('mix')}>
      <Mixing
        key={product.id}
        {...{ view, step, product, wanted, othersM2, airC, onMixed, zone }}
        usedL={applying.usedL}
        all={all}
      />
    </div>
  );
  const applyingNow = applies && next && (
    <div key="apply" className={classOf('apply')}>
      <WhileApplying
        view={view}
        step={step}
        product={product}
        mixed={mixed || (wanted ?? 0)}
        others={others}
        applying={applying}
        join={join}
        onStop={onStop}
        zone={zone}
      />
    </div>
  );
  const isAllMixed = wanted !== null && mixed > 0 && mixed >= wanted - 1e-9;
  return isAllMixed ? [applyingNow, mixing] : [mixing, applyingNow];
}
