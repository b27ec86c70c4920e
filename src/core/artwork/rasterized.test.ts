import sharp from 'sharp';
import { areaOf, unite } from '../geometry/area';
import { boundsOf, type Bounds } from '../geometry/point';
import { outlineOf } from '../geometry/outline';
import { random } from '../units/random';
import { findRegions } from './artRegions';
import { placeArt, type PlacedArt } from './place';
import { paintedBy } from './proposeKind';
import { readSvg } from './readSvg';

/**
 * What is read and painted, held against an independent rasteriser: generated paths with every command, both rules, arcs,
 * transforms and strokes. More of them: PATHS=3000 npx jest rasterized.
 */
const COUNT = Number(process.env.PATHS ?? 60);
const FIRST = Number(process.env.FIRST ?? 1);
const SIDE = 1000;
/** Of what is painted; the rasteriser's own edges are exact to a 256th of a pixel's cover. */
const OFF = 0.001;
/** The rasteriser measures along curves in coarser steps, and turns caps otherwise that end just beyond a corner. */
const DASHED_OFF = 0.012;

type Next = () => number;
const whole = (next: Next, from: number, to: number): number => from + Math.floor(next() * (to - from + 1));
const oneOf = <T>(next: Next, list: readonly T[]): T => list[Math.floor(next() * list.length)]!;
/** A coordinate: absolute ones lie on the canvas, relative ones lead not far. */
const place = (next: Next, relative: boolean): number => (relative ? whole(next, -260, 260) : whole(next, 180, 820));

function command(next: Next): string {
  const kind = oneOf(next, ['L', 'H', 'V', 'C', 'S', 'S', 'Q', 'T', 'T', 'A', 'A']);
  const relative = next() < 0.4;
  const at = (): string => `${place(next, relative)},${place(next, relative)}`;
  const args = {
    L: at,
    H: () => `${place(next, relative)}`,
    V: () => `${place(next, relative)}`,
    C: () => `${at()} ${at()} ${at()}`,
    S: () => `${at()} ${at()}`,
    Q: () => `${at()} ${at()}`,
    T: at,
    A: () => `${whole(next, 20, 260)} ${whole(next, 20, 260)} ${whole(next, -90, 90)} ${oneOf(next, ['0 0', '0 1', '1 0', '1 1'])} ${at()}`,
  }[kind]!;
  return `${relative ? kind.toLowerCase() : kind}${args()}`;
}

function pathData(next: Next): string {
  const parts = Array.from({ length: whole(next, 1, 3) }, () => {
    const body = Array.from({ length: whole(next, 2, 6) }, () => command(next)).join(' ');
    return `M${whole(next, 200, 800)},${whole(next, 200, 800)} ${body}${next() < 0.7 ? ' Z' : ''}`;
  });
  return parts.join(' ');
}

function transform(next: Next): string {
  const t = (): string =>
    oneOf(next, [
      () => `rotate(${whole(next, -180, 180)} 500 500)`,
      () => `translate(${whole(next, -60, 60)} ${whole(next, -60, 60)})`,
      () => `scale(${(0.5 + 0.5 * next()).toFixed(2)} ${(0.5 + 0.5 * next()).toFixed(2)})`,
      () => `skewX(${whole(next, -25, 25)})`,
      () => `matrix(0.9 0.2 -0.1 0.8 ${whole(next, 0, 90)} 40)`,
    ])();
  return next() < 0.5 ? '' : ` transform="${Array.from({ length: whole(next, 1, 3) }, t).join(' ')}"`;
}

const stroked = (next: Next): string =>
  ` fill="none" stroke="#000" stroke-width="${whole(next, 20, 70)}" stroke-linecap="${oneOf(next, ['butt', 'round', 'square'])}" stroke-linejoin="${oneOf(next, ['miter', 'round', 'bevel'])}"`;
const filled = (next: Next): string => ` fill="#000" fill-rule="${oneOf(next, ['nonzero', 'evenodd'])}"`;

/** Half of the strokes are dashed; by numbers of their own, so that what a seed draws stays. */
function dashes(seed: number): string {
  const next = random(seed + 1e6);
  if (next() < 0.5) return '';
  const lengths = Array.from({ length: whole(next, 1, 4) }, () => whole(next, 30, 160));
  return ` stroke-dasharray="${lengths.join(oneOf(next, [' ', ',', ', ']))}" stroke-dashoffset="${whole(next, -200, 200)}"`;
}

function drawing(seed: number): string {
  const next = random(seed);
  // Strokes of a skewed or stretched pen are another matter: they keep an even width here.
  const pen = next() < 0.25;
  const paint = pen ? stroked(next) + dashes(seed) : filled(next);
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${SIDE}mm" height="${SIDE}mm" viewBox="0 0 ${SIDE} ${SIDE}"><path d="${pathData(next)}"${paint}${pen ? '' : transform(next)}/></svg>`;
}

const PIXELS = 900;

/** Painted area by an independent rasteriser within a box of the drawing, square units; NaN when it paints at the rim of it. */
async function rasterized(svg: string, { minX, minY, maxX, maxY }: Bounds): Promise<number> {
  const side = Math.max(maxX - minX, maxY - minY);
  const framed = svg
    .replace(/viewBox="[^"]*"/, `viewBox="${minX} ${minY} ${side} ${side}"`)
    .replace(/(width|height)="1000mm"/g, `$1="${PIXELS}"`);
  const { data, info } = await sharp(Buffer.from(framed)).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  let [sum, rim] = [0, 0];
  for (let y = 0; y < info.height; y++) {
    for (let x = 0; x < info.width; x++) {
      const alpha = data[4 * (y * info.width + x) + 3]!;
      sum += alpha;
      if (x === 0 || y === 0 || x === info.width - 1 || y === info.height - 1) rim += alpha;
    }
  }
  return rim > 0 ? NaN : (sum / 255) * (side / info.width) ** 2;
}

/** The box of what was read, with room about it, in the drawing's units. */
function frameOf({ items, matrix: [kx, , , ky, dx, dy] }: PlacedArt): Bounds {
  const b = boundsOf(items.flatMap((i) => i.area));
  const room = 0.1 * Math.max(b.maxX - b.minX, b.maxY - b.minY);
  return {
    minX: (b.minX - room - dx) / kx,
    maxX: (b.maxX + room - dx) / kx,
    minY: (b.minY - room - dy) / ky,
    maxY: (b.maxY + room - dy) / ky,
  };
}

test('what is read and painted is what an independent rasteriser paints', async () => {
  const wrong: string[] = [];
  for (let seed = FIRST; seed < FIRST + COUNT; seed++) {
    const svg = drawing(seed);
    const art = placeArt(readSvg(svg), { width: 120 });
    const wanted = await rasterized(svg, frameOf(art));
    const scale = 1 / (art.matrix[0] * art.matrix[3]);
    const painted = areaOf(unite(...art.items.map((i) => i.area))) * scale;
    const read = areaOf(unite(...findRegions(art).regions.map((r) => (r.stroke ? paintedBy(r) : (outlineOf(r.data)?.area ?? []))))) * scale;
    const off = [painted, read].map((a) => a / wanted - 1);
    if (!off.every((o) => Math.abs(o) <= (svg.includes('dasharray') ? DASHED_OFF : OFF)))
      wrong.push(`${seed} off by ${off.map((o) => (100 * o).toFixed(2)).join(' and ')} % ${svg}`);
  }
  expect(wrong).toEqual([]);
});
