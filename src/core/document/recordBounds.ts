import { parsePath, type Path } from '../geometry/path';
import { MAX_ART_NODES } from '../units/tolerances';
import { InputError } from './errors';
import type { Piece } from './types';

/** Nothing of a job lies farther than this from the hoop's middle, mm: the largest hoop reaches 500. */
export const FIELD_MM = 600;
/** Most nodes of one piece: beyond it no thread follows, and working them out takes minutes. */
const MOST_PIECE_NODES = 20_000;

/** Path data as Cobble writes it: absolute commands, whose every number is a coordinate. */
const PLAIN = /^[MLCZ\d\s,.+-]*$/;

function reachOf(data: string): { nodes: number; reachMm: number } {
  if (PLAIN.test(data)) return plainReach(data);
  const path: Path = parsePath(data);
  let nodes = 0;
  let reachMm = 0;
  for (const sub of path) {
    nodes += 1 + sub.segments.length;
    const points = [sub.start, ...sub.segments.flatMap((s) => (s.c1 && s.c2 ? [s.c1, s.c2, s.to] : [s.to]))];
    for (const p of points) reachMm = Math.max(reachMm, Math.abs(p.x), Math.abs(p.y));
  }
  return { nodes, reachMm };
}

function plainReach(data: string): { nodes: number; reachMm: number } {
  let reachMm = 0;
  let numbers = 0;
  for (const text of data.match(/[+-]?(?:\d+\.?\d*|\.\d+)/g) ?? []) {
    numbers++;
    const v = Math.abs(Number(text));
    if (v > reachMm) reachMm = v;
  }
  return { nodes: numbers / 2, reachMm };
}

const pathsOf = (p: Piece): string[] =>
  [p.line, p.area, p.carve, p.motif, p.approach?.way, ...(p.sides ?? []), ...(p.slants ?? [])].filter((d) => d !== undefined);

/**
 * Checks that all pieces lie in the field and that they are not more than can be worked out.
 * @throws InputError naming the piece
 */
export function requireBounds(pieces: readonly Piece[]): void {
  let total = 0;
  for (const p of pieces) {
    let own = 0;
    for (const data of pathsOf(p)) {
      const { nodes, reachMm } = reachOf(data);
      own += nodes;
      if (!(reachMm <= FIELD_MM))
        throw new InputError(
          'bad-job',
          `This job cannot be used: piece ${p.id} reaches ${Math.round(reachMm).toLocaleString('en')} mm from the hoop’s middle; nothing may lie more than ${FIELD_MM} mm from it.`,
        );
    }
    total += own;
    if (own > MOST_PIECE_NODES || total > MAX_ART_NODES)
      throw new InputError(
        'too-complex',
        `This job cannot be used: with piece ${p.id} it has more nodes than thread can follow; simplify its shapes.`,
      );
  }
}
