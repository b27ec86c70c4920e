// Which share of thin lines is found as lines: random strokes of 0.4 to 1.4 mm, straight, bent and curved, alone and crossing, on paper or on
// an area. Printed, never asserted. `npm run tracing:lines [-- NUMBER]`
import '../../scripts/clipCompiled';
import sharp from 'sharp';
import { nearestOnLine } from '../../src/core/geometry/line';
import { dataToRings } from '../../src/core/geometry/path';
import { distance, type Line, type Point } from '../../src/core/geometry/point';
import { trace } from '../../src/core/tracing/trace';

const SIDE_MM = 80;
const NEAR_MM = 0.3;
const STEP_MM = 0.25;
let seed = 7;
const chance = (): number => (seed = (seed * 48271) % 2147483647) / 2147483647;
const between = (a: number, b: number): number => a + (b - a) * chance();
const place = (): Point => ({ x: between(8, 72), y: between(8, 72) });
const say = (p: Point): string => `${p.x.toFixed(2)} ${p.y.toFixed(2)}`;

interface Stroke {
  data: string;
  widthMm: number;
  hex: string;
}

function stroke(hex: string): Stroke {
  const [a, b, c, d] = [place(), place(), place(), place()];
  const kinds = [
    `M${say(a)}L${say(b)}`,
    `M${say(a)}L${say(b)}L${say(c)}`,
    `M${say(a)}Q${say(b)} ${say(c)}`,
    `M${say(a)}C${say(b)} ${say(c)} ${say(d)}`,
  ];
  return { data: kinds[Math.floor(4 * chance())]!, widthMm: between(0.4, 1.4), hex };
}

const places = (lines: readonly Line[]): Point[] =>
  lines.flatMap((line) =>
    line.slice(1).flatMap((q, i) => {
      const p = line[i]!;
      const n = Math.max(1, Math.ceil(distance(p, q) / STEP_MM));
      return Array.from({ length: n }, (_, k) => ({ x: p.x + ((q.x - p.x) * k) / n, y: p.y + ((q.y - p.y) * k) / n }));
    }),
  );

const many = Number(process.argv[2] ?? 40);
const RENDERINGS = [
  { name: '12 px/mm PNG', px: 12, jpeg: 0 },
  { name: '5 px/mm PNG', px: 5, jpeg: 0 },
  { name: '5 px/mm JPEG 75', px: 5, jpeg: 75 },
];
const found = RENDERINGS.map(() => [0, 0, 0] as [number, number, number]);
for (let n = 0; n < many; n++) {
  const ground = chance() < 0.5 ? '#ffffff' : '#e8c46a';
  const inks = ['#1d282c', '#7a1f2b', '#204f80'];
  const strokes = Array.from({ length: 2 + Math.floor(3 * chance()) }, () => stroke(inks[Math.floor(inks.length * chance())]!));
  const cap = chance() < 0.5 ? 'round' : 'butt';
  const drawn = strokes.map(
    ({ data, widthMm, hex }) =>
      `<path d="${data}" fill="none" stroke="${hex}" stroke-width="${widthMm}" stroke-linecap="${cap}" stroke-linejoin="${cap === 'butt' ? 'miter' : 'round'}"/>`,
  );
  for (const [k, { px, jpeg }] of RENDERINGS.entries()) {
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 80 80" width="${SIDE_MM * px}" height="${SIDE_MM * px}"><rect width="80" height="80" fill="#fff"/><rect x="4" y="4" width="72" height="72" fill="${ground}"/>${drawn.join('')}</svg>`;
    const image = sharp(Buffer.from(svg)).flatten();
    const file = jpeg ? await image.jpeg({ quality: jpeg }).toBuffer() : await image.png().toBuffer();
    const { data, info } = await sharp(file).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
    const { shapes } = trace({ width: info.width, height: info.height, data }, { widthMm: SIDE_MM, wholePage: true });
    const lines = shapes
      .filter((s) => s.stroke)
      .flatMap((s) => dataToRings(s.data, 0.02).map((line) => ({ line, widthMm: s.stroke!.widthMm })));
    for (const { data: path, widthMm } of strokes) {
      for (const p of places(dataToRings(path, 0.02))) {
        const near = lines.find(({ line }) => nearestOnLine(line, p).distance < NEAR_MM);
        found[k]![0]++;
        if (near) found[k]![1]++;
        if (near && Math.abs(near.widthMm - widthMm) < 0.15) found[k]![2]++;
      }
    }
  }
}
for (const [k, { name }] of RENDERINGS.entries()) {
  const [all, as, wide] = found[k]!;
  console.log(
    `${name.padEnd(18)} found as lines ${((100 * as) / all).toFixed(1)} % of their length; of their width ${((100 * wide) / all).toFixed(1)} %`,
  );
}
