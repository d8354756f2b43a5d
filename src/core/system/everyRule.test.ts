import { describe, expect, it } from 'vitest';
import {
  checkStack,
  type Family,
  JOINT_RULES,
  judgeJoint,
  type Layer,
  layerOf,
  SERVICE_RULES,
  type StackPlace,
  WHOLE_RULES,
} from './index.ts';

/** A stack, from the ground up, and where it stands: families, or a family with what is particular of its layer. */
type Case = [layers: readonly (Family | [Family, Partial<Layer>])[], place?: Partial<StackPlace>];

const PLACE: StackPlace = { substrate: 'grp', oldCoating: null, service: 'immersed', coldestC: null };
const band = { band: true };
const copper = { copper: true };
const day = { service: 'daylight' } as const;
const steel = { substrate: 'steel' } as const;
const alloy = { substrate: 'aluminium' } as const;

function ruleIds([layers, place]: Case): string[] {
  const stack = layers.map((each) =>
    typeof each === 'string' ? layerOf(each) : { ...layerOf(each[0]), ...each[1] },
  );
  return checkStack(stack, { ...PLACE, ...place }).layers.flatMap((layer) =>
    layer.judgements.map(({ ruleId }) => ruleId),
  );
}

/** For every rule the stacks it speaks of, and neighbours of them that it leaves alone (handbook part 5). */
const CASES: Record<string, { speaks: Case[]; silent: Case[] }> = {
  'copper-on-aluminium': {
    speaks: [
      [['epoxy-primer', 'epoxy-barrier', 'hard-antifouling'], alloy],
      [['epoxy-barrier', ['copper-free-antifouling', copper]], alloy],
    ],
    silent: [
      [['epoxy-barrier', ['ablative-antifouling', { copper: false }]], alloy],
      [['epoxy-barrier', 'hard-antifouling'], steel],
    ],
  },
  'copper-bearing-on-aluminium': {
    speaks: [
      [['epoxy-primer', ['epoxy-barrier', copper], 'copper-free-antifouling'], alloy],
      [['epoxy-barrier', ['epoxy-finish', copper]], alloy],
      [
        [
          ['epoxy-barrier', band],
          ['epoxy-finish', { copper: true, grounds: ['aluminium', 'epoxy-barrier'] }],
        ],
        alloy,
      ],
      [
        [
          ['epoxy-barrier', { coats: 2, dryMicronsPerCoat: 50 }],
          ['epoxy-finish', { copper: true, grounds: ['aluminium', 'epoxy-barrier'] }],
        ],
        alloy,
      ],
    ],
    silent: [
      [['epoxy-barrier', ['epoxy-finish', { copper: true, grounds: ['aluminium', 'epoxy-barrier'] }]], alloy],
      [['epoxy-primer', ['epoxy-finish', copper]], steel],
    ],
  },
  'antifouling-on-bare': {
    speaks: [[['hard-antifouling']]],
    silent: [[['hard-antifouling'], { substrate: 'timber' }]],
  },
  'antifouling-on-timber': {
    speaks: [[['hard-antifouling'], { substrate: 'timber' }]],
    silent: [[['epoxy-primer', 'hard-antifouling'], { substrate: 'timber' }]],
  },
  'over-unknown-antifouling': {
    speaks: [
      [['hard-antifouling'], { oldCoating: 'unknown' }],
      // A test patch is asked for under a tie coat too.
      [['tie-coat'], { oldCoating: 'unknown' }],
    ],
    silent: [[['hard-antifouling'], { oldCoating: 'hard-antifouling' }]],
  },
  'over-unknown-paint': {
    speaks: [[['epoxy-primer'], { ...day, oldCoating: 'unknown' }]],
    silent: [[['epoxy-primer'], { ...day, oldCoating: 'epoxy-primer' }]],
  },
  'two-pack-over-one-pack': {
    speaks: [
      [['one-pack-primer', 'two-pack-polyurethane'], day],
      // Aggregate is judged by what it lies in.
      [['one-pack-enamel', 'non-skid', 'two-pack-polyurethane'], day],
    ],
    silent: [
      [['one-pack-primer', 'one-pack-enamel'], day],
      [['epoxy-primer', 'non-skid', 'two-pack-polyurethane'], day],
    ],
  },
  'two-pack-over-waterborne': {
    speaks: [[['waterborne-acrylic', 'epoxy-finish'], day]],
    silent: [[['epoxy-primer', 'epoxy-finish'], day]],
  },
  'hard-over-ablative': {
    speaks: [[['epoxy-primer', 'ablative-antifouling', 'hard-antifouling']]],
    silent: [[['epoxy-primer', 'ablative-antifouling', 'tie-coat', 'hard-antifouling']]],
  },
  'hard-over-ablative-tied': {
    speaks: [
      [['tie-coat', 'hard-antifouling'], { oldCoating: 'ablative-antifouling' }],
      [['epoxy-primer', 'ablative-antifouling', 'tie-coat', 'hard-antifouling']],
    ],
    silent: [
      [['tie-coat', 'ablative-antifouling'], { oldCoating: 'ablative-antifouling' }],
      [['tie-coat', 'hard-antifouling'], { oldCoating: 'hard-antifouling' }],
    ],
  },
  'antifouling-on-surfacer': {
    speaks: [[['epoxy-surfacer', 'hard-antifouling']], [['epoxy-surfacer', 'tie-coat', 'hard-antifouling']]],
    silent: [[['epoxy-surfacer', 'epoxy-barrier', 'hard-antifouling']]],
  },
  'ablative-over-hard': {
    speaks: [[['epoxy-primer', 'hard-antifouling', 'ablative-antifouling']]],
    silent: [[['epoxy-primer', 'ablative-antifouling']]],
  },
  'over-antifouling': {
    speaks: [[['epoxy-primer', 'hard-antifouling', 'epoxy-primer']]],
    silent: [[['epoxy-primer', 'hard-antifouling', 'tie-coat']]],
  },
  'polyester-over-epoxy': {
    speaks: [
      [['epoxy-primer', 'polyester-filler'], day],
      [['polyester-filler'], { ...day, substrate: 'timber-epoxy' }],
    ],
    silent: [[['polyester-filler'], { ...day, substrate: 'timber' }]],
  },
  'polyester-under-water': { speaks: [[['polyester-filler']]], silent: [[['polyester-filler'], day]] },
  'filler-on-bare-steel': {
    speaks: [[['epoxy-filler'], steel]],
    silent: [[['epoxy-primer', 'epoxy-filler'], steel]],
  },
  'filler-on-bare-aluminium': {
    speaks: [[['epoxy-filler'], alloy]],
    silent: [[['epoxy-primer', 'epoxy-filler'], alloy]],
  },
  'finish-on-filler': {
    speaks: [[['epoxy-filler', 'two-pack-polyurethane'], day]],
    silent: [[['epoxy-filler', 'epoxy-primer'], day]],
  },
  'zinc-off-steel': { speaks: [[['zinc-epoxy-primer'], alloy]], silent: [[['zinc-epoxy-primer'], steel]] },
  'sealer-on-film': {
    speaks: [[['epoxy-primer', 'penetrating-epoxy-sealer']]],
    silent: [[['penetrating-epoxy-sealer'], { substrate: 'timber' }]],
  },
  'converter-under-epoxy': {
    speaks: [[['rust-converter', 'epoxy-primer'], steel]],
    silent: [[['rust-converter', 'one-pack-primer'], steel]],
  },
  'converter-off-steel': { speaks: [[['rust-converter'], alloy]], silent: [[['rust-converter'], steel]] },
  'wash-on-paint': {
    speaks: [[['epoxy-primer', 'passivating-wash'], steel]],
    silent: [[['passivating-wash'], steel]],
  },
  'one-pack-over-two-pack': {
    speaks: [[['epoxy-primer', 'one-pack-enamel'], day]],
    silent: [[['epoxy-primer', 'epoxy-finish'], day]],
  },
  'waterborne-over-solvent': {
    speaks: [[['one-pack-primer', 'waterborne-acrylic'], day]],
    silent: [[['waterborne-acrylic', 'waterborne-acrylic'], day]],
  },
  'after-window': {
    // A window missed reaches the judgement, though the sheet names the ground.
    speaks: [[['epoxy-barrier', ['epoxy-barrier', { windowClosed: true, grounds: ['epoxy-barrier'] }]]]],
    silent: [[['epoxy-barrier', 'epoxy-barrier']], [[['epoxy-barrier', { windowClosed: true }]]]],
  },
  'over-old-paint': {
    speaks: [
      [['epoxy-primer'], { ...day, oldCoating: 'epoxy-primer' }],
      [[['epoxy-primer', { grounds: ['epoxy-primer'] }]], { ...day, oldCoating: 'epoxy-primer' }],
    ],
    silent: [[['epoxy-primer'], day]],
  },
  'epoxy-in-daylight': {
    speaks: [
      [['epoxy-finish'], day],
      // A band of gloss leaves the rest of the epoxy in the sun.
      [['epoxy-finish', ['two-pack-polyurethane', band]], day],
    ],
    silent: [[['epoxy-finish', 'two-pack-polyurethane'], day]],
  },
  'topcoat-under-water': {
    speaks: [[['epoxy-primer', 'one-pack-enamel']], [['epoxy-primer', ['one-pack-enamel', band]]]],
    silent: [[['epoxy-primer', 'one-pack-enamel'], day]],
  },
  'zinc-under-water': {
    speaks: [
      [['zinc-epoxy-primer', 'epoxy-primer'], steel],
      [['zinc-epoxy-primer', ['epoxy-barrier', band]], steel],
    ],
    silent: [[['zinc-epoxy-primer', 'epoxy-barrier'], steel]],
  },
  'softens-in-tank': {
    speaks: [
      [['one-pack-bilge'], { service: 'tank' }],
      [['zinc-epoxy-primer', 'epoxy-finish'], { ...steel, service: 'tank' }],
    ],
    silent: [
      [['epoxy-finish'], { service: 'tank' }],
      [['one-pack-bilge'], { service: 'bilge' }],
    ],
  },
  'biocide-inside': {
    speaks: [[['hard-antifouling'], { service: 'bilge' }]],
    silent: [[['bilge-epoxy'], { service: 'bilge' }]],
  },
  'biocide-in-daylight': {
    speaks: [[['hard-antifouling'], day]],
    silent: [[['hard-antifouling'], { service: 'splash' }]],
  },
  'treatment-last': {
    speaks: [[['rust-converter'], steel]],
    silent: [[['rust-converter', 'epoxy-primer'], steel]],
  },
  'wants-a-coat-over': {
    speaks: [[['epoxy-primer', 'epoxy-filler']], [['epoxy-primer', 'epoxy-filler', ['epoxy-primer', band]]]],
    silent: [[['epoxy-filler', 'epoxy-primer']]],
  },
  'primer-in-weather': {
    speaks: [[['one-pack-primer'], { ...day, substrate: 'timber' }]],
    silent: [[['one-pack-primer', 'one-pack-enamel'], { ...day, substrate: 'timber' }]],
  },
  'metal-without-primer': {
    speaks: [
      [['two-pack-polyurethane'], { ...day, ...steel }],
      [[['epoxy-primer', band], 'two-pack-polyurethane'], { ...day, ...steel }],
    ],
    silent: [[['epoxy-primer', 'two-pack-polyurethane'], { ...day, ...steel }]],
  },
  'barrier-too-thin': {
    speaks: [[[['epoxy-barrier', { coats: 2 }], 'hard-antifouling']]],
    silent: [[[['epoxy-barrier', { coats: 3 }], 'hard-antifouling']]],
  },
  'barrier-one-coat': {
    speaks: [[[['epoxy-barrier', { coats: 1 }], 'hard-antifouling'], steel]],
    silent: [[[['epoxy-barrier', { coats: 2 }], 'hard-antifouling'], steel]],
  },
  'tank-too-thin': {
    speaks: [[[['epoxy-finish', { coats: 4 }]], { service: 'tank' }]],
    silent: [[[['epoxy-finish', { coats: 5 }]], { service: 'tank' }]],
  },
  'antifouling-one-coat': {
    speaks: [[['epoxy-barrier', ['hard-antifouling', { coats: 1 }]]]],
    silent: [[['epoxy-barrier', ['hard-antifouling', { coats: 2 }]]]],
  },
  'bilge-epoxy-one-coat': {
    speaks: [[[['bilge-epoxy', { coats: 1 }]], { service: 'bilge' }]],
    silent: [[[['bilge-epoxy', { coats: 2 }]], { service: 'bilge' }]],
  },
  'bilge-paint-few-coats': {
    speaks: [[[['one-pack-bilge', { coats: 2 }]], { service: 'bilge' }]],
    silent: [[[['one-pack-bilge', { coats: 3 }]], { service: 'bilge' }]],
  },
};

