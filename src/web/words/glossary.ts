/** A word of the trade as the screens use it: what it means, and what the code calls it where that differs. */
export interface GlossaryTerm {
  word: string;
  meaning: string;
  code?: string;
}

/** In the order of the alphabet. The handbook's words and those of data sheets; one sentence each. */
export const GLOSSARY: readonly GlossaryTerm[] = [
  { word: 'abrade', meaning: 'To sand or scour a surface until it is dull and even, so that the next coat holds.' },
  { word: 'additive', meaning: 'A little of something besides the parts: accelerator, retarder, roller additive; only what the sheet names, to its limit.', code: 'additives' },
  { word: 'area', meaning: 'A piece of the boat with one substrate, one system and one history: the unit of planning.' },
  { word: 'barrier coat', meaning: 'A dense epoxy that keeps water out of a laminate or off a metal.' },
  { word: 'base and hardener', meaning: 'The two parts of a two-pack; once mixed they cure, whether they are used or not.' },
  { word: 'bloom', meaning: 'A greasy or milky film on epoxy that cured damp or cold; washed off with water before anything else.' },
  { word: 'board', meaning: 'The yard’s first screen: every running clock, soonest first.', code: 'slip' },
  { word: 'boot stripe', meaning: 'The painted band between the antifouling and the topsides.' },
  { word: 'bridged', meaning: 'Hours that nobody gave, on straight lines between what is known before and after; said wherever they are used.', code: 'filled' },
  { word: 'chemical bond', meaning: 'The next coat goes on inside the window and joins with the last as one film.', code: 'fused' },
  { word: 'coat', meaning: 'One application of a product over an area, in one session or several.' },
  { word: 'cut in', meaning: 'To paint the strip along an edge or line by brush.' },
  { word: 'dew point', meaning: 'The temperature at which the air begins to leave dew; a surface is kept well above it.' },
  { word: 'dry film (DFT)', meaning: 'The thickness that stays once the solvent is gone.', code: 'dryMicrons' },
  { word: 'exposure', meaning: 'What an area has to stand: immersed, splash, daylight, interior, bilge, tank.', code: 'service' },
  { word: 'fair', meaning: 'To make a surface smooth and even to the eye, by filling and long-board sanding.' },
  { word: 'feather', meaning: 'To sand an edge of old paint to nothing, so that it does not show through.' },
  { word: 'flare', meaning: 'How far the hull leans outward above the waterline.' },
  { word: 'flash off', meaning: 'To let solvent or water leave a wet film before the next is applied.' },
  { word: 'hand test', meaning: 'A thumb, a fingernail or sandpaper on the film: what it finds corrects the film’s clock.', code: 'hand-test' },
  { word: 'haul-out', meaning: 'Lifting the boat out of the water.' },
  { word: 'heading', meaning: 'Where the bow points as she stands, in degrees from north: it decides which side the sun warms.', code: 'headingDeg' },
  { word: 'holiday', meaning: 'A spot that was missed.' },
  { word: 'keep-back', meaning: 'Paint set apart unmixed, both parts in ratio in closed cups, for a patch that comes later.', code: 'kept-back' },
  { word: 'kit', meaning: 'Base and hardener sold together in their ratio.' },
  { word: 'latest without sanding', meaning: 'The last moment at which the next coat still bonds chemically; after it, sand first.', code: 'chemicalMax' },
  { word: 'launch', meaning: 'Putting the boat back into the water.' },
  { word: 'learned rate', meaning: 'How much of a product coats here really took against its sheet, drawn towards the sheet while coats are few.', code: 'learned' },
  { word: 'likely and safe', meaning: 'Likely is as often too much as too little; safe is enough nine times in ten.', code: 'likely, safe' },
  { word: 'loss', meaning: 'Paint that does not end on the boat: in the roller, the tray, the air.' },
  { word: 'lot', meaning: 'A tin, can or drum of one part of a product, with its number, its dates and what is in it.' },
  { word: 'masked items', meaning: 'Anodes, transducers, earth plates: what is never painted.', code: 'bareItems' },
  { word: 'mechanical bond', meaning: 'The next coat holds on a sanded surface.', code: 'keyed' },
  { word: 'mixed, in use', meaning: 'A pot whose parts are together: its pot life runs.', code: 'pot' },
  { word: 'movement', meaning: 'What happened to a lot: received, opened, used, counted, kept back, lent, spilt, discarded; never overwritten.' },
  { word: 'nib', meaning: 'A speck of dust or an insect in the finish; sanded out with fine wet paper.' },
  { word: 'not ready yet', meaning: 'Before the shortest overcoat time: solvent, water or resin still has to leave or cure.', code: 'too-soon' },
  { word: 'offset', meaning: 'A half-breadth of the hull at a station and a waterline.' },
  { word: 'outlier', meaning: 'A mark or reading that does not fit the others.' },
  { word: 'overcoat window', meaning: 'From the shortest time to the latest without sanding: when the next coat may go on.', code: 'windowsFor' },
  { word: 'own ratio', meaning: 'Another mixing ratio than the sheet’s, on purpose, with its reason on the record.', code: 'ownRatio' },
  { word: 'pace', meaning: 'How many times as fast as its sheet a film cures, by what hands found on it.', code: 'factor' },
  { word: 'pot life', meaning: 'How long a mixed pot can be used, at its temperature.' },
  { word: 'reconcile', meaning: 'To hold what is left in both tins against what was mixed: it tells the ratio that was really used.' },
  { word: 'record', meaning: 'What was really done, entry by entry; a correction is a new entry.', code: 'log' },
  { word: 'reducer', meaning: 'Thinner that a sheet counts as a part of the mix; it makes no film.' },
  { word: 'removal', meaning: 'Coats sanded off, scraped, stripped or blasted off again: logged with how and why, and everything goes by what is left.', code: 'removal' },
  { word: 'round', meaning: 'One more coat of a step than planned, because the work wants it: filling and fairing go in rounds.' },
  { word: 'safe from dew, safe from rain', meaning: 'The film has set so far that dew or rain no longer marks it.', code: 'dew-safe' },
  { word: 'sag', meaning: 'Paint that slid down while wet: too thick, too thin a mix, or too cold.' },
  { word: 'sand first', meaning: 'The window is missed: abrade with the sheet’s grit, then the next coat holds.', code: 'key-first' },
  { word: 'sheer', meaning: 'The upper edge of the hull’s side.' },
  { word: 'smallest graduation', meaning: 'The finest step that a cup, scale or syringe can show.', code: 'stepMl' },
  { word: 'spreading rate', meaning: 'Square metres a litre covers at the film wanted, before losses.' },
  { word: 'stand patch', meaning: 'The piece of hull that a support hides; it gets its system once the support is moved.' },
  { word: 'standing time (induction)', meaning: 'Minutes a mixed pot stands before it is used; it counts against the pot life.', code: 'inductionMin' },
  { word: 'station', meaning: 'A place along the hull at which it is measured.' },
  { word: 'sundries', meaning: 'Rollers, liners, cups, gloves, tape, abrasives, cloths: what the work uses up beside the paint.' },
  { word: 'supports', meaning: 'Stands, blocks, cradle: what the boat stands on ashore.', code: 'stands' },
  { word: 'system', meaning: 'The coats of an area in their order, with what happens between them.', code: 'stack' },
  { word: 'tack-free', meaning: 'A finger on the film comes away clean.' },
  { word: 'thumbprint', meaning: 'The film still takes a print but nothing sticks: the time for antifouling over epoxy.', code: 'thumb' },
  { word: 'tie coat', meaning: 'A coat that holds on what other paints do not hold on.' },
  { word: 'time-strip', meaning: 'Air above, films below, all on one axis of time.', code: 'strip' },
  { word: 'tip off', meaning: 'To draw an almost dry brush over rolled paint, so that it flows out.' },
  { word: 'typical value', meaning: 'A figure from memory on a sheet to begin with, until somebody confirms it from the tin.', code: 'typical' },
  { word: 'volume solids', meaning: 'The share of the paint in the tin that stays as dry film.' },
  { word: 'weather station', meaning: 'A source of air: a logger that posts its readings, or an address that is asked for them.' },
  { word: 'wet edge', meaning: 'The border of what was just applied, while new paint still joins it unseen.' },
  { word: 'wet film (WFT)', meaning: 'The thickness just applied, read with a comb.', code: 'wetMicrons' },
  { word: 'where it stands', meaning: 'Open, shaded, tent, shed or heated: what decides how warm and dry a surface is.', code: 'surroundings' },
]; // biome-ignore format: one term a line

/** How a term may stand in a sentence: each of its words before a comma or a bracket, and what is in the bracket. */
const formsOf = ({ word }: GlossaryTerm): string[] =>
  word
    .split(/,|\(|\)/)
    .map((form) => form.trim())
    .filter(Boolean);

/** The terms that stand in a text, in the glossary's order: "Pot life 3 h" has pot life. */
export const termsIn = (text: string): GlossaryTerm[] => {
  const read = text.toLowerCase();
  return GLOSSARY.filter((term) =>
    formsOf(term).some((form) => {
      const at = read.indexOf(form.toLowerCase());
      // The beginning of a word, so that "fair" is not found in "affair"; plurals and -ed may follow.
      return (
        at >= 0 && new RegExp(`\\b${form.toLowerCase().replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}`).test(read)
      );
    }),
  );
};

/** The address of a word within the glossary's page. */
export const termId = (word: string): string =>
  word
    .toLowerCase()
    .replace(/[^a-z]+/g, '-')
    .replace(/^-|-$/g, '');
