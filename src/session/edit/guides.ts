import type { Guides } from '@/core/document/types';
import type { Point } from '@/core/geometry/point';
import { useJob } from '../job/jobStore';

export type GuideWay = keyof Guides;

const tenth = (v: number): number => Math.round(v * 10) / 10;

function change(label: string, recipe: (guides: Guides) => void, mark?: string): void {
  useJob.getState().change(
    label,
    (job) => {
      job.guides ??= { level: [], upright: [] };
      recipe(job.guides);
    },
    mark,
  );
}

export const addGuide = (way: GuideWay, at: number): void => change('Lay a guide', (g) => void g[way].push(tenth(at)));

/** Moves a guide; the moves of one gesture share a mark. */
export const moveGuide = (way: GuideWay, index: number, to: number, mark: string): void =>
  change('Move a guide', (g) => void (g[way][index] = tenth(to)), mark);

export const removeGuide = (way: GuideWay, index: number): void => change('Take a guide away', (g) => void g[way].splice(index, 1));

/** The place itself, or the place on guides nearer to it than `nearMm`. */
export function onGuides(p: Point, guides: Guides | undefined, nearMm: number): Point {
  const nearest = (v: number, lines: readonly number[] = []): number =>
    lines.reduce((best, line) => (Math.abs(line - v) < Math.min(nearMm, best === v ? Infinity : Math.abs(best - v)) ? line : best), v);
  return { x: nearest(p.x, guides?.upright), y: nearest(p.y, guides?.level) };
}
