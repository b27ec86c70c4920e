import { without } from '@/core/document/without';
import type { Beside, Job } from '@/core/document/types';
import type { NameRow } from '@/core/lettering/names';
import { besideOfRow } from '@/core/production/placement/designs';
import { keptJob, shelfEntries } from '@/platform/storage/records';
import { useJob } from '../job/jobStore';
import { faceFont, isOutlined, withLetters } from '../shop/faceStore';
import { changeFloor } from './floorCommands';

/** Jobs of the shelf that can lie beside the open one, by name. */
export async function jobsToLayBeside(): Promise<{ id: string; name: string }[]> {
  const open = useJob.getState().job?.id;
  return (await shelfEntries())
    .flatMap((entry) => ('head' in entry && entry.id !== open ? [{ id: entry.id, name: entry.head.name }] : []))
    .sort((a, b) => a.name.localeCompare(b.name));
}

const besideNow = (): Beside[] => useJob.getState().job?.floor?.beside ?? [];

/**
 * Takes a job of the shelf into the hoop, as it stands; one that lies there already is taken anew.
 * @returns its id among what lies there
 * @throws Error with a sentence for people when the job is gone or has nothing to sew
 */
export async function layBeside(from: string): Promise<string> {
  const kept = await keptJob(from);
  if (!kept) throw new Error('That job is no longer on the shelf.');
  if (kept.job.pieces.length === 0) throw new Error(`‘${kept.job.name}’ has no pieces yet.`);
  const job: Job = { ...without(kept.job, 'floor', 'questions', 'approval'), artwork: [], sewouts: [] };
  const known = besideNow().find((b) => b.from === from);
  const laid: Beside = { id: known?.id ?? crypto.randomUUID().slice(0, 8), name: job.name, from, job };
  changeFloor(known ? `Take ${job.name} anew` : `Lay ${job.name} beside`, {
    beside: [...besideNow().filter((b) => b.id !== laid.id), laid],
  });
  return laid.id;
}

/**
 * Names in place of a text, instead of those that were there.
 * @returns ids of the names
 * @throws InputError for a size or a colour of a row that is none
 */
export async function layNames(piece: string, rows: readonly NameRow[], fit: 'height' | 'width'): Promise<string[]> {
  const face = useJob.getState().job?.pieces.find((p) => p.id === piece)?.lettering?.face;
  if (face !== undefined && isOutlined(face)) await faceFont(face);
  const names = rows.map((row) => besideOfRow(row, { piece, fit }, crypto.randomUUID().slice(0, 8)));
  const gone = new Set(besideNow().flatMap((b) => (b.text ? [b.id] : [])));
  useJob.getState().change(rows.length > 0 ? `Lay ${rows.length} names` : 'Take the names out', (job) => {
    const text = job.pieces.find((p) => p.id === piece)?.lettering;
    // The letters of all names come along: the calculation has no font.
    const { outlines } = text ? withLetters({ ...text, text: `${text.text} ${rows.map((r) => r.name).join(' ')}` }) : {};
    if (text && outlines) text.outlines = outlines;
    const { beside = [], copies, ...floor } = job.floor ?? {};
    const kept = copies?.filter((c) => c.of === undefined || !gone.has(c.of)) ?? [];
    const all = [...beside.filter((b) => !b.text), ...names];
    job.floor = { ...floor, ...(all.length > 0 ? { beside: all } : {}), ...(kept.length > 0 ? { copies: kept } : {}) };
  });
  return names.map((n) => n.id);
}

/** Takes a design and its copies out of the hoop. */
export function takeOut(id: string): void {
  const { copies } = useJob.getState().job?.floor ?? {};
  const [beside, kept] = [besideNow().filter((b) => b.id !== id), copies?.filter((c) => c.of !== id)];
  changeFloor('Take a design out', {
    beside: beside.length > 0 ? beside : undefined,
    copies: kept && kept.length > 0 ? kept : undefined,
  });
}
