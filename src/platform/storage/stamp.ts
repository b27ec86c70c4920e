/**
 * Which version of a job something was made from: the record's number, how many entries its journal held on top of it, and
 * the mark of the last change in it. Saving names the stamp that it goes on from and is refused when the store holds another.
 */
export interface JobStamp {
  revision: number;
  entries: number;
  /** Tells the state apart from any other: pictures and drafts name it. */
  mark: string;
}

const session = Math.random().toString(36).slice(2, 10);
let lines = 0;

/** Marks for states of which each was made from the one before. @returns what gives the next */
export function lineOfMarks(): () => string {
  const line = `${session}-${++lines}`;
  let n = 0;
  return () => `${line}:${++n}`;
}

/** A mark for a state that belongs to no such line. */
export const freshMark = (): string => lineOfMarks()();

export const sameStamp = (a: JobStamp, b: JobStamp): boolean => a.revision === b.revision && a.entries === b.entries;

/** Whether a state with the mark `kept` includes the one with the mark `wanted`: later in the same line, or the same. */
export function includes(kept: string, wanted: string): boolean {
  const [a, b] = [kept.split(':'), wanted.split(':')];
  return a[0] === b[0] && Number(a[1]) >= Number(b[1]);
}
