import { useState } from 'react';
import { Link, NavLink, useNavigate, useParams } from 'react-router';
import type { Area, AreaClock, BoatView, Product, StackView } from '../../contract/index.ts';
import { hasHull } from '../../core/hull/index.ts';
import { t } from '../../words.ts';
import { useBoat, useStacks } from '../api/boatQueries.ts';
import { useProducts } from '../api/queries.ts';
import { BoatDrawing } from '../parts/drawing/BoatDrawing.tsx';
import { rowsOf } from '../parts/drawing/drawnRows.ts';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { StateMark } from '../state/StateMark.tsx';
import { useUnits } from '../units/UnitsContext.tsx';
import { AreaChooser } from './AreaChooser.tsx';
import { StackEditor } from './StackEditor.tsx';
import { type StackContext, stackContext } from './stackContext.ts';
import { Templates } from './Templates.tsx';

/** The stack of each area of a boat. */
export function SystemsPage() {
  const { boatId = '' } = useParams();
  const boat = useBoat(boatId);
  const stacks = useStacks(boatId);
  const products = useProducts();
  return (
    <QueryBoundary query={boat}>
      {(view) => (
        <QueryBoundary query={stacks}>
          {(stackViews) => (
            <QueryBoundary query={products}>
              {(list) => <Systems view={view} stacks={stackViews} products={list} />}
            </QueryBoundary>
          )}
        </QueryBoundary>
      )}
    </QueryBoundary>
  );
}

function Systems({
  view,
  stacks,
  products,
}: {
  view: BoatView;
  stacks: readonly StackView[];
  products: readonly Product[];
}) {
  const { areaId } = useParams();
  const { show } = useUnits();
  const navigate = useNavigate();
  const area = areaId === undefined ? view.areas[0] : view.areas.find((each) => each.id === areaId);
  const clock = view.clocks.find((c) => c.areaId === area?.id);
  const stack = stacks.find((s) => s.areaId === area?.id);
  return (
    <div className="space-y-5 p-3 md:p-6">
      <h1 className="text-2xl">{t`${view.boat.name}: systems`}</h1>
      {areaId !== undefined && !area && (
        <div className="space-y-4">
          <p>{t`This area no longer exists.`}</p>
          {view.areas.length > 0 && <AreaChooser view={view} selectedId="" />}
        </div>
      )}
      {areaId === undefined && !area && (
        <p>
          {t`No areas yet. `}
          <NavLink
            className="link"
            to={`/boats/${view.boat.id}/survey/new`}
          >{t`Measure the first one`}</NavLink>
          {t`, then choose its coating system.`}
        </p>
      )}
      {area && (
        <>
          <div className="grid grid-cols-1 items-start gap-4 lg:grid-cols-2">
            {hasHull(view.boat) && (
              <div className="board p-2">
                <BoatDrawing
                  boat={{ ...view.boat, form: view.form }}
                  areas={rowsOf(view)}
                  stands={view.stands}
                  seenFrom={area.side === 'port' ? 'port' : 'starboard'}
                  selectedId={area.id}
                  onSelect={(id) =>
                    void navigate(`/boats/${view.boat.id}/systems/${id}`, { preventScrollReset: true })
                  }
                />
              </div>
            )}
            <AreaChooser view={view} selectedId={area.id} />
          </div>
          {clock && (
            <p className="flex flex-wrap gap-x-6">
              <span>
                {clock.areaM2 > 0
                  ? `${show(clock.areaM2, 'area')} ± ${Math.round(clock.spread * 100)} %`
                  : t`Not measured`}
              </span>
              <span>{t`${clock.stepsDone} of ${clock.stepsAll} coats done`}</span>
              <StateMark state={clock.state} />
            </p>
          )}
          {area.part?.sharesSystem && (
            <p className="max-w-prose">
              {t`Takes the system of `}
              <Link className="link" to={`/boats/${view.boat.id}/systems/${area.part.areaId}`}>
                {view.areas.find((each) => each.id === area.part?.areaId)?.name ?? t`the original area`}
              </Link>
              {t`. Edit it there.`}
            </p>
          )}
          {stack && clock && !area.part?.sharesSystem && (
            <AreaSystem
              key={area.id}
              stack={stack}
              context={stackContext(area, clock, stack, products)}
              others={view.areas
                .filter((each) => each.id !== area.id)
                .map((each) => ({ area: each, clock: view.clocks.find((c) => c.areaId === each.id) }))}
            />
          )}
        </>
      )}
    </div>
  );
}

/** One area's system: where to begin from, the stack itself, and what the surface needs first. */
function AreaSystem({
  stack,
  context,
  others,
}: {
  stack: StackView;
  context: StackContext;
  others: readonly { area: Area; clock: AreaClock | undefined }[];
}) {
  // Using a template restarts the editor, from the server's answer: the page's own copy may be older still.
  const [taken, setTaken] = useState<StackView | null>(null);
  return (
    <div className="space-y-5">
      <Templates
        context={context}
        version={stack.version}
        steps={stack.steps}
        others={others}
        onTaken={setTaken}
      />
      <StackEditor
        key={taken?.version}
        stack={taken && taken.version > stack.version ? taken : stack}
        context={context}
      />
    </div>
  );
}
