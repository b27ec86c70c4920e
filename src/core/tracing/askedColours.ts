import type { TracingChoices } from '../document/types';
import { MOST_COLOURS, type Labelled } from './labels';
import { perceived, perceivedApart, type Colour } from './palette';
import { hexOf, mixOfHex, lumaOf, type Mix, type Picture } from './picture';

/** A colour that is told is the nearest found, if it is no farther from it than this in OKLab. */
const SAME = 0.08;
/** A picked colour is not added where one so near is there already. */
const THERE = 0.02;
/** So often two halves of a colour are divided anew. */
const ROUNDS = 12;

/** The number of the colour that is meant; -1 where there is none like it. */
export function colourMeant(colours: readonly Pick<Colour, 'mix'>[], hex: string): number {
  const wanted = perceived(mixOfHex(hex));
  let [best, least] = [-1, SAME];
  colours.forEach(({ mix }, i) => {
    const d = hexOf(mix) === hex ? -1 : perceivedApart(perceived(mix), wanted);
    if (mix[3] >= 128 && d < least) [best, least] = [i, d];
  });
  return best;
}

/** The colours found, and those that were picked beside them. */
export function withPicked(colours: readonly Colour[], picked: readonly string[] = []): Colour[] {
  const out = colours.slice();
  for (const hex of picked) {
    const mix = mixOfHex(hex);
    if (!out.some((c) => c.mix[3] >= 128 && perceivedApart(perceived(c.mix), perceived(mix)) < THERE)) out.push({ mix, pixels: 1 });
  }
  return out;
}

/** Colours divided and joined by hand, in that order. What is told of a colour that is not there changes nothing. */
export function asTold(
  labelled: Labelled,
  picture: Picture,
  { split = [], merged = [] }: Pick<TracingChoices, 'split' | 'merged'>,
  isLossy: boolean,
): Labelled {
  const divided = split.reduce((l, hex) => divide(l, picture, hex, isLossy), labelled);
  if (merged.length === 0) return divided;
  const became = divided.colours.map((_, i) => i);
  for (const [from, into] of merged) {
    const [a, b] = [colourMeant(divided.colours, from), colourMeant(divided.colours, into)];
    if (a < 0 || b < 0) continue;
    const [gone, stays] = [became[a]!, became[b]!];
    became.forEach((label, i) => label === gone && (became[i] = stays));
  }
  return { ...divided, labels: divided.labels.map((l) => became[l]!) };
}

/** One colour's pixels as two: about its two means, from its darkest and lightest (Lloyd 1982). */
function divide(labelled: Labelled, { data }: Picture, hex: string, isLossy: boolean): Labelled {
  const label = colourMeant(labelled.colours, hex);
  const { labels, colours, mixes } = labelled;
  if (label < 0 || colours.length >= MOST_COLOURS) return labelled;
  const own: number[] = [];
  for (let i = 0; i < labels.length; i++) if (labels[i] === label) own.push(i);
  const halves = twoMeans(data, own);
  if (!halves) return labelled;
  const [a, b] = halves;
  const parted = labels.slice();
  for (const i of own) if (squaredTo(data, i, b) < squaredTo(data, i, a)) parted[i] = colours.length;
  const changed = (list: readonly Mix[], as: (m: Mix) => Mix): Mix[] => [...list.map((m, i) => (i === label ? as(a) : m)), as(b)];
  const made = changed(
    colours.map((c) => c.mix),
    (m) => m,
  );
  return {
    ...labelled,
    labels: parted,
    colours: made.map((mix, i) => ({ mix, pixels: colours[i]?.pixels ?? 1 })),
    mixes: changed(mixes, isLossy ? lumaOf : (m) => m),
  };
}

function twoMeans(data: Picture['data'], own: readonly number[]): [Mix, Mix] | null {
  const lightness = (i: number): number => data[i * 4]! + 2 * data[i * 4 + 1]! + data[i * 4 + 2]!;
  const mixAt = (i: number): Mix => [data[i * 4]!, data[i * 4 + 1]!, data[i * 4 + 2]!, data[i * 4 + 3]!];
  const sorted = own.slice().sort((i, j) => lightness(i) - lightness(j));
  const at = (share: number): Mix => mixAt(sorted[Math.floor(share * (sorted.length - 1))]!);
  if (sorted.length < 2) return null;
  let [a, b] = [at(0.05), at(0.95)];
  if (squared(a, b) === 0) [a, b] = [at(0), at(1)];
  if (squared(a, b) === 0) return null;
  for (let round = 0; round < ROUNDS; round++) {
    const sums = [
      [0, 0, 0, 0, 0],
      [0, 0, 0, 0, 0],
    ];
    for (const i of own) {
      const sum = sums[squaredTo(data, i, b) < squaredTo(data, i, a) ? 1 : 0]!;
      for (let k = 0; k < 4; k++) sum[k]! += data[i * 4 + k]!;
      sum[4]!++;
    }
    if (sums.some((s) => s[4] === 0)) return null;
    [a, b] = sums.map((s) => s.slice(0, 4).map((v) => v / s[4]!) as unknown as Mix) as [Mix, Mix];
  }
  return [a, b];
}

const squared = (a: Mix, b: Mix): number => a.reduce((sum, v, k) => sum + (v - b[k]!) ** 2, 0);
function squaredTo(data: Picture['data'], i: number, to: Mix): number {
  let sum = 0;
  for (let k = 0; k < 4; k++) sum += (data[i * 4 + k]! - to[k]!) ** 2;
  return sum;
}
