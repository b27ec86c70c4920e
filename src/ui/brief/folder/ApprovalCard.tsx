'use client';
import { useState } from 'react';
import { toast } from '@/session/notice';
import { approvalWords, dayOf, stillApproved } from '@/core/document/folder';
import { download, fileStem } from '@/platform/files';
import { approve, withdrawApproval } from '@/session/edit/folderCommands';
import { useJob } from '@/session/job/jobStore';
import { useLibrary } from '@/session/shop/libraryStore';
import { engine } from '@/workers/client';
import { Button } from '../../components/Button';
import { DraftField } from '../../components/TextField';

/** What the customer is shown, and that they agreed. */
export function ApprovalCard() {
  const job = useJob((s) => s.job)!;
  const shop = useLibrary((s) => s.library.shop);
  const [by, setBy] = useState('');
  const [note, setNote] = useState('');
  const [busy, setBusy] = useState(false);
  const still = stillApproved(job);
  const print = async (): Promise<void> => {
    setBusy(true);
    try {
      const { name, address, paper } = shop;
      const { data } = await engine.call('paper', { job, on: dayOf(new Date()), shop: { name, address }, paper });
      download(`${fileStem(job.name)}-for-approval.pdf`, data);
    } catch (error) {
      toast.error((error as Error).message);
    } finally {
      setBusy(false);
    }
  };
  return (
    <section aria-label="Approval" className="rounded-md border border-hairline bg-panel p-5">
      <div className="mb-3 flex items-center gap-3">
        <h2 className="flex-1 text-lg font-semibold">Approval</h2>
        <Button disabled={busy || job.pieces.length === 0} onClick={() => void print()}>
          {busy ? 'Drawing …' : 'Picture to approve, as PDF'}
        </Button>
      </div>
      {job.approval ? (
        <div data-testid="approval" className="grid gap-2">
          <p className="font-semibold">{approvalWords(job.approval)}</p>
          {still === false && (
            <p role="status" className="text-danger">
              Pieces, threads or cloth were changed since. Ask again before it is sewn.
            </p>
          )}
          <div className="flex gap-2">
            {still === false && (
              <Button onClick={() => approve(job.approval!.by, job.approval!.note ?? '')}>It is agreed as it is now</Button>
            )}
            <Button look="quiet" onClick={withdrawApproval}>
              Take it back
            </Button>
          </div>
        </div>
      ) : (
        <form
          className="grid grid-cols-[1fr_1fr_auto] items-end gap-2 max-sm:grid-cols-1"
          onSubmit={(e) => {
            e.preventDefault();
            approve(by.trim(), note.trim());
          }}
        >
          <DraftField label="Approved by" maxLength={120} value={by} onChange={setBy} />
          <DraftField label="What they said" maxLength={2000} value={note} onChange={setNote} />
          <Button type="submit" disabled={job.pieces.length === 0}>
            Approved today
          </Button>
        </form>
      )}
    </section>
  );
}
