import { type ReactNode, useRef, useState } from 'react';
import { t } from '../../../words.ts';
import { BoatDrawing } from './BoatDrawing.tsx';
import type { DrawingView, Drawn, DrawnArea, DrawnBoat, Seen } from './drawn.ts';
import { drawingAsPng, drawingAsSvg, saveFile } from './exportDrawing.ts';

const VIEWS: readonly (readonly [DrawingView, string])[] = [
  ['profile', t`Profile`],
  ['plan', t`Plan`],
  ['sections', t`Sections`],
  ['sheet', t`All views`],
];

interface Props {
  boat: DrawnBoat;
  areas: readonly DrawnArea[];
  stands?: Drawn['stands'];
  findings?: Drawn['findings'];
  seenFrom: Seen;
  onSeenFrom: (side: Seen) => void;
  selectedId?: string | undefined;
  onSelect?: (id: string) => void;
  onPlace?: ((place: { xM: number; zM: number }) => void) | undefined;
  initialView?: DrawingView;
  children?: ReactNode;
}

/** The drawing on its board: which view, from which side, and taken away as a file. */
export function DrawingBoard({ seenFrom, onSeenFrom, initialView = 'profile', children, ...drawn }: Props) {
  const [view, setView] = useState(initialView);
  const [problem, setProblem] = useState<string | null>(null);
  const svg = useRef<SVGSVGElement>(null);
  const name = `${drawn.boat.name} ${view}`;
  const save = async (kind: 'svg' | 'png') => {
    if (!svg.current) return;
    try {
      const content =
        kind === 'svg'
          ? new Blob([drawingAsSvg(svg.current)], { type: 'image/svg+xml' })
          : await drawingAsPng(svg.current);
      saveFile(`${name}.${kind}`, content);
      setProblem(null);
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  return (
    <div className="board p-2">
      <div className="no-print flex flex-wrap items-center justify-between gap-2 pb-2">
        <fieldset className="join">
          <legend className="sr-only">{t`View`}</legend>
          {VIEWS.map(([each, word]) => (
            <button
              key={each}
              type="button"
              className={`btn btn-sm join-item ${view === each ? 'btn-neutral' : ''}`}
              aria-pressed={view === each}
              onClick={() => setView(each)}
            >
              {word}
            </button>
          ))}
        </fieldset>
        <div className="flex flex-wrap items-center gap-2">
          <fieldset className="join">
            <legend className="sr-only">{t`Viewed from`}</legend>
            {(['port', 'starboard'] as const).map((each) => (
              <button
                key={each}
                type="button"
                className={`btn btn-sm join-item ${seenFrom === each ? 'btn-neutral' : ''}`}
                aria-pressed={seenFrom === each}
                onClick={() => onSeenFrom(each)}
              >
                {each === 'port' ? t`Port` : t`Starboard`}
              </button>
            ))}
          </fieldset>
          <button
            type="button"
            className="btn btn-ghost btn-sm"
            onClick={() => void save('svg')}
          >{t`Export SVG`}</button>
          <button
            type="button"
            className="btn btn-ghost btn-sm"
            onClick={() => void save('png')}
          >{t`Export PNG`}</button>
        </div>
      </div>
      <BoatDrawing {...drawn} view={view} seenFrom={seenFrom} detailed drawing={svg} />
      {problem && (
        <p role="alert" className="text-error font-semibold">
          {problem}
        </p>
      )}
      {children}
    </div>
  );
}
