import type { StitchPlan } from '../plan/plan';
import { COMMANDS, ROLES } from '../stitches/roles';
import { csvCell } from './escape';

export const CSV_HEADER = 'x_mm,y_mm,command,role,piece,thread';

/** The stitch list: one row per needle event, three decimals, x right, y down from the hoop's centre. */
export function writeCsv(plan: StitchPlan, threadIds: readonly string[]): string {
  const lines: string[] = [CSV_HEADER];
  const pieces = plan.pieces.map((p) => csvCell(p.id));
  const threads = threadIds.map(csvCell);
  for (let i = 0; i < plan.x.length; i++) {
    const piece = pieces[plan.piece[i]!] ?? '';
    const thread = threads[plan.thread[i]!] ?? '';
    lines.push(`${three(plan.x[i]!)},${three(plan.y[i]!)},${COMMANDS[plan.command[i]!]!},${ROLES[plan.role[i]!]!},${piece},${thread}`);
  }
  return lines.join('\n') + '\n';
}

function three(v: number): string {
  const text = v.toFixed(3);
  return text === '-0.000' ? '0.000' : text;
}
