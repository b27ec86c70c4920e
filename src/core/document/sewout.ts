import { agreedTo } from './folder';
import type { Job } from './types';
import type { SeenMark, SewnVersion, Sewout, SewoutSetup } from './sewoutTypes';
import { SEWOUT_VERSION } from './sewoutTypes';

/** Number of the version that is on the bench: one more than the last that was sewn, or that one's where nothing was changed since. */
export function versionNumber(job: Pick<Job, 'sewouts' | 'pieces' | 'threads' | 'brief'>): number {
  const now = agreedTo(job);
  const same = job.sewouts.find((s) => s.version.of === now);
  return same?.version.number ?? Math.max(0, ...job.sewouts.map((s) => s.version.number)) + 1;
}

/** What is on the bench, frozen as it is sewn. */
export function frozen(job: Job, note?: string): SewnVersion {
  const { brief, threads, pieces, settings } = job;
  return { number: versionNumber(job), of: agreedTo(job), brief, threads, pieces, settings, ...(note ? { note } : {}) };
}

/** The job as it was when a test was sewn. */
export function jobAsSewn(job: Pick<Job, 'cobble' | 'id' | 'name'>, { version }: Pick<Sewout, 'version'>): Job {
  const { brief, threads, pieces, settings } = version;
  return { cobble: job.cobble, id: job.id, name: job.name, brief, threads, pieces, settings, artwork: [], sewouts: [], repeat: null };
}

/** A test that was just sewn, with nothing seen on it yet. */
export const newSewout = (job: Job, of: Pick<Sewout, 'id' | 'on' | 'by'> & { setup?: SewoutSetup; note?: string }): Sewout => ({
  sewout: SEWOUT_VERSION,
  id: of.id,
  on: of.on,
  by: of.by,
  version: frozen(job, of.note),
  setup: of.setup ?? {},
  photos: [],
  marks: [],
  notes: '',
});

/** The test that was signed off last, if what is on the bench is what was sewn then: approved for production. */
export function signedOff(job: Pick<Job, 'sewouts' | 'pieces' | 'threads' | 'brief'>): Sewout | null {
  const signed = job.sewouts.filter((s) => s.signed);
  if (signed.length === 0) return null;
  const now = agreedTo(job);
  return signed.findLast((s) => s.version.of === now) ?? null;
}

/** Gaps that were measured, the widest first. */
export const measuredGaps = ({ marks }: Pick<Sewout, 'marks'>): SeenMark[] =>
  marks.filter((m) => m.kind === 'gap' && m.mm !== undefined).sort((a, b) => b.mm! - a.mm!);

/** What was signed off for production in words, and whether that is still what is on the bench; null where nothing was. */
export function signOffWords(job: Pick<Job, 'sewouts' | 'pieces' | 'threads' | 'brief'>): { words: string; still: boolean } | null {
  const last = job.sewouts.findLast((s) => s.signed);
  if (!last?.signed) return null;
  const of = signedOff(job) ?? last;
  const { on, by } = of.signed!;
  const words = `Version ${of.version.number} approved for production on ${on}${by ? ` by ${by}` : ''}`;
  return { words, still: of.version.of === agreedTo(job) };
}
