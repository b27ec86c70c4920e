'use client';
import { useEffect, useMemo } from 'react';
import { nearestThreads, THREAD_CHART } from '@/core/cloth/threads';
import type { Job } from '@/core/document/types';
import { setThreads, setToThread } from '@/session/edit/commands';
import { openLibrary, useLibrary } from '@/session/shop/libraryStore';

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

/** The threads of the job, then the shop's own cones, then the chart's nearest to what is chosen, then all of the chart. */
export function ThreadChoice({ job, ids, value, mixed }: Props) {
  const own = useLibrary((s) => s.library.threads);
  useEffect(() => void openLibrary(), []);
  const codes = new Set(job.threads.map((t) => t.code));
  const cones = own.filter((t) => !codes.has(t.code));
  const elsewhere = (t: { code: string }): boolean => codes.has(t.code) || own.some((o) => o.code === t.code);
  const chart = THREAD_CHART.filter((t) => !elsewhere(t)).map((t) => ({ ...t, weight: 40 }));
  const now = job.threads.find((t) => t.id === value)?.hex;
  const near = useMemo(() => (now ? nearestThreads(now).map((n) => n.thread) : []), [now])
    .filter((t) => !elsewhere(t))
    .slice(0, NEAR);
  return (
    <select
      aria-label={mixed === undefined ? 'Thread' : 'Thread of all'}
      value={value}
      className="h-8 w-full min-w-0 flex-1 rounded-md border border-edge bg-white px-2"
      onChange={(e) => {
        const chosen = [...cones, ...chart].find((t) => `code ${t.code}` === e.target.value);
        if (chosen) setToThread(ids, chosen);
        else if (e.target.value !== '') setThreads(ids, e.target.value);
      }}
    >
      {value === '' && <option value="">{mixed}</option>}
      <optgroup label="In this job">
        {job.threads.map((t, i) => (
          <option key={t.id} value={t.id}>
            {`${i + 1} ${t.name} (${t.code})`}
          </option>
        ))}
      </optgroup>
      {[['Own cones', cones] as const, ['Nearest of the chart', near] as const, ['The whole chart', chart] as const].map(
        ([label, threads]) =>
          threads.length > 0 && (
            <optgroup key={label} label={label}>
              {threads.map((t) => (
                <option key={t.code} value={`code ${t.code}`}>
                  {`${t.name} (${t.code})`}
                </option>
              ))}
            </optgroup>
          ),
      )}
    </select>
  );
}
