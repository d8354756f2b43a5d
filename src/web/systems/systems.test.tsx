// @vitest-environment happy-dom
import { screen, waitFor, within } from '@testing-library/react';
import { v7 as uuidv7 } from 'uuid';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { aBoat, aCoat, anArea, aProduct, aStep } from '../../../test/examples.ts';
import { answer, ask, offline, openPage } from '../../../test/openPage.tsx';
import type { AreaInput, LogView, OwnTemplate, Product, StackView, Step } from '../../contract/index.ts';
import { anyUnsaved } from '../state/unsaved.ts';
import { sayProducts } from './Templates.tsx';

const boat = aBoat({ name: 'Stack hull' });
const barrier = { ...aProduct({ thinner: { name: 'its own', maxFraction: 0.1 } }), name: 'Plain barrier' };
const hard = {
  ...aProduct({
    family: 'hard-antifouling',
    parts: [{ name: 'paint', ratio: 1, densityKgPerL: 1.8 }],
    potLife: [],
    copper: true,
    colours: ['red', 'blue', 'black'].map((name) => ({ name, hex: '#802020' })),
  }),
  name: 'Plain hard',
};
beforeAll(async () => {
  await ask('POST', '/boats', boat);
  for (const product of [barrier, hard]) await ask('POST', '/products', product);
});
afterEach(() => vi.restoreAllMocks());

async function anAreaWith(steps: Step[], over: Partial<AreaInput> = {}) {
  const area = anArea(boat.id, over);
  await ask('POST', '/areas', area);
  if (steps.length > 0) await ask('PUT', `/areas/${area.id}/stack`, { version: 1, steps });
  return area;
}
const open = (area: { id: string }) => openPage(`/boats/${boat.id}/systems/${area.id}`);
const kept = async (area: { id: string }) =>
  (await ask<StackView[]>('GET', `/boats/${boat.id}/stacks`)).find(
    (stack) => stack.areaId === area.id,
  ) as StackView;
const step = (n: number) => screen.findByRole('group', { name: new RegExp(`^${n}\\. `) });
const save = () => screen.getByRole('button', { name: 'Save system' });
const field = async (n: number, label: string) =>
  within(await step(n)).getByLabelText(label) as HTMLInputElement;

