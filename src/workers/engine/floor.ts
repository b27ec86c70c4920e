import { without } from '@/core/document/without';
import { copiesOf, floorHoop, laidOut, placed } from '@/core/production/floor';
import { produce } from '@/core/production/produce';
import { worksheetOf } from '@/core/production/worksheet';
import { drawSewn } from '@/core/render/picture';
import type { Handler } from '../serve';
import { planner } from './kept';
import { pngOf } from './png';

/** Pixels per mm of the picture of one copy, and the cloth shown round it, mm. */
const SCALE = 5;
const MARGIN_MM = 0.5;

/** What is sewn in one go, what a quantity of it takes, and a picture of one copy. */
export const floor: Handler<'floor'> = ({ job, habits }, { progress }) => {
  const plan = planner.plan(job, (done) => progress(0.8 * done));
  const laid = laidOut(job, plan);
  const { sheet, box } = laid;
  const made = produce(
    { job: sheet.job, plan: sheet.plan, perHoop: copiesOf(job).length, hoop: floorHoop(job), quantity: job.brief.quantity },
    { habits, rates: null },
  );
  return {
    output: {
      ...without(made, 'job', 'price'),
      ...{ order: sheet.order, orders: laid.orders, proposed: laid.proposed, box, clear: laid.clear, onOther: laid.onOther },
      sheet: worksheetOf({ job: sheet.job, plan: sheet.plan }),
      png: pngOf(drawSewn(job, plan, SCALE, MARGIN_MM, box)),
      marginMm: MARGIN_MM,
    },
  };
};

/** Places for copies, as they are asked for. */
export const place: Handler<'place'> = ({ job, asked }, { progress }) => ({ output: placed(job, planner.plan(job, progress), asked) });
