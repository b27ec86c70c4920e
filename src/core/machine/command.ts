import Joi from 'joi';
import { InputError } from '../document/errors';
import type { Hoop } from '../document/types';
import { Command } from '../stitches/roles';
import { brokenAt } from './advance';
import type { MachineJob } from './jobFile';
import { FAULTS, type Entry, type Fault, type MachineSetup, type MachineState } from './state';

/** What an operator, or a client in an operator's place, may ask of a machine. */
export type Asked =
  | { do: 'trace' }
  | { do: 'start' }
  | { do: 'pause' }
  | { do: 'resume' }
  | { do: 'back'; stitches: number }
  | { do: 'go-to-stop'; stop: number }
  | { do: 'mend' }
  | { do: 'fault'; fault: Fault | 'power-loss' }
  | { do: 'power-on' }
  | { do: 'setup'; setup: Partial<MachineSetup> };

const hoop = Joi.object<Hoop, true>({
  width: Joi.number().min(10).max(2000).required(),
  height: Joi.number().min(10).max(2000).required(),
  shape: Joi.string().valid('rect', 'round').default('rect'),
});

export const setupSchema = Joi.object<MachineSetup, true>({
  hoop,
  speed: Joi.number().integer().min(50).max(3000),
  timeLapse: Joi.number().min(1).max(5000),
  needles: Joi.array().items(Joi.string().allow('').max(80)).max(60),
  bobbinStitches: Joi.number().integer().min(100).max(500_000),
  breaks: Joi.object({
    perTenThousand: Joi.number().min(0).max(1000).required(),
    seed: Joi.number().integer().min(0).max(1_000_000).required(),
  }),
});

const word = (name: Asked['do']): Joi.StringSchema => Joi.string().valid(name).required();

const askedSchema = Joi.alternatives().try(
  ...(['trace', 'start', 'pause', 'resume', 'mend', 'power-on'] as const).map((name) => Joi.object({ do: word(name) })),
  Joi.object({ do: word('back'), stitches: Joi.number().integer().min(1).max(100_000).required() }),
  Joi.object({ do: word('go-to-stop'), stop: Joi.number().integer().min(1).max(10_000).required() }),
  Joi.object({
    do: word('fault'),
    fault: Joi.string()
      .valid(...FAULTS, 'power-loss')
      .required(),
  }),
  Joi.object({ do: word('setup'), setup: setupSchema.required() }),
);

const refused = (why: string): InputError => new InputError('bad-machine', why);

/** @throws InputError when it is nothing that a machine understands */
export function parseAsked(data: unknown): Asked {
  const result = askedSchema.validate(data, { abortEarly: true, convert: false });
  if (result.error) throw refused('This is nothing that the machine understands; see docs/machine.md for what can be asked.');
  return result.value as Asked;
}

/**
 * What follows from what was asked.
 * @returns entries, none where the machine already is as asked: asking twice does no harm
 * @throws InputError that says why the machine will not
 */
export function decide(state: MachineState, asked: Asked): Entry[] {
  const { t } = state;
  if (asked.do === 'setup') return [{ what: 'setup', t, setup: checkedSetup(state, asked.setup) }];
  if (asked.do === 'power-on') return state.condition === 'off' ? [{ what: 'power-on', t, at: state.next }] : [];
  if (state.condition === 'off') throw refused('The machine is switched off; switch it on first.');
  if (asked.do === 'fault') return faulty(state, asked.fault);
  if (!state.job) throw refused('There is no job in the machine; send one first.');
  switch (asked.do) {
    case 'trace':
      return traced(state, state.job);
    case 'start':
    case 'resume':
      return started(state);
    case 'pause':
      return state.condition === 'sewing' ? [{ what: 'paused', t, at: state.next }] : [];
    case 'mend':
      return state.fault ? [{ what: 'mended', t, fault: state.fault }] : [];
    case 'back':
      return moved(state, backBy(state.job, state.next, asked.stitches));
    case 'go-to-stop':
      return moved(state, stopAt(state.job, asked.stop));
  }
}

function checkedSetup(state: MachineState, change: Partial<MachineSetup>): MachineSetup {
  const setup = { ...state.setup, ...change };
  if (state.condition === 'sewing' && change.hoop) throw refused('The hoop cannot be changed while the machine sews; pause first.');
  if (setup.hoop.width > state.profile.field.width || setup.hoop.height > state.profile.field.height)
    throw refused(`The largest hoop of this machine is ${state.profile.field.width} x ${state.profile.field.height} mm.`);
  if (setup.speed > state.profile.speed) throw refused(`This machine sews at most ${state.profile.speed} stitches a minute.`);
  if (setup.needles.length > state.profile.needles) throw refused(`This machine has ${state.profile.needles} needles.`);
  return setup;
}

