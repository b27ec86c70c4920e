import { apart, isNothing, lumaOf, lumaPicture, type Mix, type Picture } from './picture';
import { gathered, nearestColour, perceived, perceivedApart, type Colour } from './palette';

/** A picture with a colour for every pixel: indices into `colours`. */
export interface Labelled {
  width: number;
  height: number;
  labels: Uint8Array;
  colours: Colour[];
  /** The colours as `edges` has them. */
  mixes: Mix[];
  /** The picture as edges are read from it. */
  edges: Picture;
}

/** No colour decided yet. */
const OPEN = 255;
export const MOST_COLOURS = 250;
/** Flat pixels lend their colours as candidates to pixels so far off, at first and at most. */
const REACH = [2, 3, 5, 8];
const MOST_MEET = 6;
/** A pixel farther than this from every mixture of its candidates shows a colour of its own, of about 500. */
const UNEXPLAINED = 36;
const FOR_NOISE = 4;
/** Above this noise a picture is lossy: its hues are blurred. */
export const CLEAN = 3;
/** Of what is unexplained only as much counts as a stroke of its own, pixels. */
const LEAST_STROKE = 5;
/** A stroke's darkest pixels are of a known colour when nearer than this to it. */
const KNOWN_COLOUR = 44;

/** Share of `b` in a mixture of two colours, not held to 0 and 1. */
export function shareOf(b: Mix, a: Mix, data: Picture['data'], o: number): number {
  let [along, squared] = [0, 0];
  for (let k = 0; k < 4; k++) {
    const d = b[k]! - a[k]!;
    along += (data[o + k]! - a[k]!) * d;
    squared += d * d;
  }
  return squared > 0 ? along / squared : 0;
}

/**
 * The colour of every pixel. Flat ones have the nearest of all; at edges only mixtures of two colours that lie flat nearby are asked for, so
 * that a fringe never gets a third colour; what no such mixture explains is a stroke too thin to be flat anywhere, in its own colour.
 */
export function labelPixels(picture: Picture, flat: Uint8Array, found: readonly Colour[], noise: number): Labelled {
  const { width, height } = picture;
  const isLossy = noise > CLEAN;
  const edges = isLossy ? lumaPicture(picture) : picture;
  const mixOf = isLossy ? lumaOf : (mix: Mix): Mix => mix;
  const colours = found.slice(0, MOST_COLOURS);
  const labels = flatLabels(picture, flat, colours);
  const open = edgePixels(flat);
  const candidates = new Candidates(width, height, labels, flat);
  const unexplained = explain(edges, labels, open, {
    candidates,
    mixes: colours.map((c) => mixOf(c.mix)),
    limit: UNEXPLAINED + FOR_NOISE * noise,
  });
  const strokes = strokesAmong(unexplained, open, width);
  const own = strokeColours(picture, strokes, candidates, colours);
  const mixes = colours.map((c) => mixOf(c.mix));
  strokes.forEach((pixels, s) => {
    const colour = own[s]!;
    if (colour === null) return;
    for (const i of grown(pixels, width, height, flat)) {
      const near = candidates.of(i);
      labels[i] = bestMixture(edges, i, near.includes(colour) ? near : [...near, colour], mixes).label;
    }
  });
  return { width, height, labels, colours, mixes, edges };
}

function flatLabels({ data }: Picture, flat: Uint8Array, colours: readonly Colour[]): Uint8Array {
  const known = new Map<number, number>();
  const labels = new Uint8Array(flat.length).fill(OPEN);
  let [before, same] = [0, OPEN];
  for (let i = 0; i < flat.length; i++) {
    if (!flat[i]) continue;
    const o = i * 4;
    const key = (data[o]! << 24) ^ (data[o + 1]! << 16) ^ (data[o + 2]! << 8) ^ data[o + 3]!;
    if (key === before && same !== OPEN) {
      labels[i] = same;
      continue;
    }
    let label = known.get(key);
    if (label === undefined) {
      label = nearestPerceived(colours, [data[o]!, data[o + 1]!, data[o + 2]!, data[o + 3]!]);
      known.set(key, label);
    }
    [before, same] = [key, label];
    labels[i] = label;
  }
  return labels;
}

