import { create } from 'qrcode';
import type { LabelSize } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { type Printed, printed } from './printed.ts';

/** The text of a label. */
export interface Label {
  /** The tin, or what is kept back for a patch. */
  heading: string;
  name: string;
  part: string;
  colour: string | null;
  code: string;
  ratio: string | null;
  date: string;
  hazards: readonly string[];
  /** What its code leads to. */
  address: string;
}

/** Labels on a sheet of A4, mm: columns and rows, and how large each is; usual sizes of self-adhesive sheets. */
const SHEETS: Record<LabelSize, { columns: number; rows: number; widthMm: number; heightMm: number }> = {
  large: { columns: 2, rows: 4, widthMm: 99, heightMm: 67 },
  medium: { columns: 2, rows: 7, widthMm: 99, heightMm: 38 },
  small: { columns: 3, rows: 8, widthMm: 63, heightMm: 34 },
};
const MM = 72 / 25.4;
const [PAGE_W, PAGE_H] = [595.28, 841.89];

/** A sheet of labels, the name in the largest type that its label holds. */
export function labelsPdf(labels: readonly Label[], size: LabelSize): Printed {
  const { columns, rows, widthMm, heightMm } = SHEETS[size];
  const [w, h] = [widthMm * MM, heightMm * MM];
  const [left, top] = [(PAGE_W - columns * w) / 2, (PAGE_H - rows * h) / 2];
  const doc = printed({
    size: 'A4',
    margin: 0,
    info: { Title: t`Labels`, Creator: t`Jack Plane` },
    note: false,
  });
  labels.forEach((label, i) => {
    const at = i % (columns * rows);
    if (i > 0 && at === 0) doc.addPage();
    drawLabel(doc, label, { x: left + (at % columns) * w, y: top + Math.floor(at / columns) * h, w, h });
  });
  doc.end();
  return doc;
}

interface Box {
  x: number;
  y: number;
  w: number;
  h: number;
}

const PAD = 7;

function drawLabel(doc: Printed, label: Label, { x, y, w, h }: Box): void {
  doc.lineWidth(0.4).rect(x, y, w, h).dash(2, { space: 2 }).stroke('#888').undash();
  const side = Math.min(h - 2 * PAD, w * 0.3);
  drawCode(doc, label.address, { x: x + w - PAD - side, y: y + PAD, w: side, h: side });
  const room = w - side - 3 * PAD;
  const line = (text: string, font: string, most: number, least: number) => {
    doc.font(font);
    let points = most;
    while (points > least && doc.fontSize(points).widthOfString(text) > room * 0.96) points -= 0.5;
    doc
      .fontSize(points)
      .fillColor('#000')
      .text(text, x + PAD, doc.y, { width: room, height: points * 1.2, ellipsis: true, lineGap: 0 });
  };
  doc.y = y + PAD;
  const large = h > 40 * MM;
  line(label.name, 'bold', large ? 24 : 13, 8);
  line([label.part, label.colour].filter(Boolean).join(', '), 'bold', large ? 15 : 10, 7);
  line(label.heading, 'regular', large ? 11 : 8, 6);
  if (label.ratio) line(label.ratio, 'regular', large ? 11 : 8, 6);
  line(
    [label.code && t`lot ${label.code}`, label.date].filter(Boolean).join(' · '),
    'regular',
    large ? 10 : 7.5,
    6,
  );
  const rest = y + h - PAD - doc.y;
  if (rest > 7)
    doc
      .font('regular')
      .fontSize(large ? 8 : 6)
      .text(label.hazards.join('; '), x + PAD, doc.y + 1, {
        width: room,
        height: rest,
        ellipsis: true,
        lineGap: 0,
      });
}

/** A code that a phone reads, drawn as squares: no picture that blurs. */
function drawCode(doc: Printed, text: string, { x, y, w }: Box): void {
  const { modules } = create(text, { errorCorrectionLevel: 'M' });
  const step = w / modules.size;
  for (let row = 0; row < modules.size; row++)
    for (let column = 0; column < modules.size; column++)
      if (modules.get(row, column)) doc.rect(x + column * step, y + row * step, step * 1.02, step * 1.02);
  doc.fill('#000');
}
