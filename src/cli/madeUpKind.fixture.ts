import { evenly, lengthsAlong } from '@/core/geometry/line';
import { parsePath, flattenSubpath } from '@/core/geometry/path';
import type { Line } from '@/core/geometry/point';
import { Role } from '@/core/stitches/roles';
import type { PieceKind, PreparedShape } from '@/core/pieces/kind';
import { recipe } from '@/core/pieces/resolve';

interface SeedsShape extends PreparedShape {
  seeds: Line;
}

const LENGTH_MM = 2;

/** A kind for tests only: small stitches along a line, as many as fit. */
export const seedsKind: PieceKind<SeedsShape> = {
  form: 'line',
  settings: (_, __, ctx) => ({ stitchLength: recipe(LENGTH_MM, ctx.recipe.name) }),
  sentence: (s) => `Seeds, ${s.stitchLength.value.toFixed(1)} mm long.`,
  prepare: ({ line }) => {
    const points = line ? parsePath(line).flatMap((s) => [...flattenSubpath(s)]) : [];
    if (points.length < 2) return null;
    const lengths = lengthsAlong(points);
    const seeds = evenly(points, lengths, Math.max(2, Math.ceil(lengths[lengths.length - 1]! / LENGTH_MM)));
    const [first, last] = [seeds[0]!, seeds[seeds.length - 1]!];
    return {
      facts: { widthMm: 0.4, angleDeg: 0 },
      cover: [],
      painted: [],
      areaMm2: 0.4 * lengths[lengths.length - 1]!,
      ends: [
        { start: first, end: last },
        { start: last, end: first },
      ],
      lines: [points],
      seeds,
    };
  },
  stitch: (out, { seeds }, _, { start }) => {
    const back = start !== null && start.x === seeds[seeds.length - 1]!.x && start.y === seeds[seeds.length - 1]!.y;
    for (const p of back ? seeds.toReversed() : seeds) out.push(p.x, p.y, Role.cover);
  },
};
