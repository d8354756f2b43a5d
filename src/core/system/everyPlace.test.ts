import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { SHEETS } from '../../../demo/sheets.ts';
import {
  type ComparedStep,
  checkStack,
  FAMILIES,
  type Family,
  fillTemplate,
  layerOf,
  prepareFor,
  prepHours,
  prepTasks,
  type ServiceKind,
  type StackPlace,
  SUBSTRATES,
  type Substrate,
  stackFigures,
  TEMPLATES,
} from './index.ts';

const families = Object.keys(FAMILIES) as Family[];
const substrates = Object.keys(SUBSTRATES) as Substrate[];
const services: readonly ServiceKind[] = ['immersed', 'splash', 'daylight', 'interior', 'bilge', 'tank'];
const olds = [null, 'unknown', ...families] as const;
const aPlace = fc.record({
  substrate: fc.constantFrom(...substrates),
  oldCoating: fc.constantFrom(...olds),
  service: fc.constantFrom(...services),
  coldestC: fc.constantFrom(null, -5, 20),
});
const aStack = fc.array(fc.constantFrom(...families), { minLength: 1, maxLength: 6 });
const products = Object.entries(SHEETS).map(([id, sheet]) => ({ id, sheet }));

describe('a stack judged, whatever it is', () => {
  const rank = { fine: 0, condition: 1, no: 2 };
  const judged = (stack: readonly Family[], place: StackPlace, band = -1) =>
    checkStack(
      stack.map((family, i) => ({ ...layerOf(family), band: i === band })),
      place,
    );
  it('is as bad as its worst layer, and no layer is worse than its worst rule', () => {
    fc.assert(
      fc.property(aStack, aPlace, (stack, place) => {
        const { verdict, layers } = judged(stack, place);
        expect(rank[verdict]).toBe(Math.max(...layers.map((layer) => rank[layer.verdict])));
        for (const layer of layers) {
          const worst = Math.max(0, ...layer.judgements.map((each) => rank[each.verdict]));
          expect(rank[layer.verdict]).toBe(worst);
          // A "no" of the joint leaves nothing holding, and every rule says why in more than a word.
          for (const { reason, verdict: word, condition } of layer.judgements) {
            expect(reason.length).toBeGreaterThan(15);
            if (word === 'condition') expect(condition).not.toBeNull();
          }
        }
      }),
    );
  });
  it('laying a coat on a band only never makes the stack better', () => {
    fc.assert(
      fc.property(aStack, aPlace, fc.nat(5), (stack, place, band) => {
        const at = band % stack.length;
        // The last coat has nothing over it: on a band it meets what it met.
        if (at === stack.length - 1) return;
        expect(rank[judged(stack, place, at).verdict]).toBeGreaterThanOrEqual(
          rank[judged(stack, place).verdict],
        );
      }),
    );
  });
  it('copper on aluminium is a no wherever it stands and whatever lies between', () => {
    fc.assert(
      fc.property(aStack, fc.constantFrom(...services), (stack, service) => {
        const place = { substrate: 'aluminium', oldCoating: null, service, coldestC: null } as const;
        const { layers } = judged([...stack, 'hard-antifouling'], place);
        expect(layers.at(-1)?.judgements.map((each) => each.ruleId)).toContain('copper-on-aluminium');
      }),
    );
  });
});

describe('the preparation of every surface (handbook part 4, common practice)', () => {
  const cases = substrates.flatMap((substrate) =>
    services.flatMap((service) => olds.map((oldCoating) => ({ substrate, service, oldCoating }))),
  );
  const prepared = (place: (typeof cases)[number]) => prepareFor({ ...place, preparation: null });
  it('ends clean, warns where it abrades, and takes more hours on more metres', () => {
    for (const place of cases) {
      const steps = prepared(place);
      expect(steps.at(-1)?.what).toContain('tack cloth');
      for (const { grit, what, caution } of steps)
        if (grit !== null || /blast|scrape/i.test(what))
          expect([place, what, caution === null]).toEqual([place, what, false]);
      expect(prepHours(steps, 40)).toBeCloseTo(2 * prepHours(steps, 20), 9);
    }
  });
  it('in a bilge, a tank or a locker says that the space is closed', () => {
    for (const place of cases) {
      const warned = prepared(place).some(({ caution }) => caution?.includes('never work alone'));
      expect([place, warned]).toEqual([place, ['bilge', 'tank', 'interior'].includes(place.service)]);
    }
  });
  it('old antifouling comes off wet before anything is abraded', () => {
    for (const place of cases.filter(({ oldCoating }) => oldCoating?.endsWith('antifouling'))) {
      const whats = prepared(place).map(({ what }) => what);
      const wet = whats.findIndex((what) => what.includes('Never work dry'));
      expect([place, wet >= 0]).toEqual([place, true]);
      expect(whats.slice(0, wet).some((what) => /^(abrade|fair|blast)/i.test(what))).toBe(false);
    }
  });
  it('becomes tasks that a step can hold, each with what proves it', () => {
    for (const place of cases) {
      const tasks = prepTasks(prepared(place));
      expect(tasks.length).toBeGreaterThan(1);
      expect(tasks.length).toBeLessThanOrEqual(12);
      for (const { kind, amount, note } of tasks) {
        expect(note.length).toBeLessThanOrEqual(300);
        expect(note).toContain('done when: ');
        if (kind === 'sand') expect(amount).toBeGreaterThanOrEqual(24);
        if (kind === 'wait') expect(amount).toBe(24);
      }
    }
  });
});

describe('the figures of a stack, whatever it is', () => {
  const stacks = TEMPLATES.map((template) =>
    fillTemplate(template, products).steps.map(
      (step): ComparedStep => ({
        ...step,
        thinner: 0,
        sheet: SHEETS[step.productId] as ComparedStep['sheet'],
      }),
    ),
  );
  const figures = (steps: readonly ComparedStep[], areaM2: number, tempC = 18, highWear = false) =>
    stackFigures({ steps, areaM2, tempC, highWear });
  it('twice the area takes twice the paint, the money and the sanding, and no day more', () => {
    for (const steps of stacks) {
      const [one, two] = [figures(steps, 12), figures(steps, 24)];
      expect(two.litres).toBeCloseTo(2 * one.litres, 9);
      expect(two.sandingHours).toBeCloseTo(2 * one.sandingHours, 9);
      if (one.cost !== null) expect(two.cost).toBeCloseTo(2 * one.cost, 6);
      expect([two.coats, two.days, two.dryMicrons]).toEqual([one.coats, one.days, one.dryMicrons]);
    }
  });
  it('warmer is never longer, and an area of high wear never takes less', () => {
    for (const steps of stacks) {
      const [cold, warm] = [figures(steps, 10, 12).days, figures(steps, 10, 25).days];
      if (cold !== null && warm !== null) expect(warm).toBeLessThanOrEqual(cold);
      const [plain, worn] = [figures(steps, 10), figures(steps, 10, 18, true)];
      expect(worn.coats).toBeGreaterThanOrEqual(plain.coats);
      expect(worn.litres).toBeGreaterThanOrEqual(plain.litres);
    }
  });
  it('a coat that has no price leaves the cost unsaid rather than short', () => {
    const [steps] = stacks as [ComparedStep[]];
    const unpriced = steps.map((step, i) =>
      i === 0 ? { ...step, sheet: { ...step.sheet, packs: [{ litres: 1, price: null }] } } : step,
    );
    expect([figures(steps, 10).cost === null, figures(unpriced, 10).cost]).toEqual([false, null]);
  });
});
