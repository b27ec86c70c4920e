import type { Job } from '../document/types';

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
    ...(patch ? ['Singeing fuzz with a flame can set thread and cloth on fire; mind the fumes.'] : []),
    ...(foam ? ['Heat that draws in foam can burn and gives off fumes; spray adhesive is flammable: air the room.'] : []),
    ...(brief.cloth === 'soluble-film' ? ['Dissolving baths: follow the film’s own sheet.'] : []),
    'The machine’s manual and your local rules come before this sheet.',
  ];
}
