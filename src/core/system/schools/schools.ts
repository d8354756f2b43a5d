export type SchoolId =
  | 'application'
  | 'thickness'
  | 'overcoating'
  | 'packs'
  | 'antifouling'
  | 'rust'
  | 'filling'
  | 'panels'
  | 'direction'
  | 'done';

/** A choice on which the trade disagrees: both ways work; each buys something and costs something [T]. */
export interface School {
  id: SchoolId;
  question: string;
  ways: readonly [SchoolWay, SchoolWay, ...SchoolWay[]];
}

export interface SchoolWay {
  id: string;
  name: string;
  buys: string;
  costs: string;
}

const way = (id: string, name: string, buys: string, costs: string): SchoolWay => ({
  id,
  name,
  buys,
  costs,
});

/** Where practitioners differ (handbook part 5, end) [T]. */
export const SCHOOLS: readonly School[] = [
  {
    id: 'application',
    question: 'How is it put on?',
    ways: [
      way(
        'spray',
        'spray',
        'a hull in an hour, the flattest film',
        'a day of masking, much overspray, air-fed masks',
      ),
      way(
        'roll-and-tip',
        'roll and tip',
        'a near-sprayed gloss outdoors',
        'a pair of hands and a wet edge kept',
      ),
      way('roll', 'roll only', 'one pair of hands, any weather that is dry', 'a texture that shows on gloss'),
    ],
  },
  {
    id: 'thickness',
    question: 'Many thin coats or few heavy ones?',
    ways: [
      way(
        'thin',
        'many thin',
        'no sags, solvent gets out, misses are covered',
        'days, and a window to keep for each',
      ),
      way('heavy', 'few heavy', 'fewer days and windows', 'sags and trapped solvent where it runs thick'),
    ],
  },
  {
    id: 'overcoating',
    question: 'Wet on tacky, or cure and sand each coat?',
    ways: [
      way(
        'tacky',
        'wet on tacky',
        'no sanding, chemical bond',
        'a short window, nothing is put right between coats',
      ),
      way('sand', 'cure and sand', 'flatness, every defect put right', 'hours of sanding for each coat'),
    ],
  },
  {
    id: 'packs',
    question: 'One-pack or two-pack?',
    ways: [
      way('one-pack', 'one-pack', 'forgiving, in winter and outdoors', 'softer, fades sooner'),
      way(
        'two-pack',
        'two-pack',
        'lasts, keeps its gloss',
        'narrow conditions, isocyanates, no way back over one-pack',
      ),
    ],
  },
  {
    id: 'antifouling',
    question: 'Hard or ablative antifouling?',
    ways: [
      way('hard', 'hard', 'stands scrubbing, speed and drying out', 'builds up from year to year'),
      way('ablative', 'ablative', 'wears away, no build-up', 'soft: scrubbed or fast, it is gone early'),
    ],
  },
  {
    id: 'rust',
    question: 'Blast, or convert the rust?',
    ways: [
      way('blast', 'blast', 'clean steel with a profile', 'dust, cost, prime within four hours'),
      way(
        'convert',
        'convert',
        'reaches where blasting cannot',
        'waits of days; red after the third coat comes back',
      ),
    ],
  },
  {
    id: 'filling',
    question: 'Fill after priming, or before?',
    ways: [
      way(
        'after',
        'after',
        'defects show in the primer’s one colour; no filler on bare steel',
        'another primer coat over it',
      ),
      way('before', 'before', 'one primer coat saved on timber and GRP', 'lows found too late'),
    ],
  },
  {
    id: 'panels',
    question: 'Paint panels flat before assembly, or the boat whole?',
    ways: [
      way('flat', 'panels flat', 'gravity helps, no sags', 'joints and glue faces masked, touched up later'),
      way('whole', 'whole', 'one unbroken film', 'overhead work, edges sag'),
    ],
  },
  {
    id: 'direction',
    question: 'Bottom up, or top down?',
    ways: [
      way(
        'bottom-up',
        'bottom up',
        'drips fall on what is still to be painted; none on the painter',
        'reaching over wet paint',
      ),
      way('top-down', 'top down', 'dust falls on what is still to be sanded', 'drips on what is done'),
    ],
  },
  {
    id: 'done',
    question: 'Done beats perfect, or every defect out?',
    ways: [
      way('done', 'done beats perfect', 'days of yard rent saved', 'nibs and runs live on'),
      way('perfect', 'every defect out', 'a film to be proud of', 'the launch slot, and the rent'),
    ],
  },
];
