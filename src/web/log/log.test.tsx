// @vitest-environment happy-dom
import { screen, waitFor, within } from '@testing-library/react';
import { v7 as uuidv7 } from 'uuid';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { aBoat, aCoat, anArea, type aPlannedArea, aProduct, aStep, HOUR } from '../../../test/examples.ts';
import { ask, openPage } from '../../../test/openPage.tsx';
import type { Entry, LogView } from '../../contract/index.ts';

const boat = () => aBoat({ name: 'Logged hull' });
let planned: Awaited<ReturnType<typeof aPlannedArea>>;
let coat: ReturnType<typeof aCoat>;
beforeEach(async () => {
  const hull = boat();
  const area = anArea(hull.id);
  const product = { ...aProduct(), name: 'Logged epoxy' };
  const step = aStep(product.id);
  planned = { boat: hull, area: { ...area, version: 1, archived: false }, product, step };
  await ask('POST', '/boats', hull);
  await ask('POST', '/areas', area);
  await ask('POST', '/products', product);
  await ask('PUT', `/areas/${area.id}/stack`, { version: 1, steps: [step] });
  coat = aCoat(planned, Date.now() - HOUR, { note: 'a little breeze' });
  await ask('POST', '/log', coat);
});
const entries = async () => (await ask<LogView>('GET', `/boats/${planned.boat.id}/log`)).entries;
const open = () => openPage(`/boats/${planned.boat.id}/log`);
const lineOf = async (text: string | RegExp) => (await screen.findByText(text)).closest('li') as HTMLElement;

