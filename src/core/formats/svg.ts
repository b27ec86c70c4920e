import type { Job } from '../document/types';
import type { StitchPlan } from '../plan/plan';
import { Command } from '../plan/roles';

const escape = (s: string): string => s.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);
const num = (v: number): string => String(Math.round(v * 1000) / 1000);

/** Layered drawing at real size: artwork outlines of the pieces, and the stitches by piece. Root in mm, centred. */
export function writeSvg(job: Job, plan: StitchPlan): string {
  const { width, height } = job.brief.hoop;
  const threads = new Map(job.threads.map((t) => [t.id, t]));
  const shapes = job.pieces.map((p) => {
    const hex = threads.get(p.thread)?.hex ?? '#000000';
    const d = p.area ?? p.line ?? p.sides?.join(' ') ?? '';
    const paint = p.area ? `fill="${hex}" fill-rule="evenodd"` : `fill="none" stroke="${hex}" stroke-width="${num(p.width ?? 0.4)}"`;
    return `    <path id="piece-${escape(p.id)}" d="${escape(d)}" ${paint}><title>${escape(p.name)}</title></path>`;
  });
  const stitches = job.pieces.map((p, i) => {
    const hex = threads.get(p.thread)?.hex ?? '#000000';
    return `    <path id="stitches-${escape(p.id)}" d="${stitchData(plan, i)}" stroke="${hex}"/>`;
  });
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${num(width)}mm" height="${num(height)}mm" viewBox="${num(-width / 2)} ${num(-height / 2)} ${num(width)} ${num(height)}">`,
    `  <title>${escape(job.name)}</title>`,
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

function stitchData(plan: StitchPlan, piece: number): string {
  const parts: string[] = [];
  let drawing = false;
  for (let i = 0; i < plan.x.length; i++) {
    if (plan.piece[i] !== piece || plan.command[i] !== Command.stitch) {
      drawing = false;
      continue;
    }
    parts.push(`${drawing ? 'L' : 'M'}${num(plan.x[i]!)},${num(plan.y[i]!)}`);
    drawing = true;
  }
  return parts.join('');
}
