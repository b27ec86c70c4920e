import { sizeGap } from '../../document/size';
import type { Check } from '../check';

/** Work without a drawing is measured as sewn, which is larger than drawn by its compensation: share and mm that may be. */
const SHARE = 0.05;
const ROUGH_MM = 2;
/** What was drawn by hand may have been meant so, unless it is as much off as this share. */
const SURELY = 0.4;

export const sizeDiffers: Check = {
  rule: 'size-differs',
  severity: 'stop',
  title: 'Size that is not the one ordered',
  find({ job, figures }) {
    const { size } = job.brief;
    const side = size.width !== undefined ? 'width' : 'height';
    const asked = size[side];
    if (asked === undefined || job.pieces.length === 0 || figures.widthMm === 0) return [];
    const drawn = job.artwork[0] && job.artwork[0].madeWith !== 'another drawing';
    const sewn = side === 'width' ? figures.widthMm : figures.heightMm;
    const gap = sizeGap(job);
    const made = gap ? gap.madeMm : drawn ? asked : sewn;
    if (!gap && Math.abs(made - asked) <= ROUGH_MM + SHARE * asked) return [];
    return [
      {
        ...(gap || Math.abs(made - asked) > SURELY * asked ? {} : { severity: 'warn' as const }),
        pieces: [],
        at: { x: 0, y: 0 },
        measured: made,
        limit: asked,
        unit: 'mm',
        limitFrom: 'the order of this job',
        message: `Ordered ${asked.toFixed(0)} mm ${side === 'width' ? 'wide' : 'high'}, sewn ${made.toFixed(0)} mm. Lay the artwork out at the size ordered on Art, or change the order.`,
        fix: { label: `Order it ${made.toFixed(1)} mm`, brief: { size: { [side]: Math.round(made * 10) / 10 } } },
      },
    ];
  },
};
