import type { CopyPlace, Hoop, Job, JobFloor, SheetOrder } from '../document/types';
import type { Bounds } from '../geometry/point';
import type { StitchPlan } from '../plan/plan';
import { stitchesOf } from '../plan/measure';
import { recipeFor } from '../cloth/house';
import { arrange, arrangeMost, clearOfEdge, EDGE_MM, sewnBox } from './placement/arrange';
import { copiesLaid, designsOf, remembered, type Design, type PlanOf } from './placement/designs';
import { arrangeMixed } from './placement/mixed';
import type { Room } from './placement/nest';
import { copyMatrix, placedPoint } from './placement/copy';
import { lyingOnOthers } from './placement/mask';
import { sheetOrders, type Sheet, type SheetCopy, type SheetFigures } from './placement/sheet';

const ONE: readonly CopyPlace[] = [{ x: 0, y: 0, turn: 0 }];

/** The copies that a job is sewn in. */
export const copiesOf = ({ floor }: Pick<Job, 'floor'>): readonly CopyPlace[] => floor?.copies ?? ONE;
export const floorHoop = ({ brief, floor }: Pick<Job, 'brief' | 'floor'>): Hoop => floor?.hoop ?? brief.hoop;

const USUAL_GAP_MM = 4;

/** A design that lies in the hoop, or may. */
export interface LaidDesign extends Design {
  plan: StitchPlan;
  /** Round one copy that is not turned. */
  box: Bounds;
}

/** What goes into the machine in one go, and how both orders would do. */
export interface Laid {
  sheet: Sheet;
  orders: { copy: SheetFigures; thread: SheetFigures };
  proposed: SheetOrder;
  /** How much of the stitches is for the brief's quantity, from 0 to 1: the rest is another job's. */
  share: number;
  /** The job's own design first. */
  designs: LaidDesign[];
  /** Whether each copy lies clear of the hoop's edge. */
  clear: boolean[];
  /** Whether thread of each copy lies on that of another. */
  onOther: boolean[];
}

/**
 * A job as its Floor lays it into the hoop.
 * @throws InputError for a name beside it that cannot be set any more
 */
export function laidOut(job: Job, plans: PlanOf): Laid {
  const planOf = remembered(plans);
  const hoop = floorHoop(job);
  const places = copiesOf(job);
  const designs = designsOf(job);
  const found = copiesLaid(designs, places, planOf);
  const copies = found.length > 0 ? found : copiesLaid(designs, ONE, planOf);
  const both = sheetOrders(copies, hoop, job);
  const isAlone = copies.length === 1 && places[0]!.of === undefined && isOrigin(places[0]!);
  return {
    // What lies where it was drawn is sewn as it was planned, with its own links.
    sheet: isAlone
      ? { ...both.copy, job: { ...job, brief: { ...job.brief, hoop } }, plan: planOf(job) }
      : both[job.floor?.order ?? both.proposed],
    orders: { copy: both.copy.figures, thread: both.thread.figures },
    proposed: both.proposed,
    share: shareOf(job, copies),
    designs: designs.map((d) => ({ ...d, plan: planOf(d.job), box: sewnBox(planOf(d.job), { turn: 0 }) })),
    clear: copies.map(({ plan, at }) => isClear(plan, at, hoop)),
    onOther: lyingOnOthers(copies),
  };
}

function shareOf(job: Job, copies: readonly SheetCopy[]): number {
  const others = new Set((job.floor?.beside ?? []).filter((b) => b.job).map((b) => b.id));
  const sum = (of: readonly SheetCopy[]): number => of.reduce((n, c) => n + stitchesOf(c.plan), 0);
  const all = sum(copies);
  return all === 0 ? 1 : sum(copies.filter((c) => c.at.of === undefined || !others.has(c.at.of))) / all;
}

/** What was made for another cloth than what lies in the hoop: it is sewn at one speed, on one stabilizer. */
export function otherCloths(job: Job): string[] {
  const inHoop = new Set(copiesOf(job).map((c) => c.of));
  return (job.floor?.beside ?? []).flatMap(({ id, name, job: other }) =>
    other && inHoop.has(id) && other.brief.cloth !== job.brief.cloth
      ? [`‘${name}’ was made for ${recipeFor(other.brief).name}, not for ${recipeFor(job.brief).name}.`]
      : [],
  );
}

/** Copies that count for the brief's quantity: the job's own and its names; another job's are made beside. */
export function countedCopies(job: Job): number {
  const own = new Set((job.floor?.beside ?? []).filter((b) => b.text).map((b) => b.id));
  return Math.max(1, copiesOf(job).filter((c) => c.of === undefined || own.has(c.of)).length);
}

const isOrigin = ({ x, y, turn, mirror = false }: CopyPlace): boolean => x === 0 && y === 0 && turn % 360 === 0 && !mirror;

function isClear(plan: StitchPlan, at: CopyPlace, hoop: Hoop): boolean {
  const m = copyMatrix(at);
  for (let i = 0; i < plan.x.length; i++) if (!clearOfEdge(placedPoint(m, { x: plan.x[i]!, y: plan.y[i]! }), hoop, EDGE_MM)) return false;
  return true;
}

/** How copies are asked for on the Floor. */
export interface PlaceAsked {
  /** Of the job's own design; as many as fit when absent. */
  copies?: number;
  /** Of each design that lies beside it, by its id. */
  beside?: Record<string, number>;
  grid?: { columns: number; rows: number };
  nest: boolean;
  alternate?: 'turn' | 'mirror';
}

/**
 * Places for copies in the floor's hoop, with its gap.
 * @param edgeMm kept free at the hoop's edge for the presser foot
 * @throws InputError that says how many would fit
 */
export function placed(job: Job, plans: PlanOf, asked: PlaceAsked, edgeMm = EDGE_MM): CopyPlace[] {
  const planOf = remembered(plans);
  const room = { hoop: floorHoop(job), gapMm: gapOf(job.floor), edgeMm };
  const { grid, alternate } = asked;
  const others = designsOf(job).filter((d) => d.id !== undefined && (asked.beside?.[d.id] ?? 0) > 0);
  if (others.length > 0) return placedMixed({ job, planOf, room, asked, others });
  const plan = planOf(job);
  const copies = asked.copies === 0 ? 1 : asked.copies;
  if (copies === undefined) {
    const most = arrangeMost(plan, room, asked.nest);
    return most.length > 0 ? most : arrange(plan, { ...room, copies: 1 });
  }
  const common = { ...room, copies, ...(grid ? { grid } : {}), ...(alternate ? { alternate } : {}) };
  return arrange(plan, { ...common, nest: asked.nest ? 'always' : 'if-needed' });
}

interface Mixing {
  job: Job;
  planOf: PlanOf;
  room: Room;
  asked: PlaceAsked;
  others: readonly Design[];
}

function placedMixed({ job, planOf, room, asked, others }: Mixing): CopyPlace[] {
  const own = asked.copies ?? 1;
  const designs: (Design & { copies: number })[] = [
    ...(own > 0 ? [{ name: job.name, job, copies: own }] : []),
    ...others.map((d) => ({ ...d, copies: asked.beside![d.id!]! })),
  ];
  const wanted = designs.map((d) => ({ plan: planOf(d.job), copies: d.copies }));
  return arrangeMixed(wanted, room, asked.nest).map(({ design, at }) => {
    const { id } = designs[design]!;
    return id === undefined ? at : { ...at, of: id };
  });
}

/** Usual gap between copies where none was chosen, mm. */
export const gapOf = (floor: JobFloor | undefined): number => floor?.gap ?? USUAL_GAP_MM;
