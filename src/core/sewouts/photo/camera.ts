import { Matrix, inverse, solve } from 'ml-matrix';
import type { Laying } from '../../document/sewoutTypes';
import { inverse as wayBack, mapped, type Homography } from '../../tracing/page/homography';
import { add, scale, sub, type Point } from '../../geometry/point';

/** How a photo lies over the plan: see `Laying`. Shares of a photo are of its width, both ways. */
export type Camera = Pick<Laying, 'matrix' | 'bend'>;

/** A photo's own measures: height as a share of the width. */
export interface PhotoShape {
  tall: number;
}

const middle = ({ tall }: PhotoShape): Point => ({ x: 0.5, y: tall / 2 });

const projected = (m: readonly number[], p: Point): Point => mapped(m as unknown as Homography, p);

/** Where a place of the hoop, mm, lies on the photo, in shares of its width. */
export function onPhoto({ matrix, bend }: Camera, shape: PhotoShape, p: Point): Point {
  const flat = projected(matrix, p);
  if (bend === 0) return flat;
  const c = middle(shape);
  const v = sub(flat, c);
  return add(c, scale(v, 1 + bend * (v.x * v.x + v.y * v.y)));
}

const UNBENT_ROUNDS = 12;

/** Where a place of the photo, in shares of its width, lies in the hoop, mm. */
export function inHoop({ matrix, bend }: Camera, shape: PhotoShape, q: Point): Point {
  const c = middle(shape);
  const bent = sub(q, c);
  let v = bent;
  for (let k = 0; k < UNBENT_ROUNDS && bend !== 0; k++) v = scale(bent, 1 / (1 + bend * (v.x * v.x + v.y * v.y)));
  return projected(inverted(matrix), add(c, v));
}

const inverted = (m: readonly number[]): readonly number[] => wayBack(m as unknown as Homography);

/** A place known in the hoop and on the photo. */
export interface KnownPoint {
  hoop: Point;
  photo: Point;
}

/** From so many points on the bend of the lens can be told. */
const BENDS_FROM = 6;
const ROUNDS = 20;

/**
 * The camera that known points tell: two give turn, size and place, three an affine map, four and more perspective (direct linear
 * transform after Hartley's normalisation, then least squares on the photo), six and more the bend of the lens too.
 * @returns null where they do not tell one: fewer than two, or on one spot or line
 */
export function cameraOf(points: readonly KnownPoint[], shape: PhotoShape): Camera | null {
  const first =
    points.length < 2 ? null : points.length === 2 ? similar(points) : points.length === 3 ? affine(points) : perspective(points);
  if (!first || !first.every(Number.isFinite)) return null;
  const camera = { matrix: first, bend: 0 };
  return points.length > 4 ? refined(camera, points, shape) : camera;
}

function similar([a, b]: readonly KnownPoint[]): number[] | null {
  const [h, p] = [sub(b!.hoop, a!.hoop), sub(b!.photo, a!.photo)];
  const d = h.x * h.x + h.y * h.y;
  if (d === 0 || (p.x === 0 && p.y === 0)) return null;
  const [c, s] = [(h.x * p.x + h.y * p.y) / d, (h.x * p.y - h.y * p.x) / d];
  return [c, -s, a!.photo.x - c * a!.hoop.x + s * a!.hoop.y, s, c, a!.photo.y - s * a!.hoop.x - c * a!.hoop.y, 0, 0, 1];
}

function affine(points: readonly KnownPoint[]): number[] | null {
  const left = new Matrix(points.map(({ hoop }) => [hoop.x, hoop.y, 1]));
  const [x, y] = (['x', 'y'] as const).map((k) => solved(left, points.map((p) => p.photo[k]))); // prettier-ignore
  return x && y ? [...x, ...y, 0, 0, 1] : null;
}

const SINGULAR = 1e9;

function solved(left: Matrix, right: readonly number[]): number[] | null {
  try {
    const out = solve(left, Matrix.columnVector([...right]), true).to1DArray();
    return out.every((v) => Math.abs(v) < SINGULAR) ? out : null;
  } catch {
    return null;
  }
}

/** Moves points to about the origin at about unit distance. @returns the map and the moved points */
function normalised(points: readonly Point[]): { map: Matrix; moved: Point[] } {
  const n = points.length;
  const c = scale(points.reduce(add), 1 / n);
  const mean = points.reduce((sum, p) => sum + Math.sqrt((p.x - c.x) ** 2 + (p.y - c.y) ** 2), 0) / n || 1;
  const k = Math.SQRT2 / mean;
  return {
    map: new Matrix([
      [k, 0, -k * c.x],
      [0, k, -k * c.y],
      [0, 0, 1],
    ]),
    moved: points.map((p) => scale(sub(p, c), k)),
  };
}

function perspective(points: readonly KnownPoint[]): number[] | null {
  const from = normalised(points.map((p) => p.hoop));
  const to = normalised(points.map((p) => p.photo));
  const left: number[][] = [];
  const right: number[] = [];
  from.moved.forEach(({ x, y }, i) => {
    const { x: u, y: v } = to.moved[i]!;
    left.push([x, y, 1, 0, 0, 0, -u * x, -u * y], [0, 0, 0, x, y, 1, -v * x, -v * y]);
    right.push(u, v);
  });
  const h = solved(new Matrix(left), right);
  if (!h) return null;
  const own = new Matrix([h.slice(0, 3), h.slice(3, 6), [h[6]!, h[7]!, 1]]);
  const m = inverse(to.map).mmul(own).mmul(from.map).to1DArray();
  return m[8] === 0 ? null : m.map((v) => v / m[8]!);
}

/** Least squares of the distances on the photo, by Gauss-Newton with numeric slopes; the bend only where enough points tell it. */
function refined(camera: Camera, points: readonly KnownPoint[], shape: PhotoShape): Camera {
  const free = points.length >= BENDS_FROM ? 9 : 8;
  let z = [...camera.matrix.slice(0, 8), camera.bend];
  const at = (v: readonly number[]): Camera => ({ matrix: [...v.slice(0, 8), 1], bend: v[8]! });
  const misses = (v: readonly number[]): number[] =>
    points.flatMap(({ hoop, photo }) => {
      const p = onPhoto(at(v), shape, hoop);
      return [photo.x - p.x, photo.y - p.y];
    });
  for (let round = 0; round < ROUNDS; round++) {
    const now = misses(z);
    const slopes = Array.from({ length: free }, (_, k) => {
      const step = k === 8 ? 1e-4 : 1e-6;
      const beside = misses(z.map((v, i) => (i === k ? v + step : v)));
      return beside.map((b, i) => (now[i]! - b) / step);
    });
    const change = solved(new Matrix(slopes).transpose(), now);
    if (!change) break;
    z = z.map((v, k) => v + (change[k] ?? 0));
    if (change.every((c) => Math.abs(c) < 1e-10)) break;
  }
  return at(z);
}

/** How far known points lie from where a camera puts them, root mean square in the hoop, mm. */
export function pointsError(camera: Camera, shape: PhotoShape, points: readonly KnownPoint[]): number {
  const squares = points.map(({ hoop, photo }) => {
    const p = inHoop(camera, shape, photo);
    return (p.x - hoop.x) ** 2 + (p.y - hoop.y) ** 2;
  });
  return Math.sqrt(squares.reduce((a, b) => a + b, 0) / Math.max(1, squares.length));
}
