import type { TimeSpan } from './useTimeSpan.ts';

/** Zoom and pan by buttons, and so by keys. */
export function SpanButtons({ span }: { span: TimeSpan }) {
  return (
    <fieldset className="flex flex-wrap gap-1">
      <legend className="sr-only">Time shown</legend>
      <button type="button" className="btn btn-sm" onClick={() => span.pan(-0.5)} aria-label="Earlier">
        ‹
      </button>
      <button type="button" className="btn btn-sm" onClick={() => span.zoom(2)} aria-label="Closer">
        +
      </button>
      <button type="button" className="btn btn-sm" onClick={() => span.zoom(0.5)} aria-label="Wider">
        −
      </button>
      <button type="button" className="btn btn-sm" onClick={() => span.pan(0.5)} aria-label="Later">
        ›
      </button>
      {span.moved && (
        <button type="button" className="btn btn-sm" onClick={span.reset}>
          Now
        </button>
      )}
    </fieldset>
  );
}
