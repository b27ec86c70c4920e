import { threadWidth } from '@/core/cloth/threadWidth';
import { writeCsv } from '@/core/formats/csv';
import { laidOut } from '@/core/production/floor';
import { stopsOf } from '@/core/production/stops';
import { fitted } from '@/core/production/profile/fitted';
import { requireField } from '@/core/production/profile/field';
import type { Handler } from '../serve';
import { plansFor } from './kept';

/** The Floor's hoop as a stitch list that the machine can sew. */
export const machineFile: Handler<'machineFile'> = ({ job, machine }, { progress }) => {
  const { sheet } = laidOut(job, plansFor(job, progress));
  requireField(sheet.plan, machine);
  const { plan } = fitted(sheet.plan, machine);
  const { threads } = sheet.job;
  const order = [...new Set(stopsOf(sheet.job, plan, machine.speed).map((s) => threads[s.thread]!.id))];
  const { x, y, command, thread } = plan;
  const output = {
    csv: writeCsv(
      plan,
      threads.map((t) => t.id),
    ),
    ...{ x, y, command, thread, order },
    threads: threads.map((t) => ({ id: t.id, hex: t.hex, widthMm: threadWidth(t.weight) })),
  };
  return { output, transfer: [x.buffer, y.buffer, command.buffer, thread.buffer] };
};
