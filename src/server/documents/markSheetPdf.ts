import type { Boat, FormSource, Waterline } from '../../contract/index.ts';
import type { SheetRow, StruckLine } from '../../core/waterline/index.ts';
import { t } from '../../words.ts';
import { endPaper, FOOT, head, MARGIN, paper, WIDTH } from './paper.ts';
import type { Printed } from './printed.ts';

const ROW = 18;
const COLUMNS = [
  [t`Station m`, 64],
  [t`Above datum mm`, 92],
  [t`Below sheer mm`, 88],
  [t`Along skin mm`, 84],
  [t`Raise mm`, 74],
  [t`Flare`, 44],
  [t`Marked`, 53],
] as const;

const FORM_WORDS: Record<FormSource, string> = {
  dimensions: t`Hull form from main dimensions and typical curves. Check distances on the hull.`,
  offsets: t`Hull form from the table of offsets.`,
  mesh: t`Hull form from the surface mesh.`,
};

const DATUM_WORDS: Record<Waterline['datum'], string> = {
  laser: t`laser plane`,
  'water-level': t`water level`,
  plank: t`levelled plank on the keel line`,
};

/** The mark sheet to take to the hull: a page or more a side, figures large enough to read at arm's length. */
export function markSheetPdf(input: {
  boat: Boat;
  plan: Waterline;
  struck: StruckLine;
  source: FormSource;
  /** The yard’s name, for the foot of each page. */
  yard: string;
}): Printed {
  const { boat, plan, struck, source, yard } = input;
  const title = (side: string) => t`Mark sheet: ${boat.name}, waterline, ${side}`;
  const doc = paper(title('port'), t`Mark sheet: ${boat.name}`);
  for (const side of ['port', 'starboard'] as const) {
    if (side === 'starboard') {
      doc.addPage();
      head(doc, title(side));
    }
    const lines = [
      t`Heights in mm above the datum (${DATUM_WORDS[plan.datum]}). The boat stands ${degrees(struck.fit.trimDeg)} ${struck.fit.trimDeg < 0 ? t`down by the bow` : t`up by the bow`}, ${degrees(struck.fit.heelDeg)} ${struck.fit.heelDeg < 0 ? t`down to starboard` : t`up to starboard`}.`,
      t`Raised ${struck.raiseMm.toFixed(0)} mm above the line of the marks: ${struck.sinkageMm.toFixed(0)} for ${plan.addedKg} kg still to be added, ${plan.slopMm.toFixed(0)} for slop. ${plan.useFair ? t`Faired through the hull marks.` : ''}`,
      t`Below sheer (along skin): down along the hull from the sheer. Raise: up along the hull from the marked line. ${FORM_WORDS[source]}`,
      ...(struck.sheet.some(({ innerAboveDatumMm }) => innerAboveDatumMm !== null)
        ? [t`Two hulls: above datum is for the outer face / the inner face. The other figures are for both.`]
        : []),
    ];
    doc.font('regular').fontSize(10.5);
    for (const line of lines) doc.text(line, MARGIN, doc.y, { width: WIDTH }).moveDown(0.5);
    table(
      doc,
      struck.sheet.filter((row) => row.side === side),
      `${title(side)} (continued)`,
    );
  }
  if (struck.stripe) {
    const { stripe } = struck;
    doc.moveDown(1).font('bold').fontSize(12).text(t`Boot stripe`, MARGIN);
    doc
      .font('regular')
      .fontSize(10.5)
      .text(
        t`Lower edge ${plan.stripe?.gapMm} mm above the antifouling, stripe height ${plan.stripe?.heightMm} mm (vertical). Tape per side: ${stripe.lowerTapeM.toFixed(2)} m lower edge, ${stripe.upperTapeM.toFixed(2)} m upper edge. Area of both sides: ${stripe.areaM2.toFixed(2)} m².`,
        { width: WIDTH },
      );
  }
  endPaper(doc, yard);
  return doc;
}

const degrees = (value: number) => `${Math.abs(value).toFixed(2)}°`;

function table(doc: Printed, rows: readonly SheetRow[], again: string): void {
  const columns = () => {
    doc.font('bold').fontSize(9);
    line(
      doc,
      COLUMNS.map(([name]) => name),
    );
  };
  columns();
  for (const row of rows) {
    if (doc.y > FOOT - ROW) {
      doc.addPage();
      head(doc, again);
      columns();
    }
    doc.font('regular').fontSize(11);
    line(doc, [
      row.xM.toFixed(2),
      row.innerAboveDatumMm === null
        ? row.aboveDatumMm.toFixed(0)
        : `${row.aboveDatumMm.toFixed(0)} / ${row.innerAboveDatumMm.toFixed(0)}`,
      row.belowSheerMm.toFixed(0),
      row.belowSheerSkinMm.toFixed(0),
      row.raiseSkinMm.toFixed(0),
      `${row.flareDeg.toFixed(0)}°`,
      '',
    ]);
    doc
      .rect(MARGIN + WIDTH - 20, doc.y - ROW + 4, 10, 10)
      .lineWidth(0.7)
      .stroke();
    doc
      .moveTo(MARGIN, doc.y - 1)
      .lineTo(MARGIN + WIDTH, doc.y - 1)
      .lineWidth(0.3)
      .stroke();
  }
}

function line(doc: Printed, cells: readonly string[]): void {
  const y = doc.y;
  let x = MARGIN;
  cells.forEach((cell, i) => {
    const [, width] = COLUMNS[i] as (typeof COLUMNS)[number];
    doc.text(cell, x, y + 4, { width: width - 10, align: 'right', lineBreak: false });
    x += width;
  });
  doc.x = MARGIN;
  doc.y = y + ROW;
}
