import { toast } from '@/session/notice';
import { create } from 'zustand';
import { faceOf } from '@/core/lettering/faces';
import { prover } from '@/workers/client';
import { among } from '@/core/document/among';
import { textInPlaceOf } from '../edit/letteringCommands';
import { useJob } from '../job/jobStore';
import { selectAll } from '../view/viewStore';
import { IDLE, Task, type TaskState } from './task';

/** Work on a text in the place of shapes. */
export const useTextOver = create<TaskState>(() => ({ ...IDLE }));

const task = new Task((state) => useTextOver.setState(state));

/** Puts a text in the place of shapes that are its letters, as like them as a face of our own allows. */
export function layTextOver(text: string, ids: readonly string[]): void {
  const { job } = useJob.getState();
  if (!job) return;
  const chosen = among(ids);
  const shapes = job.pieces.filter((p) => chosen(p.id));
  void task.run(
    (options) => prover.call('textOver', { text, shapes }, options),
    (found) => {
      if (!found) throw new Error('No face has these letters, or the shapes paint nothing.');
      if (useJob.getState().job !== job) throw new Error('The job was changed meanwhile; ask again.');
      selectAll([textInPlaceOf(ids, found.lettering)]);
      const { face, height } = found.lettering;
      toast(`Set in ${faceOf(face)?.name}, ${height.toFixed(1)} mm high; it covers ${Math.round(100 * found.likeness)} % of what the shapes covered.`); // prettier-ignore
    },
  );
}
