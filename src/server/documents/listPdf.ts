import { endPaper, FOOT, MARGIN, paper, WIDTH } from './paper.ts';
import type { Printed } from './printed.ts';

/** A column of a printed table: its head, its share of the width, and whether figures stand in it. */
export interface PdfColumn {
  head: string;
  share: number;
  figures?: boolean;
}

export interface PdfTable {
  heading: string;
  columns: readonly PdfColumn[];
  rows: readonly (readonly string[])[];
  /** Rows below a line: sums. */
  sums?: readonly (readonly string[])[];
}

/** A printed page of words and tables: a shopping list, a quote. */
export function listPdf(input: {
  title: string;
  /** The yard’s name, for the foot of each page. */
  yard: string;
  intro: readonly string[];
  tables: readonly PdfTable[];
  closing: readonly string[];
}): Printed {
  const doc = paper(input.title);
  words(doc, input.intro);
  for (const table of input.tables) tableOf(doc, table);
  words(doc, input.closing);
  endPaper(doc, input.yard);
  return doc;
}

function words(doc: Printed, lines: readonly string[]): void {
  doc.font('regular').fontSize(10.5);
  for (const line of lines)
    if (line.trim() !== '') doc.text(line, MARGIN, doc.y, { width: WIDTH }).moveDown(0.5);
}

function tableOf(doc: Printed, { heading, columns, rows, sums = [] }: PdfTable): void {
  const all = columns.reduce((sum, { share }) => sum + share, 0);
  const widths = columns.map(({ share }) => (share / all) * WIDTH);
  const row = (cells: readonly string[], bold: boolean) => {
    doc.font(bold ? 'bold' : 'regular').fontSize(9.5);
    const height = Math.max(
      ...cells.map((cell, i) => doc.heightOfString(cell, { width: (widths[i] as number) - 6 })),
    );
    if (doc.y + height > FOOT - 4) {
      doc.addPage();
      doc.y = MARGIN;
    }
    const { y } = doc;
    let x = MARGIN;
    cells.forEach((cell, i) => {
      const width = widths[i] as number;
      doc.text(cell, x, y, { width: width - 6, align: columns[i]?.figures ? 'right' : 'left' });
      x += width;
    });
    doc.y = y + height + 4;
  };
  const rule = () => {
    doc
      .moveTo(MARGIN, doc.y)
      .lineTo(MARGIN + WIDTH, doc.y)
      .lineWidth(0.5)
      .stroke();
    doc.y += 5;
  };
  if (doc.y > FOOT - 80) doc.addPage();
  if (heading)
    doc.moveDown(0.4).font('bold').fontSize(12).text(heading, MARGIN, doc.y, { width: WIDTH }).moveDown(0.2);
  row(
    columns.map(({ head }) => head),
    true,
  );
  rule();
  for (const cells of rows) row(cells, false);
  if (sums.length > 0) rule();
  for (const cells of sums) row(cells, true);
  doc.moveDown(0.6);
}
