'use client';
import { useEffect, useState } from 'react';
import { DEFAULT_PROFILE, type MachineProfile } from '@/core/document/shop/profile';
import type { MotionCheck } from '@/core/formats/motionCheck';
import { useJob } from '@/session/job/jobStore';
import { engine } from '@/workers/client';

/** The file in a machine's words before it is written: what stands in it, and that it reads back as the same plan. */
export function MotionPreview({ machine = DEFAULT_PROFILE }: { machine?: MachineProfile | undefined }) {
  const job = useJob((s) => s.job)!;
  const [check, setCheck] = useState<MotionCheck | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    const gone = new AbortController();
    engine.call('motionWords', { job, machine }, { signal: gone.signal }).then(
      (made) => {
        setProblem(null);
        setCheck(made);
      },
      (error: Error) => !gone.signal.aborted && setProblem(error.message),
    );
    return () => gone.abort();
  }, [job, machine]);
  if (problem)
    return (
      <p role="alert" className="py-2 text-danger">
        {problem}
      </p>
    );
  if (!check) return <p className="py-2 text-quiet">Writing it …</p>;
  return (
    <div className="py-2" data-testid="motion-preview">
      <p className={check.differs ? 'text-danger' : ''} role="status">
        {check.differs ?? `${check.lines.toLocaleString('en')} lines; read back, they are the same plan.`} Words: needle{' '}
        {machine.words.needle}, cut {machine.words.trim}, stop {machine.words.stop}; they are set with the machine in the Library.
      </p>
      <div className="mt-2 grid gap-3 sm:grid-cols-2">
        {check.excerpts.map((e) => (
          <figure key={e.title} className="min-w-0">
            <figcaption className="text-xs text-quiet">{e.title}</figcaption>
            <pre
              className="figures overflow-x-auto rounded-md border border-hairline bg-white p-2 text-xs leading-4"
              tabIndex={0}
              aria-label={e.title}
            >
              {e.lines.map((l, i) => `${String(e.from + i).padStart(6)}  ${l}`).join('\n')}
            </pre>
          </figure>
        ))}
      </div>
    </div>
  );
}
