import { useEffect, useMemo, useRef, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { EntryInput, ProgressBody, ProgressView, Step } from '../../contract/index.ts';
import { type CoatProgress, dryFromComb, type ProgressNote, wetMicrons } from '../../core/film/index.ts';
import { atOwnRatio, unthinnedShare } from '../../core/mix/index.ts';
import { filmOf, type ProductSheet } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { entryWrite, logEntry, strikeWrite } from '../api/logEntry.ts';
import { useQueued } from '../api/mutations.ts';
import { progressOf } from './together.ts';

/** Teeth of common wet-film combs, µm (common practice; a comb may have others between them). */
export const TEETH: readonly number[] = [
  25, 50, 75, 100, 125, 150, 175, 200, 225, 250, 275, 300, 350, 400, 450, 500, 600, 700, 800, 900, 1000,
];

/** One reading of the comb: the last tooth wetted and the first that stayed dry, µm. */
export type CombReading = NonNullable<ProgressNote['comb']>;

/** The coat in hand as it stands on all devices, and how to note more of it. */
export interface Applying {
  progress: CoatProgress;
  /** Litres used so far, as typed here or noted anywhere; null: not stated. */
  usedL: number | null;
  note: (what: Partial<Pick<ProgressBody, 'section' | 'comb' | 'usedL' | 'wetEdgeMin' | 'cutIn'>>) => void;
  /** Takes notes back. */
  undo: (entryIds: readonly string[]) => void;
  /** Litres as they are stepped or typed: noted once they have stood for a moment. */
  setUsedL: (litres: number) => void;
  /** Notes them now: before the coat is logged, so that they are of this coat. */
  settle: () => Promise<void>;
}

/** So long litres stand before they are noted, ms: each tap of a stepper is not a note of its own. */
const SETTLED_MS = 1500;

/** A coat on one area, and what devices noted of it. */
export interface CoatOn {
  areaId: string;
  stepId: string | undefined;
  coatNo: number | undefined;
  coveredM2: number | undefined;
  progress: readonly ProgressView[];
}

/**
 * Progress of a coat in hand, kept in the log: a reload loses nothing, and another device sees it.
 *
 * @param join called before something is noted
 */
export function useApplying(coat: CoatOn, join: () => void): Applying {
  const { mutate: log } = useQueued();
  const { areaId, stepId, coatNo, coveredM2 } = coat;
  const progress = useMemo(() => progressOf(coat.progress), [coat.progress]);
  const entryOf = (what: Parameters<Applying['note']>[0]): EntryInput | null => {
    if (stepId === undefined || coatNo === undefined) return null;
    const body = { stepId, coatNo, section: null, comb: null, usedL: null, ...what };
    return { id: uuidv7(), areaId, at: new Date().toISOString(), corrects: null, kind: 'progress', body };
  };
  const keep = (entry: EntryInput | null) => {
    if (!entry) return;
    join();
    log(entryWrite(entry));
  };
  const typed = useTypedLitres({
    coat: `${stepId} ${coatNo} ${coveredM2}`,
    progress,
    entryOf: (usedL) => entryOf({ usedL }),
    keep,
  });
  return {
    progress,
    usedL: typed.litres ?? progress.usedL,
    note: (what) => keep(entryOf(what)),
    undo: (entryIds) => {
      for (const id of entryIds) log(strikeWrite(areaId, id, t`noted by mistake`));
    },
    setUsedL: typed.set,
    settle: async () => {
      const entry = typed.take();
      if (entry) await logEntry(entry);
    },
  };
}

/** Litres as typed here, until somebody notes others elsewhere or the coat is logged. Noted once they have stood for a moment. */
function useTypedLitres({
  coat,
  progress: { usedL, usedNote },
  entryOf,
  keep,
}: {
  coat: string;
  progress: CoatProgress;
  entryOf: (litres: number) => EntryInput | null;
  keep: (entry: EntryInput | null) => void;
}): { litres: number | null; set: (litres: number) => void; take: () => EntryInput | null } {
  const [typed, setTyped] = useState<{ coat: string; litres: number; over: string | null } | null>(null);
  const own = useRef(new Set<string>());
  const isLast = usedNote === null || usedNote === typed?.over || own.current.has(usedNote);
  const litres = typed?.coat === coat && isLast ? typed.litres : null;
  const isOpen = litres !== null && litres !== usedL;
  /** Litres already noted: a slow answer makes no second note. */
  const noted = useRef(typed);
  const take = () => {
    if (!isOpen || noted.current === typed) return null;
    noted.current = typed;
    const entry = entryOf(litres);
    if (entry) own.current.add(entry.id);
    return entry;
  };
  const atOnce = useRef(() => {});
  atOnce.current = () => keep(take());
  // biome-ignore lint/correctness/useExhaustiveDependencies: timed from the last change
  useEffect(() => {
    if (!isOpen) return;
    const timer = setTimeout(() => atOnce.current(), SETTLED_MS);
    return () => clearTimeout(timer);
  }, [isOpen, litres]);
  useEffect(() => () => atOnce.current(), []);
  return { litres, set: (next) => setTyped({ coat, litres: next, over: usedNote }), take };
}

/** What one coat’s combs say of the dry film, and of what to do about it. */
export interface CombVerdict {
  lowMicrons: number;
  likelyMicrons: number;
  highMicrons: number;
  /** Wet film wanted, µm. */
  wetTargetMicrons: number;
  /** By the middle between the teeth against the sheet’s limits for the method; `near`: a part of the interval is outside them. */
  verdict: 'thin' | 'right' | 'near' | 'thick';
}

/** The paint as it is applied in this step. */
export function paintAsApplied(sheet: ProductSheet, step: Step) {
  const own = step.ownRatio?.parts;
  const parts = own?.length === sheet.parts.length ? atOwnRatio(sheet.parts, own) : sheet.parts;
  return {
    volumeSolids: sheet.volumeSolids,
    thinner: step.thinner,
    paintShare: unthinnedShare({ parts, by: sheet.ratioBy }),
  };
}

export function combVerdict(
  sheet: ProductSheet,
  step: Step,
  { wetMicrons: wet, dryMicrons: dry }: CombReading,
): CombVerdict {
  const paint = paintAsApplied(sheet, step);
  const film = dryFromComb({ ...paint, wetToothMicrons: wet, dryToothMicrons: dry });
  const limits = filmOf(sheet, step.method);
  const within = film.lowMicrons >= limits.min && film.highMicrons <= limits.max ? 'right' : 'near';
  const verdict =
    film.likelyMicrons < limits.min ? 'thin' : film.likelyMicrons > limits.max ? 'thick' : within;
  return { ...film, verdict, wetTargetMicrons: wetMicrons({ ...paint, dryMicrons: step.dryMicronsPerCoat }) };
}
