import { parsed, usage } from './args';

const ACTIONS = ['send', 'status', 'trace', 'start', 'pause', 'resume', 'mend', 'power-on', 'log'] as const;

export interface MachineArgs {
  action: (typeof ACTIONS)[number];
  file?: string;
  /** Address of one machine, without a slash at its end. */
  to: string;
  start: boolean;
  watch: boolean;
  report?: string;
}

const LOCAL = /^http:\/\/(localhost|127\.0\.0\.1|\[::1\])(:\d{1,5})?\/[\w./-]+$/i;

/** Reads the words after `bin/cobble machine`. */
export function readMachineArgs(argv: readonly string[]): MachineArgs {
  const { values, positionals } = parsed(argv, { to: { type: 'string' }, start: { type: 'boolean' }, watch: { type: 'boolean' } });
  const { to, start = false, watch = false } = values as { to?: string; start?: boolean; watch?: boolean };
  const [name, file, ...more] = positionals;
  const action = ACTIONS.find((a) => a === name);
  if (!action) throw usage(`Say what the machine is to do: ${ACTIONS.join(', ')}.`);
  if (more.length > 0 || (action === 'send') !== (file !== undefined))
    throw usage(action === 'send' ? 'Name one file to send.' : `${action} takes no file.`);
  if (to === undefined) throw usage('Give --to, the address of a machine, such as http://127.0.0.1:4173/api/machine/window.');
  if (!LOCAL.test(to)) throw usage('--to must be an http address on this computer: Cobble speaks with no other.');
  const { report } = values as { report?: string };
  return {
    action,
    to: to.replace(/\/+$/, ''),
    start: start || watch,
    watch,
    ...(file === undefined ? {} : { file }),
    ...(report === undefined ? {} : { report }),
  };
}
