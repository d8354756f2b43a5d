import type { MadeMark } from '../../core/waterline/index.ts';

/** Marks taken on the walk that the server does not have yet, kept on the device by boat. */
const key = (boatId: string) => `jack-plane.marks.${boatId}`;

export const pendingMarks = (boatId: string): MadeMark[] =>
  JSON.parse(localStorage.getItem(key(boatId)) ?? '[]') as MadeMark[];

export function keepMarks(boatId: string, marks: readonly MadeMark[]): void {
  if (marks.length === 0) localStorage.removeItem(key(boatId));
  else localStorage.setItem(key(boatId), JSON.stringify(marks));
}

/** The marks with one taken anew: a second reading at a station and side takes the first one's place. */
export function withMark(marks: readonly MadeMark[], mark: MadeMark): MadeMark[] {
  const others = marks.filter((each) => each.side !== mark.side || Math.abs(each.xM - mark.xM) > 1e-6);
  return [...others, mark];
}
