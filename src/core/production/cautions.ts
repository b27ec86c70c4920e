import type { Job, Piece } from '../document/types';
import { flattenSubpath, parsePath } from '../geometry/path';
import { boundsOf, distance } from '../geometry/point';

/** A round column about so small an open middle is an eyelet, mm. */
const EYELET = { widest: 14, hole: 2, round: 1.25 };

/** Whether a piece is sewn round a hole that a blade may cut. */
export function isEyelet({ kind, line, width }: Piece): boolean {
  if (kind !== 'satin' || line === undefined || width === undefined) return false;
  const [sub, ...more] = parsePath(line);
  if (!sub || more.length > 0) return false;
  const ring = flattenSubpath(sub);
  if (ring.length < 8 || !(sub.closed || distance(ring[0]!, ring[ring.length - 1]!) < 0.1)) return false;
  const b = boundsOf([ring]);
  const [w, h] = [b.maxX - b.minX, b.maxY - b.minY];
  const long = Math.max(w, h);
  return long + width <= EYELET.widest && Math.min(w, h) - width >= EYELET.hole && long <= EYELET.round * Math.min(w, h);
}

/** What can hurt with a job, once and in plain words; the machine's manual and local rules come first (craft §11). */
export function cautionsFor({ brief, pieces }: Pick<Job, 'brief' | 'pieces'>): string[] {
  const foam = pieces.some((p) => (p.settings.foam ?? 0) > 0);
  const cut = pieces.some((p) => p.kind === 'applique');
  const patch = brief.place === 'patch' || brief.cloth === 'patch';
  const thick = foam || ['cap', 'leather'].includes(brief.cloth);
  return [
    'Trace the hoop’s outline before the first run, so that the needle cannot hit the frame; keep fingers away from a moving needle.',
    ...(thick ? ['Needles can break on thick work: protect your eyes.'] : []),
    ...(cut || patch ? ['Blades: cut away from hand and stitches.'] : []),
    ...(pieces.some(isEyelet)
      ? [
          'Eyelets: where the machine cuts the hole with a blade, keep hands away until it stands still, and change the blade as its manual says.',
        ]
      : []),
    ...(patch ? ['Singeing fuzz with a flame can set thread and cloth on fire; mind the fumes.'] : []),
    ...(foam ? ['Heat that draws in foam can burn and gives off fumes; spray adhesive is flammable: air the room.'] : []),
    ...(brief.cloth === 'soluble-film' ? ['Dissolving baths: follow the film’s own sheet.'] : []),
    'The machine’s manual and your local rules come before this sheet.',
  ];
}
