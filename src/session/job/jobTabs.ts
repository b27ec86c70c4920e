import { leaseOf, type Lease } from '@/platform/lease';
import { onNews, tellTabs } from '@/platform/tabs';
import { allKept, useJob } from './jobStore';

/*
 * Several tabs on one job: one edits, the others show what it makes of the job as it is saved, and may ask for it. The tab that is
 * asked puts its work away, says so, and follows from then on. One that does not answer loses the job after a while: it writes
 * nothing more from then on, and keeps what it had not saved as a version.
 */

/** A tab that waits longer than this for the right to edit only shows the job. */
const FOLLOW_AFTER_MS = 400;
/** A tab that was asked for the job and does not answer so long has stopped. */
const ANSWER_WITHIN_MS = 2000;

let lease: Lease | null = null;
let held: string | null = null;
let entered = 0;
let asking: (() => void) | null = null;

/** Opens a job in this tab and follows what other tabs do to it. @returns a function that leaves it */
export function enterJob(id: string): () => void {
  const turn = ++entered;
  const { load } = useJob.getState();
  void load(id);
  obtain(id);
  const stop = onNews((news) => {
    if (news.id === id) hear(news.kind);
  });
  return () => {
    stop();
    void leaveJob(turn);
  };
}

/** The right to edit goes when everything is put away, unless the same tab has come back meanwhile. */
async function leaveJob(turn: number): Promise<void> {
  await useJob.getState().flush();
  if (turn !== entered) return;
  lease?.stop();
  lease = held = null;
}

function obtain(id: string): void {
  if (held === id) return;
  lease?.stop();
  held = id;
  useJob.setState({ role: 'waiting' });
  const wait = setTimeout(() => {
    if (held === id && useJob.getState().role === 'waiting') void following();
  }, FOLLOW_AFTER_MS);
  lease = leaseOf(id, (got) => {
    if (held !== id) return;
    clearTimeout(wait);
    void (got ? became() : lost());
  });
}

async function became(): Promise<void> {
  const { role, job, load } = useJob.getState();
  // What was shown may be older than what the other tab saved last.
  if (role === 'follower' && job) await load(job.id);
  useJob.setState({ role: 'editor' });
  await useJob.getState().takeUp();
  // What was changed before the right was there waited for it.
  if (role === 'waiting' && !allKept()) await useJob.getState().flush();
}

/** Another tab has the right to edit. What was changed here before that was known gives way to what that tab makes of the job. */
async function following(): Promise<void> {
  useJob.setState({ role: 'follower' });
  if (allKept()) return;
  await useJob.getState().takeKept();
  useJob.setState({ notice: 'Another tab edits this job; what you had just changed here was not kept.' });
}

async function lost(): Promise<void> {
  useJob.setState({ role: 'follower' });
  await useJob.getState().giveWay();
}

function hear(kind: 'saved' | 'removed' | 'ask' | 'yielded'): void {
  const { job, load } = useJob.getState();
  if (!job) return;
  if (kind === 'saved') void load(job.id);
  else if (kind === 'removed') useJob.setState({ conflict: 'removed' });
  else if (kind === 'yielded') asking?.();
  else if (useJob.getState().role === 'editor') void yieldJob(job.id);
}

async function yieldJob(id: string): Promise<void> {
  // Whoever waited too long for an answer has taken it already.
  if (!lease?.holds()) return;
  useJob.setState({ role: 'follower' });
  await useJob.getState().flush();
  tellTabs('yielded', id);
  // Whoever asked may be gone by now; nobody then edits, and this tab may go on.
  setTimeout(() => {
    if (held === id && lease?.holds()) useJob.setState({ role: 'editor' });
  }, 2 * ANSWER_WITHIN_MS);
}

/** Takes the job over from the tab that edits it, once that has put its work away. */
export async function askToEdit(): Promise<void> {
  const { job } = useJob.getState();
  if (!job || !lease) return;
  await new Promise<void>((done) => {
    const timer = setTimeout(done, ANSWER_WITHIN_MS);
    asking = () => {
      clearTimeout(timer);
      done();
    };
    tellTabs('ask', job.id);
  });
  asking = null;
  lease?.take();
}
