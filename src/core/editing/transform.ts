import type { Lettering, Piece } from '../document/types';
import { heightWithin, WIDTH_RANGE } from '../document/ranges';
import { apply, formatPath, multiply, parsePath, scaleOf, transformPath, type Matrix } from '../geometry/path';
import type { Point } from '../geometry/point';
import { toThousandths } from '../units/rounded';
import { atan2, cos, PI, sin } from '../units/trig';

export const movedBy = (dx: number, dy: number): Matrix => [1, 0, 0, 1, dx, dy];

/** Mirrors left and right about a vertical line, or up and down about a level one. */
export const mirroredAbout = (axis: 'vertical' | 'level', at: number): Matrix =>
  axis === 'vertical' ? [-1, 0, 0, 1, 2 * at, 0] : [1, 0, 0, -1, 0, 2 * at];

/** Turns about a place; degrees counter-clockwise as seen. */
export function turnedAbout(centre: Point, degrees: number): Matrix {
  const a = (-degrees * PI) / 180;
  const turn: Matrix = [cos(a), sin(a), -sin(a), cos(a), 0, 0];
  return multiply(movedBy(centre.x, centre.y), multiply(turn, movedBy(-centre.x, -centre.y)));
}

/** Maps that turn or mirror keep the size but for rounding. */
const SAME_SCALE = 1e-9;

/** A piece with all of its shape, slants and ends mapped; a direction that was set by hand turns with it, a width grows with it. */
export function transformedPiece(piece: Piece, m: Matrix): Piece {
  const path = (d: string): string => formatPath(transformPath(parsePath(d), m));
  const point = ([x, y]: [number, number]): [number, number] => {
    const p = apply(m, { x, y });
    return [toThousandths(p.x), toThousandths(p.y)];
  };
  const out: Piece = { ...piece, settings: { ...piece.settings } };
  if (piece.line) out.line = path(piece.line);
  if (piece.area) out.area = path(piece.area);
  if (piece.sides) out.sides = [path(piece.sides[0]), path(piece.sides[1])];
  if (piece.slants) out.slants = piece.slants.map(path);
  if (piece.carve) out.carve = path(piece.carve);
  if (piece.start) out.start = point(piece.start);
  if (piece.end) out.end = point(piece.end);
  if (piece.sewnOver) out.sewnOver = piece.sewnOver.map(point);
  const k = scaleOf(m);
  if (Math.abs(k - 1) > SAME_SCALE) {
    if (piece.width !== undefined) out.width = toThousandths(Math.min(WIDTH_RANGE.max, Math.max(WIDTH_RANGE.min, piece.width * k)));
    if (piece.approach?.way) out.approach = { ...piece.approach, way: path(piece.approach.way) };
  }
  if (piece.lettering) out.lettering = transformedText(piece.lettering, m);
  if (piece.rows) out.rows = { ...piece.rows, angle: directionAfter(piece.rows.angle, m) };
  if (piece.settings.angle !== undefined) out.settings.angle = directionAfter(piece.settings.angle, m);
  return out;
}

/** A text moved, turned and scaled. Mirrored it would not be read: it only changes its place. */
function transformedText(text: Lettering, m: Matrix): Lettering {
  const [x, y] = text.at ?? [0, 0];
  const at = apply(m, { x, y });
  const k = scaleOf(m);
  const mirrored = m[0] * m[3] - m[1] * m[2] < 0;
  const turn = mirrored ? (text.turn ?? 0) : toThousandths((text.turn ?? 0) - (atan2(m[1], m[0]) * 180) / PI) % 360;
  return {
    ...text,
    at: [toThousandths(at.x), toThousandths(at.y)],
    height: toThousandths(heightWithin(text.height * k)),
    ...(text.radius === undefined ? {} : { radius: toThousandths(text.radius * k) }),
    ...(text.pairs === undefined
      ? {}
      : { pairs: Object.fromEntries(Object.entries(text.pairs).map(([i, mm]) => [i, toThousandths(mm * k)])) }),
    ...(turn === 0 ? {} : { turn }),
    ...(text.path === undefined ? {} : { path: scaledPath(text.path, k) }),
    ...(text.upper === undefined ? {} : { upper: scaledPath(text.upper, k) }),
    ...(text.letters === undefined ? {} : { letters: scaledLetters(text.letters, k) }),
  };
}

const scaledPath = (d: string, k: number): string => formatPath(transformPath(parsePath(d), [k, 0, 0, k, 0, 0]));

const scaledLetters = (letters: NonNullable<Lettering['letters']>, k: number): NonNullable<Lettering['letters']> =>
  Object.fromEntries(
    Object.entries(letters).map(([place, { height, shift, ...own }]) => [
      place,
      {
        ...own,
        ...(height === undefined ? {} : { height: toThousandths(heightWithin(height * k)) }),
        ...(shift === undefined ? {} : { shift: shift.map((v) => toThousandths(v * k)) as [number, number] }),
      },
    ]),
  );

/** Where rows of a direction point after the map, 0 to 180 degrees. */
function directionAfter(degrees: number, m: Matrix): number {
  const a = (-degrees * PI) / 180;
  const d = { x: cos(a), y: sin(a) };
  const x = m[0] * d.x + m[2] * d.y;
  const y = m[1] * d.x + m[3] * d.y;
  return (toThousandths((-atan2(y, x) * 180) / PI) + 360) % 180;
}
