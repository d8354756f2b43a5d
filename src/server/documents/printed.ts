import { createRequire } from 'node:module';
import path from 'node:path';
import PDFDocument from 'pdfkit';
import { t } from '../../words.ts';

export type Printed = InstanceType<typeof PDFDocument>;

/** Letters of the Latin, Greek and Cyrillic scripts; shipped with the application. */
const folder = path.join(
  path.dirname(createRequire(import.meta.url).resolve('dejavu-fonts-ttf/package.json')),
  'ttf',
);
const FONTS = { regular: 'DejaVuSansCondensed.ttf', bold: 'DejaVuSansCondensed-Bold.ttf' } as const;
/** Stands for a sign that the fonts have no letter for. */
const MISSING = '\u25a1';

interface FontFile {
  hasGlyphForCodePoint: (codePoint: number) => boolean;
}

/** Text as the current font can print it: what it has no letter for is shown as a box and counted. */
function printable(doc: Printed, text: string, missing: Set<string>): string {
  const { font } = (doc as unknown as { _font: { font?: FontFile } })._font;
  if (!font) return text;
  return [...text.normalize('NFC')]
    .map((sign) => {
      if (/\s/u.test(sign) || font.hasGlyphForCodePoint(sign.codePointAt(0) as number)) return sign;
      missing.add(sign);
      return MISSING;
    })
    .join('');
}

/**
 * A document to be printed, with fonts of its own that hold Latin, Greek and Cyrillic letters. A sign of another script is printed
 * as a box, and a line at the document's end says so.
 */
export function printed(options: ConstructorParameters<typeof PDFDocument>[0] & { note?: boolean }): Printed {
  const { note = true, ...rest } = options;
  const doc = new PDFDocument({ ...rest, font: path.join(folder, FONTS.regular) });
  for (const [name, file] of Object.entries(FONTS)) doc.registerFont(name, path.join(folder, file));
  const missing = new Set<string>();
  const { text, widthOfString, heightOfString, end } = doc;
  doc.text = ((given: string, ...more: never[]) =>
    text.call(doc, printable(doc, given, missing), ...more)) as typeof doc.text;
  doc.widthOfString = ((given: string, ...more: never[]) =>
    widthOfString.call(doc, printable(doc, given, missing), ...more)) as typeof doc.widthOfString;
  doc.heightOfString = ((given: string, ...more: never[]) =>
    heightOfString.call(doc, printable(doc, given, missing), ...more)) as typeof doc.heightOfString;
  doc.end = (() => {
    if (missing.size > 0 && note)
      doc
        .font('regular')
        .fontSize(8)
        .text(
          t`${MISSING} stands for a character that this document’s font does not have.`,
          doc.page.margins.left,
        );
    return end.call(doc);
  }) as typeof doc.end;
  return doc;
}
