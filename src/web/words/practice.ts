import type { CoatFailureCode } from '../../core/air/index.ts';
import type { Poured, PracticeCode, PracticeFault } from '../../core/practice/index.ts';
import { t } from '../../words.ts';
import type { Units } from '../units/UnitsContext.tsx';

/** Practice cases in words. */

/** Title of each case, what the job is, and the question it asks. */
export const CASES: Record<PracticeCode, { title: string; job: (show: Units['show']) => string }> = {
  'late-start': {
    title: t`Start time`,
    job: (show) =>
      t`A white topside of ${show(20, 'area')} outdoors, under a clear sky in May. Rolling on one coat takes 1 h 40 min, and the film needs about 4 hours at ${show(15, 'temperature', { digits: 0 })} until dew can’t harm it. When do you start?`,
  },
  thumbprint: {
    title: t`Antifouling on barrier coat`,
    job: () =>
      t`The barrier coat was applied from 08:00 to 09:40 in a cool shed. Antifouling goes on while the barrier coat still takes a thumbprint. By the data sheet that is from about 15:00. Do you test the film, and when do you start?`,
  },
  'whole-gallon': {
    title: t`Batch size`,
    job: (show) =>
      t`A coat for ${show(24, 'area')} takes ${show(3.84, 'volume')} of two-pack paint. The shed is warm. The data sheet gives a pot life of 90 minutes at ${show(20, 'temperature', { digits: 0 })}, and mixed paint has to stand for 10 minutes first. How many batches do you mix?`,
  },
  blasting: {
    title: t`Blasting a steel bottom`,
    job: (show) =>
      t`A bottom of ${show(60, 'area')} has to be blasted and primed. One person blasts ${show(8, 'area')} an hour, then primes ${show(30, 'area')} an hour, and works nine hours a day. How much do you blast today?`,
  },
  ratio: {
    title: t`Mixing ratio`,
    job: () =>
      t`Two coats of a two-pack barrier. The data sheet gives a ratio of 3 : 1 by volume. The base weighs 1.5 kg a litre, the hardener 1 kg a litre. You have measuring cups and a scale. How do you measure?`,
  },
  launch: {
    title: t`Launch date`,
    job: (show) =>
      t`The last coat of antifouling was applied from 13:00 to 14:40 on Monday. The data sheet asks for 24 hours at ${show(15, 'temperature', { digits: 0 })} before the launch, and the nights are cool. The crane is free at any hour. When do you launch?`,
  },
};

const STOPPED: Partial<Record<CoatFailureCode, string>> = {
  'dew-margin': t`dew reaches the wet film`,
  'wet-surface': t`the surface is wet`,
  rain: t`rain reaches the film`,
  'too-dark': t`it gets dark before the coat is finished`,
  'too-damp': t`the air gets too damp`,
  'air-too-cold': t`the air gets too cold`,
  'surface-too-cold': t`the surface gets too cold`,
};
const stopped = (code: CoatFailureCode) => STOPPED[code] ?? t`the weather goes outside the limits`;

/** What each mistake is called, what happened, and the rule that prevents it. */
export function sayPracticeFault(
  fault: PracticeFault,
  say: { show: Units['show']; moment: (ms: number) => string },
): { title: string; what: string; rule: string } {
  const { show, moment } = say;
  const coat = 'coat' in fault ? t`Coat ${fault.coat + 1}: ` : '';
  const from = (ms: number | null) => (ms === null ? t`not within the week` : t`from ${moment(ms)}`);
  switch (fault.code) {
    case 'started-late':
      return {
        title: t`Started too late in the day`,
        what: t`${coat}${stopped(fault.why)} at ${moment(fault.atMs)}, before the coat is safe. The latest good start was ${moment(fault.latestMs)}.`,
        rule: t`Check every hour from the start until the film is safe from dew and rain, not only the hour you start.`,
      };
    case 'weather':
      return {
        title: t`Unsuitable weather`,
        what: t`${coat}${stopped(fault.why)} at ${moment(fault.atMs)}. No earlier start that day was better.`,
        rule: t`Wait for another day, or put the boat under cover.`,
      };
    case 'thumb-skipped':
      return {
        title: t`Skipped the thumbprint test`,
        what: t`${coat}applied without testing the film below.`,
        rule: t`The times on a data sheet are for one film thickness and temperature. Only the thumb shows whether the film is ready: it leaves a print, and nothing sticks.`,
      };
    case 'too-soon':
      return {
        title: t`Overcoated too soon`,
        what: t`${coat}the film below was ready ${from(fault.readyMs)}. Solvent is trapped under the new coat.`,
        rule: t`Wait until the film takes a thumbprint and nothing sticks.`,
      };
    case 'too-late':
      return {
        title: t`Overcoated too late`,
        what: t`${coat}the window closed ${moment(fault.closedMs)}. The new coat doesn’t bond without sanding.`,
        rule: t`Apply the next coat within the window, or sand first.`,
      };
    case 'mixed-too-much':
      return {
        title: t`Mixed too much at once`,
        what: t`${coat}a batch of ${show(fault.batchL, 'volume')}, but only ${show(fault.largestL, 'volume')} can be applied before the pot sets. The other ${show(fault.batchL - fault.largestL, 'volume')} of each batch is lost.`,
        rule: t`Largest batch = rate of application × (pot life at this temperature − standing time − 10 minutes). Pot life halves for each 10 °C.`,
      };
    case 'blasted-too-much':
      return {
        title: t`Blasted more than could be primed`,
        what: t`${show(fault.blastedM2, 'area')} blasted. Only ${show(fault.mostM2, 'area')} can be primed within 4 hours, so ${show(fault.blastedM2 - fault.mostM2, 'area')} rusts and has to be blasted again.`,
        rule: t`Prime blasted steel within 4 hours. Blast only as much as you can prime in that time.`,
      };
    case 'ratio-wrong':
      return {
        title: t`Wrong mixing ratio`,
        what: t`${coat}${Math.abs(Math.round(fault.off * 100))} % too ${fault.off > 0 ? t`much` : t`little`} hardener. The film won’t cure as it should.`,
        rule: t`A ratio by volume is not a ratio by weight. Measure what is left in both tins after every coat: that shows a wrong ratio before the second coat.`,
      };
    case 'launched-too-soon':
      return {
        title: t`Launched too soon`,
        what: t`The paint was ready for the water ${from(fault.readyMs)}.`,
        rule: t`Cool nights count: the time on the data sheet is for one temperature.`,
      };
  }
}

/** Ways of measuring that the ratio case offers. */
export const POURS: readonly (Poured & { word: string })[] = [
  { parts: [3, 1], by: 'weight', word: t`3 : 1 on the scale` },
  { parts: [3, 1], by: 'volume', word: t`3 : 1 in measuring cups` },
  { parts: [4.5, 1], by: 'weight', word: t`4.5 : 1 on the scale` },
  { parts: [2, 1], by: 'weight', word: t`2 : 1 on the scale` },
];
export const THUMB = {
  sticks: t`The thumb sticks: not ready.`,
  prints: t`The thumb leaves a print and nothing sticks: ready now.`,
  'no-print': t`The thumb leaves no print: too late, sand first.`,
} as const;
