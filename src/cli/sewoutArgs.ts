import { parsed, readInput, usage, type InputArgs } from './args';

export interface SewoutArgs extends InputArgs {
  marks: string;
  apply?: string;
  learn?: string;
}

/** Reads the words after `bin/cobble sewout`. */
export function readSewoutArgs(argv: readonly string[]): SewoutArgs {
  const words = parsed(argv, { marks: { type: 'string' }, apply: { type: 'string' }, learn: { type: 'string' } });
  const { marks, apply, learn: library } = words.values as { marks?: string; apply?: string; learn?: string };
  if (marks === undefined) throw usage('Give --marks: a file of what was seen and measured.');
  if (apply !== undefined && !apply.endsWith('.cobble')) throw usage(`--apply writes a .cobble bundle, not ‘${apply}’.`);
  return { ...readInput(words), marks, ...(apply === undefined ? {} : { apply }), ...(library === undefined ? {} : { learn: library }) };
}
