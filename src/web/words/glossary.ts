/** A word of the trade as the screens use it: what it means, and what the code calls it where that differs. */
export interface GlossaryTerm {
  word: string;
  meaning: string;
  code?: string;
}

/** In the order of the alphabet. The handbook's words and those of data sheets; one sentence each. */
export const GLOSSARY: readonly GlossaryTerm[] = [
  { word: 'abrade', meaning: 'To sand or scour a surface until it is dull and even, so that the next coat adheres.' },
  { word: 'additive', meaning: 'A small extra in the mix: accelerator, retarder or roller additive. Use only what the data sheet names, up to its limit.', code: 'additives' },
  { word: 'area', meaning: 'A part of the boat with one substrate, one coating system and one history. Work is planned by area.' },
  { word: 'barrier coat', meaning: 'A dense epoxy coat that keeps water away from a laminate or metal.' },
  { word: 'base and hardener', meaning: 'The two parts of a two-pack paint. Once mixed they cure, used or not.' },
  { word: 'bloom', meaning: 'A greasy or milky film on epoxy that cured in cold or damp. Wash it off with water before doing anything else.' },
  { word: 'board', meaning: 'The home screen: every running timer, soonest first.', code: 'board' },
  { word: 'boot stripe', meaning: 'The painted band between the antifouling and the topsides.' },
  { word: 'chemical bond', meaning: 'The bond between coats when the next one goes on inside the overcoat window: the two become one film.', code: 'fused' },
  { word: 'coat', meaning: 'One layer of a product over an area, applied in one session or several.' },
  { word: 'curing speed', meaning: 'How fast a film is curing compared with its data sheet, from hand tests. 2 means twice as fast.', code: 'factor' },
  { word: 'custom ratio', meaning: 'A mixing ratio deliberately different from the data sheet, with the reason on record.', code: 'ownRatio' },
  { word: 'cut in', meaning: 'To paint along an edge or line with a brush.' },
  { word: 'dew point', meaning: 'The temperature at which dew starts to form. Keep the surface well above it.' },
  { word: 'dry film (DFT)', meaning: 'The film thickness left once the solvent has evaporated.', code: 'dryMicrons' },
  { word: 'exposure', meaning: 'The conditions an area has to withstand: immersed, splash, daylight, interior, bilge or tank.', code: 'service' },
  { word: 'fair', meaning: 'To make a surface smooth and even to the eye by filling and sanding with a long board.' },
  { word: 'feather', meaning: 'To sand the edge of old paint down to nothing so that it doesn’t show through.' },
  { word: 'flare', meaning: 'How far the hull side leans outwards above the waterline.' },
  { word: 'flash off', meaning: 'To let solvent or water evaporate from a wet film before the next coat.' },
  { word: 'hand test', meaning: 'A check of the film with a thumb, fingernail or sandpaper. The result corrects its estimated cure times.', code: 'hand-test' },
  { word: 'haul-out', meaning: 'Lifting the boat out of the water for work ashore.' },
  { word: 'heading', meaning: 'The compass direction of the bow, in degrees from north. It decides which side gets the sun.', code: 'headingDeg' },
  { word: 'holiday', meaning: 'A spot the paint missed.' },
  { word: 'interpolated', meaning: 'Hours without weather data, filled in on a straight line between the readings before and after. They are marked wherever they are used.', code: 'filled' },
  { word: 'kept back', meaning: 'Unmixed paint set aside for a later patch, with both parts in ratio in closed cups.', code: 'kept-back' },
  { word: 'kit', meaning: 'Base and hardener sold together in the right ratio.' },
  { word: 'latest without sanding', meaning: 'The last moment at which the next coat still bonds chemically. After that, sand first.', code: 'chemicalMax' },
  { word: 'launch', meaning: 'Putting the boat back into the water.' },
  { word: 'learned rate', meaning: 'The amount of a product that your coats really took, compared with its data sheet. With few coats on record, it stays close to the data sheet.', code: 'learned' },
  { word: 'likely and safe', meaning: 'Two estimates. Likely is as often too high as too low. Safe is enough with 90 % certainty.', code: 'likely, safe' },
  { word: 'loss', meaning: 'Paint that doesn’t end up on the boat: left in the roller or tray, or lost as overspray.' },
  { word: 'lot', meaning: 'A tin, can or drum of one part of a product, with its batch number, dates and contents.' },
  { word: 'masked items', meaning: 'Things that must never be painted: anodes, transducers, earth plates.', code: 'bareItems' },
  { word: 'mechanical bond', meaning: 'The bond between a coat and the sanded surface below it.', code: 'keyed' },
  { word: 'mixed, in use', meaning: 'A pot that has been mixed; its pot life is running.', code: 'pot' },
  { word: 'movement', meaning: 'An entry in a lot’s history: received, opened, used, counted, kept back, lent, spilt or discarded. Entries are never overwritten.' },
  { word: 'nib', meaning: 'A speck of dust or an insect in the finish. Sand it out with fine wet paper.' },
  { word: 'not ready yet', meaning: 'Too soon for the next coat: solvent or water still has to evaporate, or resin to cure.', code: 'too-soon' },
  { word: 'offset', meaning: 'The half-breadth of the hull at one station and waterline.' },
  { word: 'outlier', meaning: 'A mark or reading that doesn’t fit the others.' },
  { word: 'overcoat window', meaning: 'The time during which the next coat can go on without sanding, from the earliest to the latest.', code: 'windowsFor' },
  { word: 'pot life', meaning: 'How long a mixed pot stays usable at its temperature.' },
  { word: 'reconcile', meaning: 'To compare what is left in both tins with what was mixed. This shows the ratio really used.' },
  { word: 'record', meaning: 'The history of the work, entry by entry. A correction is a new entry.', code: 'log' },
  { word: 'reducer', meaning: 'A thinner that the data sheet counts as part of the mix. It leaves no dry film.' },
  { word: 'removal', meaning: 'Coats sanded off, scraped, stripped or blasted off again: logged with method and reason. Everything else then follows from the coats that remain.', code: 'removal' },
  { word: 'round', meaning: 'One more coat of a step than planned, because the surface needs it. Filling and fairing often take several rounds.' },
  { word: 'safe from dew, safe from rain', meaning: 'The film has set far enough that dew or rain no longer marks it.', code: 'dew-safe' },
  { word: 'sag', meaning: 'Paint that slid down while wet because it was applied too thickly, thinned too much or too cold.' },
  { word: 'sand first', meaning: 'The overcoat window has closed. Abrade with the grit on the data sheet before the next coat.', code: 'key-first' },
  { word: 'sheer', meaning: 'The top edge of the hull side.' },
  { word: 'shelter', meaning: 'Where the boat stands: open, shaded, tent, shed or heated. It decides how warm and dry a surface is.', code: 'surroundings' },
  { word: 'smallest graduation', meaning: 'The smallest step that a cup, scale or syringe can show.', code: 'stepMl' },
  { word: 'spreading rate', meaning: 'The area a litre covers at the target film thickness, before losses (m²/l).' },
  { word: 'stand patch', meaning: 'The part of the hull hidden by a support. It is painted after the support is moved.' },
  { word: 'standing time (induction)', meaning: 'How long a mixed pot must stand before use. It counts towards the pot life.', code: 'inductionMin' },
  { word: 'station', meaning: 'A position along the hull where it is measured.' },
  { word: 'sundries', meaning: 'Consumables other than paint: rollers, liners, cups, gloves, tape, abrasives, cloths.' },
  { word: 'supports', meaning: 'The stands, blocks or cradle that hold the boat ashore.', code: 'stands' },
  { word: 'system', meaning: 'All the coats of an area in order, with the work between them.', code: 'stack' },
  { word: 'tack-free', meaning: 'Dry enough that a finger comes away clean.' },
  { word: 'thumbprint', meaning: 'The stage when a thumb leaves a print but nothing sticks. This is the time to apply antifouling over epoxy.', code: 'thumb' },
  { word: 'tie coat', meaning: 'A coat that adheres where other paints don’t, used as a link between two paints.' },
  { word: 'timeline', meaning: 'A chart with the weather above and the curing coats below, on one time axis.', code: 'strip' },
  { word: 'tip off', meaning: 'To draw an almost dry brush lightly over rolled paint so that it flows out smooth.' },
  { word: 'typical value', meaning: 'A starting figure on a data sheet, from memory. It stays marked until someone confirms it from the tin.', code: 'typical' },
  { word: 'volume solids', meaning: 'The share of the paint’s volume that stays on the surface as dry film.' },
  { word: 'weather station', meaning: 'A source of weather data: a logger that sends readings, or a web address that readings are fetched from.' },
  { word: 'wet edge', meaning: 'The edge of fresh paint while it is still wet enough for new paint to blend in.' },
  { word: 'wet film (WFT)', meaning: 'The film thickness straight after applying, read with a wet-film comb.', code: 'wetMicrons' },
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