const RULES = [...JOINT_RULES, ...SERVICE_RULES, ...WHOLE_RULES];

describe('every rule of the trade', () => {
  it('has an id of its own, its source or mark, and stacks that show where it speaks and where it does not', () => {
    const ids = RULES.map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
    expect(Object.keys(CASES).sort()).toEqual([...ids].sort());
    for (const rule of RULES) expect(['S', 'T', 'M', 'P']).toContain(rule.mark);
  });

  it.each(RULES.map(({ id }) => id))('%s speaks, and keeps silent', (id) => {
    for (const each of CASES[id]?.speaks ?? []) expect(ruleIds(each), JSON.stringify(each)).toContain(id);
    for (const each of CASES[id]?.silent ?? []) expect(ruleIds(each), JSON.stringify(each)).not.toContain(id);
  });
});

describe('where a sheet names its grounds', () => {
  const joint = { substrate: 'grp', service: 'immersed', windowClosed: false } as const;
  it('a tie coat over unknown antifouling is the handbook’s remedy all the same: a test patch, no refusal', () => {
    const tie = judgeJoint({
      ...joint,
      ground: { kind: 'old', family: 'unknown' },
      coat: { family: 'tie-coat', copper: null },
      grounds: ['hard-antifouling', 'ablative-antifouling'],
    });
    expect([tie.verdict, tie.bond]).toEqual(['condition', 'tie']);
    expect(tie.judgements.map(({ condition }) => condition).join()).toContain('test patch');
  });
  it('existing paint among them is met by existing paint of any kind; what the trade says of that kind stands', () => {
    const over = (family: Family) =>
      judgeJoint({
        ...joint,
        ground: { kind: 'old', family },
        coat: { family: 'epoxy-primer', copper: null },
        grounds: ['existing-paint', 'steel'],
      });
    expect(over('epoxy-primer').verdict).toBe('condition');
    expect(over('one-pack-enamel').judgements.map(({ ruleId }) => ruleId)).toContain(
      'two-pack-over-one-pack',
    );
    expect(over('one-pack-enamel').judgements.map(({ ruleId }) => ruleId)).not.toContain('not-on-sheet');
  });
});
