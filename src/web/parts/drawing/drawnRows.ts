import type { AreaClock, BoatView } from '../../../contract/index.ts';
import type { Substrate } from '../../../core/system/index.ts';
import type { Drawn, DrawnArea } from './drawn.ts';

/** An area as it is drawn and listed. */
export interface AreaRow extends DrawnArea {
  substrate: Substrate;
  areaM2: number;
  spread: number;
  clock: AreaClock | undefined;
}

/** The areas of a boat by their balloon numbers; what was cut out of an area follows it. */
export function rowsOf({ areas, clocks }: Pick<BoatView, 'areas' | 'clocks'>): AreaRow[] {
  const whole = areas.filter((area) => !areas.some((each) => each.id === area.part?.areaId));
  const ordered = whole.flatMap((area) => [area, ...areas.filter((each) => each.part?.areaId === area.id)]);
  return ordered.map((area, i) => {
    const clock = clocks.find((c) => c.areaId === area.id);
    return {
      id: area.id,
      name: area.name,
      zone: area.zone,
      side: area.side,
      state: clock?.state ?? 'no-system',
      number: i + 1,
      part: area.part,
      substrate: area.substrate,
      areaM2: clock?.areaM2 ?? 0,
      spread: clock?.spread ?? 0,
      clock,
    };
  });
}

/** Findings by letter, in the order they were set down: A, B, … Z, AA. */
export function letterOf(index: number): string {
  const rest = Math.floor(index / 26);
  return `${rest > 0 ? letterOf(rest - 1) : ''}${String.fromCharCode(65 + (index % 26))}`;
}

export const letteredFindings = (findings: BoatView['findings']): Drawn['findings'] =>
  findings.map((finding, i) => ({ ...finding, letter: letterOf(i) }));
