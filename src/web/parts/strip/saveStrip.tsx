import type { ComponentProps } from 'react';
import { flushSync } from 'react-dom';
import { createRoot } from 'react-dom/client';
import { drawingAsPng, drawingAsSvg, saveFile } from '../drawing/exportDrawing.ts';
import { StripFigure } from './StripFigure.tsx';

/** The strip as it is shown now, as a file of its own. */
export async function saveStrip(
  kind: 'svg' | 'png',
  name: string,
  figure: ComponentProps<typeof StripFigure>,
): Promise<void> {
  const sheet = document.createElement('div');
  const root = createRoot(sheet);
  try {
    flushSync(() => root.render(<StripFigure {...figure} />));
    const svg = sheet.querySelector('svg');
    if (!svg) throw new Error('Couldn’t draw the timeline. Try again.');
    const content =
      kind === 'svg'
        ? new Blob([drawingAsSvg(svg)], { type: 'image/svg+xml' })
        : await drawingAsPng(svg, 2800);
    saveFile(`${name}.${kind}`, content);
  } finally {
    root.unmount();
  }
}
