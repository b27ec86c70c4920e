import { UnionFind } from '../../geometry/unionFind';
import type { Area, Line } from '../../geometry/point';
import { splitSections, type Section } from '../rows/sections';
import { turningRows } from '../rows/turning/rows';
import { makeTrack, type Column, type ColumnNetwork } from './track';

/** Rows sampled for a track, mm: finer than any satin is sewn. */
const STEP_MM = 0.15;

/**
 * Columns whose rows lie as slants placed on an outline say, turning from one to the next. Where the area branches or
 * closes on itself, columns meet.
 */
export function networkFromSlants(area: Area, slants: readonly Line[]): ColumnNetwork {
  const rows = turningRows(area, slants, STEP_MM, false);
  const sections = splitSections({ count: rows.stretches.length, neighbours: rows.neighbours });
  const nodeOf = nodesOf(sections);
  const columns = sections.flatMap((section, k): Column[] => {
    if (section.stretches.length < 3) return [];
    const lines = section.stretches.map((i) => rows.stretches[i]!.points);
    const track = makeTrack(
      lines.map((l) => l[0]!),
      lines.map((l) => l[l.length - 1]!),
    );
    return [{ from: nodeOf(k, 0), to: nodeOf(k, 1), track, openFrom: section.above.length === 0, openTo: section.below.length === 0 }];
  });
  return { columns };
}

/** Joins the doors of sections that touch: 0 is a section's first row, 1 its last. */
function nodesOf(sections: readonly Section[]): (section: number, door: 0 | 1) => number {
  const doors = new UnionFind(sections.length * 2);
  sections.forEach((s, k) => {
    for (const up of s.above) doors.join(2 * k, 2 * up + 1);
    for (const down of s.below) doors.join(2 * k + 1, 2 * down);
  });
  return (section, door) => doors.root(2 * section + door);
}
