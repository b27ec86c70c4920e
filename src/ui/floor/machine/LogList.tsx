'use client';
import { useState } from 'react';
import type { Entry } from '@/core/machine/state';
import type { MachineStatus } from '@/core/machine/status';
import { formatClock } from '@/core/units/length';
import { download, fileStem } from '@/platform/files';
import { logOfMachine } from '@/session/floor/machineStore';
import { Button } from '../../components/Button';
import { entryWords } from './machineWords';

/** What happened to the job, as the machine wrote it down. */
export function LogList({ machine }: { machine: MachineStatus }) {
  const [entries, setEntries] = useState<readonly Entry[] | null>(null);
  const read = async (): Promise<unknown> => {
    const log = (await logOfMachine()) as { entries: Entry[] } | null;
    if (log) setEntries(log.entries);
    return log;
  };
  const save = async (): Promise<void> => {
    const log = await read();
    if (log)
      download(
        `${fileStem(machine.job?.name ?? machine.name)}-log.json`,
        new Blob([JSON.stringify(log, null, 1)], { type: 'application/json' }),
      );
  };
  return (
    <section aria-label="Log" className="border-t border-hairline pt-3">
      <div className="flex gap-2">
        <h2 className="flex-1 font-semibold">Log</h2>
        <Button dense onClick={() => void read()}>
          Read it
        </Button>
        <Button dense onClick={() => void save()}>
          Take it away
        </Button>
      </div>
      {entries && (
        <ol className="mt-2 max-h-[220px] overflow-auto text-xs" data-testid="machine-log">
          {entries.map((e, i) => (
            <li key={i} className="flex gap-2 border-b border-hairline py-1">
              <span className="figures w-12 shrink-0 text-right text-quiet">{formatClock(e.t / 1000)}</span>
              <span>{entryWords(e)}</span>
            </li>
          ))}
          {entries.length === 0 && <li className="text-quiet">Nothing happened yet.</li>}
        </ol>
      )}
    </section>
  );
}
