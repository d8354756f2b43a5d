import { useState } from 'react';
import type { OffsetTable } from '../../core/hull/index.ts';
import { useUnsaved } from '../state/unsaved.ts';
import { type Grid, type GridUnit, toGrid } from './offsetsText.ts';

interface Draft {
  /** The table as it stands on the screen; null: none is begun. */
  grid: Grid | null;
  /** Another table was kept since this one was begun, and this one is not saved. */
  overtaken: boolean;
  change: (grid: Grid | null) => void;
  /** Runs a save; once it has gone through, what stands here is what is kept. */
  saving: (save: () => Promise<void>) => Promise<void>;
  takeTheirs: () => void;
}

/**
 * A table of offsets being typed over the one that is kept. It follows the kept one until somebody types; from then on
 * nothing saved elsewhere on the page, or by others, takes away what is typed.
 */
export function useOffsetsDraft(kept: OffsetTable | null, unit: GridUnit): Draft {
  const asKept = () => ({ base: kept, grid: kept && toGrid(kept, unit), typed: false });
  const [draft, setDraft] = useState(asKept);
  const [busy, setBusy] = useState(false);
  useUnsaved(draft.typed && !busy);
  const changed = kept !== draft.base;
  if (changed && !draft.typed) setDraft(asKept());
  return {
    grid: draft.grid,
    overtaken: changed && draft.typed && !busy,
    change: (grid) => setDraft({ ...draft, grid, typed: true }),
    saving: async (save) => {
      setBusy(true);
      try {
        await save();
        setDraft((now) => (now.grid === draft.grid ? { ...now, typed: false } : now));
      } finally {
        setBusy(false);
      }
    },
    takeTheirs: () => setDraft(asKept()),
  };
}
