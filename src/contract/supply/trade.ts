import Joi from 'joi';
import type { Method, WorkRate } from '../../core/film/index.ts';
import { MOST_MONEY } from '../../core/units/index.ts';
import { t } from '../../words.ts';
import { between, day, fraction, id, instant, objectOf, oneOf, text, title, version } from '../joi.ts';
import { methods } from '../methods.ts';
import { extended, figure, flag, listOf, maybeMoment } from '../replies/plain.ts';
import { CURRENCY_CODES, type CurrencyCode } from './currency.ts';

/** Who sells, what they ask, what was ordered. Money in whole minor units of the yard's currency. */

export interface SupplierInput {
  id: string;
  name: string;
  /** What a delivery costs, and below what no order is taken. */
  delivery: number;
  minOrder: number;
  /** Days from order to delivery. */
  deliveryDays: number;
  note: string;
}
export interface SupplierRecord extends SupplierInput {
  version: number;
  archived: boolean;
}
const minor = (label: string) => between(label, 0, MOST_MONEY).integer();
const supplierFields = {
  name: title('supplier').required(),
  delivery: minor(t`delivery (minor units)`).required(),
  minOrder: minor(t`least order (minor units)`).required(),
  deliveryDays: between(t`Delivery time (days)`, 0, 365).integer().required(),
  note: text(1000).label(t`note`).required(),
};
export const supplierInput = objectOf<SupplierInput>({ id: id().required(), ...supplierFields });
export const supplierUpdate = objectOf<SupplierInput & { version: number }>({
  id: id().required(),
  ...supplierFields,
  version: version(1),
});
export const supplierReply = extended<SupplierInput, SupplierRecord>(supplierInput, {
  version: figure(),
  archived: flag(),
});

/** A pack at a price. */
export interface OfferInput {
  id: string;
  productId: string;
  /** A tin of that part alone; null: a kit, or all there is of a one-pack. */
  part: string | null;
  /** The colour of the pack; null: available in every colour of the data sheet. */
  colour: string | null;
  /** Mixed litres of a kit; of a single part in the part's unit. */
  litres: number;
  price: number;
  /** null: any supplier. */
  supplierId: string | null;
  discounts: { from: number; price: number }[];
}
export interface Offer extends OfferInput {
  version: number;
  archived: boolean;
}
const offerFields = {
  productId: id().label(t`product`).required(),
  part: title('part').allow(null).required(),
  colour: title('colour').allow(null).required(),
  litres: between('pack (l)', 0.001, 1000).required(),
  price: minor(t`price (minor units)`).required(),
  supplierId: id().label(t`supplier`).allow(null).required(),
  discounts: Joi.array()
    .items(
      Joi.object({
        from: between(t`Packs for a discount`, 2, 1000).integer().required(),
        price: minor(t`price at a discount (minor units)`).required(),
      }),
    )
    .max(5)
    .unique('from')
    .label(t`Discounts`)
    .required(),
};
export const offerInput = objectOf<OfferInput>({ id: id().required(), ...offerFields });
export const offerUpdate = objectOf<OfferInput & { version: number }>({
  id: id().required(),
  ...offerFields,
  version: version(1),
});
export const offerReply = extended<OfferInput, Offer>(offerInput, { version: figure(), archived: flag() });

