/**
 * How well photos of sew-outs are laid over their plans and read, on photos drawn by the project itself: `npm run photos -- [COUNT]`.
 * Prints how many of so many are found to 0.3 mm, laid by four points to 0.15 mm, and precision and recall of gap marks.
 */
import { byFourPoints, found, gapsFound, offBy, offByStraight, photoCase, trueGaps } from './cases';

const count = Number(process.argv[2] ?? 50);
const SEEN_MM = 0.5;
const NEAR_MM = 6;
let [laid, four, right, told, missed, real] = [0, 0, 0, 0, 0, 0];
const errors: number[] = [];
const ms: number[] = [];
for (let seed = 1; seed <= count; seed++) {
  const one = photoCase(seed);
  const began = performance.now();
  const laying = found(one);
  ms.push(performance.now() - began);
  const error = laying ? offBy(one, laying) : Infinity;
  errors.push(error);
  if (error <= 0.3) laid++;
  const points = byFourPoints(one, seed);
  if (points && offByStraight(one, points) <= 0.15) four++;
  const truth = trueGaps(one);
  const proposals = laying ? gapsFound(one, laying) : [];
  const near = (g: (typeof proposals)[number], at: { x: number; y: number }): boolean =>
    Math.hypot((g.from.x + g.to.x) / 2 - at.x, (g.from.y + g.to.y) / 2 - at.y) < NEAR_MM;
  for (const gap of proposals.filter((g) => g.mm >= SEEN_MM)) {
    told++;
    if (truth.some((t) => t.mm >= SEEN_MM - 0.15 && near(gap, t.at))) right++;
  }
  // A true gap is a stretch of an edge: its places are found when a mark lies on that stretch.
  for (const edge of new Set(truth.map((t) => `${t.first} ${t.later}`))) {
    const open = truth.filter((t) => `${t.first} ${t.later}` === edge && t.mm >= SEEN_MM);
    for (const stretch of stretches(open)) {
      if (stretch.length < 4) continue;
      real++;
      if (!proposals.some((g) => stretch.some((t) => near(g, t.at)))) missed++;
    }
  }
  process.stdout.write(`${seed}: ${error.toFixed(3)} mm (told ${laying?.errorMm?.toFixed(2) ?? '-'}), ${proposals.length} gaps told\n`);
}

function stretches<T extends { at: { x: number; y: number } }>(places: readonly T[]): T[][] {
  const out: T[][] = [];
  for (const place of places) {
    const last = out[out.length - 1]?.slice(-1)[0];
    if (last && Math.hypot(last.at.x - place.at.x, last.at.y - place.at.y) < 3) out[out.length - 1]!.push(place);
    else out.push([place]);
  }
  return out;
}

const sorted = errors.slice().sort((a, b) => a - b);
process.stdout.write(
  `\nlaid by itself to 0.3 mm: ${laid} of ${count} (median ${sorted[count >> 1]!.toFixed(3)} mm, ${(ms.reduce((a, b) => a + b) / count / 1000).toFixed(1)} s each)\n` +
    `by four points to 0.15 mm: ${four} of ${count}\n` +
    `gaps of ${SEEN_MM} mm and more: ${right} of ${told} told are there (${((100 * right) / Math.max(1, told)).toFixed(0)} %), ${real - missed} of ${real} found (${((100 * (real - missed)) / Math.max(1, real)).toFixed(0)} %)\n`,
);
