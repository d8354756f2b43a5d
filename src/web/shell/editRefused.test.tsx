// @vitest-environment happy-dom
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import { EditRefused } from './EditRefused.tsx';

afterEach(cleanup);

const body = {
  id: '01a22649-cec0-7000-8000-3110171e252c',
  kind: 'note',
  body: { text: 'wet', litres: 2, batchIds: ['01a22649-cec0-7000-8000-3110171e252d'] },
};
const problem = { title: 'Not accepted', status: 422, detail: 'litres 2', type: '', errors: [{ path: 'body.litres', message: 'litres 2 is above the limit of 1' }] }; // biome-ignore format: one line

it('of what was refused the field that was named is put right, and nothing else is touched', async () => {
  const send = vi.fn();
  const user = userEvent.setup();
  render(<EditRefused body={body} problem={problem} onSend={send} onCancel={() => {}} />);
  expect(screen.getAllByRole('textbox')).toHaveLength(1);
  const litres = screen.getByLabelText('litres');
  await user.clear(litres);
  await user.type(litres, 'one');
  await user.click(screen.getByRole('button', { name: 'Send' }));
  expect(screen.getByRole('alert').textContent).toBe('litres “one” isn’t a number');
  await user.clear(litres);
  await user.type(litres, '0,5');
  await user.click(screen.getByRole('button', { name: 'Send' }));
  expect(send).toHaveBeenCalledExactlyOnceWith({ ...body, body: { ...body.body, litres: 0.5 } });
});

it('where no field is named all that was typed may be put right, ids aside', () => {
  render(<EditRefused body={body} problem={null} onSend={() => {}} onCancel={() => {}} />);
  expect(screen.getAllByRole('textbox').map((box) => (box as HTMLInputElement).value)).toEqual([
    'note',
    'wet',
    '2',
  ]);
});
