import { formOf } from '../../pieces/registry';
import { boundsOf, boundsTouch } from '../../geometry/point';
import { apart } from '../../units/directions';
import type { Check } from '../check';

/** Only on large work, with large areas, does the cloth creep one way. */
const LARGE_MM = 150;
const AREA_MM2 = 1500;
const ALIKE_DEG = 15;
const NEAR_MM = 2;
const MOST = 1;

export const sameDirectionSections: Check = {
  rule: 'same-direction-sections',
  severity: 'note',
  title: 'Large neighbouring areas sewn one way',
  find({ job, shaped, figures, middleOf }) {
    if (Math.max(figures.widthMm, figures.heightMm) < LARGE_MM) return [];
    const large = shaped.flatMap(({ shape, settings }, index) =>
      shape && settings?.angle && shape.areaMm2 >= AREA_MM2 && formOf(job.pieces[index]!) === 'rows'
        ? [{ index, box: boundsOf(shape.painted), angle: settings.angle.value }]
        : [],
    );
    const turned = new Set<number>();
    let pairs = 0;
    large.forEach((a, i) =>
      large.slice(i + 1).forEach((b) => {
        if (!boundsTouch(a.box, b.box, NEAR_MM) || apart(a.angle, b.angle) > ALIKE_DEG) return;
        pairs++;
        if (turned.has(a.index) === turned.has(b.index)) turned.add(b.index);
      }),
    );
    if (pairs <= MOST) return [];
    const [first] = turned;
    return [
      {
        pieces: large.map((l) => job.pieces[l.index]!.id),
        at: middleOf(first!),
        measured: pairs,
        limit: MOST,
        unit: '',
        limitFrom: 'alternate directions keep the cloth from creeping',
        message: 'Large neighbouring areas all have their rows in one direction: the cloth is pushed one way.',
        fix: {
          label: 'Turn every second one',
          pieces: [...turned].map((index) => ({
            id: job.pieces[index]!.id,
            settings: { angle: (large.find((l) => l.index === index)!.angle + 90) % 180 },
          })),
        },
      },
    ];
  },
};
