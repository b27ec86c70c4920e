import type { ClothKey, Job, Piece } from '../../src/core/document/types';
import { Command, Role } from '../../src/core/stitches/roles';
import type { StitchPlan } from '../../src/core/plan/plan';
import type { Point } from '../../src/core/geometry/point';
import { bar, block, chance, CLOTHS, jobOf, ringData, type Chance } from './made';

/** A job with one planted fault, the same without it, and what must be said of the fault. */
export interface Planted {
  faulty: Job;
  sound: Job;
  /** Where it lies, mm: a place, or anywhere between two. */
  at?: Point | readonly [Point, Point];
  /** Its figure; where a tolerance is not said, within a tenth. */
  measured?: number;
  within?: number;
  /** The faulty plan, made of the right one: what our own planner never sews, but another's file may. */
  sewn?(plan: StitchPlan): StitchPlan;
}

export interface Setting {
  r: Chance;
  /** Middle of the place where the fault is planted. */
  c: Point;
  cloth: ClothKey;
  /** A job with sound pieces far from that place before and after those given. */
  job(pieces: readonly Piece[], brief?: Partial<Job['brief']>, more?: Partial<Job>): Job;
}

export const off = (c: Point, dx: number, dy: number): Point => ({ x: c.x + dx, y: c.y + dy });

/** A place, a cloth and sound neighbours for a seed. */
export function settingOf(seed: number): Setting {
  const r = chance(seed);
  const c = { x: r.between(-25, 25), y: r.between(-20, 20) };
  const cloth = r.pick(CLOTHS);
  const before = [block({ x: -110, y: r.between(-20, 20) }, r.between(12, 24), r.between(12, 24), { thread: 'n1' })];
  const after = [bar({ x: 110, y: r.between(-20, 20) }, r.between(14, 26), r.between(3, 6), { thread: 'n2' })];
  return { r, c, cloth, job: (pieces, brief, more) => jobOf(cloth, [...before, ...pieces, ...after], brief, more) };
}

export const cap = { cloth: 'cap', place: 'cap-front' } as const;
export const starOf = (c: Point, r: number): string =>
  ringData(
    Array.from({ length: 10 }, (_, i) => {
      const a = (Math.PI * i) / 5 - Math.PI / 2;
      const mm = i % 2 ? 0.45 * r : r;
      return off(c, mm * Math.cos(a), mm * Math.sin(a));
    }),
  );

/** The plan with one cover stitch, so far along it, moved aside. */
export function moved(plan: StitchPlan, share: number, mm: number): StitchPlan {
  const covers = [...plan.role.keys()].filter((i) => plan.role[i] === Role.cover && plan.command[i] === Command.stitch);
  const at = covers[Math.floor(share * covers.length)]!;
  return { ...plan, x: plan.x.map((x, i) => (i === at ? x + mm : x)) };
}

export type Plant = (s: Setting) => Planted;

/** A block reaches about so much beyond its drawn sides, mm. */
export const COMPENSATED_MM = 0.4;
