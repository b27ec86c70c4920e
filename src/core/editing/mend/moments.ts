import { cross, type Point, type Ring } from '../../geometry/point';

/** Area of a ring, its middle, and its second moments about that, for each unit of area. */
export interface Moments {
  area: number;
  at: Point;
  xx: number;
  xy: number;
  yy: number;
}

/** By Green's theorem over its edges; measured from its first point, so that places far off lose nothing. */
export function momentsOf(ring: Ring): Moments {
  const o = ring[0]!;
  let [area, x, y, xx, xy, yy] = [0, 0, 0, 0, 0, 0];
  ring.forEach((p, i) => {
    const q = ring[(i + 1) % ring.length]!;
    const [a, b] = [
      { x: p.x - o.x, y: p.y - o.y },
      { x: q.x - o.x, y: q.y - o.y },
    ];
    const w = cross(a, b);
    area += w / 2;
    x += ((a.x + b.x) * w) / 6;
    y += ((a.y + b.y) * w) / 6;
    xx += ((a.x * a.x + a.x * b.x + b.x * b.x) * w) / 12;
    yy += ((a.y * a.y + a.y * b.y + b.y * b.y) * w) / 12;
    xy += ((a.x * b.y + 2 * a.x * a.y + 2 * b.x * b.y + b.x * a.y) * w) / 24;
  });
  const [mx, my] = [x / area, y / area];
  return {
    area: Math.abs(area),
    at: { x: o.x + mx, y: o.y + my },
    xx: xx / area - mx * mx,
    xy: xy / area - mx * my,
    yy: yy / area - my * my,
  };
}
