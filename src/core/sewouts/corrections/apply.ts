import type { SeenMark } from '../../document/sewoutTypes';
import type { Job, Piece } from '../../document/types';
import { correct } from '../../forecast/correct';
import { forecast, type Forecast } from '../../forecast/forecast';
import { Planner } from '../../plan/planner';
import type { Fix } from '../../proof/finding';
import { withFix } from '../../proof/withFix';
import type { Remedy } from '../causes/cause';
import { foreseenAt, gapPlaceOf, isMeasured, type Measured } from '../measured';
import { seenGapsOf, withSeenGaps } from './seenGaps';

/** A remedy that was accepted for a mark. */
export interface Accepted {
  mark: Omit<SeenMark, 'id'>;
  remedy: Pick<Remedy, 'label' | 'fix' | 'extend'>;
}

/** What the forecast says at a mark before and after, mm; null where it says nothing. */
export interface BeforeAfter {
  beforeMm: number | null;
  afterMm: number | null;
  /** With what the cloth showed in place of what was foreseen. */
  expectedMm: number | null;
}

export interface Corrected {
  job: Job;
  /** Ids of pieces that changed. */
  changed: string[];
  /** For each accepted remedy. */
  at: BeforeAfter[];
}

export interface ApplyOptions {
  planner?: Planner;
  progress?: (done: number) => void;
}

/** Pieces that are outlines: these are the truth, and nothing moves them to suit one sample (craft §4). */
const isOutline = (piece: Piece): boolean => piece.kind === 'border' || piece.kind === 'run';

/** Makes accepted remedies in one step. Outlines keep their shape to the last bit. */
export function applied(job: Job, accepted: readonly Accepted[], options: ApplyOptions = {}): Corrected {
  const planner = options.planner ?? new Planner();
  const progress = options.progress ?? ((): void => undefined);
  const before = forecast(job, { planner, progress: (done) => progress(0.15 * done) });
  const fixed = accepted.reduce((now, { remedy: { fix } }) => (fix ? withFixMade(now, fix, planner) : now), job);
  const measured = accepted
    .filter((a) => a.remedy.extend)
    .map((a) => a.mark)
    .filter(isMeasured);
  const seen = seenGapsOf(job, before.meetings, measured);
  const indexNow = (k: number): number => fixed.pieces.findIndex((p) => p.id === job.pieces[k]!.id);
  const seenNow = seen.map((g) => ({ ...g, first: indexNow(g.first), later: indexNow(g.later) }));
  const only = [...new Set(seen.map((g) => job.pieces[g.first]!))].filter((p) => !isOutline(p)).map((p) => p.id);
  const next =
    only.length === 0
      ? fixed
      : extended(
          fixed,
          only,
          (m) => withSeenGaps(m, seenNow),
          planner,
          (done) => progress(0.15 + 0.7 * done),
        );
  const after = forecast(next, { planner, progress: (done) => progress(0.85 + 0.15 * done) });
  const expected = { ...after, meetings: withSeenGaps(after.meetings, seenNow) };
  return {
    job: next,
    changed: next.pieces.filter((p) => !job.pieces.includes(p)).map((p) => p.id),
    at: accepted.map(({ mark }) => beforeAfter(job, next, { before, after, expected }, mark)),
  };
}

function beforeAfter(
  job: Job,
  next: Job,
  { before, after, expected }: { before: Forecast; after: Forecast; expected: Forecast },
  mark: Accepted['mark'],
): BeforeAfter {
  if (!isMeasured({ mm: 0, ...mark })) return { beforeMm: null, afterMm: null, expectedMm: null };
  const measured = { mm: 0, ...mark } as Measured;
  return {
    beforeMm: foreseenAt(job, before, measured),
    afterMm: worstAt(next, after, measured),
    expectedMm: worstAt(next, expected, measured),
  };
}

/** Of a gap the widest place near the mark: closing one place is not to open the next. */
function worstAt(job: Job, f: Forecast, mark: Measured): number | null {
  if (mark.kind !== 'gap') return foreseenAt(job, f, mark);
  const found = gapPlaceOf(job, f.meetings, mark);
  return found && found.place.gapMm;
}

function extended(
  job: Job,
  only: readonly string[],
  seen: NonNullable<Parameters<typeof correct>[1]>['seen'],
  planner: Planner,
  progress: (done: number) => void,
): Job {
  const { pieces } = correct(job, { planner, only, progress, ...(seen ? { seen } : {}) });
  const made = new Map(pieces.map((p) => [p.id, p]));
  return { ...job, pieces: job.pieces.map((p) => made.get(p.id) ?? p) };
}

/** A fix of the proof, with edges corrected where it asks for that. */
function withFixMade(job: Job, fix: Fix, planner: Planner): Job {
  const changed = withFix(job, fix);
  return fix.correct ? extended(changed, fix.correct, undefined, planner, () => undefined) : changed;
}
