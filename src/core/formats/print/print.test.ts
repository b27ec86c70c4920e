import { inflateSync } from 'node:zlib';
import { PDFDocument, PDFRawStream, type PDFPage } from 'pdf-lib';
import { patch } from '../../production/fixtures';
import { laidOut } from '../../production/floor';
import { planBounds } from '../../stitches/planBounds';
import { writePdf } from '../pdf';
import { FontChooser, printingFaces } from './fonts';

const { job, plan } = patch(30);
const MM = 72 / 25.4;

const drawn = (page: PDFPage): string => {
  const stream = page.node.Contents();
  if (!(stream instanceof PDFRawStream)) throw new Error('no content');
  return inflateSync(stream.contents).toString('latin1');
};
/** Sides of the pictures of a page, points: what their matrices scale the unit square to. */
const pictures = (page: PDFPage): { width: number; height: number }[] =>
  [...drawn(page).matchAll(/(-?[\d.]+) 0 0 (-?[\d.]+) -?[\d.]+ -?[\d.]+ cm\s+\/I\d+ Do/g)].map(([, w, h]) => ({
    width: Math.abs(Number(w)),
    height: Math.abs(Number(h)),
  }));

test.each([
  ['a4', 595.28, 841.89],
  ['letter', 612, 792],
] as const)('on %s: two pages, the second with the design at its real size', async (paper, width, height) => {
  const pdf = await PDFDocument.load(await writePdf(job, plan, { paper }));
  expect(pdf.getPageCount()).toBe(2);
  const page = pdf.getPage(1);
  expect(page.getWidth()).toBeCloseTo(width, 1);
  expect(page.getHeight()).toBeCloseTo(height, 1);
  const box = planBounds(plan);
  const [picture] = pictures(page);
  // Five millimetres of cloth all round, to the pixel of an eighth.
  expect(Math.abs(picture!.width / MM - (box.maxX - box.minX + 10))).toBeLessThan(0.13);
  expect(Math.abs(picture!.height / MM - (box.maxY - box.minY + 10))).toBeLessThan(0.13);
});

test('a job that is larger than the paper goes on over several sheets at its real size', async () => {
  const large = {
    ...job,
    floor: { copies: [-95, 0, 95].map((x) => ({ x, y: 0, turn: 0 })), hoop: { width: 360, height: 200, shape: 'rect' as const } },
  };
  const { sheet } = laidOut(large, () => plan);
  const pdf = await PDFDocument.load(await writePdf(sheet.job, sheet.plan));
  const parts = pdf
    .getPages()
    .slice(1)
    .map((page) => pictures(page)[0]!);
  expect(parts).toHaveLength(2);
  const box = planBounds(sheet.plan);
  for (const part of parts) {
    expect(part.width).toBeLessThanOrEqual(595.28 - 80 + 0.2);
    expect(Math.abs(part.height / MM - (box.maxY - box.minY + 10))).toBeLessThan(0.13);
  }
  // They share ten millimetres.
  const wide = parts.reduce((sum, p) => sum + p.width / MM, 0);
  expect(Math.abs(wide - 10 - (box.maxX - box.minX + 10))).toBeLessThan(0.3);
});

test('the same job gives the same bytes', async () => {
  expect(Buffer.from(await writePdf(job, plan)).equals(Buffer.from(await writePdf(job, plan)))).toBe(true);
});

test('what was accepted, and what was found, makes the sheet longer; an unreadable name does not stop it', async () => {
  const length = async (over: object, findings = {}): Promise<number> => (await writePdf({ ...job, ...over }, plan, findings)).length;
  const plain = await length({});
  expect(
    await length({
      accepted: [{ rule: 'layers-stacked', pieces: [], reason: 'the customer wants it solid and was told that it will be stiff' }],
    }),
  ).toBeGreaterThan(plain);
  expect(await length({ name: '\u0001\ud800 \u{1F9F5} ☂' })).toBeGreaterThan(1000);
});

describe('faces', () => {
  const TEXTS = ['Ferry crew', 'Привет', 'Ωμέγα', 'Việt Nam', '日本語', '한국어', '中文', 'ไทย', 'हिन्दी', 'שלום', 'مرحبا', 'Łódź ĳ'];

  test.each(TEXTS)('‘%s’ is set whole, each sign by a file that has it', async (text) => {
    const runs = new FontChooser(await printingFaces().index()).runs(text);
    expect(runs.map((r) => r.text).join('')).toBe(text);
    for (const { text: part, font } of runs)
      for (const sign of part)
        if (!/\p{M}/u.test(sign))
          expect([sign, font.ranges.some(([a, b]) => sign.codePointAt(0)! >= a && sign.codePointAt(0)! <= b)]).toEqual([sign, true]);
  });

  test('a sign that no face has is shown as an empty box, the rest stays', async () => {
    const runs = new FontChooser(await printingFaces().index()).runs('a\u{1F9F5}b');
    expect(runs.map((r) => r.text).join('')).toBe('a\u25a1b');
  });

  test('words that run from right to left change places, others stay', async () => {
    const runs = new FontChooser(await printingFaces().index()).runs('for שלום עולם now');
    expect(runs.map((r) => r.text).join('')).toBe('for עולם שלום now');
  });
});
