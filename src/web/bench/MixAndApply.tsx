import type { BenchView, Product, Step } from '../../contract/index.ts';
import type { Applying } from './applying.ts';
import type { BenchPart } from './BenchSteps.tsx';
import { mixedFor } from './batchInHand.ts';
import { Mixing } from './Mixing.tsx';
import { WhileApplying } from './WhileApplying.tsx';

interface Props {
  view: BenchView;
  step: Step;
  product: Product;
  /** Unthinned litres that the coat takes on all areas of one go; null: not known. */
  wanted: number | null;
  /** m² of other areas that are applied in the same go. */
  othersM2: number;
  airC: number | null;
  applying: Applying;
  /** Whether there is anything to apply yet. */
  applies: boolean;
  zone: string;
  classOf: (part: BenchPart) => string;
  onMixed: () => void;
}

/** Mixing and applying; the next of them first: applying, once nothing is left to mix. */
export function MixAndApply(props: Props) {
  const { view, step, product, wanted, othersM2, airC, applying, applies, zone, classOf, onMixed } = props;
  const { next } = view.clock;
  const mixed = mixedFor(view, step);
  const mixing = (
    <div key="mix" className={classOf('mix')}>
      <Mixing
        key={product.id}
        view={view}
        step={step}
        product={product}
        wanted={wanted}
        othersM2={othersM2}
        airC={airC}
        usedL={applying.usedL}
        zone={zone}
        onMixed={onMixed}
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
        areaM2={Math.max(0, next.areaM2 - next.coveredM2)}
        applying={applying}
        zone={zone}
      />
    </div>
  );
  const isAllMixed = wanted !== null && mixed > 0 && mixed >= wanted - 1e-9;
  return isAllMixed ? [applyingNow, mixing] : [mixing, applyingNow];
}
