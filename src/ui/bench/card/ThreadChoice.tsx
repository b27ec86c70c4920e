'use client';
import { useEffect, useMemo } from 'react';
import { nearestThreads, THREAD_CHART } from '@/core/cloth/threads';
import type { Job, Thread } from '@/core/document/types';
import { setThreads, setToThread } from '@/session/edit/commands';
import { openLibrary, useLibrary } from '@/session/shop/libraryStore';
import { ThreadPicker, type ThreadGroup } from '../../components/ThreadPicker';

interface Props {
  job: Job;
  ids: readonly string[];
  /** Thread of the pieces; empty when they have several. */
  value: string;
  /** What is said when they have several. */
  mixed?: string;
}

/** So many cones of the chart are offered as near ones. */
const NEAR = 10;

/** The threads of a job, then the shop's own cones, then the chart's nearest to one of them, then all of the chart. */
export function useCones(job: Job, value: string): { groups: ThreadGroup[]; coneOf(key: string): Omit<Thread, 'id'> | undefined } {
  const own = useLibrary((s) => s.library.threads);
  useEffect(() => void openLibrary(), []);
  return useMemo(() => {
    const codes = new Set(job.threads.map((t) => t.code));
    const cones = own.filter((t) => !codes.has(t.code));
    const elsewhere = (t: { code: string }): boolean => codes.has(t.code) || own.some((o) => o.code === t.code);
    const chart = THREAD_CHART.filter((t) => !elsewhere(t)).map((t) => ({ ...t, weight: 40 as const }));
    const now = job.threads.find((t) => t.id === value)?.hex;
    const near = (now ? nearestThreads(now).map((n) => n.thread) : []).filter((t) => !elsewhere(t)).slice(0, NEAR);
    const shown = (t: { code: string; name: string; hex: string }) => ({ key: `code ${t.code}`, code: t.code, name: t.name, hex: t.hex });
    const groups = [
      { label: 'In this job', threads: job.threads.map((t, i) => ({ ...shown(t), key: t.id, number: i + 1 })) },
      { label: 'Own cones', threads: cones.map(shown) },
      { label: 'Nearest of the chart', threads: near.map(shown) },
      { label: 'The whole chart', threads: chart.map(shown) },
    ];
    return {
      groups: groups.filter((g) => g.threads.length > 0),
      coneOf: (key) => [...cones, ...chart].find((t) => `code ${t.code}` === key),
    };
  }, [job.threads, own, value]);
}

/** Chooses the thread of pieces. */
export function ThreadChoice({ job, ids, value, mixed }: Props) {
  const { groups, coneOf } = useCones(job, value);
  return (
    <ThreadPicker
      label={mixed === undefined ? 'Thread' : 'Thread of all'}
      groups={groups}
      value={value}
      {...(mixed === undefined ? {} : { mixed })}
      onChoose={(key) => {
        const cone = coneOf(key);
        if (cone) setToThread(ids, cone);
        else setThreads(ids, key);
      }}
    />
  );
}
