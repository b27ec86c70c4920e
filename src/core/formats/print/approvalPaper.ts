import type { Content, ContentTable, TableCell } from 'pdfmake/interfaces';
import { recipeFor } from '../../cloth/house';
import { approvalWords, stillApproved } from '../../document/folder';
import type { Job } from '../../document/types';
import { measurePlan } from '../../plan/measure';
import type { StitchPlan } from '../../plan/plan';
import { formatLength } from '../../units/length';
import type { Worksheet } from '../../production/worksheet';
import { QUIET, type Write } from './paper';

/** What the customer agrees to, without what only the shop needs: how it will look, its size, threads and place, and room to sign. */
export function approvalPaper(
  { job, plan, sheet, on, small }: { job: Job; plan: StitchPlan; sheet: Worksheet; on: string; small: string },
  write: Write,
): Content[] {
  const f = measurePlan(job, plan);
  const units = job.brief.units ?? 'mm';
  const changed = stillApproved(job) === false;
  const rows: [string, string][] = [
    ['Size', `${formatLength(f.widthMm, units)} × ${formatLength(f.heightMm, units)}`],
    ['On', [job.brief.garment, recipeFor(job.brief).name].filter(Boolean).join(', ')],
    ...(sheet.hang ? ([['Where', `${sheet.hang.title}. ${sheet.hang.lines[0]!}`]] as [string, string][]) : []),
    ['Threads', job.threads.map((t) => `${t.code} ${t.name}`).join(', ')],
    ['Quantity', String(job.brief.quantity)],
  ];
  return [
    ...sheet.shop.map((line, i): Content => write(line, { fontSize: 9, color: QUIET, alignment: 'right', bold: i === 0 })),
    write(`For approval: ${job.name}`, { fontSize: 20, bold: true, margin: [0, sheet.shop.length > 0 ? 8 : 0, 0, 2] }),
    write(`As it stood on ${on}. The picture shows it as it will look sewn, at real size on the next page.`, {
      color: QUIET,
      margin: [0, 0, 0, 12],
    }),
    {
      columns: [
        { image: small, fit: [190, 190], width: 206 },
        {
          table: { widths: [60, '*'], body: rows.map(([name, words]): TableCell[] => [write(name, { color: QUIET }), write(words)]) },
          layout: 'noBorders',
          width: '*',
        },
      ],
    },
    ...(job.approval
      ? [write(`${approvalWords(job.approval)}.${changed ? ' It was changed since.' : ''}`, { bold: true, margin: [0, 14, 0, 0] })]
      : []),
    signature(write),
  ];
}

function signature(write: Write): Content {
  const cell = (text: string): TableCell => ({ stack: [write(text, { fontSize: 8, color: QUIET })], margin: [0, 0, 0, 26] });
  const box: ContentTable = {
    table: { widths: ['*', '*', '*'], body: [[cell('Approved, or what is to be changed'), cell('Name and signature'), cell('Date')]] },
    layout: { hLineWidth: () => 0.75, vLineWidth: () => 0.75, hLineColor: () => '#858f8c', vLineColor: () => '#858f8c' },
  };
  return { stack: [box], margin: [0, 18, 0, 0], unbreakable: true };
}
