import { create } from 'zustand';
import type { Piece } from '@/core/document/types';
import type { Gauge } from '@/core/editing/gauge';
import type { Point } from '@/core/geometry/point';
import { engine } from '@/workers/client';
import { addPiece } from '../edit/commands';
import { aimed, lineDone, newDrawing, pieceDrawn, placed, tookBack, type Drawing, type DrawKind, type Place } from '../edit/drawing';
import { useJob } from '../job/jobStore';
import { setApproach } from '../edit/orderCommands';
import { useView } from './viewStore';

export type ToolName = 'choose' | 'nodes' | 'slants' | 'ends' | 'cut' | 'edge' | 'regions' | 'measure' | 'guides' | DrawKind;

interface ToolState {
  tool: ToolName;
  drawing: Drawing | null;
  /** Where the next node would go. */
  pointer: Point | null;
  /** Stitches of what is being drawn: path data, and how many. */
  preview: { path: string; stitches: number } | null;
  /** The two ends of what is measured. */
  measured: { from: Point; to: Point } | null;
  /** Local width of the shape under the pointer, while measuring. */
  gauge: Gauge | null;
  /** The line of a cut being drawn. */
  cut: { from: Point; to: Point } | null;
  /** The piece that the line being drawn is to be the way to. */
  wayFor: string | null;
  /** How far to either side of the pointer an edge is pulled along, mm. */
  falloffMm: number;
}

/** The tool in hand and what it is in the middle of; never part of the job. */
export const useTool = create<ToolState>(() => ({
  tool: 'choose',
  drawing: null,
  pointer: null,
  preview: null,
  measured: null,
  gauge: null,
  cut: null,
  wayFor: null,
  falloffMm: 8,
}));

const isDraw = (tool: ToolName): tool is DrawKind => tool === 'run' || tool === 'satin' || tool === 'area';

export function takeTool(tool: ToolName): void {
  useTool.setState({
    tool,
    drawing: isDraw(tool) ? newDrawing(tool) : null,
    pointer: null,
    preview: null,
    measured: null,
    gauge: null,
    cut: null,
    wayFor: null,
  });
}

/** Thread of the chosen piece, else of the one sewn last. */
function threadInHand(): string | null {
  const job = useJob.getState().job;
  const chosen = job?.pieces.find((p) => p.id === useView.getState().selected) ?? job?.pieces[job.pieces.length - 1];
  return chosen?.thread ?? job?.threads[0]?.id ?? null;
}

export function drawTo(place: Place): void {
  const { drawing } = useTool.getState();
  if (!drawing) return;
  const result = placed(drawing, place);
  useTool.setState({ drawing: result.drawing });
  if (result.closed) finishDrawing();
  else preview();
}

export function aimAt(place: Place): void {
  const { drawing } = useTool.getState();
  if (!drawing) return;
  useTool.setState({ pointer: aimed(drawing, place) });
  preview();
}

export function takeBackNode(): void {
  const { drawing } = useTool.getState();
  if (!drawing) return;
  useTool.setState({ drawing: tookBack(drawing) });
  preview();
}

export function toggleCurve(): void {
  const { drawing } = useTool.getState();
  if (drawing) useTool.setState({ drawing: { ...drawing, curve: !drawing.curve } });
}

/** The line, or the whole shape, is done; a finished shape becomes a piece and is chosen. */
export function finishDrawing(): void {
  const { drawing } = useTool.getState();
  const thread = threadInHand();
  if (!drawing || !thread) return;
  const { drawing: next, finished } = lineDone(drawing);
  if (!finished) {
    useTool.setState({ drawing: next, pointer: null });
    return;
  }
  const piece = pieceDrawn(drawing, thread);
  const { wayFor } = useTool.getState();
  if (wayFor) {
    if (piece?.line) setApproach(wayFor, { how: 'travel', way: piece.line });
    takeTool('choose');
    return;
  }
  if (piece) useView.setState({ selected: addPiece(piece, useView.getState().selected) });
  useTool.setState({ drawing: newDrawing(drawing.kind), pointer: null, preview: null });
}

/** Esc: first what is being drawn, then the tool itself. */
export function giveUp(): boolean {
  const { tool, drawing } = useTool.getState();
  if (tool === 'choose') return false;
  const begun = drawing?.lines.some((l) => l.length > 0) ?? false;
  takeTool(begun ? tool : 'choose');
  return true;
}

let asking = false;
let again = false;

/** Asks the engine for the stitches of what is being drawn; of several requests only the last is served. */
function preview(): void {
  again = true;
  if (!asking) void ask();
}

async function ask(): Promise<void> {
  asking = true;
  while (again) {
    again = false;
    const { drawing, pointer } = useTool.getState();
    const job = useJob.getState().job;
    const thread = threadInHand();
    const piece: Piece | null = drawing && thread ? pieceDrawn(drawing, thread, pointer) : null;
    if (!piece || !job) {
      useTool.setState({ preview: null });
      continue;
    }
    try {
      const shown = await engine.call('preview', { job: { ...job, pieces: [piece] } });
      if (useTool.getState().drawing) useTool.setState({ preview: shown });
    } catch {
      useTool.setState({ preview: null });
    }
  }
  asking = false;
}
