import { formOf } from '../../pieces/registry';
import { contains } from '../../geometry/area';
import { distanceTo } from '../../geometry/line';
import type { Point } from '../../geometry/point';
import { Role } from '../../stitches/roles';
import type { Shaped } from '../../pieces/prepare/shaped';
import { perPiece, type Check } from '../check';
import { AREA_INSET_MM, HIDES_TO_MM } from '../../units/craft';

/** Underlay stays this far inside the cover (craft §4), mm; needle and rounding may take a little of it. */
const LEAST_MM = 0.4;
const ROUGH_MM = 0.15;
/** In narrow columns underlay is a centre run, which is as far inside as it can be, mm. */
const NARROW_MM = 2;

/** Whether something sewn later lies over a place so densely that what is beneath is not seen. */
const coveredLater = (shaped: readonly Shaped[], index: number, at: Point): boolean =>
  shaped
    .slice(index + 1)
    .some(
      ({ piece, shape, settings }) =>
        formOf(piece) !== 'line' && shape !== null && (settings?.spacing?.value ?? 0) <= HIDES_TO_MM && contains(shape.painted, at),
    );

export const underlayOutside: Check = {
  rule: 'underlay-outside',
  severity: 'warn',
  title: 'Underlay that shows beside its cover',
  find: perPiece(({ piece, index, shape, settings }, { plan, shaped }) => {
    const layers = settings.underlay?.value ?? [];
    if (layers.length === 0 || shape.facts.widthMm < NARROW_MM || !layers.some((l) => l.inset !== undefined)) return null;
    const { from, to } = plan.pieces[index]!;
    const rings = shape.painted.map((ring) => [...ring, ring[0]!]);
    let worst = { inside: Infinity, at: { x: 0, y: 0 } };
    for (let i = from; i < to; i++) {
      if (plan.role[i] !== Role.underlay) continue;
      const at = { x: plan.x[i]!, y: plan.y[i]! };
      const away = Math.min(...rings.map((ring) => distanceTo(ring, at)));
      const inside = contains(shape.painted, at) ? away : -away;
      if (inside < worst.inside && !coveredLater(shaped, index, at)) worst = { inside, at };
    }
    // What the rules lay keeps inside the cover as sewn, which is wider than the drawn shape.
    const byHand = settings.underlay!.from === 'hand';
    if (worst.inside >= (byHand ? LEAST_MM - ROUGH_MM : -(settings.pullComp?.value ?? 0) - ROUGH_MM)) return null;
    return {
      at: worst.at,
      measured: worst.inside,
      limit: LEAST_MM,
      unit: 'mm',
      limitFrom: 'what cover needs to hide underlay',
      message:
        worst.inside < 0
          ? 'Underlay is sewn outside its cover and will be seen.'
          : 'Underlay lies so near the edge that it will peep out beside the cover.',
      fix: {
        label: 'Draw it in',
        pieces: [
          {
            id: piece.id,
            settings: { underlay: layers.map((l) => ((l.inset ?? AREA_INSET_MM) < LEAST_MM ? { ...l, inset: AREA_INSET_MM } : l)) },
          },
        ],
      },
    };
  }),
};
