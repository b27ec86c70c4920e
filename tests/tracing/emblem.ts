import { readFileSync } from 'node:fs';
import { differenceCiede2000 } from 'culori';
import sharp, { type Sharp } from 'sharp';
import { readSvg, type ArtItem } from '../../src/core/artwork/readSvg';
import { flatten } from '../../src/core/geometry/path';
import type { Point } from '../../src/core/geometry/point';
import type { Picture } from '../../src/core/tracing/picture';

/** All emblems are measured at this width of their page, mm. */
export const WIDTH_MM = 80;
/** Truth is read from a rendering so fine, pixels per mm. */
const TRUTH_PER_MM = 36;

export interface Rendering {
  name: string;
  pixelsPerMm: number;
  /** JPEG of this quality on white; PNG when absent. */
  jpeg?: number;
}

/** A drawing of which everything is known. */
export interface Emblem {
  name: string;
  svg: Buffer;
  /** Millimetres of the page's width in one unit of the drawing, and the page's corner. */
  toMm: (p: Point) => Point;
  items: ArtItem[];
  /** Places of every visible border between two colours, mm. */
  borders: Point[];
  colours: number;
  /** Of its picture on white: white that is enclosed is seen, white that reaches the rim is the sheet. */
  coloursOnWhite: number;
  heightMm: number;
  hasGradient: boolean;
}

const rendered = async (svg: Buffer, widthPx: number): Promise<Sharp> => {
  const { width } = await sharp(svg).metadata();
  const density = Math.min(100_000, (72 * widthPx) / width);
  return sharp(svg, { density, limitInputPixels: false }).resize({ width: widthPx });
};

const pixelsOf = async (image: Sharp): Promise<Picture> => {
  const { data, info } = await image.ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, data };
};

/** The emblem as a customer would send it. */
export async function pictureOf({ svg }: Emblem, { pixelsPerMm, jpeg }: Rendering): Promise<Picture> {
  const image = await rendered(svg, Math.round(WIDTH_MM * pixelsPerMm));
  const file = jpeg ? await image.flatten({ background: '#ffffff' }).jpeg({ quality: jpeg }).toBuffer() : await image.png().toBuffer();
  return pixelsOf(sharp(file));
}

export async function readEmblem(path: string): Promise<Emblem> {
  const svg = readFileSync(path);
  const text = svg.toString('utf8');
  const box =
    /viewBox\s*=\s*["']([^"']+)["']/
      .exec(text)?.[1]
      ?.trim()
      .split(/[\s,]+/)
      .map(Number) ?? null;
  const { width, height } = await sharp(svg).metadata();
  const [x0, y0, across] = box ? [box[0]!, box[1]!, box[2]!] : [0, 0, width];
  const scale = WIDTH_MM / across;
  const fine = await pixelsOf(await rendered(svg, WIDTH_MM * TRUTH_PER_MM));
  const { labels, keys } = exactLabels(fine);
  return {
    name: path.split('/').pop()!,
    svg,
    toMm: (p) => ({ x: (p.x - x0) * scale, y: (p.y - y0) * scale }),
    items: readSvg(text).items,
    borders: bordersOf(labels, fine),
    colours: toldApart(keys.slice(1)),
    coloursOnWhite: coloursOnWhite(labels, keys, fine),
    heightMm: (WIDTH_MM * height) / width,
    hasGradient: /Gradient|<filter|<image|<pattern/.test(text),
  };
}

/** Pixels of the fine rendering by their exact colours; what is mixed at an edge has the nearer of the two. Transparent is 0. */
function exactLabels({ width, height, data }: Picture): { labels: Uint8Array; keys: number[] } {
  const counts = new Map<number, number>();
  const keyAt = (i: number): number => (data[i * 4 + 3]! < 128 ? -1 : (data[i * 4]! << 16) | (data[i * 4 + 1]! << 8) | data[i * 4 + 2]!);
  for (let i = width + 1; i < width * (height - 1) - 1; i++) {
    const key = keyAt(i);
    if ([1, -1, width, -width].every((d) => keyAt(i + d) === key)) counts.set(key, (counts.get(key) ?? 0) + 1);
  }
  // A colour is what fills a quarter of a square millimetre.
  const colours = [-1, ...[...counts].filter(([key, n]) => key >= 0 && n > (TRUTH_PER_MM * TRUTH_PER_MM) / 4).map(([key]) => key)].slice(
    0,
    255,
  );
  const known = new Map<number, number>();
  const labels = new Uint8Array(width * height);
  for (let i = 0; i < labels.length; i++) {
    const key = keyAt(i);
    let label = known.get(key);
    if (label === undefined) {
      label = colours.indexOf(key);
      if (label < 0) label = nearest(colours, key);
      known.set(key, label);
    }
    labels[i] = label;
  }
  return { labels, keys: colours };
}

const COLOUR_MM2 = 0.25;
const WHITE_KEY = 0xffffff;

