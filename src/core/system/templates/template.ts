import type { Method } from '../../film/index.ts';
import type { Family, Substrate } from '../families.ts';
import type { ServiceKind } from '../rules.ts';
import type { StepTask } from '../step.ts';

/** A step of a template: a family, by count of coats or by film, with what happens round it. */
export interface TemplateStep {
  family: Family;
  /** Coats, or the film to reach, µm. */
  coats: number | { targetMicrons: number };
  extraCoats?: number;
  method: Method;
  before?: readonly StepTask[];
  sandBetween?: number;
  /** The first coat in a colour of its own, to show wear. */
  signal?: true;
}

/** A typical stack of the trade [T]. */
export interface Template {
  id: string;
  name: string;
  substrates: readonly Substrate[];
  services: readonly ServiceKind[];
  /** What this way buys and costs against the other school. */
  school?: string;
  steps: readonly TemplateStep[];
}

export const sand = (grit: number, note = ''): StepTask => ({ kind: 'sand', amount: grit, note });
export const wash = (note: string): StepTask => ({ kind: 'wash', amount: null, note });
export const prepare = (note: string): StepTask => ({ kind: 'prepare', amount: null, note });
export const wait = (hours: number, note = ''): StepTask => ({ kind: 'wait', amount: hours, note });
export const inspect = (note: string): StepTask => ({ kind: 'inspect', amount: null, note });

export const GRP: readonly Substrate[] = ['grp', 'grp-laminate'];
export const TIMBER: readonly Substrate[] = ['timber', 'timber-epoxy'];

/** Antifouling: a signal coat, two full ones, a third where it wears (handbook part 5). */
export const antifouled = (family: Family): TemplateStep => ({
  family,
  coats: 3,
  extraCoats: 1,
  method: 'roller',
  signal: true,
});
