import { type KeptPlan, planKeeping, planYard, type YardToPlan } from '../../../core/plan/index.ts';

/** Plans a yard in a thread of its own: afresh, or near to what was agreed. @param agreed starts by task, ms; null: nothing was */
export function planJob(
  yard: YardToPlan,
  effort: { seed: number; budgetMs: number },
  agreed: Readonly<Record<string, number>> | null,
): KeptPlan {
  if (agreed) return planKeeping(yard, agreed, effort);
  const found = planYard(yard, effort);
  return found.ok ? { found, moves: [], freshCost: null } : { found, moves: [], freshCost: null };
}
