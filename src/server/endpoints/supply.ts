import {
  boatQuote,
  buyingReply,
  costsReply,
  labelsQuery,
  materialsQuery,
  materialsReply,
  tinsQuery,
  tinsReply,
  writeCostsCsv,
} from '../../contract/index.ts';
import { fromMinor } from '../../core/supply/index.ts';
import { t } from '../../words.ts';
import { csvFile, safeName } from '../documents/fileNames.ts';
import { labelsPdf } from '../documents/labelsPdf.ts';
import { handout, read, write } from '../http/endpoint.ts';
import { theBoat } from '../rows/boats.ts';
import { putQuote, quoteOf } from '../rows/trade.ts';
import { buyingView } from '../views/supply/buying.ts';
import { costsView } from '../views/supply/costs.ts';
import { labelsView } from '../views/supply/labels.ts';
import { materialsView } from '../views/supply/materials.ts';
import { quotePdf } from '../views/supply/quotePdf.ts';
import { tinsView } from '../views/supply/tins.ts';

/** What the work takes, what to buy for it, what it costs. */
export const supplyEndpoints = [
  read({
    path: '/products/:id/tins',
    summary: 'Get stock and logged use of a product, for reconciling',
    query: tinsQuery,
    reply: tinsReply,
    run: ({ params, query }, context) => tinsView(context, params.id, query.colour),
  }),
  handout({
    path: '/labels.pdf',
    summary: 'Get labels (PDF) for lots, or for paint kept back for an area',
    types: ['application/pdf'],
    query: labelsQuery,
    run: async ({ query }, context) => ({
      name: 'labels.pdf',
      type: 'application/pdf',
      content: labelsPdf(
        await labelsView(context, query),
        query.size === 'large' || query.size === 'small' ? query.size : 'medium',
      ),
      inline: true,
    }),
  }),

  read({
    path: '/materials',
    summary: 'Get needs compared with stock, for the yard, a boat, an area or a product',
    query: materialsQuery,
    reply: materialsReply,
    run: ({ query }, context) => materialsView(context, query),
  }),
  read({
    path: '/buying',
    summary: 'Get the lowest-cost packs for the yard’s shortages, by supplier',
    reply: buyingReply,
    run: (_asked, context) => buyingView(context, {}),
  }),
  read({
    path: '/boats/:id/buying',
    summary: 'The cheapest packs for what a boat is short of',
    reply: buyingReply,
    run: async ({ params }, context) => {
      await theBoat(context.db, params.id);
      return buyingView(context, { boatId: params.id });
    },
  }),
  read({
    path: '/boats/:id/costs',
    summary: 'Get a boat’s costs: planned, spent so far, forecast',
    reply: costsReply,
    run: ({ params }, context) => costsView(context, params.id),
  }),
  handout({
    path: '/boats/:id/costs.csv',
    summary: 'Export a boat’s costs as CSV',
    types: ['text/csv'],
    run: async ({ params }, context) => {
      const { boatName, lines, settings } = await costsView(context, params.id);
      return csvFile(
        t`${boatName} costs`,
        writeCostsCsv(lines, (minor) => fromMinor(minor, settings.currency)),
      );
    },
  }),
  write({
    method: 'put',
    path: '/boats/:id/quote',
    summary: 'Update the quote text and days in yard',
    body: boatQuote.fork(['boatId'], (field) => field.optional()),
    reply: boatQuote,
    touches: ['trade'],
    replaces: { what: 'quote', find: (tx, params) => quoteOf(tx, params.id) },
    run: async ({ params, body }, { tx }) => {
      await theBoat(tx, params.id);
      await putQuote(tx, { ...body, boatId: params.id });
      return { reply: await quoteOf(tx, params.id), changes: [{ of: 'trade' }] };
    },
  }),
  handout({
    path: '/boats/:id/quote.pdf',
    summary: 'Get a quote (PDF), without purchase prices',
    types: ['application/pdf'],
    run: async ({ params }, context) => {
      const view = await costsView(context, params.id);
      return {
        name: t`${safeName(view.boatName)} quote.pdf`,
        type: 'application/pdf',
        content: await quotePdf(context, view),
        inline: true,
      };
    },
  }),
];
