'use client';
import { useEffect } from 'react';
import { THREAD_CHART } from '@/core/cloth/threads';
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

/** The threads of the job, then the shop's own cones, then the chart. */
export function ThreadChoice({ job, ids, value, mixed }: Props) {
  const own = useLibrary((s) => s.library.threads);
  useEffect(() => void openLibrary(), []);
  const codes = new Set(job.threads.map((t) => t.code));
  const cones = own.filter((t) => !codes.has(t.code));
  const chart = THREAD_CHART.filter((t) => !codes.has(t.code) && !own.some((o) => o.code === t.code)).map((t) => ({ ...t, weight: 40 }));
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
      {[['Own cones', cones] as const, ['Thread chart', chart] as const].map(
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
