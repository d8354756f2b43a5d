import { DateTime } from 'luxon';
import type { LabelsQuery } from '../../../contract/index.ts';
import type { Hazard } from '../../../core/system/index.ts';
import { t } from '../../../words.ts';
import type { Context } from '../../context.ts';
import type { Label } from '../../documents/labelsPdf.ts';
import { theYard } from '../../rows/yard.ts';

/** Hazard words of a label; the sheet of the product goes before them. */
const HAZARD_WORDS: Record<Hazard, string> = {
  isocyanate: t`Isocyanates: sensitiser. Do not inhale.`,
  solvent: t`Flammable solvent`,
  'epoxy-sensitiser': t`Epoxy: skin sensitiser. Wear gloves.`,
  biocide: t`Contains biocides`,
  acid: t`Acid: protect eyes, wear gloves.`,
  'oxidising-rags': t`Rags can self-ignite`,
  dust: t`Harmful dust`,
};

/** The labels asked for: of lots, or of what is kept back for an area; of every lot where none is named. */
export async function labelsView(
  { db, memory, now }: Context,
  { lots, areaId }: LabelsQuery,
): Promise<Label[]> {
  const at = now();
  const { zone } = await theYard(db);
  const known = await memory.at(at);
  const { stock } = known;
  const wanted = lots === undefined ? null : new Set(lots.split(','));
  const day = (ms: number) => DateTime.fromMillis(ms, { zone }).toFormat('d LLL yyyy');
  return stock.lots.flatMap((kept): Label[] => {
    const { lot } = kept;
    if (wanted && !wanted.has(lot.id)) return [];
    const product = known.catalogue.latest.get(lot.productId);
    if (!product) return [];
    const { sheet } = product;
    const ratio =
      sheet.parts.length > 1
        ? t`Mix ${sheet.parts.map((part) => part.ratio).join(' : ')} by ${sheet.ratioBy}`
        : null;
    const label = {
      name: product.name,
      part: lot.part,
      colour: lot.colour,
      code: lot.code,
      ratio,
      hazards: [
        ...sheet.hazards.map((hazard) => HAZARD_WORDS[hazard]),
        ...(sheet.cautions ? [sheet.cautions] : []),
        t`See the safety data sheet`,
      ],
      address: `jackplane:lot/${lot.id}`,
    };
    if (areaId === undefined) {
      const made = lot.madeOn === null ? null : t`made ${lot.madeOn}`;
      const came = kept.receivedMs === null ? '' : t`received ${day(kept.receivedMs)}`;
      return [{ ...label, heading: lot.place || t`In the stock`, date: made ?? came }];
    }
    const amount = kept.keptBy.get(areaId);
    if (amount === undefined) return [];
    const state = known.states.find(({ area }) => area.id === areaId);
    const heading = t`Kept back, unmixed, for ${state?.area.name ?? t`deleted area`}, ${state?.boat.name ?? ''}`;
    const amountText =
      lot.unit === 'l' ? `${Math.round(amount * 1000)} ml` : `${Math.round(amount * 1000)} g`;
    return [{ ...label, heading, date: `${amountText} · ${day(at)}` }];
  });
}
