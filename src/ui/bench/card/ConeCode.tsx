'use client';
import { useId, useState } from 'react';
import { THREAD_CHART } from '@/core/cloth/threads';
import type { Job, Thread } from '@/core/document/types';
import { useLibrary } from '@/session/shop/libraryStore';

/** A thread typed by the code on its cone, from the job, the shop's own cones or the chart. */
export function ConeCode({ job, label, onChoose }: { job: Job; label: string; onChoose(thread: Omit<Thread, 'id'>): void }) {
  const own = useLibrary((s) => s.library.threads);
  const [draft, setDraft] = useState('');
  const [unknown, setUnknown] = useState<string | null>(null);
  const [field, list] = [useId(), useId()];
  const cones = [...job.threads, ...own, ...THREAD_CHART.map((t) => ({ ...t, weight: 40 }))];
  const take = (): void => {
    const code = draft.trim().toLowerCase();
    if (code === '') return;
    const cone = cones.find((t) => t.code.toLowerCase() === code);
    setUnknown(cone ? null : draft.trim());
    if (!cone) return;
    const { code: found, name, hex, weight } = cone;
    onChoose({ code: found, name, hex, weight });
    setDraft('');
  };
  return (
    <div>
      <label htmlFor={field} className="mb-1 block text-quiet">
        {label}
      </label>
      <input
        id={field}
        list={list}
        value={draft}
        placeholder="code"
        maxLength={40}
        onChange={(e) => {
          setDraft(e.target.value);
          setUnknown(null);
        }}
        onBlur={take}
        onKeyDown={(e) => e.key === 'Enter' && take()}
        className="h-8 w-full rounded-md border border-edge bg-white px-2"
      />
      <datalist id={list}>
        {draft.length > 1 &&
          cones
            .filter((t) => t.code.toLowerCase().startsWith(draft.trim().toLowerCase()))
            .slice(0, 12)
            .map((t) => (
              <option key={t.code} value={t.code}>
                {t.name}
              </option>
            ))}
      </datalist>
      {unknown && (
        <p role="alert" className="mt-1 text-xs text-danger">
          No cone has the code ‘{unknown}’.
        </p>
      )}
    </div>
  );
}
