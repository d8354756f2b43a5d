import type { Finding, OpenFault } from '../../contract/index.ts';
import { openFaults } from '../../core/inspect/index.ts';
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
  return openFaults(here, baredMs(state)).map(({ id, kind, reason, at }) => ({
    findingId: id,
    areaId: state.area.id,
    kind,
    reason,
    at,
  }));
}
