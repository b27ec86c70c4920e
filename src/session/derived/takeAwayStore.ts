import { create } from 'zustand';
import { sizeGap, type SizeGap } from '@/core/document/size';
import type { MachineProfile } from '@/core/document/shop/profile';
import type { Job } from '@/core/document/types';
import type { Paper } from '@/core/document/shop/identity';
import type { ExportFormat } from '@/core/formats/registry';
import type { Finding } from '@/core/proof/finding';
import { prover } from '@/workers/client';
import { useProof } from './proofStore';
import { isGivenUp } from './task';

/** The design alone, or all copies of the Floor; as planned, or as a machine can sew it. */
export interface TakenAs {
  sheet?: boolean;
  machine?: MachineProfile;
  shop?: { name: string; address: string };
  paper?: Paper;
}

/** Why somebody should look before a file leaves. */
export interface Misgivings {
  extension: ExportFormat['extension'];
  how: TakenAs;
  severe: readonly Finding[];
  size: SizeGap | null;
  /** All that the proof found, for the worksheet. */
  findings: readonly Finding[];
}

interface TakeAwayState {
  checking: AbortController | null;
  asking: Misgivings | null;
}

/** What stands between a job and its files: the proof is looked at before they leave. */
export const useTakeAway = create<TakeAwayState>(() => ({ checking: null, asking: null }));

async function findingsOf(job: Job, signal: AbortSignal): Promise<readonly Finding[]> {
  const { of, findings } = useProof.getState();
  return of === job ? findings : prover.call('prove', { job }, { signal });
}

/**
 * Looks whether a job may leave as it is. @returns its findings when it may, null when the person is asked first or gave up
 * @throws WorkerError when the proof cannot be worked out
 */
export async function mayLeave(job: Job, extension: ExportFormat['extension'], how: TakenAs): Promise<readonly Finding[] | null> {
  useTakeAway.getState().checking?.abort();
  const checking = new AbortController();
  useTakeAway.setState({ checking });
  try {
    const findings = await findingsOf(job, checking.signal);
    const severe = findings.filter((f) => f.severity === 'stop' && f.accepted === undefined);
    const size = sizeGap(job);
    if (severe.length === 0 && !size) return findings;
    useTakeAway.setState({ asking: { extension, how, severe, size, findings } });
    return null;
  } catch (error) {
    if (isGivenUp(error)) return null;
    throw error;
  } finally {
    if (useTakeAway.getState().checking === checking) useTakeAway.setState({ checking: null });
  }
}
