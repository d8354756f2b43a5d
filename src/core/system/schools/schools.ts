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
    question: 'How will you apply it?',
    ways: [
      way(
        'spray',
        'spray',
        'a hull in an hour, the smoothest film',
        'a day of masking, a lot of overspray, air-fed masks',
      ),
      way(
        'roll-and-tip',
        'roll and tip',
        'almost a sprayed gloss, outdoors',
        'a second person, and a wet edge to keep',
      ),
      way(
        'roll',
        'roll only',
        'one person can do it, in any dry weather',
        'a texture that shows in a gloss finish',
      ),
    ],
  },
  {
    id: 'thickness',
    question: 'Many thin coats or a few heavy ones?',
    ways: [
      way(
        'thin',
        'many thin coats',
        'no sags, solvent can escape, missed spots get covered',
        'more days, and an overcoat window to meet for each coat',
      ),
      way(
        'heavy',
        'a few heavy coats',
        'fewer days and fewer overcoat windows',
        'sags and trapped solvent where the film is thick',
      ),
    ],
  },
  {
    id: 'overcoating',
    question: 'Overcoat while tacky, or cure and sand each coat?',
    ways: [
      way(
        'tacky',
        'overcoat while tacky',
        'no sanding, chemical bond',
        'a short window, and no chance to fix defects between coats',
      ),
      way('sand', 'cure and sand', 'a flat finish, every defect fixed', 'hours of sanding for each coat'),
    ],
  },
  {
    id: 'packs',
    question: 'One-pack or two-pack?',
    ways: [
      way('one-pack', 'one-pack', 'forgiving, even in winter and outdoors', 'softer and fades sooner'),
      way(
        'two-pack',
        'two-pack',
        'lasts longer and keeps its gloss',
        'narrow weather limits, isocyanates, can’t go over a one-pack',
      ),
    ],
  },
  {
    id: 'antifouling',
    question: 'Hard or ablative antifouling?',
    ways: [
      way(
        'hard',
        'hard antifouling',
        'withstands scrubbing, speed and drying out',
        'builds up year after year',
      ),
      way(
        'ablative',
        'ablative antifouling',
        'wears away, so no build-up',
        'soft: wears off early if scrubbed or on a fast boat',
      ),
    ],
  },
  {
    id: 'rust',
    question: 'Blast or convert the rust?',
    ways: [
      way(
        'blast',
        'blast the rust',
        'clean steel with a profile',
        'dust, cost, must be primed within four hours',
      ),
      way(
        'convert',
        'convert the rust',
        'reaches places blasting can’t',
        'days of waiting; rust that is still red after the third coat comes back',
      ),
    ],
  },
  {
    id: 'filling',
    question: 'Fill after priming or before?',
    ways: [
      way(
        'after',
        'fill after priming',
        'defects show up in the primer’s single colour; no filler on bare steel',
        'another coat of primer over the filler',
      ),
      way(
        'before',
        'fill before priming',
        'saves one coat of primer on timber and GRP',
        'low spots are found too late',
      ),
    ],
  },
  {
    id: 'panels',
    question: 'Paint panels flat before assembly, or paint the assembled boat?',
    ways: [
      way(
        'flat',
        'panels flat',
        'gravity helps, no sags',
        'joints and faces to be glued must be masked and touched up later',
      ),
      way('whole', 'assembled boat', 'one unbroken film', 'overhead work, edges sag'),
    ],
  },
  {
    id: 'direction',
    question: 'Bottom up or top down?',
    ways: [
      way(
        'bottom-up',
        'bottom up',
        'drips fall on unpainted areas and not on the painter',
        'reaching over wet paint',
      ),
      way('top-down', 'top down', 'dust falls on areas still to be sanded', 'drips fall on finished work'),
    ],
  },
  {
    id: 'done',
    question: 'Good enough, or every defect removed?',
    ways: [
      way('done', 'good enough', 'saves days of yard rent', 'nibs and runs remain'),
      way(
        'perfect',
        'every defect removed',
        'a flawless finish',
        'may cost you the launch date, plus yard rent',
      ),
    ],
  },
];