/** An order: what, how many, at what price, from whom. */
export interface PurchaseLine {
  productId: string;
  part: string | null;
  colour: string | null;
  litres: number;
  count: number;
  /** Of the whole line. */
  price: number;
}
export interface PurchaseInput {
  id: string;
  supplierId: string | null;
  orderedAt: string;
  dueOn: string | null;
  delivery: number;
  note: string;
  lines: PurchaseLine[];
}
export interface PurchaseRecord extends PurchaseInput {
  version: number;
  receivedAt: string | null;
  archived: boolean;
}
export const purchaseInput = objectOf<PurchaseInput>({
  id: id().required(),
  supplierId: id().label(t`supplier`).allow(null).required(),
  orderedAt: instant().label(t`Order date`).required(),
  dueOn: day(t`Due date`).allow(null).required(),
  delivery: minor(t`delivery (minor units)`).required(),
  note: text(1000).label(t`note`).required(),
  lines: Joi.array()
    .items(
      objectOf<PurchaseLine>({
        productId: id().label(t`product`).required(),
        part: title('part').allow(null).required(),
        colour: title('colour').allow(null).required(),
        litres: between('pack (l)', 0.001, 1000).required(),
        count: between('packs', 1, 10_000).integer().required(),
        price: minor(t`price (minor units)`).required(),
      }),
    )
    .min(1)
    .max(200)
    .label(t`Order lines`)
    .required(),
});
export const purchaseReply = extended<PurchaseInput, PurchaseRecord>(purchaseInput, {
  version: figure(),
  receivedAt: maybeMoment(),
  archived: flag(),
});

/** How the yard reckons money, and its own rules for what is used up. */
export interface TradeSettings {
  currency: CurrencyCode;
  taxRate: number;
  /** Smallest step a bill is rounded to, minor units. */
  roundingStep: number;
  labourPerHour: number;
  yardDay: number;
  /** Put on what paint and sundries cost, fraction. */
  markup: number;
  /** The need follows what coats applied here really took. */
  useLearned: boolean;
  /** m²/h by method, where the yard’s own differ from the typical ones. */
  workRates: Partial<Record<Method, number>>;
  sundryRates: Record<string, number>;
  sundryPrices: Record<string, number>;
  /** A litre of thinner, minor units; null: not known. */
  thinnerPerLitre: number | null;
  /** Name and address of the yard, for quotes. */
  address: string;
  version: number;
}
const byItem = (value: Joi.Schema, label: string) =>
  Joi.object()
    .pattern(Joi.string().pattern(/^[a-z-]{2,40}$/), value)
    .max(40)
    .label(label)
    .required();
export const tradeSettings = objectOf<TradeSettings>({
  currency: oneOf<CurrencyCode>(CURRENCY_CODES).label(t`currency`).required(),
  taxRate: fraction(t`Tax rate`, 0, 1).required(),
  roundingStep: between(t`Rounding`, 1, 10_000).integer().required(),
  labourPerHour: minor(t`Labour rate per hour`).required(),
  yardDay: minor(t`Yard charge per day`).required(),
  markup: fraction(t`Markup`, 0, 5).required(),
  address: text(400).label(t`Yard address`).default(''),
  useLearned: Joi.boolean().label(t`Use learned rates`).required(),
  workRates: Joi.object()
    .pattern(methods, between(t`Work rate (m²/h)`, 0.1, 1000))
    .label(t`Work rates`)
    .default({}),
  sundryRates: byItem(between(t`Sundry rate`, 0.001, 10_000), t`rates of sundries`),
  sundryPrices: byItem(minor(t`Sundry price`), t`prices of sundries`),
  thinnerPerLitre: minor(t`Thinner price per litre`).allow(null).required(),
  version: version(0),
});

/** Suppliers, prices and orders of the yard. */
export interface TradeView {
  settings: TradeSettings;
  suppliers: SupplierRecord[];
  offers: Offer[];
  purchases: PurchaseRecord[];
}
export const tradeReply = objectOf<TradeView>({
  settings: tradeSettings.required(),
  suppliers: Joi.array().items(supplierReply).required(),
  offers: Joi.array().items(offerReply).required(),
  purchases: Joi.array().items(purchaseReply).required(),
});

/** How fast this yard has applied its coats, by method; learned from 0 coats: the typical rate. */
export interface WorkRatesView {
  rates: WorkRate[];
}
export const workRatesReply = objectOf<WorkRatesView>({
  rates: listOf(objectOf<WorkRate>({ method: methods.required(), m2PerH: figure(), coats: figure() })),
});
