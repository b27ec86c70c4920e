import { converter } from 'culori';
import { apart, hexOf, isNothing, type Mix, type Picture } from './picture';

/** A colour of the picture and how many of its flat pixels have it. */
export interface Colour {
  mix: Mix;
  pixels: number;
}

/** Bits a channel by which flat pixels are counted together. */
const BITS = 5;
/** Colours nearer than this in OKLab are one, and so much farther for each step of noise. */
const ONE_COLOUR = 0.015;
const FOR_NOISE = 0.002;
/** Fewer flat pixels than this are no colour of their own. */
const FEWEST = 4;

const toOklab = converter('oklab');

/**
 * Lightness and two directions of hue in OKLab, and opacity: distances in it follow the eye (Ottosson 2020). Near black OKLab tells apart
 * what nobody can in a lit room: there lightness has the toe that its author gave it for that (Ottosson 2021), and hue less room.
 */
export function perceived(m: Mix): readonly [number, number, number, number] {
  if (isNothing(m)) return [0, 0, 0, 0];
  const { l, a, b } = toOklab(hexOf(m))!;
  const room = Math.min(1, l / DARK);
  return [l < DARK ? toed(l) : l - DARK + toed(DARK), a * room, b * room, 1];
}

const [TOE, TOE_BEND] = [0.206, 0.03];
const TOE_RISE = (1 + TOE) / (1 + TOE_BEND);
/** Where the toe has come to rise as lightness does. */
const DARK = 0.24917;

function toed(l: number): number {
  const x = TOE_RISE * l - TOE;
  return (x + Math.sqrt(x * x + 4 * TOE_BEND * TOE_RISE * l)) / 2;
}

export const perceivedApart = (a: readonly number[], b: readonly number[]): number =>
  Math.sqrt((a[0]! - b[0]!) ** 2 + (a[1]! - b[1]!) ** 2 + (a[2]! - b[2]!) ** 2 + (a[3]! - b[3]!) ** 2);

/** An edge is where neighbours differ by more than this, of 255; noise is looked for between the two distances from edges, pixels. */
const EDGE = 60;
const FROM_EDGE = 3;
const TO_EDGE = 7;

/**
 * How much neighbours differ by noise, of 255 a channel: where a lossy picture rings, a few pixels off its edges. Nought in a clean drawing.
 * Of the differences there, the one that nine of ten stay below.
 */
export function noiseOf({ width, height, data }: Picture): number {
  const differs = (i: number, j: number): number => {
    let most = 0;
    for (let k = 0; k < 4; k++) most = Math.max(most, Math.abs(data[i * 4 + k]! - data[j * 4 + k]!));
    return most;
  };
  const counts = new Uint32Array(256);
  let total = 0;
  const rows = Math.max(1, Math.floor(height / 400));
  for (let y = 0; y < height; y += rows) {
    let sinceEdge = Infinity;
    for (let x = 0; x + 1 < width; x++) {
      const i = y * width + x;
      const d = differs(i, i + 1);
      sinceEdge = d > EDGE ? 0 : sinceEdge + 1;
      if (sinceEdge < FROM_EDGE || sinceEdge > TO_EDGE) continue;
      counts[d]!++;
      total++;
    }
  }
  let [seen, noise] = [0, 0];
  while (noise < EDGE && seen + counts[noise]! < 0.9 * total) seen += counts[noise++]!;
  return total > 0 ? noise : 0;
}

/** How far a flat pixel may differ from its neighbours, of 255 a channel. */
export const flatLimit = (noise: number): number => 3 + 1.5 * noise;

/** Which pixels differ from none of their four neighbours by more than the limit: 1 for these, else 0. */
export function flatPixels({ width, height, data }: Picture, limit: number): Uint8Array {
  const flat = new Uint8Array(width * height).fill(1);
  const unlike = (i: number, j: number): boolean => {
    const [a, b] = [i * 4, j * 4];
    return (
      Math.abs(data[a]! - data[b]!) > limit ||
      Math.abs(data[a + 1]! - data[b + 1]!) > limit ||
      Math.abs(data[a + 2]! - data[b + 2]!) > limit ||
      Math.abs(data[a + 3]! - data[b + 3]!) > limit
    );
  };
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      if (x + 1 < width && unlike(i, i + 1)) flat[i] = flat[i + 1] = 0;
      if (y + 1 < height && unlike(i, i + width)) flat[i] = flat[i + width] = 0;
    }
  }
  return flat;
}

