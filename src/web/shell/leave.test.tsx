// @vitest-environment happy-dom
import { screen, waitFor, within } from '@testing-library/react';
import { beforeAll, describe, expect, it } from 'vitest';
import { aBoat, anArea } from '../../../test/examples.ts';
import { ask, openPage } from '../../../test/openPage.tsx';

const boat = aBoat({ name: 'Guarded hull' });
const area = anArea(boat.id, { name: 'Guarded side' });
beforeAll(async () => {
  await ask('POST', '/boats', boat);
  await ask('POST', '/areas', area);
});

const asked = () => screen.queryByRole('button', { name: 'Leave page' });
const open = async () => {
  const page = await openPage(`/boats/${boat.id}/survey/${area.id}`);
  const board = within(screen.getAllByRole('navigation', { name: /Main menu|Places/ })[0] as HTMLElement);
  const note = (await screen.findByLabelText('Note')) as HTMLTextAreaElement;
  return { ...page, note, leave: () => page.user.click(board.getByRole('link', { name: 'Materials' })) };
};
const closing = () => {
  const event = new Event('beforeunload', { cancelable: true });
  window.dispatchEvent(event);
  return event.defaultPrevented;
};

describe('what is typed and not saved', () => {
  it('is asked about before it is left, by a link and by closing the page; who stays has it still', async () => {
    const { user, router, note, leave } = await open();
    await user.type(note, 'weeps at the chine');
    expect(closing()).toBe(true);
    await leave();
    expect(await screen.findByRole('alertdialog', { name: /without saving/ })).toBeDefined();
    await user.click(screen.getByRole('button', { name: 'Stay on page' }));
    await waitFor(() => expect(asked()).toBeNull());
    expect(note.value).toBe('weeps at the chine');
    await leave();
    await user.click(await screen.findByRole('button', { name: 'Leave page' }));
    await waitFor(() => expect(router.state.location.pathname).toBe('/materials'));
    await waitFor(() => expect(closing()).toBe(false));
  });
  it('nothing is asked where nothing was typed, nor once it is saved', async () => {
    const untouched = await open();
    await untouched.leave();
    await waitFor(() => expect(untouched.router.state.location.pathname).toBe('/materials'));
    const { user, router, note, leave } = await open();
    await user.type(note, 'dry');
    await user.click(screen.getByRole('button', { name: 'Save area' }));
    await waitFor(() => expect(router.state.location.pathname).toBe(`/boats/${boat.id}/survey`));
    await leave();
    await waitFor(() => expect(router.state.location.pathname).toBe('/materials'));
  });
  it('an area removed takes what was typed of it along, unasked', async () => {
    const { user, router, note } = await open();
    await user.type(note, ' and more');
    await user.click(screen.getByRole('button', { name: 'Delete area' }));
    await waitFor(() => expect(router.state.location.pathname).toBe(`/boats/${boat.id}/survey`));
    expect(asked()).toBeNull();
  });
});
