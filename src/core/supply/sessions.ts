import { cleaningLitres, residueLitres } from './inTools.ts';
import type { LineNeed, NeedLine } from './lineNeed.ts';

/** What a product leaves in tools over all its sessions. */
export interface Tools {
  sessions: number;
  /** Paint left in rollers, trays and pots, and what cleans them, l. */
  left: number;
  clean: number;
  /** The share of each line in what is left, in the order of the lines. */
  share: number[];
}

interface Session {
  whole: number;
  lines: { at: number; litres: number }[];
}

/**
 * What one product leaves in the tools: coats of the same number on one boat by one method are applied in one session,
 * for any areas.
 */
export function inTools(known: readonly { line: NeedLine; own: LineNeed }[]): Tools {
  const tools: Tools = { sessions: 0, left: 0, clean: 0, share: known.map(() => 0) };
  const byBoat = new Map<string, Map<NeedLine['method'], Session[]>>();
  known.forEach(({ line, own }, at) => {
    // A can that sprays leaves nothing in a tray.
    if (line.sheet.canLitres !== null) return;
    const byMethod = byBoat.get(line.boatId) ?? new Map<NeedLine['method'], Session[]>();
    byBoat.set(line.boatId, byMethod);
    const sessions = byMethod.get(line.method) ?? [];
    byMethod.set(line.method, sessions);
    for (const { no, litres } of own.coats) {
      sessions[no] ??= { whole: 0, lines: [] };
      sessions[no].whole += litres;
      sessions[no].lines.push({ at, litres });
    }
  });
  for (const byMethod of byBoat.values())
    for (const [method, sessions] of byMethod)
      for (const session of sessions) {
        if (!session || !(session.whole > 0)) continue;
        const left = residueLitres(method, session.whole);
        tools.sessions += 1;
        tools.left += left;
        tools.clean += cleaningLitres(method);
        // A rate learned from what was really used has it in already.
        for (const { at, litres } of session.lines)
          if (!known[at]?.line.learned)
            tools.share[at] = (tools.share[at] as number) + (left * litres) / session.whole;
      }
  return tools;
}