function faulty(state: MachineState, fault: Fault | 'power-loss'): Entry[] {
  if (fault === 'power-loss') return [{ what: 'power-off', t: state.t, at: state.next }];
  if (state.condition !== 'sewing') throw refused('Nothing breaks while the machine stands; start it first.');
  return [brokenAt(state, fault)];
}

function started(state: MachineState): Entry[] {
  const { condition, next, t } = state;
  if (condition === 'sewing') return [];
  if (condition === 'faulty') throw refused(`${FAULT_WORDS[state.fault!]} Mend that first.`);
  if (condition === 'done') throw refused('The job is done; send it again to sew it once more.');
  if (!state.traced) throw refused('Trace the hoop’s outline first, so that the needle cannot hit the frame.');
  return [{ what: 'started', t, at: next }];
}

export const FAULT_WORDS: Record<Fault, string> = {
  'thread-break': 'The upper thread broke.',
  'bobbin-end': 'The bobbin is empty.',
  'needle-strike': 'The needle struck something and may be bent.',
};

/** Room that the presser foot takes round the needle, mm. */
const FOOT_MM = 3;

/** The foot goes once round what will be sewn; whatever would hit the frame is refused, with where and by how much. */
function traced(state: MachineState, { list }: MachineJob): Entry[] {
  if (state.condition === 'sewing') throw refused('The machine sews; pause before tracing.');
  const { hoop: field } = state.setup;
  let worst = { by: 0, side: '' };
  for (let i = 0; i < list.x.length; i++) {
    if (list.command[i] !== Command.stitch && list.command[i] !== Command.jump) continue;
    const found = beyond(list.x[i]!, list.y[i]!, field);
    if (found.by > worst.by) worst = found;
  }
  if (worst.by > 1e-3)
    throw refused(
      `It would hit the frame ${worst.side}: ${worst.by.toFixed(1)} mm too far for this hoop. Take a larger hoop, or place the design anew.`,
    );
  return [{ what: 'traced', t: state.t }];
}

function beyond(x: number, y: number, { width, height, shape }: Hoop): { by: number; side: string } {
  const [a, b] = [width / 2 - FOOT_MM, height / 2 - FOOT_MM];
  if (shape === 'round') {
    const share = Math.sqrt((x / a) ** 2 + (y / b) ** 2);
    return { by: share <= 1 ? 0 : Math.sqrt(x * x + y * y) * (1 - 1 / share), side: 'at its rim' };
  }
  const [level, upright] = [Math.abs(x) - a, Math.abs(y) - b];
  if (level >= upright) return { by: level, side: x < 0 ? 'at the left' : 'at the right' };
  return { by: upright, side: y < 0 ? 'at the back' : 'at the front' };
}

function moved(state: MachineState, to: number): Entry[] {
  if (state.condition === 'sewing') throw refused('The machine sews; pause before going to another stitch.');
  if (state.condition === 'faulty') throw refused(`${FAULT_WORDS[state.fault!]} Mend that first.`);
  return to === state.next ? [] : [{ what: 'moved', t: state.t, from: state.next, to }];
}

function backBy({ list }: MachineJob, from: number, stitches: number): number {
  let left = stitches;
  let to = from;
  while (to > 0 && left > 0) if (list.command[--to] === Command.stitch) left--;
  return to;
}

function stopAt({ stretches }: MachineJob, stop: number): number {
  const stretch = stretches[stop - 1];
  if (!stretch) throw refused(`This job has ${stretches.length} stretches between stops; ${stop} is none of them.`);
  return stretch.from;
}

/**
 * Takes a job into the machine, when it can sew it.
 * @throws InputError that says what does not fit
 */
export function taken(state: MachineState, job: MachineJob): Entry[] {
  if (state.condition === 'off') throw refused('The machine is switched off; switch it on first.');
  if (state.condition === 'sewing') throw refused('The machine sews another job; pause it and take it out first.');
  const { field, longestStitch } = state.profile;
  const [width, height] = [job.box.maxX - job.box.minX, job.box.maxY - job.box.minY];
  if (width > field.width || height > field.height)
    throw refused(`The job is ${width.toFixed(1)} x ${height.toFixed(1)} mm; this machine’s field is ${field.width} x ${field.height} mm.`);
  const long = longest(job);
  if (long > longestStitch + 1e-3)
    throw refused(
      `The job has stitches of up to ${long.toFixed(1)} mm; this machine makes ${longestStitch} mm. Export it with this machine’s profile.`,
    );
  return [{ what: 'loaded', t: state.t, name: job.name, stitches: job.stitches, events: job.list.x.length }];
}

function longest({ list }: MachineJob): number {
  let most = 0;
  for (let i = 1; i < list.x.length; i++) {
    if (list.command[i] !== Command.stitch || list.command[i - 1] !== Command.stitch) continue;
    const [dx, dy] = [list.x[i]! - list.x[i - 1]!, list.y[i]! - list.y[i - 1]!];
    most = Math.max(most, Math.sqrt(dx * dx + dy * dy));
  }
  return most;
}
