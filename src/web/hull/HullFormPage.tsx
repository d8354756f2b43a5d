import { useState } from 'react';
import { useParams } from 'react-router';
import type { HullForm, HullFormInput, Problem, Waterline } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { useHullForm, useWaterline } from '../api/boatQueries.ts';
import { useWrite } from '../api/mutations.ts';
import { HullOnly } from '../parts/HullOnly.tsx';
import { QueryBoundary } from '../parts/QueryBoundary.tsx';
import { SurveyTabs } from '../parts/SurveyTabs.tsx';
import {
  figuresByDimensions,
  figuresByMesh,
  figuresByOffsets,
  type HullFormView,
  type Levels,
} from './formFigures.ts';
import { MeshPanel } from './MeshPanel.tsx';
import { OffsetsPanel } from './OffsetsPanel.tsx';
import { SourceTable } from './SourceTable.tsx';

/** What a boat's shape is known from: dimensions, a table of offsets, a mesh; what each says, and which one counts. */
export function HullFormPage() {
  const { boatId = '' } = useParams();
  const form = useHullForm(boatId);
  const line = useWaterline(boatId);
  return (
    <QueryBoundary query={form}>
      {(view) => (
        <QueryBoundary query={line}>
          {(plan) => (
            <div className="space-y-6 p-3 md:p-6">
              <h1 className="text-2xl">{t`${view.boat.name}: hull form`}</h1>
              <SurveyTabs boat={view.boat} />
              <HullOnly boat={view.boat} need="drawing">
                {(boat) => <HullFormBoard key={boatId} view={{ ...view, boat }} line={plan} />}
              </HullOnly>
            </div>
          )}
        </QueryBoundary>
      )}
    </QueryBoundary>
  );
}

/** Top of the antifouling and the stripe's edges as the line has them; sinkage is left to the line itself. */
function levelsOf(line: Waterline): Levels {
  const topOfPaintM = line.slopMm / 1000;
  const { stripe } = line;
  if (!stripe) return { topOfPaintM, stripe: null };
  const lowerM = topOfPaintM + stripe.gapMm / 1000;
  return { topOfPaintM, stripe: { lowerM, upperM: lowerM + stripe.heightMm / 1000 } };
}

function HullFormBoard({ view, line }: { view: HullFormView; line: Waterline }) {
  const [problem, setProblem] = useState<string | null>(null);
  const { mutateAsync: put } = useWrite<HullForm>({ atForm: true });
  const { boat, form } = view;
  const levels = levelsOf(line);
  const save = async (some: Partial<HullFormInput>) => {
    const { offsets, mesh, use, version } = form;
    await put({
      method: 'PUT',
      path: `/boats/${boat.id}/form`,
      body: { offsets, mesh, use, version, ...some },
    });
  };
  const figures = [
    figuresByDimensions(view),
    ...(form.offsets ? [figuresByOffsets(form.offsets, levels, view.boat)] : []),
    ...(form.mesh ? [figuresByMesh(form.mesh, view.boat)] : []),
  ];
  return (
    <>
      <section aria-labelledby="sources" className="space-y-3">
        <h2 id="sources" className="batten pb-1 text-lg">{t`Sources compared`}</h2>
        <SourceTable
          view={view}
          figures={figures}
          onUse={(use) => void save({ use }).catch((error: Error) => setProblem(error.message))}
        />
        {problem && (
          <p role="alert" className="text-error font-semibold">
            {problem}
          </p>
        )}
      </section>
      <OffsetsPanel view={view} levels={levels} onSave={(offsets) => save({ offsets })} />
      <MeshPanel
        view={view}
        cuts={{ ...levels, transomXM: null, keel: null, sheer: null, stationsM: [] }}
        onSave={async (mesh, file) => {
          const sent = mesh && file && (await sendFile(boat.id, file));
          await save({ mesh: mesh && sent ? { ...mesh, fileHash: sent } : mesh });
        }}
      />
    </>
  );
}

/** Sends the file of a mesh. @returns its hash, by which the record names it */
async function sendFile(boatId: string, file: Blob): Promise<string> {
  const response = await fetch(`/api/v1/boats/${boatId}/mesh`, {
    method: 'PUT',
    body: file,
    headers: { 'content-type': 'application/octet-stream' },
  });
  const hash = /[0-9a-f]{64}/.exec(response.headers.get('etag') ?? '')?.[0];
  if (response.ok && hash) return hash;
  const problem = (await response.json().catch(() => null)) as Problem | null;
  throw new Error(problem?.detail ?? 'Couldn’t save the file on the server. Nothing was changed. Try again.');
}
