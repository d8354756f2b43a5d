// @vitest-environment happy-dom
import { screen } from '@testing-library/react';
import { expect, it } from 'vitest';
import { openPage } from '../../../test/openPage.tsx';
import { PRACTICE_CASES } from '../../core/practice/index.ts';

const MISTAKES = {
  'late-start': /Started too late in the day/,
  thumbprint: /Skipped the thumbprint test/,
  'whole-gallon': /Mixed too much at once/,
  blasting: /Blasted more than could be primed/,
  ratio: /Wrong mixing ratio/,
  launch: /Launched too soon/,
};

it('each case is answered in a hurry, named in its review, and then done well', async () => {
  const { user } = await openPage('/plan/practice');
  const choose = async (label: string, option: RegExp) => {
    const list = (await screen.findByLabelText(label)) as HTMLSelectElement;
    const found = [...list.options].find(({ text }) => option.test(text));
    if (!found) throw new Error(`no ${option} in ${[...list.options].map(({ text }) => text)}`);
    await user.selectOptions(list, found);
  };
  const review = () => user.click(screen.getByRole('button', { name: 'Show the review' }));
  const well: Record<string, () => Promise<void>> = {
    'late-start': () => choose('Start', /13:30/),
    thumbprint: async () => {
      await choose('Start', /17:00/);
      await user.click(screen.getByRole('button', { name: /Press a thumb/ }));
      expect(screen.getByText(/leaves a print and nothing sticks/)).toBeDefined();
    },
    'whole-gallon': () => choose('Batches', /^3 batches of 1\.28 l/),
    blasting: () => choose('Blast today', /^25 m²/),
    ratio: () => choose('Measure', /^4\.5 : 1 on the scale/),
    launch: () => choose('Launch', /Tue 5 May, 17:00/),
  };
  for (const [i, { code }] of PRACTICE_CASES.entries()) {
    await review();
    expect(screen.getByText(/^Review: [12] mistakes?$/)).toBeDefined();
    expect(screen.getAllByText(MISTAKES[code]).length).toBeGreaterThan(0);
    await well[code]?.();
    expect(screen.queryByText(/^Review/)).toBeNull();
    await review();
    expect(screen.getByText('Well done: no mistakes.')).toBeDefined();
    if (i < PRACTICE_CASES.length - 1) await user.click(screen.getByRole('button', { name: 'Next case' }));
  }
});
