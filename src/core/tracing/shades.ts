import type { Labelled } from './labels';
import { perceived, perceivedApart } from './palette';
import type { Picture } from './picture';

/** Only colours so near in OKLab may be shades of one. */
const NEAR = 0.07;
/** Across the border of two areas the picture is looked at so many pixels to either side. */
const ASIDE_PX = 4;
/** An edge has at least so much of the difference of its two colours; light that fades over a sheet has hardly any. */
const EDGE = 0.45;
/** Fewer pairs of pixels than this say nothing. */
const LEAST_PAIRS = 30;

/**
 * Colours of a lossy picture that are one colour under uneven light: where they meet there is no edge, the one fades into the other. Each
 * becomes the more frequent one.
 * @param fixed colours that stay, by their number
 */
export function withoutShades(labelled: Labelled, picture: Picture, fixed: ReadonlySet<number>): Labelled {
  const { colours, labels } = labelled;
  const seen = colours.map((c) => perceived(c.mix));
  const counts = new Uint32Array(colours.length);
  for (const l of labels) counts[l]!++;
  const near = (a: number, b: number): boolean => a !== b && perceivedApart(seen[a]!, seen[b]!) < NEAR;
  if (!colours.some((_, a) => colours.some((__, b) => near(a, b)))) return labelled;
  const steps = stepsAcross(labelled, picture, near);
  const became = colours.map((_, i) => i);
  const byPixels = colours.map((_, i) => i).sort((a, b) => counts[a]! - counts[b]!);
  for (const shade of byPixels) {
    if (fixed.has(shade)) continue;
    const into = byPixels.findLast(
      (c) => counts[c]! >= counts[shade]! && near(c, shade) && became[c] === c && isFading(steps.get(pairKey(c, shade))),
    );
    if (into !== undefined) became[shade] = into;
  }
  const final = became.map((_, i) => {
    let at = i;
    while (became[at] !== at) at = became[at]!;
    return at;
  });
  return { ...labelled, labels: labels.map((l) => final[l]!) };
}

interface Steps {
  sum: number;
  pairs: number;
}

const isFading = (steps: Steps | undefined): boolean => steps !== undefined && steps.pairs >= LEAST_PAIRS && steps.sum / steps.pairs < EDGE;
const pairKey = (a: number, b: number): number => Math.min(a, b) * 256 + Math.max(a, b);

/** How much of the difference of each two near colours lies between the pixels to either side of where they meet. */
function stepsAcross(
  { width, height, labels, colours }: Labelled,
  { data }: Picture,
  near: (a: number, b: number) => boolean,
): Map<number, Steps> {
  const out = new Map<number, Steps>();
  const mayFade = new Map<number, boolean>();
  const add = (i: number, j: number, stride: number): void => {
    const [a, b] = [labels[i]!, labels[j]!];
    const key = pairKey(a, b);
    let may = mayFade.get(key);
    if (may === undefined) mayFade.set(key, (may = near(a, b)));
    if (!may) return;
    const [from, to] = [colours[a]!.mix, colours[b]!.mix];
    // Within thin things there is no room for light to fade.
    if (labels[i - stride * ASIDE_PX] !== a || labels[j + stride * ASIDE_PX] !== b) return;
    const [p, q] = [(i - stride * ASIDE_PX) * 4, (j + stride * ASIDE_PX) * 4];
    let [along, squared] = [0, 0];
    for (let k = 0; k < 4; k++) {
      const d = to[k]! - from[k]!;
      along += (data[q + k]! - data[p + k]!) * d;
      squared += d * d;
    }
    const steps = out.get(key) ?? { sum: 0, pairs: 0 };
    steps.sum += Math.max(-1, Math.min(2, along / squared));
    steps.pairs++;
    out.set(key, steps);
  };
  for (let y = ASIDE_PX; y + ASIDE_PX + 1 < height; y++) {
    for (let x = ASIDE_PX; x + ASIDE_PX + 1 < width; x++) {
      const i = y * width + x;
      if (labels[i] !== labels[i + 1]) add(i, i + 1, 1);
      if (labels[i] !== labels[i + width]) add(i, i + width, width);
    }
  }
  return out;
}