/** The flat pixels that have only flat ones within so many pixels. */
export function deepFlat(flat: Uint8Array, width: number, height: number, depth: number): Uint8Array {
  let now = flat;
  for (let round = 0; round < depth; round++) {
    const next = now.slice();
    for (let y = 0, i = 0; y < height; y++) {
      for (let x = 0; x < width; x++, i++) {
        if (!now[i]) continue;
        if ((x > 0 && !now[i - 1]) || (x + 1 < width && !now[i + 1]) || (y > 0 && !now[i - width]) || (y + 1 < height && !now[i + width]))
          next[i] = 0;
      }
    }
    now = next;
  }
  return now;
}

interface Bin {
  sum: [number, number, number, number];
  pixels: number;
}

/** The colours of the flat pixels, most frequent first. */
export function coloursOf({ data }: Picture, flat: Uint8Array, noise: number): Colour[] {
  const bins = new Map<number, Bin>();
  const shift = 8 - BITS;
  let [before, same]: [number, Bin | null] = [-1, null];
  for (let i = 0; i < flat.length; i++) {
    if (!flat[i]) continue;
    const o = i * 4;
    const key =
      ((data[o]! >> shift) << (2 * BITS)) |
      ((data[o + 1]! >> shift) << BITS) |
      (data[o + 2]! >> shift) |
      ((data[o + 3]! >> 6) << (3 * BITS));
    const bin: Bin = (key === before ? same : bins.get(key)) ?? { sum: [0, 0, 0, 0], pixels: 0 };
    if (bin.pixels === 0) bins.set(key, bin);
    [before, same] = [key, bin];
    for (let k = 0; k < 4; k++) bin.sum[k]! += data[o + k]!;
    bin.pixels++;
  }
  const all = [...bins.values()].map(({ sum, pixels }) => ({ mix: sum.map((v) => v / pixels) as unknown as Mix, pixels }));
  const found = gathered(all, ONE_COLOUR + FOR_NOISE * noise);
  return found.filter((c, i) => i === 0 || c.pixels >= FEWEST);
}

/** Colours that are nearly the same as one, each about the most frequent of them; most frequent first. */
export function gathered(colours: readonly Colour[], nearer: number): Colour[] {
  const modes: { at: readonly number[]; sum: number[]; pixels: number }[] = [];
  for (const c of colours.slice().sort((a, b) => b.pixels - a.pixels)) {
    const at = perceived(c.mix);
    let best: (typeof modes)[number] | null = null;
    let least = nearer;
    for (const mode of modes) {
      const d = perceivedApart(mode.at, at);
      if (d < least) [best, least] = [mode, d];
    }
    if (!best) modes.push((best = { at, sum: [0, 0, 0, 0], pixels: 0 }));
    for (let k = 0; k < 4; k++) best.sum[k]! += c.mix[k]! * c.pixels;
    best.pixels += c.pixels;
  }
  return modes
    .map(({ sum, pixels }) => ({ mix: sum.map((v) => v / pixels) as unknown as Mix, pixels }))
    .sort((a, b) => b.pixels - a.pixels);
}

/** Off edges a lossy picture has tints of its colours: shares of all flat pixels, and how near a tint is to a colour with more, in OKLab. */
const TINTS = [
  { share: 0.01, nearer: 0.1 },
  { share: 0.05, nearer: 0.055 },
] as const;
/** A tint lies beside its colour: for so large a share of its pixels that colour is flat within so many. */
const BESIDE = { share: 0.5, withinPx: 5 };
/** So many pixels of a colour are asked. */
const ASKED = 200;

