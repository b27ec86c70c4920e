import { appendFileSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { happen } from '../core/machine/happen';
import { readJob, type MachineFormat, type MachineJob } from '../core/machine/jobFile';
import { freshMachine, type Entry, type MachineSetup, type MachineState } from '../core/machine/state';
import type { MachineProfile } from '../core/document/shop/profile';

/*
 * A machine's memory: for each job a file with the job as it was sent, and a journal with one line for everything that happened, written
 * before it counts as done. What stands in the journal has been sewn, and nothing else has; so whenever the power goes, the machine that
 * reads its journal again goes on with the very next stitch. A line that was cut short in the writing never happened.
 */

interface Head {
  profile: MachineProfile;
  setup: MachineSetup;
  t: number;
  /** Stitches that the bobbin still lasts: it goes on from job to job. */
  bobbinLeft: number;
}

interface SentJob {
  name: string;
  format: MachineFormat;
  text: string;
}

const FILE = /^([a-z0-9-]{1,40})\.(\d{1,9})\.journal$/;

/** The journals of all machines in a folder. */
export class Journals {
  constructor(private readonly folder: string) {
    mkdirSync(folder, { recursive: true });
  }

  /** All machines that the folder remembers, as their journals left them. */
  remembered(): { state: MachineState; number: number }[] {
    const newest = new Map<string, number>();
    for (const name of readdirSync(this.folder)) {
      const [, id, n] = FILE.exec(name) ?? [];
      if (id !== undefined) newest.set(id, Math.max(newest.get(id) ?? 0, Number(n)));
    }
    return [...newest].flatMap(([id, number]) => {
      try {
        const state = this.read(id, number);
        return state ? [{ state, number }] : [];
      } catch {
        // What is no journal of ours makes no machine.
        return [];
      }
    });
  }

  private read(id: string, number: number): MachineState | null {
    const [first, ...lines] = readFileSync(this.path(id, number, 'journal'), 'utf8').split('\n');
    const head = parsed<Head>(first ?? '');
    if (!head) return null;
    const job = this.job(id, number, head.profile);
    let state: MachineState = { ...freshMachine(id, head.profile, head.setup), t: head.t, bobbinLeft: head.bobbinLeft };
    for (const line of lines) {
      const entry = parsed<Entry>(line);
      if (!entry || (entry.what === 'loaded' && !job)) break;
      state = happen(state, entry, entry.what === 'loaded' ? job : state.job);
    }
    return state;
  }

  private job(id: string, number: number, { words }: MachineProfile): MachineJob | null {
    try {
      const { name, format, text } = JSON.parse(readFileSync(this.path(id, number, 'job'), 'utf8')) as SentJob;
      return readJob(text, { format, name, words });
    } catch {
      return null;
    }
  }

  append(id: string, number: number, entries: readonly Entry[]): void {
    if (entries.length === 0) return;
    appendFileSync(this.path(id, number, 'journal'), entries.map((e) => `${JSON.stringify(e)}\n`).join(''));
  }

  /** Begins a journal, with a job or without one; those before it are given up when it is there. */
  begin(state: MachineState, number: number, entries: readonly Entry[], sent?: SentJob): void {
    const head: Head = { profile: state.profile, setup: state.setup, t: state.t, bobbinLeft: state.bobbinLeft };
    if (sent) this.put(state.id, number, 'job', JSON.stringify(sent));
    this.put(state.id, number, 'journal', [head, ...entries].map((line) => `${JSON.stringify(line)}\n`).join(''));
    this.forget(state.id, number);
  }

  private put(id: string, number: number, kind: 'job' | 'journal', text: string): void {
    const path = this.path(id, number, kind);
    writeFileSync(`${path}.part`, text);
    renameSync(`${path}.part`, path);
  }

  /** Gives up everything of a machine but what belongs to one number. */
  forget(id: string, but: number | null): void {
    for (const name of readdirSync(this.folder)) {
      if (!name.startsWith(`${id}.`) || (but !== null && name.startsWith(`${id}.${but}.`))) continue;
      rmSync(join(this.folder, name), { force: true });
    }
  }

  private path(id: string, number: number, kind: 'job' | 'journal'): string {
    return join(this.folder, `${id}.${number}.${kind}`);
  }
}

function parsed<T>(line: string): T | null {
  if (line === '') return null;
  try {
    return JSON.parse(line) as T;
  } catch {
    return null;
  }
}
