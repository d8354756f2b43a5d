// @vitest-environment happy-dom
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import { v7 as uuidv7 } from 'uuid';
import { afterEach, beforeAll, expect, it } from 'vitest';
import { aBoat, anArea } from '../../../test/examples.ts';
import { ask, openPage } from '../../../test/openPage.tsx';

const boat = aBoat({ name: `Curlew ${uuidv7().slice(-4)}` });
const area = anArea(boat.id, { name: 'Keels' });
beforeAll(async () => {
  await ask('POST', '/boats', boat);
  await ask('POST', '/areas', area);
});
afterEach(cleanup);

const find = async (typed: string) => {
  const { user, router } = await openPage('/');
  await screen.findAllByText(boat.name);
  await user.keyboard('/');
  const box = await screen.findByRole('combobox', { name: 'Find anything' });
  await user.type(box, typed);
  const rows = within(screen.getByRole('dialog')).queryAllByRole('option');
  return { user, router, names: rows.map((row) => row.textContent ?? '') };
};

it('letters strewn over a name do not find it: “keels” is the area, not “Stock and labels”', async () => {
  const { user, router, names } = await find('keels');
  expect(names.some((name) => name.startsWith('Keels'))).toBe(true);
  expect(names.filter((name) => /Stock and labels/.test(name))).toEqual([]);
  await user.keyboard('{Enter}');
  await waitFor(() => expect(router.state.location.pathname).toBe(`/bench/${area.id}`));
});

it('words are found in any order, each of them must be', async () => {
  expect((await find('curlew kee')).names.some((name) => name.startsWith('Keels'))).toBe(true);
  cleanup();
  expect((await find('curlew mast')).names).toEqual([]);
});

it('a page is found by the beginning of its name', async () => {
  expect((await find('glos')).names.some((name) => name.startsWith('Glossary'))).toBe(true);
});

it('letters typed right after the key, before the search is there, stand in it', async () => {
  const { user } = await openPage('/');
  await screen.findAllByText(boat.name);
  await user.keyboard('/kex{Backspace}e');
  expect(await screen.findByDisplayValue('kee')).toBe(
    screen.getByRole('combobox', { name: 'Find anything' }),
  );
  expect((await screen.findAllByRole('option'))[0]?.textContent).toMatch(/^Keels/);
});
