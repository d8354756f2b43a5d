// @vitest-environment happy-dom
import { afterEach, expect, it } from 'vitest';
import { checkNoFault, FieldAtFault } from './faults.ts';

afterEach(() => {
  document.body.innerHTML = '';
});
const page = (invalid: string) => {
  document.body.innerHTML = `<main>
    <section><label for="a">Left of base</label><input id="a" ${invalid}><button>Save count</button></section>
    <section><button>Tick work</button></section></main>`;
  return [...document.querySelectorAll('button')] as [HTMLButtonElement, HTMLButtonElement];
};

it('nothing is saved past a field in error: it is named and gone to; what stands elsewhere is saved', () => {
  const [save, tick] = page('aria-invalid="true"');
  save.focus();
  expect(() => checkNoFault()).toThrow(new FieldAtFault('“Left of base”'));
  expect(document.activeElement?.id).toBe('a');
  tick.focus();
  expect(() => checkNoFault()).not.toThrow();
  const [again] = page('');
  again.focus();
  expect(() => checkNoFault()).not.toThrow();
});
