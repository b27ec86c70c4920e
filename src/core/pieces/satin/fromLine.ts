import { strokeArea } from '../../geometry/area';
import { calmTangents, lineLength, resample, sharpestTurn, smooth, withoutRepeats } from '../../geometry/line';
import type { Corners } from '../../document/types';
import { add, distance, scale, sub, unit, type Area, type Line, type Point } from '../../geometry/point';
import { PI, sin, cos } from '../../units/trig';
import { OVERLAP_MM, SAME_POINT_MM } from '../../units/tolerances';
import { CAP_LAP_MM, capColumn, mitred, splitAtCorners, type Stretch } from './corners';
import { indexEdges, type EdgeIndex } from './outlineEdges';
import { castRows } from './cast';
import type { Column, ColumnNetwork, Track } from './track';

export interface StrokeSpec {
  widthMm: number;
  cap: 'butt' | 'round' | 'square';
  join: 'miter' | 'round' | 'bevel';
  /** How columns go round corners; `butt` when absent. */
  corners?: Corners;
}

export interface DrawnLine {
  points: Line;
  closed: boolean;
  /** What the stroke paints, when the curves of the line are known; else joins are made wherever the points turn. */
  painted?: Area;
}

/** Sampling of a column's middle, mm. */
const STEP_MM = 0.12;
/** A turn sharper than this, radians, ends one column and begins the next (about 42°). */
const CORNER_RAD = 0.73;
/** The sharpest turn that one column can go round, radians (115°): beyond it rows would run back on themselves. */
const TURNS_TO_RAD = 2;

/**
 * Columns along strokes: one for each stretch between sharp corners. What happens at a corner is the person's choice:
 * one column that turns, two that butt with an overlap, two that meet on the mitre line, or a cap under both.
 */
export function networkFromLines(lines: readonly DrawnLine[], spec: StrokeSpec): ColumnNetwork {
  const columns: Column[] = [];
  let node = 0;
  for (const { points, closed, painted } of lines) {
    const area = painted ?? strokeArea([points], closed, { ...spec, miterLimit: 4 });
    const made = columnsOfStroke(withoutRepeats(points, SAME_POINT_MM), closed, spec, indexEdges(area), node);
    columns.push(...made);
    for (const c of made) node = Math.max(node, c.from + 1, c.to + 1);
  }
  return { columns };
}

function columnsOfStroke(line: Point[], closed: boolean, spec: StrokeSpec, edges: EdgeIndex, firstNode: number): Column[] {
  if (line.length < 2) return [];
  const corners = spec.corners ?? 'butt';
  const stretches = splitAtCorners(line, closed, corners === 'turn' ? TURNS_TO_RAD : CORNER_RAD);
  const out: Column[] = [];
  stretches.forEach((s, k) => {
    const loop = closed && stretches.length === 1;
    const last = k === stretches.length - 1;
    const track = trackAlong(s, spec, edges, loop);
    const to = closed && last ? firstNode : firstNode + k + 1;
    const [openFrom, openTo] = [Number.isNaN(s.turnBefore), Number.isNaN(s.turnAfter)];
    const butts = corners === 'butt' && !loop;
    const tuckedAt = corners === 'cap' && !openFrom && !loop ? [firstNode + k] : [];
    if (track) out.push({ from: firstNode + k, to, track, openFrom, openTo, buttsTo: butts && !openTo, tuckedAt });
    if (corners !== 'cap' || !(s.turnAfter > CORNER_RAD)) return;
    const next = stretches[(k + 1) % stretches.length]!;
    const cap = capColumn(s.points, next.points, spec.widthMm / 2, edges);
    if (cap) out.push({ from: to, to: firstNode + 10_000 + k, track: cap });
  });
  return out;
}