/** Number of colours of which so much is seen on white, where the white that reaches the rim is the sheet. */
function coloursOnWhite(labels: Uint8Array, keys: readonly number[], { width, height }: Picture): number {
  const isWhite = (i: number): boolean => labels[i] === 0 || keys[labels[i]!] === WHITE_KEY;
  const sheet = new Uint8Array(labels.length);
  const open: number[] = [];
  const reach = (i: number): void => {
    if (sheet[i] || !isWhite(i)) return;
    sheet[i] = 1;
    open.push(i);
  };
  for (let x = 0; x < width; x++) [x, (height - 1) * width + x].forEach(reach);
  for (let y = 0; y < height; y++) [y * width, y * width + width - 1].forEach(reach);
  for (let i = open.pop(); i !== undefined; i = open.pop()) {
    if (i % width > 0) reach(i - 1);
    if (i % width < width - 1) reach(i + 1);
    if (i >= width) reach(i - width);
    if (i + width < labels.length) reach(i + width);
  }
  const seen = new Map<number, number>();
  labels.forEach((label, i) => {
    if (sheet[i]) return;
    const key = isWhite(i) ? WHITE_KEY : keys[label]!;
    seen.set(key, (seen.get(key) ?? 0) + 1);
  });
  return toldApart([...seen].filter(([, n]) => n > COLOUR_MM2 * TRUTH_PER_MM ** 2).map(([key]) => key));
}

/** How many of some colours the eye tells apart: drawings hold pairs such as #77a3ab and #77a3ac. */
function toldApart(keys: readonly number[]): number {
  const hex = (key: number): string => `#${key.toString(16).padStart(6, '0')}`;
  const kept: number[] = [];
  for (const key of keys) if (kept.every((k) => eyes(hex(k), hex(key)) >= JUST_SEEN)) kept.push(key);
  return kept.length;
}
/** A difference that is just seen, CIEDE2000. */
const JUST_SEEN = 1.5;
const eyes = differenceCiede2000();

function nearest(colours: readonly number[], key: number): number {
  let best = 0;
  let least = Infinity;
  colours.forEach((c, i) => {
    if (i === 0) return;
    const d = ((c >> 16) - (key >> 16)) ** 2 + (((c >> 8) & 255) - ((key >> 8) & 255)) ** 2 + ((c & 255) - (key & 255)) ** 2;
    if (d < least) [best, least] = [i, d];
  });
  return best;
}

function bordersOf(labels: Uint8Array, { width, height }: Picture): Point[] {
  const out: Point[] = [];
  const at = (x: number, y: number): Point => ({ x: x / TRUTH_PER_MM, y: y / TRUTH_PER_MM });
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      if (x + 1 < width && labels[i] !== labels[i + 1]) out.push(at(x + 1, y + 0.5));
      if (y + 1 < height && labels[i] !== labels[i + width]) out.push(at(x + 0.5, y + 1));
    }
  }
  return out;
}

/** So finely curves are followed that they turn little from one point to the next, in the drawing's units. */
const FINE = 0.0002;

/** Corners of the drawing: where a drawn outline turns by more than 30° between sides of half a millimetre, mm. */
export function cornersOf({ items, toMm }: Emblem): Point[] {
  const out: Point[] = [];
  for (const item of items) {
    if (item.stroke) continue;
    for (const line of flatten(item.path, FINE)) {
      const ring = line.map(toMm);
      ring.forEach((p, i) => {
        const turn = turnAt(ring, i);
        if (turn !== null && turn > 0.52) out.push(p);
      });
    }
  }
  return out;
}

/** The turn at a point of a closed outline, over a quarter of a millimetre each way; null where its sides are shorter. */
function turnAt(ring: readonly Point[], i: number): number | null {
  const n = ring.length;
  const p = ring[i]!;
  const reach = (step: 1 | -1): { near: Point; far: Point } | null => {
    for (let k = 1; k < n; k++) {
      const q = ring[(((i + step * k) % n) + n) % n]!;
      if (Math.hypot(q.x - p.x, q.y - p.y) >= 0.5) return { near: ring[(((i + step) % n) + n) % n]!, far: q };
    }
    return null;
  };
  const [a, b] = [reach(-1), reach(1)];
  if (!a || !b) return null;
  const angle = (q: Point, r: Point): number => {
    const [u, v] = [
      { x: p.x - q.x, y: p.y - q.y },
      { x: r.x - p.x, y: r.y - p.y },
    ];
    return Math.abs(Math.atan2(u.x * v.y - u.y * v.x, u.x * v.x + u.y * v.y));
  };
  return Math.min(angle(a.near, b.near), angle(a.far, b.far));
}

/** Lines and curves of everything drawn. */
export const nodesOf = ({ items }: Emblem): number => items.reduce((n, i) => n + i.path.reduce((m, s) => m + s.segments.length, 0), 0);
