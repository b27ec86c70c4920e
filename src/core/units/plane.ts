/** `z = c + x·u + y·v`. */
export interface Plane {
  x: number;
  y: number;
  c: number;
}

/**
 * The plane that fits places best, by least squares.
 * @param places u, v and z of each
 * @returns null where they lie so nearly on one line of the u, v plane that they say nothing across it
 */
export function planeThrough(places: readonly (readonly [u: number, v: number, z: number])[]): Plane | null {
  const n = places.length;
  if (n === 0) return null;
  const mean = (k: 0 | 1 | 2): number => places.reduce((sum, p) => sum + p[k], 0) / n;
  const [mu, mv, mz] = [mean(0), mean(1), mean(2)];
  let [uu, uv, vv, uz, vz] = [0, 0, 0, 0, 0];
  for (const [u, v, z] of places) {
    const [du, dv, dz] = [u - mu, v - mv, z - mz];
    uu += du * du;
    uv += du * dv;
    vv += dv * dv;
    uz += du * dz;
    vz += dv * dz;
  }
  const det = uu * vv - uv * uv;
  if (det < LEAST_SPREAD * n * n) return null;
  const [x, y] = [(uz * vv - vz * uv) / det, (vz * uu - uz * uv) / det];
  return { x, y, c: mz - x * mu - y * mv };
}
/** Product of the spreads along and across; of unit vectors all round it is a quarter. */
const LEAST_SPREAD = 0.01;
