import type { Point } from '../geometry/point';
import type { PlanColumns } from './buffer';
import { Role } from './roles';

/** A place where the thread is locked. */
export interface TieAt {
  at: Point;
  piece: number;
}

/** Where a plan locks its thread, in sewing order: the first stitch of each tie. */
export function tiePlaces({ role, piece, x, y }: Pick<PlanColumns, 'role' | 'piece' | 'x' | 'y'>): TieAt[] {
  const ties: TieAt[] = [];
  for (let i = 1; i < role.length; i++)
    if (role[i] === Role.tie && role[i - 1] !== Role.tie) ties.push({ at: { x: x[i]!, y: y[i]! }, piece: piece[i]! });
  return ties;
}
