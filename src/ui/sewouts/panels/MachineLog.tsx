import { useEffect, useRef } from 'react';
import { toast } from '@/session/notice';
import type { Sewout } from '@/core/document/sewoutTypes';
import type { Job } from '@/core/document/types';
import { readMachineLog } from '@/core/sewouts/machineLog';
import { changeSewout } from '@/session/edit/sewoutCommands';
import { logOfMachine, openMachines, useMachines } from '@/session/floor/machineStore';
import type { Entry } from '@/core/machine/state';
import { Button } from '../../components/Button';
import { entryWords } from '../../floor/machine/machineWords';

/** What the machine noted while it sewed: taken from the simulated one on the Floor, or from its file. */
export function MachineLog({ job, sewout }: { job: Job; sewout: Sewout }) {
  const input = useRef<HTMLInputElement>(null);
  const keep = (data: unknown): void => {
    try {
      const log = readMachineLog(data, (entry: Entry) => entryWords(entry));
      changeSewout(sewout.id, 'Take in a machine’s log', (s) => void (s.log = log));
    } catch (error) {
      toast.error((error as Error).message);
    }
  };
  const take = async (file: File): Promise<void> => {
    const text = await file.text();
    try {
      keep(JSON.parse(text));
    } catch {
      toast.error('This file cannot be read; take the log away on the Floor, at the machine.');
    }
  };
  useEffect(() => void openMachines(), []);
  const machine = useMachines((s) => s.list.find((m) => m.id === s.chosen) ?? null);
  return (
    <section aria-label="Machine’s log">
      <h2 className="mb-1 font-semibold">Machine’s log</h2>
      {sewout.log ? (
        <ul className="max-h-40 overflow-auto rounded-md border border-hairline p-2 text-xs">
          {sewout.log.map((line, i) => (
            <li key={i} className="flex gap-2">
              <span className="figures w-12 shrink-0 text-right text-quiet">
                {Math.floor(line.s / 60)}:{String(Math.floor(line.s % 60)).padStart(2, '0')}
              </span>
              {line.what}
            </li>
          ))}
        </ul>
      ) : (
        <p className="text-quiet">None yet.</p>
      )}
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        className="sr-only"
        tabIndex={-1}
        aria-label="Choose a machine’s log"
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (file) void take(file);
          e.target.value = '';
        }}
      />
      {machine?.job?.name === job.name && (
        <Button dense className="mt-2 mr-2" onClick={() => void logOfMachine().then((log) => log && keep(log))}>
          From the machine on the Floor
        </Button>
      )}
      <Button dense className="mt-2" onClick={() => input.current?.click()}>
        {sewout.log ? 'Take in another log' : 'Take in a log'}
      </Button>
    </section>
  );
}
