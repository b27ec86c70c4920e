import { JOB_VERSION, type Brief, type Job, type Thread } from './types';
import { WIDEST_SATIN_MM } from '../units/craft';

export const DEFAULT_BRIEF: Brief = {
  cloth: 'pique',
  place: 'left-chest',
  hoop: { width: 100, height: 100, shape: 'rect' },
  size: {},
  quantity: 1,
  notes: '',
};

/** Hoop fields that the shelf offers, mm; made-up sizes of a usual spread. */
export const HOOPS = [
  { width: 60, height: 60, shape: 'round' },
  { width: 100, height: 100, shape: 'rect' },
  { width: 130, height: 60, shape: 'rect' },
  { width: 120, height: 120, shape: 'round' },
  { width: 130, height: 180, shape: 'rect' },
  { width: 200, height: 200, shape: 'rect' },
  { width: 200, height: 300, shape: 'rect' },
  { width: 360, height: 360, shape: 'rect' },
] as const satisfies readonly Brief['hoop'][];

export function emptyJob(id: string, name: string, brief: Partial<Brief> = {}): Job {
  return {
    cobble: JOB_VERSION,
    id,
    name,
    brief: { ...DEFAULT_BRIEF, ...brief },
    threads: [],
    artwork: [],
    pieces: [],
    settings: { satinLimit: WIDEST_SATIN_MM, trimDistance: 5 },
    sewouts: [],
    repeat: null,
  };
}

/** Whether the work goes on a cap: sewn upward, from the middle out, and not too tall. */
export const isCap = ({ cloth, place }: Pick<Brief, 'cloth' | 'place'>): boolean =>
  place === 'cap-front' || cloth === 'cap' || cloth === 'soft-cap';

/** Compensation, ties and rounding reach so far beyond a drawing at each side, mm. */
const ROOM_MM = 1.5;

/**
 * The smallest offered hoop whose field holds a design of this size with room for compensation; one that it just fills when there is
 * no larger one; null when none holds it.
 */
export function smallestHoop(width: number, height: number): Brief['hoop'] | null {
  const holding = (room: number): Brief['hoop'] | undefined =>
    HOOPS.filter((h) => fitsHoop(h, width + 2 * room, height + 2 * room)).sort((a, b) => a.width * a.height - b.width * b.height)[0];
  return holding(ROOM_MM) ?? holding(0) ?? null;
}

/** Whether a centred design fits the field; a round field must hold its corners. */
export function fitsHoop(hoop: Brief['hoop'], width: number, height: number): boolean {
  if (hoop.shape === 'round') return width * width + height * height <= hoop.width * hoop.width;
  return width <= hoop.width && height <= hoop.height;
}

/** Threads with one more; one of the same code counts as the same. @returns its id too */
export function withThread(threads: readonly Thread[], thread: Omit<Thread, 'id'>): { threads: Thread[]; id: string } {
  const known = threads.find((t) => t.code === thread.code);
  if (known) return { threads: threads.slice(), id: known.id };
  let n = threads.length + 1;
  while (threads.some((t) => t.id === `t${n}`)) n++;
  return { threads: [...threads, { ...thread, id: `t${n}` }], id: `t${n}` };
}

/** What a piece is called that says so: in one line, and not too long. */
export const nameOfText = (text: string): string => text.replace(/\s+/g, ' ').trim().slice(0, 60);
