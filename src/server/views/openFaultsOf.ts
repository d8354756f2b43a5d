import type { Finding, OpenFault } from '../../contract/index.ts';
import { openFaults, paintedOverMs } from '../../core/inspect/index.ts';
import type { AreaSnapshot } from '../memory/areaStates.ts';

/** When an area was last laid bare, as far as is logged. */
function baredMs({ blast, groundMs }: AreaSnapshot): number | null {
  return blast === null && groundMs === null ? null : Math.max(blast?.atMs ?? 0, groundMs ?? 0);
}

/** The findings on an area that nothing has settled, oldest first. */
export function openFaultsOf(state: AreaSnapshot, findings: readonly Finding[]): OpenFault[] {
  const here = findings
    .filter(({ areaId }) => areaId === state.area.id)
    .map((finding) => ({ ...finding, atMs: Date.parse(finding.at) }));
  const ends = state.coats.map(({ toMs }) => toMs);
  return openFaults(here, baredMs(state)).map(({ id, kind, reason, at, atMs }) => {
    const overMs = paintedOverMs(atMs, ends);
    return {
      findingId: id,
      areaId: state.area.id,
      kind,
      reason,
      at,
      paintedOverAt: overMs === null ? null : new Date(overMs).toISOString(),
    };
  });
}

/** Those of them that nothing has been painted over yet: they still ask for a decision. */
export const notPaintedOver = (state: AreaSnapshot, findings: readonly Finding[]): OpenFault[] =>
  openFaultsOf(state, findings).filter(({ paintedOverAt }) => paintedOverAt === null);
