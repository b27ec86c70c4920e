import { dataToRings } from '../../geometry/path';
import { boundsOf, type Bounds } from '../../geometry/point';
import type { Hang } from './hang';

/** Cloth shown round the garment, mm. */
const ROOM_MM = 24;

/** Box round a garment as it is drawn, mm. */
export function hangBounds({ outline }: Hang): Bounds {
  const b = boundsOf([...outline.body, ...outline.seams].flatMap((d) => dataToRings(d, 1)));
  return { minX: b.minX - ROOM_MM, minY: b.minY - ROOM_MM, maxX: b.maxX + ROOM_MM, maxY: b.maxY + ROOM_MM };
}

const INK = '#1d282c';
const tidy = (v: number): string => String(Math.round(v * 100) / 100);

/**
 * A garment with the place of its design, as a drawing in mm without words.
 * @param hex colour of the cloth
 */
export function hangSvg(
  hang: Hang,
  { widthMm, heightMm }: { widthMm: number; heightMm: number },
  hex: string,
): { svg: string; ratio: number } {
  const b = hangBounds(hang);
  const [w, h] = [b.maxX - b.minX, b.maxY - b.minY];
  const thin = Math.max(w, h) / 260;
  const { outline, at, distances } = hang;
  const drawn = [
    ...outline.body.map((d) => `<path d="${d}" fill="${hex}" stroke="${INK}" stroke-width="${tidy(1.6 * thin)}"/>`),
    ...outline.seams.map((d) => `<path d="${d}" fill="none" stroke="${INK}" stroke-width="${tidy(0.7 * thin)}"/>`),
    `<rect x="${tidy(at.x - widthMm / 2)}" y="${tidy(at.y - heightMm / 2)}" width="${tidy(widthMm)}" height="${tidy(heightMm)}" fill="#f2c230" stroke="${INK}" stroke-width="${tidy(thin)}"/>`,
    ...distances.map(
      ({ line: [p, q] }) =>
        `<line x1="${tidy(p.x)}" y1="${tidy(p.y)}" x2="${tidy(q.x)}" y2="${tidy(q.y)}" stroke="#a3152e" stroke-width="${tidy(1.6 * thin)}"/>`,
    ),
  ];
  const box = [b.minX, b.minY, w, h].map(tidy).join(' ');
  return { svg: `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${box}">${drawn.join('')}</svg>`, ratio: h / w };
}
