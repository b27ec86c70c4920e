'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect } from 'react';
import { toast } from 'sonner';
import { useJob } from '@/session/job/jobStore';
import { askToEdit } from '@/session/job/jobTabs';
import { placeHref } from '../places';
import { Button } from './Button';
import { SizeNotice } from './SizeNotice';
import { StorageBanner } from './StorageBanner';
import { takeAway } from './takeAwayFile';

const SaveToFile = () => (
  <Button dense onClick={() => void takeAway('cobble')}>
    Save this job to a file
  </Button>
);

/** Whether what is open is kept, and who edits it: said where it is not as one would expect. */
export function JobNotices() {
  const problem = useJob((s) => s.problem);
  const role = useJob((s) => s.role);
  const conflict = useJob((s) => s.conflict);
  useRefusals();
  useNotice();
  return (
    <>
      <StorageBanner>
        <SaveToFile />
      </StorageBanner>
      {problem && (
        <div role="alert" className="flex items-center gap-3 bg-danger px-4 py-2 text-white">
          <span>{problem}</span>
          <SaveToFile />
        </div>
      )}
      {role !== 'follower' && !conflict && <SizeNotice />}
      {conflict ? <ConflictBar conflict={conflict} /> : role === 'follower' && <FollowBar />}
    </>
  );
}

function FollowBar() {
  return (
    <div role="status" data-testid="follower" className="flex items-center gap-3 bg-tape-soft px-4 py-2">
      <span>Another tab edits this job; here you see what it makes of it.</span>
      <Button dense look="primary" onClick={() => void askToEdit()}>
        Edit it in this tab
      </Button>
    </div>
  );
}

function ConflictBar({ conflict }: { conflict: 'changed' | 'removed' }) {
  const router = useRouter();
  const keep = async (): Promise<void> => {
    try {
      router.push(placeHref(await useJob.getState().keepAsNew(), 'bench'));
    } catch (error) {
      toast.error((error as Error).message);
    }
  };
  return (
    <div role="alert" data-testid="conflict" className="flex flex-wrap items-center gap-3 bg-tape-soft px-4 py-2">
      <span>
        {conflict === 'changed'
          ? 'This job was changed in another tab after it was opened here. What is on this screen is not saved.'
          : 'This job was removed in another tab. What is on this screen is not saved.'}
      </span>
      {conflict === 'changed' && (
        <Button dense onClick={() => void useJob.getState().takeKept()}>
          Take the other tab’s version
        </Button>
      )}
      <Button dense onClick={() => void keep()}>
        Keep this one as a job of its own
      </Button>
      {conflict === 'removed' && (
        <Link href="/" className="underline decoration-dotted underline-offset-4">
          To the shelf
        </Link>
      )}
    </div>
  );
}

/** A change that is not taken says why: nothing seems broken that only belongs to another tab. */
function useRefusals(): void {
  const refusals = useJob((s) => s.refusals);
  useEffect(() => {
    if (refusals > 0) toast('Not changed: another tab edits this job. Press ‘Edit it in this tab’ first.', { id: 'refused' });
  }, [refusals]);
}

function useNotice(): void {
  const notice = useJob((s) => s.notice);
  useEffect(() => {
    if (!notice) return;
    toast(notice, { duration: 15_000 });
    useJob.setState({ notice: null });
  }, [notice]);
}
