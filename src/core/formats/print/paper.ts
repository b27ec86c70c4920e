import { inUnits } from '../../units/inUnits';
import type { LengthUnit } from '../../units/length';
import type { Content, ContentText, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { Paper } from '../../document/shop/identity';
import { plainText } from '../escape';
import { FontChooser, printingFaces } from './fonts';

export const POINTS_PER_MM = 72 / 25.4;
/** Printed margins, points; and sides of the papers. */
export const MARGIN = 40;
export const SIDES: Record<Paper, { width: number; height: number }> = {
  a4: { width: 595.28, height: 841.89 },
  letter: { width: 612, height: 792 },
};

export const INK = '#1d282c';
export const QUIET = '#55636a';
export const LINE = '#d8dcd6';

/** Sets a text in the faces that have its signs. */
export type Write = (text: string, how?: Omit<ContentText, 'text'>) => ContentText;

/**
 * Makes a PDF of what `lay` puts on paper. The same content gives the same bytes.
 * @param lay gets the writer that every text must go through, which writes lengths in the person's units
 */
export async function print(
  title: string,
  paper: Paper,
  units: LengthUnit,
  lay: (write: Write) => Content[],
): Promise<Uint8Array<ArrayBuffer>> {
  const faces = printingFaces();
  const chooser = new FontChooser(await faces.index());
  const write: Write = (text, how = {}) => ({
    ...how,
    text: chooser.runs(plainText(inUnits(text, units))).map((run) => ({ text: run.text, font: run.font.file })),
  });
  const content = lay(write);
  const foot = write(title, { fontSize: 8, color: QUIET });
  const page = chooser.runs('0123456789 of')[0]!.font.file;
  const { default: pdfMake } = await import('pdfmake/build/pdfmake.min.js');
  const fonts: Record<string, Record<'normal' | 'bold', string>> = {};
  for (const font of chooser.used) {
    fonts[font.file] = { normal: font.file, bold: font.bold ?? font.file };
    for (const file of new Set([font.file, font.bold ?? font.file])) pdfMake.virtualfs.writeFileSync(file, await faces.load(file));
  }
  pdfMake.addFonts(fonts);
  const document: TDocumentDefinitions = {
    pageSize: SIDES[paper],
    pageMargins: [MARGIN, MARGIN, MARGIN, MARGIN + 10],
    info: { title: plainText(title), creationDate: new Date(0), modDate: new Date(0) },
    defaultStyle: { font: page, fontSize: 10, color: INK, lineHeight: 1.15 },
    content,
    footer: (now, all) => ({
      columns: [foot, { text: `${now} of ${all}`, alignment: 'right', fontSize: 8, color: QUIET, font: page }],
      margin: [MARGIN, 14, MARGIN, 0],
    }),
  };
  const made = await pdfMake.createPdf(document).getBuffer();
  return new Uint8Array(made);
}
