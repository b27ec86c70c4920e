import { among } from '@/core/document/among';
import { toast } from '@/session/notice';
import { removePieces } from '@/session/edit/commands';
import { useJob } from '@/session/job/jobStore';
import { select } from '@/session/view/viewStore';

/** Removes pieces and says so, with the way back beside it. */
export function removeSaying(ids: readonly string[]): void {
  const chosen = among(ids);
  const names = (useJob.getState().job?.pieces ?? []).filter((p) => chosen(p.id)).map((p) => p.name);
  if (names.length === 0) return;
  const before = useJob.getState().job;
  removePieces(ids);
  const { history, job } = useJob.getState();
  if (job === before) return;
  select(null);
  toast(names.length === 1 ? `‘${names[0]}’ is removed.` : `${names.length} pieces are removed.`, {
    action: { label: 'Undo', onClick: () => useJob.getState().history === history && useJob.getState().undo() },
  });
}