describe('the stack of an area', () => {
  it('of an area that is gone is not another area’s: it says so, and the others can be chosen', async () => {
    const other = await anAreaWith([], { name: 'Still here' });
    await open({ id: uuidv7() });
    expect(await screen.findByText('This area no longer exists.')).toBeDefined();
    expect(screen.queryByLabelText('Next product')).toBeNull();
    const link = within(screen.getByRole('navigation', { name: 'Areas' })).getByRole('link', {
      name: /Still here/,
    });
    expect(link.getAttribute('href')).toBe(`/boats/${boat.id}/systems/${other.id}`);
  });

  it('begins empty, takes a product at its typical film and keeps it', async () => {
    const area = await anAreaWith([]);
    const { user } = await open(area);
    expect(await screen.findByText(/No coats yet/)).toBeDefined();
    await user.selectOptions(screen.getByLabelText('Next product'), 'Plain barrier');
    await user.click(screen.getByRole('button', { name: 'Add step' }));
    expect((await field(1, 'Dry film per coat')).value).toBe('100');
    await user.clear(await field(1, 'Coats'));
    await user.type(await field(1, 'Coats'), '4');
    await user.click(save());
    expect(await screen.findByText('Saved.')).toBeDefined();
    // Fields that were left blank are nothing typed.
    await waitFor(() => expect(anyUnsaved()).toBe(false));
    expect((await kept(area)).steps).toMatchObject([
      { coats: 4, dryMicronsPerCoat: 100, colours: ['grey', 'white'] },
    ]);
  });

  it('letters for a figure and half a coat are refused at their fields, and nothing typed is lost', async () => {
    const area = await anAreaWith([aStep(barrier.id)]);
    const { user } = await open(area);
    await user.clear(await field(1, 'Coats'));
    await user.type(await field(1, 'Coats'), '2.5');
    await user.clear(await field(1, 'Dry film per coat'));
    await user.type(await field(1, 'Dry film per coat'), 'thick');
    await user.click(save());
    expect(await screen.findByText(/[Cc]oats must be a whole number, but is 2.5/)).toBeDefined();
    expect(screen.getByText(/[Dd]ry film.*“thick” isn’t a number/)).toBeDefined();
    expect((await field(1, 'Coats')).value).toBe('2.5');
    expect((await kept(area)).version).toBe(2);
  });

  it('an additive goes in to the limit of its sheet; more is a no, and what it is stays with the step', async () => {
    const additives = [{ name: 'Slow drops', kind: 'retarder' as const, maxMlPerLitre: 10 }];
    const slow = { ...aProduct({ additives }), name: 'Barrier with drops' };
    await ask('POST', '/products', slow);
    const area = await anAreaWith([aStep(slow.id), aStep(barrier.id)]);
    const { user } = await open(area);
    // A sheet that names none has no such line.
    expect(within(await step(2)).queryByText('Additives')).toBeNull();
    await user.click(within(await step(1)).getByText('Additives'));
    const put = async (ml: string) => {
      await user.clear(await field(1, 'Slow drops'));
      await user.type(await field(1, 'Slow drops'), `${ml}{Enter}`);
    };
    await put('12');
    expect(await screen.findAllByText(/12 ml\/l of Slow drops is above/)).not.toHaveLength(0);
    await user.click(save());
    expect(await screen.findByText(/Change the step, or give a reason to apply it anyway/)).toBeDefined();
    await put('8');
    await waitFor(() => expect(screen.queryByText(/maximum of 10 ml/)).toBeNull());
    await user.click(save());
    expect(await screen.findByText('Saved.')).toBeDefined();
    expect((await kept(area)).steps[0]?.additives).toEqual([{ name: 'Slow drops', mlPerLitre: 8 }]);
    await put('0');
    await user.click(save());
    await waitFor(async () => expect((await kept(area)).steps[0]?.additives).toEqual([]));
  });

  it('a film above the sheet’s most and thinner over its limit are a no, overruled only in writing', async () => {
    const area = await anAreaWith([aStep(barrier.id)]);
    const { user } = await open(area);
    await user.clear(await field(1, 'Dry film per coat'));
    await user.type(await field(1, 'Dry film per coat'), '400');
    await user.clear(await field(1, 'Thinner'));
    await user.type(await field(1, 'Thinner'), '20');
    expect(
      await screen.findAllByText(/400 µm per coat is above the data sheet’s maximum of 150 µm/),
    ).not.toHaveLength(0);
    expect(screen.getAllByText(/20 % thinner is above the data sheet’s maximum of 10 %/)).not.toHaveLength(0);
    await user.click(save());
    expect(await screen.findByText(/Change the step, or give a reason to apply it anyway/)).toBeDefined();
    expect((await kept(area)).steps[0]?.dryMicronsPerCoat).toBe(100);
    const why = await field(1, 'Reason to apply anyway (kept on record)');
    await user.type(why, 'test panel for the yard');
    await user.click(save());
    expect(await screen.findByText('Saved.')).toBeDefined();
    expect((await kept(area)).steps[0]?.overrule).toEqual({
      ruleIds: ['film-too-thick', 'thinner-over-limit'],
      reason: 'test panel for the yard',
    });
    const log = await ask<LogView>('GET', `/boats/${boat.id}/log`);
    expect(log.overruled.find((each) => each.areaId === area.id)?.reason).toBe('test panel for the yard');
  });

  it('saved elsewhere meanwhile: told what changed, theirs or mine is chosen, nothing is lost', async () => {
    const area = await anAreaWith([aStep(barrier.id)]);
    const { user } = await open(area);
    const theirs = { ...aStep(barrier.id), coats: 6 };
    await step(1);
    await ask('PUT', `/areas/${area.id}/stack`, { version: 2, steps: [theirs] });
    await user.clear(await field(1, 'Coats'));
    await user.type(await field(1, 'Coats'), '5');
    await user.click(save());
    const clash = await screen.findByText(/someone else saved this after you opened it/);
    expect(clash.closest('[role=alert]')?.textContent).toContain('the steps changed');
    expect((await kept(area)).steps[0]?.coats).toBe(6);
    await user.click(screen.getByRole('button', { name: 'Overwrite with mine' }));
    expect(await screen.findByText('Saved.')).toBeDefined();
    expect((await kept(area)).steps[0]?.coats).toBe(5);
  });

  it('the server out of reach: said, everything still typed, saved when it is back', async () => {
    const area = await anAreaWith([aStep(barrier.id)]);
    const { user } = await open(area);
    await user.clear(await field(1, 'Coats'));
    await user.type(await field(1, 'Coats'), '2');
    await offline(async () => {
      await user.click(save());
      expect(await screen.findByText(/Couldn’t reach the server/)).toBeDefined();
    });
    expect((await field(1, 'Coats')).value).toBe('2');
    await user.click(save());
    expect(await screen.findByText('Saved.')).toBeDefined();
  });

  it('a step that lies on the boat is only taken away when that is meant', async () => {
    const steps = [aStep(barrier.id)];
    const area = await anAreaWith(steps);
    const planned = {
      boat,
      area: { ...area, version: 1, archived: false },
      product: barrier,
      step: steps[0] as Step,
    };
    await ask('POST', '/log', aCoat(planned, Date.now() - 3_600_000));
    const { user } = await open(area);
    expect((await step(1)).textContent).toContain('1 applied');
    await user.click(within(await step(1)).getByRole('button', { name: 'Remove Plain barrier' }));
    await answer(user, /1 coat of this step is already on the boat/, 'Cancel');
    expect(await step(1)).toBeDefined();
    await user.click(within(await step(1)).getByRole('button', { name: 'Remove Plain barrier' }));
    await answer(user, /1 coat of this step/, 'Remove step');
    await waitFor(() => expect(screen.queryByRole('group', { name: /^1\. / })).toBeNull());
  });

  it('a signal coat, one more where it wears, colours in turn', async () => {
    const area = await anAreaWith([aStep(barrier.id), aStep(hard.id, { colours: ['red'] })], {
      highWear: true,
    });
    const { user } = await open(area);
    await user.selectOptions(await field(2, 'Signal coat'), 'black');
    await user.clear(await field(2, 'Extra coats (high wear)'));
    await user.type(await field(2, 'Extra coats (high wear)'), '1');
    await user.click(within(await step(2)).getByRole('button', { name: /^blue/ }));
    await user.click(save());
    expect(await screen.findByText('Saved.')).toBeDefined();
    expect((await kept(area)).steps[1]).toMatchObject({
      signal: 'black',
      extraCoats: 1,
      colours: ['red', 'blue'],
    });
    expect(screen.getByRole('img', { name: /Plain hard, 4 coats of 100 µm/ })).toBeDefined();
  });
});

