import type { Piece } from '../../document/types';
import { areaOf, contains, perimeterOf, ringArea } from '../../geometry/area';
import { outlineOf } from '../../geometry/outline';
import { boundsOf, type Area, type Line, type Point } from '../../geometry/point';

/** A hole in a fill's area, and whether the rows go over it. */
export interface Opening {
  /** A place well inside it, mm; it tells this opening from the others. */
  at: Point;
  areaMm2: number;
  edgeMm: number;
  sewnOver: boolean;
  ring: Line;
}

const LOOKS = 9;

/** The middle of the broadest level crossing of a ring. */
function innerPlace(ring: Line): Point {
  const { minY, maxY } = boundsOf([ring]);
  let best = { across: -1, at: ring[0]! };
  // From the middle outward, so that of equally broad places the middle one is taken.
  for (let k = 1; k <= LOOKS; k++) {
    const step = (k % 2 ? -1 : 1) * Math.floor(k / 2);
    const y = (minY + maxY) / 2 + ((maxY - minY) * step) / (LOOKS + 1);
    const xs = crossings(ring, y);
    for (let i = 0; i + 1 < xs.length; i += 2) {
      const across = xs[i + 1]! - xs[i]!;
      if (across > best.across) best = { across, at: { x: (xs[i]! + xs[i + 1]!) / 2, y } };
    }
  }
  return best.at;
}

function crossings(ring: Line, y: number): number[] {
  const xs: number[] = [];
  ring.forEach((p, i) => {
    const q = ring[(i + 1) % ring.length]!;
    if (p.y > y !== q.y > y) xs.push(p.x + ((y - p.y) / (q.y - p.y)) * (q.x - p.x));
  });
  return xs.sort((a, b) => a - b);
}

/**
 * The openings of an area, largest first, with what the piece says of each.
 * @param area rings, outer ones counter-clockwise, holes clockwise
 */
export function openingsOf(area: Area, piece: Pick<Piece, 'sewnOver' | 'settings'>): Opening[] {
  const over = piece.sewnOver ?? [];
  return area
    .filter((ring) => ringArea(ring) < 0)
    .map((ring) => ({
      ring,
      at: innerPlace(ring),
      areaMm2: areaOf([ring]),
      edgeMm: perimeterOf([ring]),
      sewnOver: piece.settings.openings === 'sew-over' || over.some(([x, y]) => contains([ring], { x, y })),
    }))
    .sort((a, b) => b.areaMm2 - a.areaMm2);
}

/** The piece with the opening around a place switched: sewn over when it was left open, and back. */
export function switchOpening(piece: Piece, at: Point): Piece {
  const opening = openingsOf(outlineOf(piece.area ?? '').area, piece).find((o) => contains([o.ring], at));
  if (!opening) return piece;
  const rest = (piece.sewnOver ?? []).filter(([x, y]) => !contains([opening.ring], { x, y }));
  const round = (v: number): number => Math.round(v * 100) / 100;
  return { ...piece, sewnOver: opening.sewnOver ? rest : [...rest, [round(opening.at.x), round(opening.at.y)]] };
}
