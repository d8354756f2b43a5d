import { antifouled, GRP, inspect, prepare, sand, type Template, wash } from './template.ts';

/** Typical stacks under water [T, handbook part 5]. */
export const BOTTOMS: readonly Template[] = [
  {
    id: 'grp-bottom',
    name: 'GRP bottom, osmosis barrier',
    substrates: GRP,
    services: ['immersed'],
    steps: [
      {
        family: 'epoxy-barrier',
        coats: { targetMicrons: 400 },
        method: 'roller',
        before: [wash('wash with solvent before and after sanding, using two cloths'), sand(80)],
      },
      antifouled('ablative-antifouling'),
    ],
  },
  {
    id: 'steel-bottom',
    name: 'Steel bottom, blasted',
    substrates: ['steel'],
    services: ['immersed'],
    steps: [
      {
        family: 'epoxy-primer',
        coats: { targetMicrons: 60 },
        method: 'airless-spray',
        before: [prepare('blast to Sa 2½; salt below 50 mg/m²; prime within 4 h')],
      },
      {
        family: 'epoxy-filler',
        coats: 1,
        method: 'brush',
        before: [inspect('use a guide coat and fill only the low spots')],
      },
      {
        family: 'epoxy-primer',
        coats: 1,
        method: 'roller',
        before: [sand(80), wash('blow off, then wipe with solvent')],
      },
      { family: 'epoxy-barrier', coats: 2, method: 'roller' },
      antifouled('ablative-antifouling'),
    ],
  },
  {
    id: 'aluminium-bottom',
    name: 'Aluminium bottom, no copper',
    substrates: ['aluminium'],
    services: ['immersed'],
    steps: [
      {
        family: 'epoxy-primer',
        coats: 1,
        method: 'roller',
        before: [
          wash('degrease'),
          prepare('abrade with non-metallic media, then etch or prime within the hour'),
        ],
      },
      { family: 'epoxy-barrier', coats: { targetMicrons: 300 }, method: 'roller' },
      antifouled('copper-free-antifouling'),
    ],
  },
  {
    id: 'running-gear',
    name: 'Running gear (anodes unpainted)',
    substrates: ['stainless-bronze'],
    services: ['immersed'],
    steps: [
      {
        family: 'epoxy-primer',
        coats: 1,
        method: 'brush',
        before: [prepare('abrade or etch; mask anodes and shaft faces')],
      },
      { family: 'epoxy-barrier', coats: 2, method: 'brush' },
      { family: 'hard-antifouling', coats: 2, method: 'brush' },
    ],
  },
];
