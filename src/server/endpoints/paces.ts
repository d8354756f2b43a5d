import { type MethodPace, type PaceView, paceInput, paceReply } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { read, type Writing, write } from '../http/endpoint.ts';
import { badFields } from '../http/problem.ts';
import { recordShifts } from '../memory/shifts.ts';
import { dropPace, putPace } from '../rows/paces.ts';
import { paceView } from '../views/pace.ts';

/** A pace that is sent differs from the one offered by no more than its figures on the screen. */
const SAME = 0.01;

/** The pace that films agree upon, where it is the one sent. @throws what names it where it is not */
function agreedOn(offered: MethodPace | undefined, factor: number): { factor: number; films: number } {
  if (!offered || offered.factor === null || Math.abs(offered.factor - factor) > SAME)
    throw badFields([
      {
        path: 'factor',
        message: t`Curing speed ${factor} isn’t the suggested one (${offered?.factor ?? 'none'})`,
      },
    ]);
  return { factor: offered.factor, films: offered.films };
}

/** What moves by it, told with its cause. */
async function moved({ tx, now, before }: Writing, cause: string) {
  const changes = [{ of: 'products' as const }];
  if (!before) return { changes };
  const { after } = await recordShifts(tx, { before, now, cause, touched: 'sheets' });
  return { changes, air: after.air };
}

/** How products cure here, learned from hand tests: offered, taken over by a person, given up again. */
export const paceEndpoints = [
  read({
    path: '/products/:id/pace',
    summary: 'Get a product’s curing speed from hand tests',
    reply: paceReply,
    run: ({ params }, context) => paceView(context, params.id),
  }),
  write({
    method: 'put',
    path: '/products/:id/pace',
    summary: 'Use the suggested curing speed for a product and method, or go back to the data sheet',
    body: paceInput,
    reply: paceReply,
    touches: ['products'],
    before: () => 'yard',
    prepare: ({ params }, context) => paceView(context, params.id),
    run: async ({ params, body, prepared }, writing) => {
      const { method } = body;
      const view = prepared as PaceView;
      const one = view.methods.find((each) => each.method === method);
      const taken =
        body.factor === null ? null : { ...agreedOn(one, body.factor), at: new Date(writing.now) };
      if (taken) {
        const { at: takenAt, ...pace } = taken;
        await putPace(writing.tx, { productId: params.id, method, ...pace, takenAt });
      } else await dropPace(writing.tx, params.id, method);
      const reply = {
        ...view,
        methods: view.methods.map((each) =>
          each === one ? { ...each, taken: taken && { ...taken, at: taken.at.toISOString() } } : each,
        ),
      };
      const cause = taken ? t`curing speed from ${taken.films} coats applied` : t`back to data sheet times`;
      return { reply, ...(await moved(writing, cause)) };
    },
  }),
];
