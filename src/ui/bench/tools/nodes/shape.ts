import type { Piece } from '@/core/document/types';
import { formatPath, parsePath, type Path } from '@/core/geometry/path';

/** The paths that make up a piece's shape, each with the way to put a changed one back. */
export interface ShapePath {
  key: string;
  path: Path;
  put(piece: Piece, path: Path): void;
}

export function shapePathsOf(piece: Piece): ShapePath[] {
  const out: ShapePath[] = [];
  if (piece.line) out.push({ key: 'line', path: parsePath(piece.line), put: (p, path) => void (p.line = formatPath(path)) });
  if (piece.area) out.push({ key: 'area', path: parsePath(piece.area), put: (p, path) => void (p.area = formatPath(path)) });
  piece.sides?.forEach((side, k) =>
    out.push({ key: `side ${k + 1}`, path: parsePath(side), put: (p, path) => void (p.sides![k] = formatPath(path)) }),
  );
  return out;
}
