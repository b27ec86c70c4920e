import type { Content, TableCell } from 'pdfmake/interfaces';
import type { Job } from '../../document/types';
import type { StitchPlan } from '../../plan/plan';
import { cardMeasures } from '../../sewouts/card/card';
import { rulersSvg } from '../../sewouts/card/rulers';
import { planBounds } from '../../stitches/planBounds';
import { POINTS_PER_MM, QUIET, type Write } from './paper';
import { stitchedSvg } from './stitchedSvg';

const ABOUT_MM = 4;

/** The sheet beside a calibration card: the card at real size with its rulers by number, and room for what they read. */
export function cardPaper(job: Job, plan: StitchPlan, write: Write): Content[] {
  const own = planBounds(plan);
  const box = { minX: own.minX - ABOUT_MM, minY: own.minY - ABOUT_MM, maxX: own.maxX + ABOUT_MM, maxY: own.maxY + ABOUT_MM };
  const svg = stitchedSvg(job, plan, box).replace('</svg>', `${rulersSvg()}</svg>`);
  const cell = (text: string): TableCell => write(text, { fontSize: 8.5 });
  const rows = cardMeasures().map((m, i): TableCell[] => [
    cell(String(i + 1)),
    cell(`${m.what}${m.drawnMm > 0 && !m.what.includes(String(m.drawnMm)) ? ` (drawn ${m.drawnMm} mm)` : ''}`),
    cell(`……… ${job.brief.units ?? 'mm'}`),
  ]);
  return [
    write(job.name, { fontSize: 20, bold: true }),
    write('Sew it once on the cloth itself, as you would a job. Lay the ruler while it is still in the hoop, to 0.1 mm.', {
      color: QUIET,
      margin: [0, 2, 0, 10],
    }),
    { svg, width: (box.maxX - box.minX) * POINTS_PER_MM, height: (box.maxY - box.minY) * POINTS_PER_MM },
    write('At real size. Print at 100 %, not fitted to the page.', { fontSize: 8, color: QUIET, margin: [0, 4, 0, 8] }),
    {
      columns: [rows.slice(0, 8), rows.slice(8)].map((body) => ({
        table: { widths: [14, '*', 48], body },
        layout: 'lightHorizontalLines',
      })),
      columnGap: 16,
    },
  ];
}
