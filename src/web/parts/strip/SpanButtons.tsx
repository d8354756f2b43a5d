import { t } from '../../../words.ts';
import { type SpanStore, useSpan } from './span.ts';

/** Zoom and pan by buttons, and so by keys. */
export function SpanButtons({ store }: { store: SpanStore }) {
  const moved = useSpan(store) !== store.home();
  const buttons = [
    [t`Pan to earlier`, '‹', () => store.pan(-0.5)],
    [t`Zoom in`, '+', () => store.zoom(2)],
    [t`Zoom out`, '−', () => store.zoom(0.5)],
    [t`Pan to later`, '›', () => store.pan(0.5)],
  ] as const;
  return (
    <fieldset className="flex flex-wrap gap-1">
      <legend className="sr-only">{t`Zoom and pan`}</legend>
      {buttons.map(([word, sign, does]) => (
        <button
          key={word}
          type="button"
          className="btn btn-sm max-md:min-h-12 max-md:min-w-12"
          onClick={does}
          aria-label={word}
        >
          {sign}
        </button>
      ))}
      {moved && (
        <button
          type="button"
          className="btn btn-sm max-md:min-h-12 max-md:min-w-12"
          onClick={store.reset}
        >{t`Reset view`}</button>
      )}
    </fieldset>
  );
}
