'use client';
import { useEffect } from 'react';
import { useJob } from '@/session/job/jobStore';
import { chooseMachine, chosenMachine, fileFor, followMachine, useMachines } from '@/session/floor/machineStore';
import { Choice } from '../../components/Choice';
import { Buttons } from './Buttons';
import { LogList } from './LogList';
import { Setup } from './Setup';
import { SewnSoFar } from './SewnSoFar';
import { CONDITION_WORDS } from './machineWords';

/** The machine: what it has, what it does, its buttons, and the job as it grows. */
export function MachinePart() {
  const chosen = useMachines((s) => s.chosen);
  const machine = useMachines(chosenMachine);
  const job = useJob((s) => s.job)!;
  useEffect(() => (chosen ? followMachine(chosen) : undefined), [chosen]);
  const holds = machine?.job?.name === job.name;
  useEffect(() => {
    if (chosen && holds) void fileFor(job).catch(() => undefined);
  }, [chosen, holds, job]);
  return (
    <div className="flex h-full max-sm:flex-col-reverse max-sm:justify-end max-sm:overflow-auto">
      <SewnSoFar />
      <aside className="flex w-[360px] shrink-0 flex-col gap-4 overflow-auto border-l border-hairline bg-panel p-4 max-lg:w-[290px] max-sm:w-full max-sm:border-l-0">
        <Which />
        {machine && (
          <>
            <Buttons machine={machine} />
            <Setup machine={machine} />
            <LogList key={machine.id} machine={machine} />
          </>
        )}
        <p className="mt-auto text-xs text-quiet">
          This machine is a stand-in that ships with Cobble: it sews in thought, in quick time. docs/machine.md says how a real one could
          stand in its place.
        </p>
      </aside>
    </div>
  );
}

function Which() {
  const list = useMachines((s) => s.list);
  const chosen = useMachines((s) => s.chosen);
  const problem = useMachines((s) => s.problem);
  const connected = useMachines((s) => s.connected);
  return (
    <section aria-label="Which machine">
      <h1 className="mb-2 text-lg font-semibold">Machine</h1>
      {list.length > 0 && (
        <Choice
          label="Machine"
          hideLabel
          value={chosen ?? ''}
          options={list.map((m) => ({ value: m.id, name: `${m.name} (${CONDITION_WORDS[m.condition]})` }))}
          onChange={chooseMachine}
        />
      )}
      {!connected && list.length > 0 && (
        <p role="status" className="mt-1 text-xs text-warn">
          Not connected just now; it goes on by itself, and is asked again.
        </p>
      )}
      {problem && (
        <p role="alert" className="mt-2 rounded-md border border-danger p-2 text-danger">
          {problem}
        </p>
      )}
    </section>
  );
}
