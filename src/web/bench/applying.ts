import { useState } from 'react';
import type { Step } from '../../contract/index.ts';
import { dryFromComb, wetMicrons } from '../../core/film/index.ts';
import { atOwnRatio, unthinnedShare } from '../../core/mix/index.ts';
import { filmOf, type ProductSheet } from '../../core/system/index.ts';

/** Teeth of common wet-film combs, µm (common practice; a comb may have others between them). */
export const TEETH: readonly number[] = [
  25, 50, 75, 100, 125, 150, 175, 200, 225, 250, 275, 300, 350, 400, 450, 500, 600, 700, 800, 900, 1000,
];

/** One reading of the comb: the last tooth wetted and the first that stayed dry, µm. */
export interface CombReading {
  wetMicrons: number;
  dryMicrons: number;
}

/** A coat on its way: kept on the device until it is logged, so that a reload loses nothing. */
export interface Applying {
  coveredM2: number;
  usedL: number | null;
  combs: CombReading[];
}

const NOTHING: Applying = { coveredM2: 0, usedL: null, combs: [] };

function kept(key: string): Applying {
  try {
    const read = JSON.parse(localStorage.getItem(key) ?? 'null') as Partial<Applying> | null;
    const isAmount = (value: unknown): value is number =>
      typeof value === 'number' && value >= 0 && value < 1e5;
    return {
      coveredM2: isAmount(read?.coveredM2) ? read.coveredM2 : 0,
      usedL: isAmount(read?.usedL) ? read.usedL : null,
      combs: (Array.isArray(read?.combs) ? read.combs : []).filter(
        (each) =>
          isAmount(each?.wetMicrons) && isAmount(each?.dryMicrons) && each.dryMicrons > each.wetMicrons,
      ),
    };
  } catch {
    return NOTHING;
  }
}

/** Film readings and paint use of the coat in hand, kept on this device. */
export function useApplying(areaId: string, stepId: string, coatNo: number) {
  const key = `jack-plane.applying.${areaId}.${stepId}.${coatNo}`;
  const [held, setHeld] = useState(() => ({ key, state: kept(key) }));
  const state = held.key === key ? held.state : kept(key);
  const put = (next: Applying) => {
    localStorage.setItem(key, JSON.stringify(next));
    setHeld({ key, state: next });
  };
  const done = () => {
    localStorage.removeItem(key);
    setHeld({ key, state: NOTHING });
  };
  return { state, put, done };
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

/** Most readings that the log’s note lists one by one. */
const MOST_NOTED = 20;

/** The readings as the log notes them; empty: none was taken. */
export function combNote({ combs }: Applying, show: (microns: number) => string): string {
  if (combs.length === 0) return '';
  const noted = combs.slice(-MOST_NOTED);
  const list = noted.map(({ wetMicrons: wet, dryMicrons: dry }) => `${show(wet)} to ${show(dry)}`).join(', ');
  const more = combs.length - noted.length;
  return `Wet film by comb: ${list}${more > 0 ? `, and ${more} before` : ''}.`;
}
