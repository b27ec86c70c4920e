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
interface Box {
  minX: number;
  minY: number;
  maxX: number;
  maxY: number;
}

type M = readonly [number, number, number, number, number, number];
const times = ([a, b, c, d, e, f]: M, [g, h, i, j, k, l]: M): M => [
  ...([a * g + c * h, b * g + d * h, a * i + c * j, b * i + d * j] as const),
  ...([a * k + c * l + e, b * k + d * l + f] as const),
];
const boxOf = (all: readonly (readonly [number, number])[]): Box => ({
  ...{ minX: Math.min(...all.map((p) => p[0])), maxX: Math.max(...all.map((p) => p[0])) },
  ...{ minY: Math.min(...all.map((p) => p[1])), maxY: Math.max(...all.map((p) => p[1])) },
});

/** Boxes of what a page draws, points, as its matrices place them: of each filled shape, and of each stroked path of many corners. */
function drawnBoxes(page: PDFPage): { filled: Box[]; paths: Box[] } {
  let now: M = [1, 0, 0, 1, 0, 0];
  const kept: M[] = [];
  const [filled, paths]: [Box[], Box[]] = [[], []];
  let points: [number, number][] = [];
  const at = (x: number, y: number): [number, number] => [now[0] * x + now[2] * y + now[4], now[1] * x + now[3] * y + now[5]];
  for (const line of drawn(page).split('\n')) {
    const words = line.trim().split(/\s+/);
    const n = words.slice(0, -1).map(Number);
    const word = words.at(-1);
    if (word === 'q') kept.push(now);
    else if (word === 'Q') now = kept.pop() ?? now;
    else if (word === 'cm') now = times(now, n as unknown as M);
    else if (word === 're') points.push(at(n[0]!, n[1]!), at(n[0]! + n[2]!, n[1]! + n[3]!));
    else if (word === 'm' || word === 'l') points.push(at(n[0]!, n[1]!));
    else if (['S', 'f', 'f*', 'B', 'n'].includes(word!)) {
      if (word === 'S' && points.length > 8) paths.push(boxOf(points));
      if (word!.startsWith('f') && points.length > 1) filled.push(boxOf(points));
      points = [];
    }
  }
  return { filled, paths };
}
const wide = (b: Box): number => b.maxX - b.minX;
const high = (b: Box): number => b.maxY - b.minY;
const around = (all: readonly Box[]): Box => boxOf(all.flatMap((b) => [[b.minX, b.minY] as const, [b.maxX, b.maxY] as const]));

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
  // The stitches themselves, as lines, within half a per cent of their size.
  const sewn = around(drawnBoxes(page).paths);
  expect(Math.abs(wide(sewn) / MM / (box.maxX - box.minX) - 1)).toBeLessThan(0.005);
  expect(Math.abs(high(sewn) / MM / (box.maxY - box.minY) - 1)).toBeLessThan(0.005);
});

test('a job that is larger than the paper goes on over several sheets at its real size', async () => {
  const large = {
    ...job,
    floor: { copies: [-95, 0, 95].map((x) => ({ x, y: 0, turn: 0 })), hoop: { width: 360, height: 200, shape: 'rect' as const } },
  };
  const { sheet } = laidOut(large, () => plan);
  const pdf = await PDFDocument.load(await writePdf(sheet.job, sheet.plan));
  const pages = pdf.getPages().slice(1);
  expect(pages).toHaveLength(2);
  const box = planBounds(sheet.plan);
  const parts = pages.map((page) =>
    drawnBoxes(page).filled.find((r) => Math.abs(high(r) / MM - (box.maxY - box.minY + 10)) < 0.1 && wide(r) > 100)!,
  );
  for (const part of parts) expect(wide(part)).toBeLessThanOrEqual(595.28 - 80 + 0.2);
  // They share ten millimetres.
  expect(Math.abs(wide(parts[0]!) / MM + wide(parts[1]!) / MM - 10 - (box.maxX - box.minX + 10))).toBeLessThan(0.3);
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