describe('what the rules say', () => {
  it('stands in a line over the steps, with what was asked behind it', async () => {
    const { user } = await open(await anAreaWith([aStep(barrier.id, { coats: 1 })]));
    expect(await screen.findByText(/OK with conditions: see step 1/)).toBeDefined();
    expect(within(await step(1)).getByText(/This system has 100 µm/).textContent).toContain(
      '2 more coats go on',
    );
    await user.clear(await field(1, 'Coats'));
    await user.type(await field(1, 'Coats'), '4');
    expect(await screen.findByText(/No conflicts found/)).toBeDefined();
    expect(screen.getByText('On GRP with gelcoat; immersed.')).toBeDefined();
  });

  it('sorts what may go on next, and offers what is fine first', async () => {
    await open(await anAreaWith([aStep(barrier.id), aStep(hard.id)]));
    const offered = (await screen.findByLabelText('Next product')) as HTMLSelectElement;
    const groupOf = (name: string) =>
      [...offered.options].find(({ text }) => text === name)?.closest('optgroup')?.label;
    const fine = 'OK over the coat below';
    expect([groupOf(hard.name), groupOf(barrier.name)]).toEqual([fine, 'Not allowed']);
    expect(offered.selectedOptions[0]?.closest('optgroup')?.label).toBe(fine);
  });

  it('figures in a reason are in the units of whoever reads them', async () => {
    localStorage.setItem('jack-plane.units', 'us');
    try {
      await open(await anAreaWith([aStep(barrier.id, { coats: 1 })]));
      expect(await screen.findByText(/This system has 3\.94 mil/)).toBeDefined();
    } finally {
      localStorage.removeItem('jack-plane.units');
    }
  });

  it('a method that a later sheet forbids is shown and refused, not quietly replaced', async () => {
    const rolled = {
      ...aProduct({ methods: ['roller', 'brush'] }),
      name: `Rolled once ${uuidv7().slice(-6)}`,
    };
    await ask('POST', '/products', rolled);
    const area = await anAreaWith([aStep(rolled.id, { method: 'roller', coats: 3 })]);
    const sheet = { ...rolled.sheet, methods: ['brush'] };
    await ask('PUT', `/products/${rolled.id}`, { ...rolled, sheet, version: 1 });
    await open(area);
    expect((await field(1, 'Method')).value).toBe('roller');
    expect(screen.getByText(/doesn’t allow roller|data sheet doesn’t.*roller/)).toBeDefined();
  });
});

