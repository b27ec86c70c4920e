import type { MachineWords } from '../document/shop/profile';
import type { Job } from '../document/types';
import type { StitchPlan } from '../plan/plan';
import { Command } from '../stitches/roles';
import { writeGcode } from './gcode';
import { readGcode } from './readGcode';

/** A stretch of lines as they will stand in the file. */
export interface MotionExcerpt {
  title: string;
  /** Number of its first line, from 1. */
  from: number;
  lines: string[];
}

export interface MotionCheck {
  lines: number;
  excerpts: MotionExcerpt[];
  /** What is different when the file is read back; null when it is the same plan. */
  differs: string | null;
}

const AROUND = 3;
/** Places are written to a thousandth, mm. */
const TOLERANCE_MM = 0.0006;

/** What a plan becomes in a machine's words: its beginning, its first cut, its first stop and its end; and whether it reads back as the same plan. */
export function motionCheck(job: Job, plan: StitchPlan, words: MachineWords): MotionCheck {
  const text = writeGcode(job, plan, words);
  const lines = text.trimEnd().split('\n');
  const about = (title: string, at: number): MotionExcerpt[] => {
    if (at < 0) return [];
    const from = Math.max(0, at - AROUND);
    return [{ title, from: from + 1, lines: lines.slice(from, at + AROUND + 1) }];
  };
  return {
    lines: lines.length,
    excerpts: [
      { title: 'It begins', from: 1, lines: lines.slice(0, 9) },
      ...about('First cut', lines.indexOf(words.trim)),
      ...about('First stop', lines.indexOf(words.stop)),
      ...about('It ends', lines.length - 1),
    ],
    differs: differenceOf(plan, text, words),
  };
}

function differenceOf(plan: StitchPlan, text: string, words: MachineWords): string | null {
  let back: ReturnType<typeof readGcode>;
  try {
    back = readGcode(text, words);
  } catch (error) {
    return (error as Error).message;
  }
  const n = plan.x.length;
  if (back.x.length !== n) return `It reads back as ${back.x.length} events instead of ${n}: two of the words mean the same.`;
  const order = [...new Set(plan.thread)];
  for (let i = 0; i < n; i++) {
    const at = `event ${i + 1}`;
    if (back.command[i] !== plan.command[i]) return `At ${at} it reads back as something else: two of the words mean the same.`;
    const moves = plan.command[i] === Command.stitch || plan.command[i] === Command.jump;
    if (moves && Math.max(Math.abs(back.x[i]! - plan.x[i]!), Math.abs(back.y[i]! - plan.y[i]!)) > TOLERANCE_MM)
      return `At ${at} it reads back at another place.`;
    if (back.thread[i] !== order.indexOf(plan.thread[i]!)) return `At ${at} it reads back in another thread.`;
  }
  return null;
}