function nearestPerceived(colours: readonly Colour[], mix: Mix): number {
  const at = perceived(mix);
  let best = 0;
  let least = Infinity;
  colours.forEach((c, i) => {
    const to = perceived(c.mix);
    const d = (at[0] - to[0]) ** 2 + (at[1] - to[1]) ** 2 + (at[2] - to[2]) ** 2 + (at[3] - to[3]) ** 2;
    if (d < least) [best, least] = [i, d];
  });
  return best;
}

function edgePixels(flat: Uint8Array): Int32Array {
  let count = 0;
  for (let i = 0; i < flat.length; i++) if (!flat[i]) count++;
  const out = new Int32Array(count);
  for (let i = 0, k = 0; i < flat.length; i++) if (!flat[i]) out[k++] = i;
  return out;
}

/** Colours that lie flat near a pixel. */
class Candidates {
  constructor(
    private readonly width: number,
    private readonly height: number,
    private readonly labels: Uint8Array,
    private readonly flat: Uint8Array,
  ) {}

  of(i: number): number[] {
    const { width, height, labels, flat } = this;
    const [x, y] = [i % width, Math.floor(i / width)];
    const found: number[] = [];
    for (const reach of REACH) {
      const [x0, x1] = [Math.max(0, x - reach), Math.min(width - 1, x + reach)];
      for (let v = Math.max(0, y - reach); v <= Math.min(height - 1, y + reach); v++) {
        for (let j = v * width + x0; j <= v * width + x1; j++) {
          if (flat[j] && !found.includes(labels[j]!)) found.push(labels[j]!);
        }
      }
      if (found.length > 1) break;
    }
    // More than a few meet only in noise; the nearest were found first.
    return found.slice(0, MOST_MEET);
  }
}

interface Best {
  label: number;
  off: number;
}

/** The mixture of one or two candidates nearest to a pixel, and which of the two has more of it. */
function bestMixture({ data }: Picture, i: number, candidates: readonly number[], mixes: readonly Mix[]): Best {
  const o = i * 4;
  const own: Mix = [data[o]!, data[o + 1]!, data[o + 2]!, data[o + 3]!];
  let best: Best = { label: OPEN, off: Infinity };
  candidates.forEach((a, n) => {
    const ca = mixes[a]!;
    const alone = apart(ca, own);
    if (alone < best.off) best = { label: a, off: alone };
    for (let m = n + 1; m < candidates.length; m++) {
      const b = candidates[m]!;
      const cb = mixes[b]!;
      const t = shareOf(cb, ca, data, o);
      if (t <= 0 || t >= 1) continue;
      const off = apart(own, ca.map((v, k) => v + (cb[k]! - v) * t) as unknown as Mix);
      if (off < best.off) best = { label: t < 0.5 ? a : b, off };
    }
  });
  return best;
}

/** Labels the pixels of edges; those that no mixture explains are told, 1 for each. */
function explain(
  picture: Picture,
  labels: Uint8Array,
  edges: Int32Array,
  { candidates, mixes, limit }: { candidates: Candidates; mixes: readonly Mix[]; limit: number },
): Uint8Array {
  const unexplained = new Uint8Array(labels.length);
  for (const i of edges) {
    const best = bestMixture(picture, i, candidates.of(i), mixes);
    labels[i] = best.label === OPEN ? 0 : best.label;
    if (best.off > limit) unexplained[i] = 1;
  }
  return unexplained;
}

/** Pixels of a kind that touch, corners included, in groups worth the name. */
function strokesAmong(marked: Uint8Array, edges: Int32Array, width: number): number[][] {
  const left = marked.slice();
  const groups: number[][] = [];
  const around = [-width - 1, -width, -width + 1, -1, 1, width - 1, width, width + 1];
  for (const first of edges) {
    if (!left[first]) continue;
    left[first] = 0;
    const group = [first];
    for (const i of group) {
      for (const d of around) {
        const j = i + d;
        if (j < 0 || j >= left.length || !left[j]) continue;
        left[j] = 0;
        group.push(j);
      }
    }
    if (group.length >= LEAST_STROKE) groups.push(group);
  }
  return groups;
}

