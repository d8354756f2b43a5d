import { cleaningLitres, residueLitres } from './inTools.ts';
import type { LineNeed, NeedLine } from './lineNeed.ts';

/** What a product leaves in tools over all its sessions. */
export interface Tools {
  sessions: number;
  /** Paint left in rollers, trays and pots, and what cleans them, l. */
  left: number;
  clean: number;
  /** Of which product and colour the paint is that is left: the share of each line. */
  share: Map<string, number>;
}

/**
 * What stays in the tools: coats of the same number on one boat by one method are applied in one session, whatever the
 * areas.
 */
export function inTools(known: readonly { line: NeedLine; own: LineNeed }[]): Map<string, Tools> {
  const all = new Map<string, Tools>();
  const sessions = new Map<
    string,
    { productId: string; method: NeedLine['method']; lines: Map<string, number> }
  >();
  for (const { line, own } of known) {
    // A can that sprays leaves nothing in a tray.
    if (line.sheet.canLitres !== null) continue;
    for (const { no, litres } of own.coats) {
      const key = `${line.boatId} ${line.productId} ${line.method} ${no}`;
      const session = sessions.get(key) ?? {
        productId: line.productId,
        method: line.method,
        lines: new Map(),
      };
      sessions.set(key, session);
      session.lines.set(line.id, (session.lines.get(line.id) ?? 0) + litres);
    }
  }
  for (const { productId, method, lines } of sessions.values()) {
    const whole = [...lines.values()].reduce((sum, litres) => sum + litres, 0);
    if (!(whole > 0)) continue;
    const tools = all.get(productId) ?? { sessions: 0, left: 0, clean: 0, share: new Map<string, number>() };
    const left = residueLitres(method, whole);
    tools.sessions += 1;
    tools.left += left;
    tools.clean += cleaningLitres(method);
    for (const [id, litres] of lines)
      tools.share.set(id, (tools.share.get(id) ?? 0) + (left * litres) / whole);
    all.set(productId, tools);
  }
  return all;
}
