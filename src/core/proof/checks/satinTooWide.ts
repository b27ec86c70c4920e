import type { Job, Piece } from '../../document/types';
import { ringsToData } from '../../geometry/path';
import type { Point } from '../../geometry/point';
import { fromUV, rowFrame, scanRows, toU, toV } from '../../pieces/rows/mesh';
import { formOf } from '../../pieces/registry';
import { isBulb, limitFor } from '../../pieces/rules/bulb';
import { LEAST_LONG_ROWS_MM, SPLIT_BEYOND_MM, WIDEST_SATIN_MM } from '../../units/craft';
import { MACHINE_LIMIT_MM } from '../../units/tolerances';
import { atan2, PI } from '../../units/trig';
import { perPiece, type Check, type SewnPiece } from '../check';
import type { Fix } from '../finding';

/** What misses the limit by less meets it, mm. */
const ROUGH_MM = 0.05;

/** Told of the shape, not of its stitches: rows that are split are no longer long, but they sink and look thin. */
export const satinTooWide: Check = {
  rule: 'satin-too-wide',
  severity: 'warn',
  title: 'Satin rows over the satin limit',
  find: perPiece((sewn, { job }) => {
    const { piece, shape, settings } = sewn;
    const own = settings.satinLimit?.value;
    if (formOf(piece) !== 'column' || own === undefined) return null;
    const foam = (settings.foam?.value ?? 0) > 0;
    const limit = foam ? own : (job.settings.satinLimit ?? WIDEST_SATIN_MM);
    const rows = shape.rowsOver?.(limit + ROUGH_MM);
    if (!rows || rows.alongMm < LEAST_LONG_ROWS_MM) return null;
    const split = rows.mm > own + SPLIT_BEYOND_MM;
    // A bulb on a column that is a little over and sewn whole is better so than as a field.
    if (!split && isBulb(rows, shape.areaMm2)) return null;
    const over = settings.overLimit?.value ?? 'split';
    if (over === 'fill' && rows.mm > own) return null;
    const mm = rows.mm.toFixed(1);
    return {
      at: rows.at,
      measured: rows.mm,
      spoilsMm2: rows.mm * rows.alongMm,
      limit,
      unit: 'mm',
      limitFrom: foam
        ? 'what foam carries'
        : job.settings.satinLimit === undefined
          ? 'widest satin of the default school'
          : 'the job’s own limit',
      message: split
        ? `Rows of this satin are up to ${mm} mm long and are split along ${Math.ceil(rows.alongMm)} mm of it: split rows sink and look thin.`
        : `Rows of this satin are up to ${mm} mm long, over the satin limit: they snag and come loose in wear.`,
      fix: asRows(piece),
      others: [...divided(sewn, job), ...turned(sewn, rows.at, limit), ...(split ? raised(piece, rows.mm) : [splitAt(piece, limit, job)])],
    };
  }),
};

/** Rows of fill where the satin is too wide; of a text, over its letters. */
const asRows = ({ id, lettering }: Piece): Fix =>
  lettering
    ? { label: 'Sew its letters as rows', pieces: [{ id, patch: { lettering: { ...lettering, style: 'fill' } } }] }
    : { label: 'Sew it as a fill there', pieces: [{ id, settings: { overLimit: 'fill', satinLimit: undefined } }] };

const splitAt = (piece: Piece, limit: number, job: Job): Fix => ({
  label: 'Split its rows',
  pieces: [{ id: piece.id, settings: { satinLimit: job.settings.satinLimit === limit ? undefined : limit } }],
});

/** Whole rows, where the machine makes them. */
function raised(piece: Piece, mm: number): Fix[] {
  const satinLimit = limitFor(mm);
  return satinLimit < MACHINE_LIMIT_MM
    ? [{ label: `Keep rows whole up to ${satinLimit} mm`, pieces: [{ id: piece.id, settings: { satinLimit } }] }]
    : [];
}

/** The other way across, where the shape is shorter that way than the limit; columns drawn by their sides or a line have no other way. */
function turned({ piece, shape }: SewnPiece, at: Point, limit: number): Fix[] {
  const ring = shape.painted[0];
  if (!piece.area || !ring) return [];
  const now = shape.rowAt?.(at);
  if (!now) return [];
  const across = (atan2(now.x, now.y) * 180) / PI;
  const { u0, u1, count } = scanRows(shape.painted, across, 1);
  let longest = 0;
  for (let i = 0; i < count; i++) longest = Math.max(longest, u1[i]! - u0[i]!);
  if (count === 0 || longest > limit) return [];
  return [{ label: 'Turn its rows', pieces: [{ id: piece.id, patch: { slants: slantsAcross(shape.painted.flat(), across) } }] }];
}

/** Two slants along a direction, near both ends of a shape. */
function slantsAcross(points: readonly Point[], angleDeg: number): string[] {
  const frame = rowFrame(angleDeg);
  const [us, vs] = [points.map((p) => toU(frame, p)), points.map((p) => toV(frame, p))];
  const [low, high, first, last] = [Math.min(...us) - 1, Math.max(...us) + 1, Math.min(...vs), Math.max(...vs)];
  return [0.1, 0.9].map((t) => {
    const v = first + t * (last - first);
    return ringsToData([[fromUV(frame, low, v), fromUV(frame, high, v)]], false);
  });
}

/** Two columns side by side, each half as wide. */
function divided({ piece, shape }: SewnPiece, job: Job): Fix[] {
  const halves = shape.halves?.();
  if (!halves) return [];
  let id = `${piece.id}-2`;
  while (job.pieces.some((p) => p.id === id)) id += '-2';
  const without: (keyof Piece)[] = ['area', 'line', 'width', 'cap', 'join', 'slants', 'start', 'end'];
  const kept = Object.entries(piece).filter(([key]) => !(without as string[]).includes(key));
  const then = { ...(Object.fromEntries(kept) as unknown as Piece), id, name: `${piece.name} 2`, sides: halves[1] };
  return [{ label: 'Divide it lengthwise', pieces: [{ id: piece.id, patch: { sides: halves[0] }, without, then }] }];
}
