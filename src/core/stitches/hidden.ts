import type { PlanColumns } from './buffer';
import { emptyBounds, growBounds, type Point } from '../geometry/point';
import { hypot } from '../units/trig';
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

type Sewn = Pick<PlanColumns, 'x' | 'y' | 'command' | 'role' | 'piece'>;

const ASKED = 1;
const FIRST = 2;

/** Cells of `CELL_MM` that know the last cover stitch which passes within about 0.3 mm of each; only those asked for are right. */
class LastCover {
  private readonly left: number;
  private readonly top: number;
  private readonly columns: number;
  /** 0: nobody asks; `ASKED`: nothing covers it yet; else the event of the cover, `FIRST` added. */
  private readonly cells: Int32Array;

  constructor(private readonly plan: Sewn) {
    const box = emptyBounds();
    for (let i = 0; i < plan.x.length; i++) growBounds(box, plan.x[i]!, plan.y[i]!);
    [this.left, this.top] = [box.minX - 1, box.minY - 1];
    this.columns = Math.max(1, Math.ceil((box.maxX - this.left + 1) / CELL_MM));
    const rows = Math.max(1, Math.ceil((box.maxY - this.top + 1) / CELL_MM));
    this.cells = new Int32Array(this.columns * rows);
  }

  private cellOf(x: number, y: number): number {
    return Math.floor((y - this.top) / CELL_MM) * this.columns + Math.floor((x - this.left) / CELL_MM);
  }

  /** Says that the cell of a place will be asked for. */
  ask({ x, y }: Point): void {
    const cell = this.cellOf(x, y);
    for (let n = cell - this.columns; n <= cell + this.columns; n += this.columns) this.cells.fill(ASKED, n - 1, n + 2);
  }

  /** Lays the cover into the cells asked for. */
  lay(covers: (event: number) => boolean): void {
    const { x, y, command, role } = this.plan;
    const { cells, columns } = this;
    for (let i = 1; i < x.length; i++) {
      if (command[i] !== Command.stitch || command[i - 1] !== Command.stitch || role[i] !== Role.cover || !covers(i)) continue;
      const [dx, dy] = [x[i]! - x[i - 1]!, y[i]! - y[i - 1]!];
      const steps = Math.max(1, Math.ceil(hypot(dx, dy) / CELL_MM));
      for (let k = 0; k <= steps; k++) {
        const cell = this.cellOf(x[i - 1]! + (dx * k) / steps, y[i - 1]! + (dy * k) / steps);
        // About a cell that was asked for all cells are marked.
        if (cells[cell] === 0) continue;
        for (let n = cell - columns; n <= cell + columns; n += columns) {
          if (cells[n - 1] !== 0) cells[n - 1] = i + FIRST;
          if (cells[n] !== 0) cells[n] = i + FIRST;
          if (cells[n + 1] !== 0) cells[n + 1] = i + FIRST;
        }
      }
    }
  }

  at({ x, y }: Point): number {
    return Math.max(ASKED, this.cells[this.cellOf(x, y)] ?? ASKED) - FIRST;
  }
}

/** A stretch of travel with places along it, each with the event of its stitch. */
interface Travel {
  from: number;
  to: number;
  places: { at: Point; event: number }[];
}

function travelsOf(plan: Sewn): Travel[] {
  const out: Travel[] = [];
  let open: Travel | null = null;
  for (let i = 1; i < plan.x.length; i++) {
    const sews = plan.command[i] === Command.stitch && plan.command[i - 1] === Command.stitch;
    if (!sews || plan.role[i] !== Role.travel) {
      open = null;
      continue;
    }
    if (!open) out.push((open = { from: i, to: i, places: [] }));
    open.to = i;
    const [ax, ay, bx, by] = [plan.x[i - 1]!, plan.y[i - 1]!, plan.x[i]!, plan.y[i]!];
    const steps = Math.floor(hypot(bx - ax, by - ay) / CELL_MM);
    for (let k = 0; k < steps; k++) {
      open.places.push({ at: { x: ax + ((bx - ax) * (k + 0.5)) / steps, y: ay + ((by - ay) * (k + 0.5)) / steps }, event: i });
    }
  }
  return out;
}

/**
 * Travels that stay visible: no cover stitch passes over them after they are sewn.
 * @param covers whether a cover event is dense enough to hide what lies under it
 */
export function bareTravels(plan: Sewn, covers: (event: number) => boolean = () => true): BareTravel[] {
  const travels = travelsOf(plan);
  if (travels.length === 0) return [];
  const cover = new LastCover(plan);
  for (const { places } of travels) for (const { at } of places) cover.ask(at);
  cover.lay(covers);
  return travels.flatMap(({ from, to, places }): BareTravel[] => {
    const seen = places.filter(({ at, event }) => cover.at(at) < event);
    const lengthMm = seen.length * CELL_MM;
    if (lengthMm < GLIMPSE_MM) return [];
    return [{ from, to, piece: plan.piece[to]!, lengthMm, at: seen[seen.length >> 1]!.at }];
  });
}
