import highs from 'highs';
import { followPlan, planYard, schedule, yardInWeather } from '../src/core/plan/index.ts';
import { aPlanProblem } from '../test/planProblems.ts';
import { planProgram } from '../test/planProgram.ts';
import { SHED_FROM, shedHours, shedYard } from '../test/weatherYards.ts';
import { aYardPlan } from '../test/yardPlans.ts';
import { median, p95, say } from './say.ts';

const timed = <T>(run: () => T): { ms: number; result: T } => {
  const from = performance.now();
  const result = run();
  return { ms: performance.now() - from, result };
};

/** Plans of twelve tasks that contend for people, proven; some beside a general solver on the same problem. */
async function twelveTasks(): Promise<void> {
  const problems = Array.from({ length: 60 }, (_, seed) => aPlanProblem(seed, { tasks: 12, slots: 60 }));
  const ours = problems.map((problem) => timed(() => schedule(problem, { seed: 1, budgetMs: 4000 })));
  const proven = ours.filter(({ ms, result }) => result.proven && ms <= 2000).length;
  say('12 contended tasks proven within 2 s', `${((proven / 60) * 100).toFixed(0)} %`, '95 %');
  say('  median, 95th of a hundred', `${median(ours.map(({ ms }) => ms)).toFixed(0)}, ${p95(ours.map(({ ms }) => ms)).toFixed(0)} ms`, 'none set'); // biome-ignore format: one line
  // All of ours before all of theirs: loading the solver slows down what runs just after it.
  const solved = problems
    .filter((_, i) => ours[i]?.result.ok && ours[i]?.result.proven)
    .slice(0, 8)
    .map((problem) => {
      const runs = [1, 2, 3].map(() => timed(() => schedule(problem, { seed: 1, budgetMs: 4000 })));
      return { problem, ms: median(runs.map(({ ms }) => ms)), result: runs[0]?.result };
    });
  const ratios: number[] = [];
  let apart = 0;
  for (const { problem, ms, result } of solved) {
    const program = planProgram(problem);
    const theirs: number[] = [];
    for (let run = 0; run < 3; run++) {
      // Its memory is not cleared between two problems.
      const solver = await highs();
      const { ms: took, result: found } = timed(() =>
        solver.solve(program, { mip_rel_gap: 0, time_limit: 120 }),
      );
      theirs.push(took);
      const isOptimal = found.Status === 'Optimal' && result?.ok;
      if (run === 0 && isOptimal && Math.round(found.ObjectiveValue) !== result.cost) apart++;
    }
    ratios.push(median(theirs) / ms);
  }
  say(
    '  HiGHS on the same problem / ours, three runs each, median of 8',
    `${median(ratios).toFixed(0)} ×`,
    '≥ 50 ×',
  );
  say('  proven by both with another cost', `${apart}`, '0');
}

/** A fortnight of four boats, 84 tasks: the first plan, and what five seconds find, of five seeds. */
function fortnight(): void {
  const problem = aYardPlan(8, 4, 4, 4);
  const first = timed(() => schedule(problem, { seed: 1, steps: 1 }));
  say('a fortnight of 84 tasks: first plan', `${first.ms.toFixed(0)} ms`, '100 ms');
  const costs: number[] = [];
  let bound = 0;
  for (let seed = 1; seed <= 5; seed++) {
    const plan = schedule(problem, { seed, budgetMs: 5000 });
    costs.push(plan.ok ? plan.cost : Number.POSITIVE_INFINITY);
    if (plan.ok) bound = Math.max(bound, plan.bound);
  }
  const long = schedule(problem, { seed: 1, budgetMs: 60_000 });
  const best = Math.min(...costs, long.ok ? long.cost : Number.POSITIVE_INFINITY);
  const above = (cost: number, least: number) => `${((cost / least - 1) * 100).toFixed(0)} %`;
  say('  after 5 s above the best of 60 s, worst of five seeds', above(Math.max(...costs), best), '5 %');
  say('  after 5 s above the bound, worst of five seeds', above(Math.max(...costs), bound), '25 %');
}

/** A boat that has to leave its shed: three coats of barrier and two or three of antifouling on two areas. */
function odds(): void {
  const of = shedYard({ areas: 2 });
  const hours = shedHours(32);
  const yard = yardInWeather(of, hours, 28 * 48);
  const plan = planYard(yard, { seed: 1, budgetMs: 1000 });
  if (!plan.ok) throw new Error('the yard has no plan');
  const asked = { of: { ...of, yard }, plan, hours, morningMs: SHED_FROM + 24 * 3_600_000, wetShare: 0.2 };
  for (const count of [1, 4, 16, 64]) {
    const { ms } = timed(() => followPlan(asked, { first: 0, count }));
    say(
      `odds of leaving the shed, 12 tasks: ${count} draws`,
      `${(ms / count).toFixed(0)} ms a draw`,
      '40 ms',
    );
  }
}

await twelveTasks();
fortnight();
odds();
