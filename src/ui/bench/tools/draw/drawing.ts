import { constrained, drawnPath, type DrawnNode } from '@/core/editing/drawn';
import { formatPath } from '@/core/geometry/path';
import { distance, type Point } from '@/core/geometry/point';
import type { Piece } from '@/core/document/types';
import type { Spot } from '../tool';

/** What is being drawn: a run, a satin by its two sides, or an area by its outline. */
export type DrawKind = 'run' | 'satin' | 'area';

export interface Drawing {
  kind: DrawKind;
  /** Lines set down so far; the last one is being drawn. A satin has two. */
  lines: readonly (readonly DrawnNode[])[];
  /** Whether the next node is a curve node. */
  curve: boolean;
}

export const newDrawing = (kind: DrawKind): Drawing => ({ kind, lines: [[]], curve: false });

const current = (d: Drawing): readonly DrawnNode[] => d.lines[d.lines.length - 1]!;
const withCurrent = (d: Drawing, line: readonly DrawnNode[]): Drawing => ({ ...d, lines: [...d.lines.slice(0, -1), line] });

/** Where a node would go; with Shift, directions snap to 15 degrees. */
export function aimed(d: Drawing, { at, shift }: Spot): Point {
  const last = current(d)[current(d).length - 1];
  return shift && last ? constrained(last.at, at) : at;
}

/** Sets a node down; back on the first one it closes an outline. */
export function placed(d: Drawing, place: Spot): { drawing: Drawing; closed: boolean } {
  const at = aimed(d, place);
  const line = current(d);
  if (d.kind === 'area' && line.length > 2 && distance(line[0]!.at, at) <= place.snapMm) return { drawing: d, closed: true };
  const last = line[line.length - 1];
  if (last && distance(last.at, at) < 0.05) return { drawing: d, closed: false };
  return { drawing: withCurrent(d, [...line, { at, curve: d.curve }]), closed: false };
}

/** Takes the last node back; with none left on the second side, goes back to the first. */
export function tookBack(d: Drawing): Drawing {
  const line = current(d);
  if (line.length > 0) return withCurrent(d, line.slice(0, -1));
  return d.lines.length > 1 ? { ...d, lines: d.lines.slice(0, -1) } : d;
}

/** The line is done: a satin goes on to its second side, everything else is finished. */
export function lineDone(d: Drawing): { drawing: Drawing; finished: boolean } {
  if (current(d).length < 2) return { drawing: d, finished: false };
  if (d.kind === 'satin' && d.lines.length === 1) return { drawing: { ...d, lines: [...d.lines, []] }, finished: false };
  return { drawing: d, finished: true };
}

/**
 * The shape drawn so far as a piece, with the pointer as its next node.
 * @returns null while there is too little of it
 */
export function pieceDrawn(d: Drawing, thread: string, pointer: Point | null = null): Piece | null {
  const lines = d.lines.map((l, i) => (pointer && i === d.lines.length - 1 ? [...l, { at: pointer, curve: d.curve }] : l));
  const data = lines.map((l) => formatPath(drawnPath(l, d.kind === 'area')));
  const base = { id: 'drawn', name: NAMES[d.kind], thread, settings: {} };
  if (d.kind === 'run') return lines[0]!.length < 2 ? null : { ...base, kind: 'run', line: data[0]! };
  if (d.kind === 'area') return lines[0]!.length < 3 ? null : { ...base, kind: 'fill', area: data[0]! };
  if (lines.length < 2 || lines[1]!.length < 2) return null;
  return { ...base, kind: 'satin', sides: sameSense(lines[0]!, lines[1]!, data) };
}

const NAMES: Record<DrawKind, string> = { run: 'Drawn line', satin: 'Drawn column', area: 'Drawn area' };

/** Both sides in one direction, whichever way the second was drawn. */
function sameSense(a: readonly DrawnNode[], b: readonly DrawnNode[], data: readonly string[]): [string, string] {
  const [a0, a1, b0, b1] = [a[0]!.at, a[a.length - 1]!.at, b[0]!.at, b[b.length - 1]!.at];
  const straight = distance(a0, b0) + distance(a1, b1);
  const crossed = distance(a0, b1) + distance(a1, b0);
  return [data[0]!, straight <= crossed ? data[1]! : formatPath(drawnPath(b.slice().reverse(), false))];
}