/** Colours without those that are mere tints of others, beside which they lie. */
export function withoutTints(picture: Picture, flat: Uint8Array, colours: readonly Colour[]): Colour[] {
  const total = colours.reduce((s, c) => s + c.pixels, 0);
  const seen = colours.map((c) => perceived(c.mix));
  const rare = colours.map((c, i) =>
    TINTS.flatMap(({ share, nearer }) =>
      c.pixels < share * total ? colours.flatMap((_, d) => (d < i && perceivedApart(seen[d]!, seen[i]!) < nearer ? [d] : [])) : [],
    ),
  );
  if (rare.every((r) => r.length === 0)) return colours.slice();
  const places = flatPlaces(picture, flat, colours);
  return colours.filter((_, i) => !rare[i]!.some((d) => liesBeside(places, i, d, picture)));
}

interface FlatPlaces {
  /** Colour of each flat pixel, 255 elsewhere. */
  of: Uint8Array;
  pixels: number[][];
}

function flatPlaces({ data }: Picture, flat: Uint8Array, colours: readonly Colour[]): FlatPlaces {
  const of = new Uint8Array(flat.length).fill(255);
  const pixels: number[][] = colours.map(() => []);
  for (let i = 0; i < flat.length; i++) {
    if (!flat[i]) continue;
    const { index } = nearestColour(colours, [data[i * 4]!, data[i * 4 + 1]!, data[i * 4 + 2]!, data[i * 4 + 3]!]);
    of[i] = index;
    pixels[index]!.push(i);
  }
  return { of, pixels };
}

function liesBeside({ of, pixels }: FlatPlaces, tint: number, colour: number, { width, height }: Picture): boolean {
  const own = pixels[tint]!;
  const asked = own.filter((_, k) => k % Math.max(1, Math.floor(own.length / ASKED)) === 0);
  const beside = asked.filter((i) => {
    const [x, y] = [i % width, Math.floor(i / width)];
    for (let v = Math.max(0, y - BESIDE.withinPx); v <= Math.min(height - 1, y + BESIDE.withinPx); v++)
      for (let u = Math.max(0, x - BESIDE.withinPx); u <= Math.min(width - 1, x + BESIDE.withinPx); u++)
        if (of[v * width + u] === colour) return true;
    return false;
  });
  return beside.length >= BESIDE.share * asked.length;
}

/** The same colours as so many at most: again and again the two are joined that lose least for the eye (Ward 1963, in OKLab). */
export function fewerColours(colours: readonly Colour[], count: number): { colours: Colour[]; became: number[] } {
  const groups = colours.map((c, i) => ({ ...c, at: perceived(c.mix), of: [i] }));
  while (groups.length > Math.max(1, count)) {
    let [a, b, least] = [0, 1, Infinity];
    groups.forEach((p, i) => {
      for (let j = i + 1; j < groups.length; j++) {
        const q = groups[j]!;
        const loss = ((p.pixels * q.pixels) / (p.pixels + q.pixels)) * perceivedApart(p.at, q.at) ** 2;
        if (loss < least) [a, b, least] = [i, j, loss];
      }
    });
    const [p, q] = [groups[a]!, groups[b]!];
    const pixels = p.pixels + q.pixels;
    const mix = p.mix.map((v, k) => (v * p.pixels + q.mix[k]! * q.pixels) / pixels) as unknown as Mix;
    groups.splice(b, 1);
    groups[a] = { mix, pixels, at: perceived(mix), of: [...p.of, ...q.of] };
  }
  const became = colours.map((_, i) => groups.findIndex((g) => g.of.includes(i)));
  return { colours: groups.map(({ mix, pixels }) => ({ mix, pixels })), became };
}

/** The colour nearest to a mixture. */
export function nearestColour(colours: readonly Colour[], mix: Mix): { index: number; apart: number } {
  let best = { index: 0, apart: Infinity };
  colours.forEach((c, index) => {
    const d = apart(c.mix, mix);
    if (d < best.apart) best = { index, apart: d };
  });
  return best;
}