describe('templates', () => {
  it('a family without a sheet is named, never replaced quietly', async () => {
    const area = await anAreaWith([], { service: 'interior', substrate: 'timber' });
    await open(area);
    const offer = (await screen.findAllByText('Interior joinery, water-borne'))[0]?.closest('li');
    expect(offer?.textContent).toContain(
      'Interior joinery, water-borneThin coats, one after another as soon as the data sheet allows. Sand a coat only once it has set, or the paper drags itData sheet missing for: water-borne acrylicUse template Interior joinery, water-borne',
    );
    expect(within(offer as HTMLElement).getByRole('button')).toHaveProperty('disabled', true);
  });

  it('one’s own is kept, put away, and brought back', async () => {
    const area = await anAreaWith([aStep(barrier.id)]);
    const { user } = await open(area);
    await user.click(await screen.findByText('Templates and copying'));
    const name = `Our bottom ${uuidv7().slice(-6)}`;
    await user.type(screen.getByLabelText('Template name'), name);
    await user.click(screen.getByRole('button', { name: 'Save as template' }));
    await user.click(await screen.findByRole('button', { name: `Archive ${name}` }));
    expect(await screen.findByText(`${name} archived.`)).toBeDefined();
    await waitFor(async () =>
      expect((await ask<OwnTemplate[]>('GET', '/templates')).map((each) => each.name)).not.toContain(name),
    );
    await user.click(screen.getByRole('button', { name: 'Undo' }));
    expect(await screen.findByRole('button', { name: `Use template ${name}` })).toBeDefined();
  });
});

describe('a template taken', () => {
  it('lies in the editor even when the page’s own copy of the stack is the last thing to arrive', async () => {
    const name = `Bottom of ours ${uuidv7().slice(-6)}`;
    await ask('POST', '/templates', { id: uuidv7(), name, steps: [aStep(barrier.id, { coats: 3 })] });
    const { user } = await open(await anAreaWith([]));
    await user.click(await screen.findByRole('button', { name: `Use template ${name}` }));
    const ours = globalThis.fetch;
    vi.spyOn(globalThis, 'fetch').mockImplementation(async (input, init) => {
      if (String(input).endsWith('/stacks')) await new Promise((resolve) => setTimeout(resolve, 400));
      return ours(input, init);
    });
    expect((await field(1, 'Coats')).value).toBe('3');
  });
  it('takes the place of steps that are only typed when that is meant', async () => {
    const name = `Bottom over it ${uuidv7().slice(-6)}`;
    await ask('POST', '/templates', { id: uuidv7(), name, steps: [aStep(hard.id)] });
    const area = await anAreaWith([]);
    const { user } = await open(area);
    await user.selectOptions(await screen.findByLabelText('Next product'), 'Plain barrier');
    await user.click(screen.getByRole('button', { name: 'Add step' }));
    await user.click(await screen.findByRole('button', { name: `Use template ${name}` }));
    await answer(user, /^Discard unsaved changes to .* and use this template\?$/, 'Cancel');
    expect((await step(1)).textContent).toContain('Plain barrier');
    expect((await kept(area)).steps).toEqual([]);
  });
});

describe('a part that shares the system of its area', () => {
  it('is changed where it came from', async () => {
    const area = await anAreaWith([aStep(barrier.id)]);
    const part = {
      areaId: area.id,
      kind: 'spot',
      standId: null,
      sharesSystem: true,
      at: new Date().toISOString(),
    } as const;
    const spot = anArea(boat.id, { name: 'Spot', part });
    await ask('POST', '/areas', spot);
    await open(spot);
    expect(await screen.findByText(/Takes the system of/)).toBeDefined();
    expect(screen.queryByRole('button', { name: 'Save system' })).toBeNull();
  });
});

describe('the preparation made into work', () => {
  it('takes the place of work already planned only when that is meant', async () => {
    const before = [{ id: uuidv7(), kind: 'wash' as const, amount: null, note: 'our own wash' }];
    const area = await anAreaWith([aStep(barrier.id, { before })]);
    const { user } = await open(area);
    await user.click(await screen.findByText(/^Preparation: \d+ steps/));
    await user.click(screen.getByRole('button', { name: /Add as tasks before Plain barrier/ }));
    await answer(user, /^Replace the 1 planned task before Plain barrier\?$/, 'Cancel');
    expect((await step(1)).textContent).toContain('our own wash');
    await user.click(screen.getByRole('button', { name: /Add as tasks before Plain barrier/ }));
    await answer(user, /^Replace the 1 planned task/, 'Replace tasks');
    await waitFor(async () => expect((await step(1)).textContent).not.toContain('our own wash'));
    expect((await step(1)).textContent).toContain('sand with 80 grit');
  });
});

it('a template says which products it takes, and of how many: none is picked in silence', () => {
  const [one, other, only] = [
    aProduct({ family: 'epoxy-primer' }),
    aProduct({ family: 'epoxy-primer' }),
    aProduct({ family: 'varnish' }),
  ].map((product, i) => ({ ...product, name: `Product ${i}`, version: 1, archived: false }));
  const products = [one, other, only] as Product[];
  const steps = [aStep(other?.id ?? ''), aStep(only?.id ?? ''), aStep(other?.id ?? '')];
  expect(sayProducts(steps, products)).toBe('Product 1 (one of 2 products of this type), Product 2');
});
