import { Link } from 'react-router';
import type { BenchView } from '../../contract/index.ts';
import { sayTime } from '../clock/say.ts';
import { notBefore } from '../words/clocks.ts';

/** Says that the coat is logged, and when the next one may go on. */
export function Logged({ how, view, zone }: { how: 'arrived' | 'kept'; view: BenchView; zone: string }) {
  const { clock } = view;
  const now = Date.parse(view.now);
  if (how === 'kept') {
    return (
      <p role="status" className="border-line border-2 p-3 text-lg">
        Coat saved on this device, waiting to sync.
      </p>
    );
  }
  const waits = notBefore(clock, now);
  const opens = waits && sayTime(waits.at, zone, now);
  return (
    <p role="status" className="border-line border-2 p-3 text-lg">
      <strong>Coat logged.</strong>{' '}
      {opens
        ? `${clock.nextIsWater ? 'Ready for the water from' : waits?.clogs ? 'Sanded first, the next coat may go on from' : 'The next coat may go on from'} ${opens}. `
        : ''}
      <Link className="link" to={`/window/${clock.areaId}`}>
        See the window
      </Link>
    </p>
  );
}
