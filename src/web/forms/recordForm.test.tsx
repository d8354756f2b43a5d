// @vitest-environment happy-dom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import { anyUnsaved } from '../state/unsaved.ts';
import { Field } from './Field.tsx';
import { RecordForm } from './RecordForm.tsx';

afterEach(() => {
  cleanup();
  saved.mockClear();
});

const client = new QueryClient();
const saved = vi.fn();
const form = (name: string, submit: () => Promise<'not sent' | undefined>, shed = '') => (
  <QueryClientProvider client={client}>
    <RecordForm values={{ name, shed }} submit={submit} onSaved={saved} button="Save">
      <Field name="name" label="Name" />
      <Field name="shed" label="Stood in" />
    </RecordForm>
  </QueryClientProvider>
);
const box = () => screen.getByLabelText('Name') as HTMLInputElement;

it('what was sent stays until it comes back, and its coming back is nobody else’s change', async () => {
  const submit = vi.fn(async () => undefined);
  const user = userEvent.setup();
  const { rerender } = render(form('Curlew', submit));
  await user.clear(box());
  await user.type(box(), 'Whimbrel ');
  await user.click(screen.getByRole('button', { name: 'Save' }));
  expect(submit).toHaveBeenCalledOnce();
  expect(saved).toHaveBeenCalledOnce();
  expect(box().value).toBe('Whimbrel ');
  rerender(form('Whimbrel', submit));
  expect(box().value).toBe('Whimbrel');
  expect(screen.queryByText(/elsewhere/)).toBeNull();
});

it('what somebody else saves while it is typed in is told, and what is typed stays', async () => {
  const user = userEvent.setup();
  const { rerender } = render(form('Curlew', async () => undefined));
  await user.type(box(), ' II');
  rerender(form('Godwit', async () => undefined));
  expect(box().value).toBe('Curlew II');
  expect(screen.getByText(/Changed elsewhere to “Godwit”/)).toBeDefined();
});

it('what is typed while it is being sent stays typed when the sent values come back', async () => {
  let answered = (_: undefined) => {};
  const submit = () =>
    new Promise<undefined>((resolve) => {
      answered = resolve;
    });
  const user = userEvent.setup();
  const { rerender } = render(form('Curlew', submit));
  await user.type(box(), ' II');
  await user.click(screen.getByRole('button', { name: 'Save' }));
  await user.type(box(), 'I');
  await act(async () => answered(undefined));
  expect(anyUnsaved()).toBe(true);
  // A page that closes when it is saved would lose it.
  expect(saved).not.toHaveBeenCalled();
  rerender(form('Curlew II', submit));
  expect(box().value).toBe('Curlew III');
  expect(anyUnsaved()).toBe(true);
  expect(screen.queryByText(/elsewhere/)).toBeNull();
});

it('a field that the record fills in on its way back is nothing typed: the page may close', async () => {
  let answered = (_: undefined) => {};
  const submit = () =>
    new Promise<undefined>((resolve) => {
      answered = resolve;
    });
  const user = userEvent.setup();
  const { rerender } = render(form('Curlew', submit));
  await user.type(box(), ' II');
  await user.click(screen.getByRole('button', { name: 'Save' }));
  // Read again before the answer is here.
  rerender(form('Curlew II', submit, 'the shed'));
  await act(async () => answered(undefined));
  expect(saved).toHaveBeenCalledOnce();
  expect(anyUnsaved()).toBe(false);
});

it('what was thought better of before it was sent is still unsaved', async () => {
  const user = userEvent.setup();
  render(form('Curlew', async () => 'not sent'));
  await user.type(box(), ' II');
  await user.click(screen.getByRole('button', { name: 'Save' }));
  expect(box().value).toBe('Curlew II');
  expect(anyUnsaved()).toBe(true);
  expect(saved).not.toHaveBeenCalled();
});
