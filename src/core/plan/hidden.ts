import { boundsOf, type Point } from '../geometry/point';
import { hypot } from '../units/trig';
import type { StitchPlan } from './plan';
import { Command, Role } from './roles';

/** A stretch of travel that nothing sewn later covers. */
export interface BareTravel {
  /** First and last event of the stretch: it runs from the penetration before `from` to that of `to`. */
  from: number;
  to: number;
  /** Piece index it was sewn for. */
  piece: number;
  /** Length that stays visible, mm. */
  lengthMm: number;
  /** Middle of what is visible. */
  at: Point;
}

const CELL_MM = 0.2;
/** Shorter glimpses between rows are not seen, mm. */
const GLIMPSE_MM = 0.6;

/** Cells of `CELL_MM` with the last cover stitch that passes within about 0.3 mm of each. */
interface LastCover {
  at(x: number, y: number): number;
}

function lastCover(plan: Pick<StitchPlan, 'x' | 'y' | 'command' | 'role'>, covers: (event: number) => boolean): LastCover {
  const box = boundsOf([Array.from(plan.x, (x, i) => ({ x, y: plan.y[i]! }))]);
  const [left, top] = [box.minX - 1, box.minY - 1];
  const columns = Math.max(1, Math.ceil((box.maxX - left + 1) / CELL_MM));
  const rows = Math.max(1, Math.ceil((box.maxY - top + 1) / CELL_MM));
  const cells = new Int32Array(columns * rows).fill(-1);
  const { x, y } = plan;
  for (let i = 1; i < x.length; i++) {
    if (plan.command[i] !== Command.stitch || plan.command[i - 1] !== Command.stitch || plan.role[i] !== Role.cover || !covers(i)) continue;
    const length = hypot(x[i]! - x[i - 1]!, y[i]! - y[i - 1]!);
    const steps = Math.max(1, Math.ceil(length / CELL_MM));
    for (let k = 0; k <= steps; k++) {
      const c = Math.floor((x[i - 1]! + ((x[i]! - x[i - 1]!) * k) / steps - left) / CELL_MM);
      const r = Math.floor((y[i - 1]! + ((y[i]! - y[i - 1]!) * k) / steps - top) / CELL_MM);
      for (let n = (r - 1) * columns + c; n <= (r + 1) * columns + c; n += columns) cells[n - 1] = cells[n] = cells[n + 1] = i;
    }
  }
  return { at: (px, py) => cells[Math.floor((py - top) / CELL_MM) * columns + Math.floor((px - left) / CELL_MM)] ?? -1 };
}

/**
 * Travels that stay visible: no cover stitch passes over them after they are sewn.
 * @param covers whether a cover event is dense enough to hide what lies under it
 */
export function bareTravels(
  plan: Pick<StitchPlan, 'x' | 'y' | 'command' | 'role' | 'piece'>,
  covers: (event: number) => boolean = () => true,
): BareTravel[] {
  if (plan.x.length === 0) return [];
  const cover = lastCover(plan, covers);
  const out: BareTravel[] = [];
  let open: { from: number; to: number; seen: Point[] } | null = null;
  const close = (): void => {
    const lengthMm = open ? open.seen.length * CELL_MM : 0;
    if (open && lengthMm >= GLIMPSE_MM) {
      out.push({ from: open.from, to: open.to, piece: plan.piece[open.to]!, lengthMm, at: open.seen[open.seen.length >> 1]! });
    }
    open = null;
  };
  for (let i = 1; i < plan.x.length; i++) {
    const sews = plan.command[i] === Command.stitch && plan.command[i - 1] === Command.stitch;
    if (!sews || plan.role[i] !== Role.travel) {
      close();
      continue;
    }
    open ??= { from: i, to: i, seen: [] };
    open.to = i;
    const [ax, ay, bx, by] = [plan.x[i - 1]!, plan.y[i - 1]!, plan.x[i]!, plan.y[i]!];
    const steps = Math.floor(hypot(bx - ax, by - ay) / CELL_MM);
    for (let k = 0; k < steps; k++) {
      const p = { x: ax + ((bx - ax) * (k + 0.5)) / steps, y: ay + ((by - ay) * (k + 0.5)) / steps };
      if (cover.at(p.x, p.y) < i) open.seen.push(p);
    }
  }
  close();
  return out;
}
