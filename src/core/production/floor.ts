import type { CopyPlace, Hoop, Job, JobFloor, SheetOrder } from '../document/types';
import type { Bounds } from '../geometry/point';
import type { StitchPlan } from '../plan/plan';
import { arrange, arrangeMost, clearOfEdge, EDGE_MM, sewnBox } from './placement/arrange';
import { copyMatrix, placedPoint } from './placement/copy';
import { lyingOnOthers } from './placement/mask';
import { sheetOrders, type Sheet, type SheetFigures } from './placement/sheet';

const ONE: readonly CopyPlace[] = [{ x: 0, y: 0, turn: 0 }];

/** The copies that a job is sewn in. */
export const copiesOf = ({ floor }: Pick<Job, 'floor'>): readonly CopyPlace[] => floor?.copies ?? ONE;
export const floorHoop = ({ brief, floor }: Pick<Job, 'brief' | 'floor'>): Hoop => floor?.hoop ?? brief.hoop;

const USUAL_GAP_MM = 4;

/** What goes into the machine in one go, and how both orders would do. */
export interface Laid {
  sheet: Sheet;
  orders: { copy: SheetFigures; thread: SheetFigures };
  proposed: SheetOrder;
  /** Round one copy that is not turned. */
  box: Bounds;
  /** Whether each copy lies clear of the hoop's edge. */
  clear: boolean[];
  /** Whether thread of each copy lies on that of another. */
  onOther: boolean[];
}

/** A job as its Floor lays it into the hoop. @param plan of the job itself */
export function laidOut(job: Job, plan: StitchPlan): Laid {
  const hoop = floorHoop(job);
  const places = copiesOf(job);
  const both = sheetOrders(
    places.map((at) => ({ job, plan, at })),
    hoop,
  );
  const alone: Sheet = { ...both.copy, job, plan };
  const isAlone = places.length === 1 && isOrigin(places[0]!);
  return {
    // What lies where it was drawn is sewn as it was planned, with its own links.
    sheet: isAlone ? alone : both[job.floor?.order ?? both.proposed],
    orders: { copy: both.copy.figures, thread: both.thread.figures },
    proposed: both.proposed,
    box: sewnBox(plan, { turn: 0 }),
    clear: places.map((at) => isClear(plan, at, hoop)),
    onOther: lyingOnOthers(plan, places),
  };
}

const isOrigin = ({ x, y, turn, mirror = false }: CopyPlace): boolean => x === 0 && y === 0 && turn % 360 === 0 && !mirror;

function isClear(plan: StitchPlan, at: CopyPlace, hoop: Hoop): boolean {
  const m = copyMatrix(at);
  for (let i = 0; i < plan.x.length; i++) if (!clearOfEdge(placedPoint(m, { x: plan.x[i]!, y: plan.y[i]! }), hoop, EDGE_MM)) return false;
  return true;
}

/** How copies are asked for on the Floor. */
export interface PlaceAsked {
  /** As many as fit when absent. */
  copies?: number;
  grid?: { columns: number; rows: number };
  nest: boolean;
  alternate?: 'turn' | 'mirror';
}

/**
 * Places for copies in the floor's hoop, with its gap.
 * @throws InputError that says how many would fit
 */
export function placed(job: Job, plan: StitchPlan, asked: PlaceAsked): CopyPlace[] {
  const room = { hoop: floorHoop(job), gapMm: job.floor?.gap ?? USUAL_GAP_MM, edgeMm: EDGE_MM };
  const { copies, grid, alternate } = asked;
  if (copies === undefined) {
    const most = arrangeMost(plan, room, asked.nest);
    return most.length > 0 ? most : arrange(plan, { ...room, copies: 1 });
  }
  const common = { ...room, copies, ...(grid ? { grid } : {}), ...(alternate ? { alternate } : {}) };
  return arrange(plan, { ...common, nest: asked.nest ? 'always' : 'if-needed' });
}

/** Usual gap between copies where none was chosen, mm. */
export const gapOf = (floor: JobFloor | undefined): number => floor?.gap ?? USUAL_GAP_MM;
