import { changesBetween } from '@/core/compare/changes';
import { sewnChanges } from '@/core/compare/sewn';
import { COMPARE_ROWS, sideOf, type Side } from '@/core/compare/side';
import { heatOnCloth } from '@/core/render/heatOnCloth';
import { drawSewn } from '@/core/render/picture';
import type { Bounds } from '@/core/geometry/point';
import type { ComparedSide } from '../protocol/engine';
import type { Handler } from '../serve';
import { planner } from './kept';
import { pngOf } from './png';
import { planBounds } from '@/core/stitches/planBounds';

const MARGIN_MM = 4;

/** Two jobs as figures and as pictures of one box, so that they can be laid over each other. */
export const compare: Handler<'compare'> = ({ a, b, side }, { progress }) => {
  const one = sideOf(a, planner, (done) => progress(0.45 * done));
  const other = sideOf(b, planner, (done) => progress(0.45 + 0.45 * done));
  const [p, q] = [planBounds(one.plan), planBounds(other.plan)];
  const box = {
    minX: Math.min(p.minX, q.minX),
    minY: Math.min(p.minY, q.minY),
    maxX: Math.max(p.maxX, q.maxX),
    maxY: Math.max(p.maxY, q.maxY),
  };
  const scale = side / (Math.max(box.maxX - box.minX, box.maxY - box.minY) + 2 * MARGIN_MM);
  return {
    output: {
      a: viewOf(one, box, scale),
      b: viewOf(other, box, scale),
      changes: changesBetween(a, b),
      sewn: sewnChanges(one.plan.pieces, other.plan.pieces),
    },
  };
};

function viewOf(side: Side, box: Bounds, scale: number): ComparedSide {
  const sewn = drawSewn(side.job, side.plan, scale, MARGIN_MM, box);
  return {
    figures: Object.fromEntries(COMPARE_ROWS.map((row) => [row.key, row.of(side)])),
    sewn: pngOf(sewn),
    weight: pngOf(heatOnCloth(side.job, side.weight, sewn)),
  };
}
