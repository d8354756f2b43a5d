import { t } from '../../words.ts';
import { type Printed, printed } from './printed.ts';

/** The frame of everything that is printed on A4: head, margins, and a foot that says whose sheet it is and which page. */

const PAGE = { width: 595.28, height: 841.89 };
export const MARGIN = 48;
export const WIDTH = PAGE.width - 2 * MARGIN;
/** The lowest that text may reach. */
export const FOOT = PAGE.height - MARGIN - 8;

/** A document with a title at the head of its first page. @param name of the whole document, where that page is only part of it */
export function paper(title: string, name = title): Printed {
  const doc = printed({
    size: 'A4',
    margin: MARGIN,
    bufferPages: true,
    info: { Title: name, Creator: t`Jack Plane` },
  });
  head(doc, title);
  return doc;
}

/** A title over its rule, at the top of the page. */
export function head(doc: Printed, title: string): void {
  doc.font('bold').fontSize(18).text(title, MARGIN, MARGIN, { width: WIDTH });
  doc
    .moveTo(MARGIN, doc.y + 3)
    .lineTo(MARGIN + WIDTH, doc.y + 3)
    .lineWidth(1)
    .stroke();
  doc.moveDown(0.8);
}

/** Ends the document: each page says whose sheet it is, and which of how many. */
export function endPaper(doc: Printed, yard: string): void {
  const { y } = doc;
  const { start, count } = doc.bufferedPageRange();
  for (let i = 0; i < count; i++) {
    doc.switchToPage(start + i);
    // Below the margin text would begin a page of its own.
    doc.page.margins.bottom = 0;
    doc
      .font('regular')
      .fontSize(8)
      .text(t`${yard}, page ${i + 1} of ${count}`, MARGIN, PAGE.height - MARGIN + 12, {
        width: WIDTH,
        align: 'center',
        lineBreak: false,
      });
    doc.page.margins.bottom = MARGIN;
  }
  doc.x = MARGIN;
  doc.y = y;
  doc.end();
}
