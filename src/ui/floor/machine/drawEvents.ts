import { Command } from '@/core/stitches/roles';
import type { MachineFile } from '@/workers/protocol/engine';

interface Drawn {
  from: number;
  to: number;
  /** Pixels per mm, and the place of the upper left corner, mm. */
  scale: number;
  left: number;
  top: number;
}

/** Draws the stitches that end with some events, each as a thread of its width with a lighter ridge. */
export function drawEvents(context: CanvasRenderingContext2D, file: MachineFile, { from, to, scale, left, top }: Drawn): void {
  const { x, y, command, thread, threads } = file;
  context.lineCap = 'round';
  for (let i = Math.max(1, from); i < to;) {
    const { hex, widthMm } = threads[thread[i]!]!;
    const end = Math.min(to, runOf(thread, i, to));
    for (const [colour, share] of [
      [hex, 1],
      ['rgba(255,255,255,0.22)', 0.35],
    ] as const) {
      context.strokeStyle = colour;
      context.lineWidth = Math.max(0.7, widthMm * scale * share);
      context.beginPath();
      for (let k = i; k < end; k++) {
        if (command[k] !== Command.stitch || command[k - 1] !== Command.stitch) continue;
        context.moveTo((x[k - 1]! - left) * scale, (y[k - 1]! - top) * scale);
        context.lineTo((x[k]! - left) * scale, (y[k]! - top) * scale);
      }
      context.stroke();
    }
    i = end;
  }
}

function runOf(thread: Uint8Array, from: number, to: number): number {
  let end = from;
  while (end < to && thread[end] === thread[from]) end++;
  return end;
}
