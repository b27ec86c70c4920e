import type { Job } from '../document/types';
import { ringsToData } from '../geometry/path';
import { prepareShape } from '../pieces/registry';
import type { StitchPlan } from '../plan/plan';
import { Command } from '../stitches/roles';
import { xmlText } from './escape';

const num = (v: number): string => String(Math.round(v * 1000) / 1000);

/** Layered drawing at real size: artwork outlines of the pieces, and the stitches by piece. Root in mm, centred. */
export function writeSvg(job: Job, plan: StitchPlan): string {
  const { width, height } = job.brief.hoop;
  const threads = new Map(job.threads.map((t) => [t.id, t]));
  const shapes = job.pieces.map((p) => {
    const hex = threads.get(p.thread)?.hex ?? '#000000';
    const painted = p.lettering && prepareShape(p)?.painted;
    const d = painted ? ringsToData(painted) : (p.area ?? p.line ?? p.sides?.join(' ') ?? '');
    const paint =
      p.area || painted ? `fill="${hex}" fill-rule="evenodd"` : `fill="none" stroke="${hex}" stroke-width="${num(p.width ?? 0.4)}"`;
    return `    <path id="piece-${xmlText(p.id)}" d="${xmlText(d)}" ${paint}><title>${xmlText(p.name)}</title></path>`;
  });
  const sewn = stitchData(job, plan);
  const stitches = job.pieces.map((p, i) => {
    const hex = threads.get(p.thread)?.hex ?? '#000000';
    return `    <path id="stitches-${xmlText(p.id)}" d="${sewn[i]!.join('')}" stroke="${hex}"/>`;
  });
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${num(width)}mm" height="${num(height)}mm" viewBox="${num(-width / 2)} ${num(-height / 2)} ${num(width)} ${num(height)}">`,
    `  <title>${xmlText(job.name)}</title>`,
    `  <g id="pieces" opacity="0.35">`,
    ...shapes,
    `  </g>`,
    `  <g id="stitches" fill="none" stroke-width="0.4" stroke-linecap="round" stroke-linejoin="round">`,
    ...stitches,
    `  </g>`,
    `</svg>`,
    '',
  ].join('\n');
}

/** Path data of each piece's stitches, in parts. */
function stitchData(job: Job, plan: StitchPlan): string[][] {
  const parts: string[][] = job.pieces.map(() => []);
  let drawing = -1;
  for (let i = 0; i < plan.x.length; i++) {
    const piece = plan.command[i] === Command.stitch ? plan.piece[i]! : -1;
    parts[piece]?.push(`${drawing === piece ? 'L' : 'M'}${num(plan.x[i]!)},${num(plan.y[i]!)}`);
    drawing = piece;
  }
  return parts;
}
