import { cardMeasures } from './card';

const INK = '#1d282c';
const TAPE = '#f2c230';
const TICK_MM = 1.4;

/** Where the ruler is laid on a card, each with its number, as a drawing in mm to lie over the card's own. */
export const rulersSvg = (): string =>
  cardMeasures()
    .map(({ ruler: [a, b] }, i) => {
      const upright = a.x === b.x;
      const [dx, dy] = upright ? [TICK_MM, 0] : [0, TICK_MM];
      const line = (x1: number, y1: number, x2: number, y2: number): string => `M${x1},${y1}L${x2},${y2}`;
      const d = line(a.x, a.y, b.x, b.y) + line(a.x - dx, a.y - dy, a.x + dx, a.y + dy) + line(b.x - dx, b.y - dy, b.x + dx, b.y + dy);
      const [x, y] = upright ? [a.x, (a.y + b.y) / 2] : [(a.x + b.x) / 2, a.y];
      return `<path d="${d}" fill="none" stroke="white" stroke-width="1"/><path d="${d}" fill="none" stroke="${INK}" stroke-width="0.45"/><circle cx="${x}" cy="${y}" r="2.3" fill="${TAPE}" stroke="${INK}" stroke-width="0.3"/><text x="${x}" y="${y + 1.05}" font-size="3" text-anchor="middle" fill="${INK}">${i + 1}</text>`;
    })
    .join('');
