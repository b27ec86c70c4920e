'use client';
import { CirclePlay, Pause, Play, Power, Send, SquareDashed, Undo2, Wrench } from 'lucide-react';
import { useState } from 'react';
import type { MachineStatus } from '@/core/machine/status';
import { ask, send, takeOut, useMachines } from '@/session/floor/machineStore';
import { useJob } from '@/session/job/jobStore';
import { Button } from '../../components/Button';
import { NumberField } from '../../components/NumberField';

/** The next thing to do is the yellow one. */
export function Buttons({ machine }: { machine: MachineStatus }) {
  const busy = useMachines((s) => s.busy);
  const job = useJob((s) => s.job)!;
  const { condition } = machine;
  const other = machine.job !== null && machine.job.name !== job.name;
  return (
    <section aria-label="Buttons of the machine" className="grid gap-3">
      <p role="status" data-testid="machine-says" className="text-[15px] leading-5 font-semibold">
        {machine.says}
      </p>
      {other && <p className="text-warn">It holds another job: ‘{machine.job!.name}’.</p>}
      <div className="flex flex-wrap gap-2">
        {condition === 'off' && (
          <Button look="primary" disabled={busy} onClick={() => void ask({ do: 'power-on' })}>
            <Power size={15} aria-hidden="true" /> Switch on
          </Button>
        )}
        {(condition === 'empty' || condition === 'done' || (other && condition !== 'sewing' && condition !== 'off')) && (
          <Button look="primary" disabled={busy} onClick={() => void send(job)}>
            <Send size={15} aria-hidden="true" /> Send this job
          </Button>
        )}
        {condition === 'loaded' && (
          <Button look="primary" disabled={busy} onClick={() => void ask({ do: 'trace' })}>
            <SquareDashed size={15} aria-hidden="true" /> Trace the outline
          </Button>
        )}
        {condition === 'ready' && (
          <Button look="primary" disabled={busy} onClick={() => void ask({ do: 'start' })}>
            <CirclePlay size={15} aria-hidden="true" /> Start
          </Button>
        )}
        {condition === 'sewing' && (
          <Button look="primary" disabled={busy} onClick={() => void ask({ do: 'pause' })}>
            <Pause size={15} aria-hidden="true" /> Pause
          </Button>
        )}
        {condition === 'faulty' && (
          <Button look="primary" disabled={busy} onClick={() => void ask({ do: 'mend' })}>
            <Wrench size={15} aria-hidden="true" /> It is mended
          </Button>
        )}
        {(condition === 'paused' || condition === 'waiting') && (
          <Button look="primary" disabled={busy} onClick={() => void ask({ do: 'resume' })}>
            <Play size={15} aria-hidden="true" /> Resume
          </Button>
        )}
        {machine.job && condition !== 'sewing' && condition !== 'off' && (
          <Button look="quiet" disabled={busy} onClick={() => void takeOut()}>
            Take the job out
          </Button>
        )}
      </div>
      {machine.job && (condition === 'paused' || condition === 'waiting') && <Moves machine={machine} />}
      {condition === 'sewing' && <Faults />}
    </section>
  );
}

function Moves({ machine }: { machine: MachineStatus }) {
  const [back, setBack] = useState(20);
  const [stop, setStop] = useState(machine.job!.stop);
  return (
    <div className="grid grid-cols-2 items-end gap-2">
      <NumberField label="Stitches back" value={back} unit="" min={1} max={100000} step={10} decimals={0} onCommit={setBack} />
      <Button onClick={() => void ask({ do: 'back', stitches: Math.round(back) })}>
        <Undo2 size={15} aria-hidden="true" /> Go back
      </Button>
      <NumberField
        label={`Stretch, of ${machine.job!.stops}`}
        value={stop}
        unit=""
        min={1}
        max={machine.job!.stops}
        step={1}
        decimals={0}
        onCommit={setStop}
      />
      <Button onClick={() => void ask({ do: 'go-to-stop', stop: Math.round(stop) })}>Go to its start</Button>
    </div>
  );
}

const FAULT_NAMES = [
  ['thread-break', 'Thread breaks'],
  ['bobbin-end', 'Bobbin ends'],
  ['needle-strike', 'Needle strikes'],
  ['power-loss', 'Power goes'],
] as const;

/** What goes wrong at a real machine, to be tried without one. */
function Faults() {
  return (
    <fieldset>
      <legend className="mb-1 text-xs text-quiet">Try what happens when</legend>
      <div className="flex flex-wrap gap-1.5">
        {FAULT_NAMES.map(([fault, name]) => (
          <Button key={fault} dense onClick={() => void ask({ do: 'fault', fault })}>
            {name}
          </Button>
        ))}
      </div>
    </fieldset>
  );
}
