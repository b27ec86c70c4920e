'use client';
import { said } from '@/session/view/unitsStore';
import type { MachineStatus } from '@/core/machine/status';
import type { MachineSetup } from '@/core/machine/state';
import { ask } from '@/session/floor/machineStore';
import { useJob } from '@/session/job/jobStore';
import { floorHoop } from '@/core/production/floor';
import { Button } from '../../components/Button';
import { Choice } from '../../components/Choice';
import { NumberField } from '../../components/NumberField';
import { Swatch } from '../../components/Swatch';

const LAPSES = [1, 10, 60, 300, 1500] as const;

/** Hoop, speed and threads of the machine. */
export function Setup({ machine }: { machine: MachineStatus }) {
  const job = useJob((s) => s.job)!;
  const set = (setup: Partial<MachineSetup>): void => void ask({ do: 'setup', setup });
  const hoop = floorHoop(job);
  const same = machine.hoop.width === hoop.width && machine.hoop.height === hoop.height && machine.hoop.shape === hoop.shape;
  return (
    <section aria-label="Set up" className="grid gap-3 border-t border-hairline pt-3">
      <div className="flex items-baseline gap-2">
        <span className="text-quiet">Hoop on it</span>
        <span className="figures flex-1">{said(`${machine.hoop.width} × ${machine.hoop.height} mm`)}</span>
        {!same && (
          <Button dense disabled={machine.condition === 'sewing'} onClick={() => set({ hoop })}>
            Put on {hoop.width} × {hoop.height}
          </Button>
        )}
      </div>
      <div className="grid grid-cols-2 gap-2">
        <NumberField
          label="Stitches a minute"
          value={machine.speed}
          unit=""
          min={50}
          max={machine.profile.speed}
          step={50}
          decimals={0}
          onCommit={(speed) => set({ speed: Math.round(speed) })}
        />
        <Choice
          label="Quick time"
          value={String(machine.time_lapse)}
          options={[...new Set([...LAPSES, machine.time_lapse])]
            .sort((a, b) => a - b)
            .map((n) => ({ value: String(n), name: n === 1 ? 'as it is' : `${n} times` }))}
          onChange={(v) => set({ timeLapse: Number(v) })}
        />
      </div>
      <ol aria-label="Threads on the needles" className="flex flex-wrap gap-1.5">
        {machine.needles.map((id, i) => {
          const thread = job.threads.find((t) => t.id === id);
          const on = machine.job?.needle === i + 1;
          return (
            <li
              key={i}
              className={`flex items-center gap-1 rounded-sm border p-1 text-xs ${on ? 'border-ink bg-tape' : 'border-hairline'}`}
            >
              {thread ? (
                <Swatch hex={thread.hex} number={i + 1} title={thread.name} />
              ) : (
                <span className="figures px-1 text-quiet">{i + 1}</span>
              )}
              <span>{thread?.code ?? (id || 'empty')}</span>
            </li>
          );
        })}
      </ol>
    </section>
  );
}
