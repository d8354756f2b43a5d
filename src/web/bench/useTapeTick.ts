import { v7 as uuidv7 } from 'uuid';
import type { BareTick, BenchView, TapeKind } from '../../contract/index.ts';
import { entryWrite } from '../api/logEntry.ts';
import { useQueued } from '../api/mutations.ts';

/** Ticks tape on an edge or on something to leave bare, on or off, in the log. */
export function useTapeTick(view: BenchView) {
  const { mutate: log } = useQueued();
  return ({ id, name }: Pick<BareTick, 'id' | 'name'>, tape: TapeKind | null) => {
    const { stepId = null, coatNo = null } = view.clock.next ?? {};
    const body = { itemId: id, name, on: tape !== null, stepId, coatNo, ...(tape && { tape }) };
    const entry = { id: uuidv7(), areaId: view.area.id, at: new Date().toISOString(), corrects: null };
    log(entryWrite({ ...entry, kind: 'tape', body }));
  };
}
