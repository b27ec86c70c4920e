'use client';
import { Scissors } from 'lucide-react';
import { toast } from '@/session/notice';
import { create } from 'zustand';
import { constrained } from '@/core/editing/drawn';
import type { Point } from '@/core/geometry/point';
import { cutPieces } from '@/session/edit/shapeCommands';
import { useJob } from '@/session/job/jobStore';
import { chosenIds, selectAll } from '@/session/view/viewStore';
import { DashedLine } from '../DashedLine';
import type { Drag, Spot, Tool } from '../tool';

/** The line of the cut that is being drawn. */
const useCut = create<{ line: { from: Point; to: Point } | null }>(() => ({ line: null }));

function cutting({ at: from }: Spot): Drag {
  return {
    to: ({ at, shift }) => useCut.setState({ line: { from, to: shift ? constrained(from, at) : at } }),
    drop: finish,
  };
}

/** Cuts what is chosen along the line that was drawn; with nothing chosen, whatever it crosses. */
function finish(): void {
  const { line } = useCut.getState();
  useCut.setState({ line: null });
  if (!line) return;
  const ids = chosenIds().length > 0 ? chosenIds() : (useJob.getState().job?.pieces ?? []).map((p) => p.id);
  const made = cutPieces(ids, line.from, line.to);
  if (typeof made === 'string') toast.error(made);
  else selectAll(made);
}

function CutMarks() {
  const line = useCut((s) => s.line);
  return line && <DashedLine d={`M${line.from.x},${line.from.y} L${line.to.x},${line.to.y}`} />;
}

export const cut: Tool = {
  name: 'cut',
  word: 'Cut',
  key: 'V',
  hint: {
    short: 'Drag a line across; Shift: 15 degrees',
    full: 'Drag a line right across: what is chosen is cut there, or whatever it crosses; Shift: 15 degrees',
  },
  label: 'Cut',
  Sign: Scissors,
  motion: { lies: 'M16,16 H84 V36 H16 Z', hand: 'M50,4 L50,48', makes: 'M50,4 L50,48' },
  drag: cutting,
  giveUp: () => {
    const begun = useCut.getState().line !== null;
    useCut.setState({ line: null });
    return begun;
  },
  end: () => useCut.setState({ line: null }),
  Marks: CutMarks,
};
