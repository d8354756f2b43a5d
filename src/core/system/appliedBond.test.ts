import { describe, expect, it } from 'vitest';
import { appliedBond } from './index.ts';

/** Common practice (handbook part 5): inside the window chemical, abraded mechanical, after it nothing. */
const barrier = { below: 'epoxy-barrier', coat: 'epoxy-barrier', sanded: false } as const;

describe('how a coat that lies holds to the one below', () => {
  it.each([
    ['open', { bond: 'fused', fault: null }],
    ['thumb', { bond: 'fused', fault: null }],
    ['too-soon', { bond: 'fused', fault: 'too-soon' }],
    ['key-first', { bond: 'none', fault: 'not-keyed' }],
    ['not-stated', null],
  ] as const)('applied while the window below was %s', (state, expected) => {
    expect(appliedBond({ ...barrier, state })).toEqual(expected);
  });
  it('sanded it holds by tooth, in the window or after it', () => {
    expect(appliedBond({ ...barrier, state: 'key-first', sanded: true })).toEqual({
      bond: 'keyed',
      fault: null,
    });
    expect(appliedBond({ ...barrier, state: 'open', sanded: true })?.bond).toBe('keyed');
  });
  it('a tie coat ties, above and below; applied too soon it is still too soon', () => {
    expect(appliedBond({ ...barrier, coat: 'tie-coat', state: 'key-first' })?.bond).toBe('tie');
    expect(appliedBond({ ...barrier, below: 'tie-coat', state: 'too-soon' })).toEqual({
      bond: 'tie',
      fault: 'too-soon',
    });
  });
});
