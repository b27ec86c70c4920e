'use client';
import { useCallback } from 'react';
import { useJob } from '@/session/job/jobStore';
import type { PlaceKey } from '../places';
import { findables } from './findables';
import { Palette } from './Palette';
import { BENCH_KEYS, COMMANDS } from './registry';
import { useGo } from './useGo';
import { useShelfJobs } from './useShelfJobs';

/** The palette of the job that is open: its commands, places, files, settings and pieces, and the other jobs of the shelf. */
export function JobPalette({ place, open, onOpenChange }: { place: PlaceKey; open: boolean; onOpenChange(open: boolean): void }) {
  const go = useGo();
  const job = useJob((s) => s.job);
  const others = useShelfJobs(open, job?.id);
  const all = useCallback(() => (job ? findables(COMMANDS, BENCH_KEYS, { place, job, others, go }) : []), [place, job, others, go]);
  return <Palette open={open} onOpenChange={onOpenChange} all={all} />;
}