function trackAlong(s: Stretch, spec: StrokeSpec, edges: EdgeIndex, loop: boolean): Track | null {
  const half = spec.widthMm / 2;
  const length = lineLength(s.points);
  const corners = spec.corners ?? 'butt';
  let middle = resample(s.points, STEP_MM);
  middle = loop ? closeLoop(smooth(middle.slice(0, -1), 6, true)) : smooth(middle, 4, false);
  if (!loop) {
    const join = joinOf(corners, half, length);
    const before = Number.isNaN(s.turnBefore) ? openEnd(spec, half) : join.before(s.turnBefore);
    const after = Number.isNaN(s.turnAfter) ? openEnd(spec, half) : join.after(s.turnAfter);
    middle = extend(shorten(shortenEnd(middle, -after), -before), Math.max(0, before), Math.max(0, after));
  }
  if (middle.length < 2) return null;
  const turning = corners === 'turn' && sharpestTurn(s.points, half) > CORNER_RAD;
  const directions = calmTangents(middle, loop, Math.max(2, Math.round(((turning ? 1.3 : 0.3) * half) / STEP_MM)));
  const reach = (): number => half * (turning ? 2 : 1.02) + 0.01;
  const track = castRows(middle, directions, reach, reach, edges);
  return track && corners === 'mitre' && !loop ? mitred(track, s) : track;
}

/**
 * How far a stretch goes on beyond a corner (positive) or stays back from it (negative), at its start and its end, mm.
 * @param mostHalves how far a mitre may reach, in halves of the width
 */
export function joinOf(
  corners: Corners,
  half: number,
  length: number,
  mostHalves = MITRE_HALVES,
): { before(turn: number): number; after(turn: number): number } {
  const most = length * 0.6;
  const beyond = (turn: number): number => mitreReach(turn, half, mostHalves);
  if (corners === 'mitre') return { before: beyond, after: beyond };
  if (corners === 'cap') {
    const back = (turn: number): number => -Math.min(most / 2, Math.max(0, mitreReach(turn, half) - CAP_LAP_MM));
    return { before: back, after: back };
  }
  return { before: (turn) => -Math.min(mitreReach(turn, half) - OVERLAP_MM, most), after: (turn) => mitreReach(turn, half) };
}

/** How far a column runs on past its corner so that it fills the outer side of the join, mm. */
function mitreReach(turn: number, half: number, mostHalves = MITRE_HALVES): number {
  const t = Math.min(turn, PI * 0.9) / 2;
  return Math.min(half * mostHalves, (half * sin(t)) / cos(t));
}
/** Beyond this a stroke's mitre is cut off. */
const MITRE_HALVES = 2.2;

const closeLoop = (ring: Point[]): Point[] => [...ring, ring[0]!];

const openEnd = (spec: StrokeSpec, half: number): number => (spec.cap === 'butt' ? 0 : half - 0.02);

export const shortenEnd = (line: readonly Point[], by: number): Point[] => shorten(line.slice().reverse(), by).reverse();

export function shorten(line: readonly Point[], by: number): Point[] {
  if (by <= 0) return line.slice();
  let rest = by;
  for (let i = 1; i < line.length; i++) {
    const d = distance(line[i - 1]!, line[i]!);
    if (d >= rest) return line.slice(i);
    rest -= d;
  }
  return line.slice(-2);
}

/** Straight prolongations at both ends, sampled like the rest. */
export function extend(line: readonly Point[], before: number, after: number): Point[] {
  const n = line.length;
  if (n < 2) return line.slice();
  const back = Math.min(n - 1, 3);
  const startDir = unit(sub(line[0]!, line[back]!));
  const endDir = unit(sub(line[n - 1]!, line[n - 1 - back]!));
  const ahead = (from: Point, dir: Point, reach: number): Point[] => {
    const steps = Math.ceil(reach / STEP_MM - 1e-9);
    return Array.from({ length: Math.max(0, steps) }, (_, i) => add(from, scale(dir, (reach * (i + 1)) / steps)));
  };
  return [...ahead(line[0]!, startDir, before).reverse(), ...line, ...ahead(line[n - 1]!, endDir, after)];
}
