import { t } from '../../words.ts';
/** A word of the trade as the screens use it: what it means, and what the code calls it where that differs. */
export interface GlossaryTerm {
  word: string;
  meaning: string;
  code?: string;
}

/** In the order of the alphabet. The handbook's words and those of data sheets; one sentence each. */
export const GLOSSARY: readonly GlossaryTerm[] = [
  { word: t`abrade`, meaning: t`To sand or scour a surface until it is dull and even, so that the next coat adheres.` },
  { word: t`additive`, meaning: t`A small extra in the mix: accelerator, retarder or roller additive. Use only what the data sheet names, up to its limit.`, code: 'additives' },
  { word: t`area`, meaning: t`A part of the boat with one substrate, one coating system and one history. Work is planned by area.` },
  { word: t`barrier coat`, meaning: t`A dense epoxy coat that keeps water away from a laminate or metal.` },
  { word: t`base and hardener`, meaning: t`The two parts of a two-pack paint. Once mixed they cure, used or not.` },
  { word: t`bloom`, meaning: t`A greasy or milky film on epoxy that cured in cold or damp. Wash it off with water before doing anything else.` },
  { word: t`board`, meaning: t`The home screen: every running timer, soonest first.`, code: 'board' },
  { word: t`boot stripe`, meaning: t`The painted band between the antifouling and the topsides.` },
  { word: t`chemical bond`, meaning: t`The bond between coats when the next one goes on inside the overcoat window: the two become one film.`, code: 'fused' },
  { word: t`coat`, meaning: t`One layer of a product over an area, applied in one session or several.` },
  { word: t`curing speed`, meaning: t`How fast a film is curing compared with its data sheet, from hand tests. 2 means twice as fast.`, code: 'factor' },
  { word: t`custom ratio`, meaning: t`A mixing ratio deliberately different from the data sheet, with the reason on record.`, code: 'ownRatio' },
  { word: t`cut in`, meaning: t`To paint along an edge or line with a brush.` },
  { word: t`dew point`, meaning: t`The temperature at which dew starts to form. Keep the surface well above it.` },
  { word: t`dry film (DFT)`, meaning: t`The film thickness left once the solvent has evaporated.`, code: 'dryMicrons' },
  { word: t`exposure`, meaning: t`The conditions an area has to withstand: immersed, splash, daylight, interior, bilge or tank.`, code: 'service' },
  { word: t`fair`, meaning: t`To make a surface smooth and even to the eye by filling and sanding with a long board.` },
  { word: t`feather`, meaning: t`To sand the edge of old paint down to nothing so that it doesn’t show through.` },
  { word: t`flare`, meaning: t`How far the hull side leans outwards above the waterline.` },
  { word: t`flash off`, meaning: t`To let solvent or water evaporate from a wet film before the next coat.` },
  { word: t`hand test`, meaning: t`A check of the film with a thumb, fingernail or sandpaper. The result corrects its estimated cure times.`, code: 'hand-test' },
  { word: t`haul-out`, meaning: t`Lifting the boat out of the water for work ashore.` },
  { word: t`heading`, meaning: t`The compass direction of the bow, in degrees from north. It decides which side gets the sun.`, code: 'headingDeg' },
  { word: t`holiday`, meaning: t`A spot the paint missed.` },
  { word: t`interpolated`, meaning: t`Hours without weather data, filled in on a straight line between the readings before and after. They are marked wherever they are used.`, code: 'filled' },
  { word: t`kept back`, meaning: t`Unmixed paint set aside for a later patch, with both parts in ratio in closed cups.`, code: 'kept-back' },
  { word: t`kit`, meaning: t`Base and hardener sold together in the right ratio.` },
  { word: t`latest without sanding`, meaning: t`The last moment at which the next coat still bonds chemically. After that, sand first.`, code: 'chemicalMax' },
  { word: t`launch`, meaning: t`Putting the boat back into the water.` },
  { word: t`learned rate`, meaning: t`The amount of a product that your coats really took, compared with its data sheet. With few coats on record, it stays close to the data sheet.`, code: 'learned' },
  { word: t`likely and safe`, meaning: t`Two estimates. Likely is as often too high as too low. Safe is enough with 90 % certainty.`, code: 'likely, safe' },
  { word: t`loss`, meaning: t`Paint that doesn’t end up on the boat: left in the roller or tray, or lost as overspray.` },
  { word: t`lot`, meaning: t`A tin, can or drum of one part of a product, with its batch number, dates and contents.` },
  { word: t`masked items`, meaning: t`Things that must never be painted: anodes, transducers, earth plates.`, code: 'bareItems' },
  { word: t`mechanical bond`, meaning: t`The bond between a coat and the sanded surface below it.`, code: 'keyed' },
  { word: t`mixed, in use`, meaning: t`A pot that has been mixed; its pot life is running.`, code: 'pot' },
  { word: t`movement`, meaning: t`An entry in a lot’s history: received, opened, used, counted, kept back, lent, spilt or discarded. Entries are never overwritten.` },
  { word: t`nib`, meaning: t`A speck of dust or an insect in the finish. Sand it out with fine wet paper.` },
  { word: t`not ready yet`, meaning: t`Too soon for the next coat: solvent or water still has to evaporate, or resin to cure.`, code: 'too-soon' },
  { word: t`offset`, meaning: t`The half-breadth of the hull at one station and waterline.` },
  { word: t`outlier`, meaning: t`A mark or reading that doesn’t fit the others.` },
  { word: t`overcoat window`, meaning: t`The time during which the next coat can go on without sanding, from the earliest to the latest.`, code: 'windowsFor' },
  { word: t`pot life`, meaning: t`How long a mixed pot stays usable at its temperature.` },
  { word: t`reconcile`, meaning: t`To compare what is left in both tins with what was mixed. This shows the ratio really used.` },
  { word: t`record`, meaning: t`The history of the work, entry by entry. A correction is a new entry.`, code: 'log' },
  { word: t`reducer`, meaning: t`A thinner that the data sheet counts as part of the mix. It leaves no dry film.` },
  { word: t`removal`, meaning: t`Coats sanded off, scraped, stripped or blasted off again: logged with method and reason. Everything else then follows from the coats that remain.`, code: 'removal' },
  { word: t`round`, meaning: t`One more coat of a step than planned, because the surface needs it. Filling and fairing often take several rounds.` },
  { word: t`safe from dew, safe from rain`, meaning: t`The film has set far enough that dew or rain no longer marks it.`, code: 'dew-safe' },
  { word: t`sag`, meaning: t`Paint that slid down while wet because it was applied too thickly, thinned too much or too cold.` },
  { word: t`sand first`, meaning: t`The overcoat window has closed. Abrade with the grit on the data sheet before the next coat.`, code: 'key-first' },
  { word: t`sheer`, meaning: t`The top edge of the hull side.` },
  { word: t`shelter`, meaning: t`Where the boat stands: open, shaded, tent, shed or heated. It decides how warm and dry a surface is.`, code: 'surroundings' },
  { word: t`smallest graduation`, meaning: t`The smallest step that a cup, scale or syringe can show.`, code: 'stepMl' },
  { word: t`spreading rate`, meaning: t`The area a litre covers at the target film thickness, before losses (m²/l).` },
  { word: t`stand patch`, meaning: t`The part of the hull hidden by a support. It is painted after the support is moved.` },
  { word: t`standing time (induction)`, meaning: t`How long a mixed pot must stand before use. It counts towards the pot life.`, code: 'inductionMin' },
  { word: t`station`, meaning: t`A position along the hull where it is measured.` },
  { word: t`sundries`, meaning: t`Consumables other than paint: rollers, liners, cups, gloves, tape, abrasives, cloths.` },
  { word: t`supports`, meaning: t`The stands, blocks or cradle that hold the boat ashore.`, code: 'stands' },
  { word: t`system`, meaning: t`All the coats of an area in order, with the work between them.`, code: 'stack' },
  { word: t`tack-free`, meaning: t`Dry enough that a finger comes away clean.` },
  { word: t`thumbprint`, meaning: t`The stage when a thumb leaves a print but nothing sticks. This is the time to apply antifouling over epoxy.`, code: 'thumb' },
  { word: t`tie coat`, meaning: t`A coat that adheres where other paints don’t, used as a link between two paints.` },
  { word: t`timeline`, meaning: t`A chart with the weather above and the curing coats below, on one time axis.`, code: 'strip' },
  { word: t`tip off`, meaning: t`To draw an almost dry brush lightly over rolled paint so that it flows out smooth.` },
  { word: t`typical value`, meaning: t`A starting figure on a data sheet, from memory. It stays marked until someone confirms it from the tin.`, code: 'typical' },
  { word: t`volume solids`, meaning: t`The share of the paint’s volume that stays on the surface as dry film.` },
  { word: t`weather station`, meaning: t`A source of weather data: a logger that sends readings, or a web address that readings are fetched from.` },
  { word: t`wet edge`, meaning: t`The edge of fresh paint while it is still wet enough for new paint to blend in.` },
  { word: t`wet film (WFT)`, meaning: t`The film thickness straight after applying, read with a wet-film comb.`, code: 'wetMicrons' },
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
