// @vitest-environment happy-dom
import { screen } from '@testing-library/react';
import { beforeAll, describe, expect, it } from 'vitest';
import { ask, openPage } from '../../../test/openPage.tsx';
import { aBoat, anArea, aProduct, aStep } from '../../../test/yardServer.ts';

const boat = aBoat({ name: 'Bench hull' });
const epoxy = aProduct();
beforeAll(async () => {
  await ask('POST', '/boats', boat);
  await ask('POST', '/products', epoxy);
});

describe('the stack of an area', () => {
  it('opens with its steps', async () => {
    const area = anArea(boat.id);
    await ask('POST', '/areas', area);
    await ask('PUT', `/areas/${area.id}/stack`, { version: 1, steps: [aStep(epoxy.id)] });
    await openPage(`/boats/${boat.id}/systems/${area.id}`);
    expect(await screen.findByRole('group', { name: /1\. Test epoxy/ })).toBeDefined();
  });
});