describe('the log of a boat', () => {
  it('says what lies: litres, area, film by litres, and the air it was applied in', async () => {
    await open();
    const line = await lineOf(/Logged epoxy, coat 1/);
    // 4.2 l × 0.5 × 0.925 on 20 m².
    expect(line.textContent).toContain('4.2 l on 20 m² by roller, 97.1 µm dry film (from litres used)');
    expect(line.textContent).toContain('a little breeze');
    expect(screen.getByText(/^1 coat, 4.2 l, about 97.1 µm dry film \(from litres used\)$/)).toBeDefined();
  });

  it('a long log is searched, and what lies stays the sum of all of it', async () => {
    for (let count = 0; count < 20; count++) {
      await ask('POST', '/log', {
        ...coat,
        id: uuidv7(),
        kind: 'note',
        body: { text: `walked by, ${count}` },
      });
    }
    const { user } = await open();
    await lineOf('walked by, 3');
    await user.type(screen.getByLabelText('Search entries shown'), 'by, 17');
    await waitFor(() => expect(screen.queryByText('walked by, 3')).toBeNull());
    expect(await lineOf('walked by, 17')).toBeDefined();
    expect(screen.getByText(/^1 coat, 4.2 l, about 97.1 µm dry film \(from litres used\)$/)).toBeDefined();
    await user.type(screen.getByLabelText('Search entries shown'), ' nobody');
    expect(await screen.findByText(/^No entries match/)).toBeDefined();
  });

  it('older entries that are not loaded are missing from the sums, which say so; printed is all of it', async () => {
    // Pages of one entry.
    const plain = globalThis.fetch;
    vi.spyOn(globalThis, 'fetch').mockImplementation((url, init) => {
      const isLog = /\/boats\/[^/]+\/log/.test(String(url)) && init?.method === 'GET';
      return plain(isLog ? `${url}${String(url).includes('?') ? '&' : '?'}limit=1` : url, init);
    });
    await ask('POST', '/log', { ...coat, id: uuidv7(), body: { ...coat.body, litres: 2, coatNo: 1 } });
    const printed = vi.fn();
    vi.stubGlobal('print', printed);
    const { user } = await open();
    expect(await screen.findByText(/^1 coat, 2 l.*; older entries not included\)$/)).toBeDefined();
    await user.click(screen.getByRole('button', { name: 'Print' }));
    await waitFor(() => expect(printed).toHaveBeenCalledOnce());
    expect(screen.getByText(/^2 coats, 6.2 l.*\(from litres used\)$/)).toBeDefined();
    vi.unstubAllGlobals();
    vi.restoreAllMocks();
  });

  it('a coat is corrected by a new entry; the old one stays, struck through, and no longer counts', async () => {
    const { user } = await open();
    await user.click(
      within(await lineOf(/Logged epoxy, coat 1/)).getByRole('button', { name: 'Correct entry' }),
    );
    const used = await screen.findByLabelText('Paint used (without thinner)');
    await user.clear(used);
    await user.type(used, 'four');
    await user.click(screen.getByRole('button', { name: 'Save correction' }));
    expect(await screen.findByText(/[Ll]itres used.*four/)).toBeDefined();
    await user.clear(used);
    await user.type(used, '5');
    await user.click(screen.getByRole('button', { name: 'Save correction' }));
    expect(await screen.findByText(/^1 coat, 5(\.0+)? l/)).toBeDefined();
    await waitFor(async () => expect(await entries()).toHaveLength(2));
    const all = await entries();
    const [old, mine] = [all.find(({ id }) => id === coat.id), all.find(({ id }) => id !== coat.id)] as [
      Entry,
      Entry,
    ];
    expect([old.correctedBy, mine.corrects]).toEqual([mine.id, old.id]);
    expect(screen.getByText('Replaces an earlier entry.')).toBeDefined();
  });

  it('struck out with its reason it can still be read; without one it cannot be struck', async () => {
    const { user } = await open();
    await user.click(
      within(await lineOf(/Logged epoxy, coat 1/)).getByRole('button', { name: 'Void entry' }),
    );
    await screen.findByLabelText(/^Reason/);
    const strike = screen
      .getAllByRole('button', { name: 'Void entry' })
      .find((each) => each.getAttribute('type') === 'submit') as HTMLElement;
    expect(strike).toHaveProperty('disabled', true);
    await user.type(screen.getByLabelText(/^Reason/), 'logged on the wrong boat');
    await user.click(strike);
    expect(await screen.findAllByText(/^Voided .*: logged on the wrong boat$/)).not.toHaveLength(0);
    expect(screen.queryByText(/dry film \(from litres used\)$/)).toBeNull();
    await waitFor(async () =>
      expect((await entries()).map(({ kind }) => kind).sort()).toEqual(['coat', 'strike']),
    );
  });

  it('a note is added where it belongs', async () => {
    const { user } = await open();
    await user.type(await screen.findByLabelText('Note for Bottom'), 'rain blew in at four{Enter}');
    expect(await screen.findByText('rain blew in at four')).toBeDefined();
    await waitFor(async () =>
      expect((await entries()).find(({ kind }) => kind === 'note')?.body).toEqual({
        text: 'rain blew in at four',
      }),
    );
  });

  it('someone else corrected it first: said, with nothing written over', async () => {
    const { user } = await open();
    await user.click(
      within(await lineOf(/Logged epoxy, coat 1/)).getByRole('button', { name: 'Void entry' }),
    );
    const theirs = { ...coat, id: uuidv7(), corrects: coat.id, body: { ...coat.body, litres: 4.4 } };
    await ask('POST', '/log', theirs);
    await user.type(await screen.findByLabelText(/^Reason/), 'too late for that{Enter}');
    expect(await screen.findByText('This entry was corrected elsewhere since you opened it.')).toBeDefined();
    expect((await entries()).some(({ kind }) => kind === 'strike')).toBe(false);
  });

  it('a boat with nothing on her shows the way to the first coat', async () => {
    const empty = boat();
    await ask('POST', '/boats', empty);
    await openPage(`/boats/${empty.id}/log`);
    expect(await screen.findByText(/No entries yet/)).toBeDefined();
  });
});
