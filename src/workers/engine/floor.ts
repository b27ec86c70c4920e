import type { Job } from '@/core/document/types';
import { without } from '@/core/document/without';
import { countedCopies, floorHoop, laidOut, otherCloths, placed } from '@/core/production/floor';
import { produce } from '@/core/production/produce';
import { stitchesOf } from '@/core/plan/measure';
import { worksheetOf } from '@/core/production/worksheet';
import { drawSewn } from '@/core/render/picture';
import type { Handler } from '../serve';
import { plansFor } from './kept';
import { pngOf } from './png';

/** Pixels per mm of the picture of one copy, and the cloth shown round it, mm. */
const SCALE = 5;
const MARGIN_MM = 0.5;

/** What is sewn in one go, what a quantity of it takes, and a picture of one copy of each design. */
export const floor: Handler<'floor'> = ({ job, habits }, { progress }) => {
  const laid = laidOut(
    job,
    plansFor(job, (done) => progress(0.8 * done)),
  );
  const { sheet, designs } = laid;
  const made = produce(
    {
      job: sheet.job,
      plan: sheet.plan,
      perHoop: countedCopies(job),
      share: laid.share,
      hoop: floorHoop(job),
      quantity: job.brief.quantity,
    },
    { habits, rates: null },
  );
  return {
    output: {
      ...without(made, 'job', 'price'),
      ...{ order: sheet.order, orders: laid.orders, proposed: laid.proposed, clear: laid.clear, onOther: laid.onOther },
      designs: designs.map((d) => ({
        ...{ name: d.name, box: d.box, stitches: stitchesOf(d.plan) },
        ...(d.id === undefined ? {} : { id: d.id }),
        png: pngOf(drawSewn(onClothOf(job, d.job), d.plan, SCALE, MARGIN_MM, d.box)),
      })),
      notes: otherCloths(job),
      sheet: worksheetOf({ job: sheet.job, plan: sheet.plan, of: job }),
      marginMm: MARGIN_MM,
    },
  };
};

/** What lies in one hoop lies on one cloth. */
const onClothOf = ({ brief }: Job, job: Job): Job => ({
  ...job,
  brief: { ...without(job.brief, 'clothHex'), cloth: brief.cloth, ...(brief.clothHex === undefined ? {} : { clothHex: brief.clothHex }) },
});

/** Places for copies, as they are asked for. */
export const place: Handler<'place'> = ({ job, asked }, { progress }) => ({ output: placed(job, plansFor(job, progress), asked) });
