/** Drawings that are small to write and long to work out. Sizes are what was seen to take minutes. */
const svg = (body: string, box = 100): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 ${box} ${box}" width="${box}mm" height="${box}mm">${body}</svg>`;

function nestedUse(levels: number, times: number, leaf: string): string {
  let defs = `<g id="l0">${leaf}</g>`;
  for (let i = 1; i <= levels; i++) defs += `<g id="l${i}">${`<use href="#l${i - 1}"/>`.repeat(times)}</g>`;
  return svg(`<defs>${defs}</defs><use href="#l${levels}"/><rect width="30" height="30" fill="#135"/>`);
}

const circle = (x: number, y: number, r: number, more = ''): string => `<circle cx="${x}" cy="${y}" r="${r}" ${more}/>`;
/** Spread evenly without a pattern (golden angle). */
const spot = (i: number, n: number, span: number): [number, number] => {
  const r = (span / 2) * Math.sqrt((i + 0.5) / n);
  const a = i * 2.399963;
  return [+(50 + r * Math.cos(a)).toFixed(3), +(50 + r * Math.sin(a)).toFixed(3)];
};
const many = (n: number, of: (i: number) => string): string => Array.from({ length: n }, (_, i) => of(i)).join('');
const COLOURS = ['#b03030', '#3060a0', '#30a050', '#c0a020', '#603080'];

export const HEAVY: Readonly<Record<string, (scale?: number) => string>> = {
  'nested use that paints nothing': () => nestedUse(12, 10, '<g/>'),
  'nested use that paints': () => nestedUse(6, 10, '<rect width="9" height="9"/>'),
  '3,000 rules on 3,000 elements': (k = 1) =>
    svg(
      `<style>${many(3000 * k, (i) => `.c${i} .d, g > .c${i}[fill], #n${i} ~ .c${i} { fill: #${(i % 4096).toString(16).padStart(3, '0')} }`)}</style>` +
        many(3000 * k, (i) => `<rect class="c${i}" x="${(i % 60) * 1.6}" y="${Math.floor(i / 60) * 1.6}" width="1.4" height="1.4"/>`),
    ),
  '300 clipped circles': (k = 1) =>
    svg(
      `<defs>${many(300 * k, (i) => `<clipPath id="k${i}">${circle(...spot(i, 300 * k, 80), 12)}${circle(...spot(i + 9, 300 * k, 80), 12)}</clipPath>`)}</defs>` +
        many(300 * k, (i) => `<g clip-path="url(#k${i})">${circle(...spot(i + 5, 300 * k, 80), 14, `fill="${COLOURS[i % 5]}"`)}</g>`),
    ),
  'star polygon of 501 points': (n = 501) =>
    svg(
      `<polygon fill-rule="evenodd" points="${many(n, (i) => {
        const a = (i * Math.floor(n / 2) * 2 * Math.PI) / n;
        return `${(50 + 45 * Math.cos(a)).toFixed(4)},${(50 + 45 * Math.sin(a)).toFixed(4)} `;
      })}"/>`,
    ),
  '2,000 overlapping circles': (k = 1) => svg(many(2000 * k, (i) => circle(...spot(i, 2000 * k, 80), 9, `fill="${COLOURS[i % 5]}"`))),
  '2,000 overlapping circles of one colour': (k = 1) => svg(many(2000 * k, (i) => circle(...spot(i, 2000 * k, 80), 9))),
  '20,000 rectangles': (k = 1) =>
    svg(
      many(
        20000 * k,
        (i) => `<rect x="${(i % 200) * 0.5}" y="${Math.floor(i / 200) * 0.5}" width="0.45" height="0.45" fill="${COLOURS[i % 5]}"/>`,
      ),
    ),
  '20,000 rectangles, large': (k = 1) =>
    svg(
      many(
        20000 * k,
        (i) => `<rect x="${(i % 200) * 4.7}" y="${Math.floor(i / 200) * 9}" width="4.5" height="8.5" fill="${COLOURS[i % 5]}"/>`,
      ),
      940,
    ),
  '100,000 nodes': (k = 1) =>
    svg(
      `<path d="M0,50${many(100_000 * k, (i) => `L${((i * 100) / 100_000 / k).toFixed(4)},${(50 + 40 * Math.sin(i / 700) + (i % 2) * 0.2).toFixed(3)}`)}V100H0Z"/>`,
    ),
  '100,000 nodes, crossing itself': (k = 1) =>
    svg(
      `<path d="M50,50${many(100_000 * k, (i) => `L${(50 + 45 * Math.sin(i * 1.7)).toFixed(3)},${(50 + 45 * Math.cos(i * 2.3)).toFixed(3)}`)}Z"/>`,
    ),
  '5,000 nodes, crossing itself': () =>
    svg(
      `<path d="M50,50${many(5000, (i) => `L${(50 + 45 * Math.sin(i * 1.7)).toFixed(3)},${(50 + 45 * Math.cos(i * 2.3)).toFixed(3)}`)}Z"/>`,
    ),
  'skew near 90 degrees': () =>
    svg(`<g transform="skewX(89.9)"><path d="M0,0 C30,0 60,30 60,60 S30,90 0,90Z"/><circle cx="50" cy="50" r="20"/></g>`),
  'skew nearer 90 degrees': () => svg(`<g transform="skewX(89.99999)"><circle cx="50" cy="50" r="20"/></g><rect width="9" height="9"/>`),
  '3,000 strokes': (k = 1) =>
    svg(
      many(3000 * k, (i) => {
        const [x, y] = spot(i, 3000 * k, 90);
        return `<path d="M${x},${y}q9,3 4,12" fill="none" stroke="${COLOURS[i % 5]}" stroke-width="0.8"/>`;
      }),
    ),
  'a very long stroke': () =>
    svg(
      `<path fill="none" stroke="#135" stroke-width="0.5" d="M50,50${many(30_000, (i) => `L${(50 + 45 * Math.sin(i * 1.7)).toFixed(3)},${(50 + 45 * Math.cos(i * 2.3)).toFixed(3)}`)}"/>`,
    ),
  'one stroke of a million': () => svg('<path d="M0,0H100" stroke="#135" stroke-width="1000000"/>'),
  'deep groups': () => svg('<g>'.repeat(5000) + '<rect width="30" height="30"/>' + '</g>'.repeat(5000)),
  'a huge spiral of dots': () => svg(many(8000, (i) => circle(...spot(i, 8000, 95), 0.35))),
};