/** Which colour each stroke has: that of its pixels farthest from what lies around it; new ones join the colours. Null where it is noise. */
function strokeColours({ data }: Picture, strokes: readonly number[][], candidates: Candidates, colours: Colour[]): (number | null)[] {
  const extremes = strokes.map((pixels): Colour => {
    const ground = candidates.of(pixels[0]!).map((c) => colours[c]!.mix);
    const own = pixels.map((i): { mix: Mix; off: number } => {
      const mix: Mix = [data[i * 4]!, data[i * 4 + 1]!, data[i * 4 + 2]!, data[i * 4 + 3]!];
      return { mix, off: Math.min(...ground.map((g) => apart(g, mix))) };
    });
    own.sort((a, b) => b.off - a.off);
    const most = own.slice(0, Math.max(1, Math.floor(own.length / 6)));
    return { mix: [0, 1, 2, 3].map((k) => most.reduce((s, m) => s + m.mix[k]!, 0) / most.length) as unknown as Mix, pixels: pixels.length };
  });
  const out = extremes.map(({ mix }, s): number | null => {
    if (
      isMixtureOf(
        mix,
        groundOf(strokes[s]!, candidates).map((c) => colours[c]!.mix),
      )
    )
      return MIXED;
    const near = nearestColour(colours, mix);
    if (near.apart < KNOWN_COLOUR) return near.index;
    // Half seen through at its sides, a stroke is still of the colour that it has.
    const seen = perceived(solid(mix));
    const same = colours.findIndex((c) => !isNothing(c.mix) && perceivedApart(perceived(c.mix), seen) < SAME_SEEN);
    return same >= 0 ? same : null;
  });
  const fresh = gathered(
    extremes.filter((_, s) => out[s] === null),
    0.08,
  ).filter((c) => c.pixels >= 3 * LEAST_STROKE);
  const first = colours.length;
  colours.push(...fresh.slice(0, MOST_COLOURS - first));
  return extremes.map(({ mix }, s) => {
    if (out[s] === MIXED) return null;
    if (out[s] !== null) return out[s]!;
    const near = nearestColour(colours.slice(first), mix);
    return near.apart < 2 * KNOWN_COLOUR ? first + near.index : null;
  });
}

const MIXED = -1;
/** Colours nearer than this in OKLab are not told apart in so thin a stroke. */
const SAME_SEEN = 0.06;
const solid = ([r, g, b, a]: Mix): Mix => (a > 0 ? [(r * 255) / a, (g * 255) / a, (b * 255) / a, 255] : [r, g, b, a]);
/** Where three colours meet, pixels are mixtures of two that lie a little farther off; of so many of a stroke's pixels what lies around is asked. */
const ASKED = 12;
const NEAR_MIXTURE = 34;

/** Colours that lie flat about a stroke. */
function groundOf(pixels: readonly number[], candidates: Candidates): number[] {
  const step = Math.max(1, Math.floor(pixels.length / ASKED));
  return [...new Set(pixels.filter((_, i) => i % step === 0).flatMap((i) => candidates.of(i)))];
}

function isMixtureOf(own: Mix, ground: readonly Mix[]): boolean {
  return ground.some((a, i) =>
    ground.slice(i + 1).some((b) => {
      const along = [0, 1, 2, 3].reduce((s, k) => s + (own[k]! - a[k]!) * (b[k]! - a[k]!), 0);
      const t = along / Math.max(1, apart(a, b) ** 2);
      return t > 0.08 && t < 0.92 && apart(own, a.map((v, k) => v + (b[k]! - v) * t) as unknown as Mix) < NEAR_MIXTURE;
    }),
  );
}

/** The pixels and those beside them that are not flat. */
function grown(pixels: readonly number[], width: number, height: number, flat: Uint8Array): Set<number> {
  const out = new Set(pixels);
  for (const i of pixels) {
    const [x, y] = [i % width, Math.floor(i / width)];
    for (let v = Math.max(0, y - 2); v <= Math.min(height - 1, y + 2); v++)
      for (let u = Math.max(0, x - 2); u <= Math.min(width - 1, x + 2); u++) if (!flat[v * width + u]) out.add(v * width + u);
  }
  return out;
}
