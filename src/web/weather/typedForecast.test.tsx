// @vitest-environment happy-dom
import { screen, waitFor } from '@testing-library/react';
import { expect, it } from 'vitest';
import { ask, openPage } from '../../../test/openPage.tsx';

interface Weather {
  hours: { airC: number; source: string; simulated: boolean }[];
}

// Mild, since all pages are tested in one yard: frost would stop the paints of the others.
it('a forecast heard is typed in three lines, drawn, and taken: the air is known from then on, and not as simulated', async () => {
  const { user } = await openPage('/weather');
  const put = async (label: string, text: string) => {
    const box = await screen.findByLabelText(label);
    await user.clear(box);
    await user.type(box, `${text}{Enter}`);
  };
  await put('Lowest temperature (night)', '5');
  await put('Highest temperature (day)', '3');
  expect(await screen.findByText(/[Hh]ighest temperature must be at least the lowest/)).toBeDefined();
  await put('Lowest temperature (night)', '9');
  await put('Highest temperature (day)', '16');
  await user.click(screen.getByRole('button', { name: 'Save forecast' }));
  expect(await screen.findByText(/Saved. Cure times use this forecast/)).toBeDefined();
  await waitFor(async () => {
    const { hours } = await ask<Weather>('GET', '/weather');
    expect(Math.min(...hours.map(({ airC }) => airC))).toBeCloseTo(9, 1);
    expect(hours.every(({ simulated }) => !simulated)).toBe(true);
  });
});
