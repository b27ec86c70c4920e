import type { Beside, CopyPlace, Hoop, Job, NameInText } from '../../document/types';
import { hexOfRow, jobForName, sizeOfRow, type NameRow } from '../../lettering/names';
import { withFollowing } from '../../pieces/lettering/following';
import type { StitchPlan } from '../../plan/plan';
import { without } from '../../document/without';
import type { SheetCopy } from './sheet';

/** Says the plan of a job; of one job always the same. */
export type PlanOf = (job: Job) => StitchPlan;

/** A design that copies in the hoop may be of. */
export interface Design {
  /** Of what lies beside the job; absent for the job's own. */
  id?: string;
  name: string;
  job: Job;
}

/** Jobs made for the names of a job: the same again for the same job and name, so that its plan is known. */
const named = new WeakMap<Beside, { of: Job; job: Job }>();

/**
 * The job's own design and those that lie beside it.
 * @throws InputError for a name that cannot be set any more
 */
export function designsOf(job: Job): Design[] {
  return [{ name: job.name, job }, ...(job.floor?.beside ?? []).map((b) => ({ id: b.id, name: b.name, job: b.job ?? jobNamed(job, b) }))];
}

function jobNamed(job: Job, beside: Beside): Job {
  const known = named.get(beside);
  if (known && samePieces(known.of, job)) return known.job;
  const made = withName(job, beside.text!);
  named.set(beside, { of: job, job: made });
  return made;
}

/** Where copies lie is for their hoop to say, not for the one that the text was drawn in. */
const ANYWHERE: Hoop = { width: 1000, height: 1000, shape: 'rect' };

/**
 * A job with a name in place of one of its texts; what follows the text follows the name.
 * @throws InputError for a name that cannot be set
 */
function withName(job: Job, { piece, words, fit, height, hex }: NameInText): Job {
  const size = height === undefined ? {} : { size: String(height) };
  const row = { row: 1, name: words, ...size, ...(hex === undefined ? {} : { thread: hex }) };
  const room = { ...job, brief: { ...job.brief, hoop: ANYWHERE } };
  const made = withFollowing(jobForName(room, piece, row, { fit }), room);
  return { ...without(made, 'floor'), brief: job.brief };
}

/** A row of a list as a name beside a job. @throws InputError for a size or a colour that is none */
export function besideOfRow(row: NameRow, { piece, fit }: Pick<NameInText, 'piece' | 'fit'>, id: string): Beside {
  const [height, hex] = [sizeOfRow(row), hexOfRow(row)];
  return {
    id,
    name: row.name,
    text: { piece, words: row.name, fit, ...(height === undefined ? {} : { height }), ...(hex === undefined ? {} : { hex }) },
  };
}

const samePieces = (a: Job, b: Job): boolean =>
  a.pieces === b.pieces && a.threads === b.threads && a.settings === b.settings && a.brief === b.brief;

/** Each copy with its design and its plan; of copies whose design is gone nothing is left. */
export function copiesLaid(designs: readonly Design[], copies: readonly CopyPlace[], planOf: PlanOf): SheetCopy[] {
  const known = new Map(designs.map((d) => [d.id, d]));
  return copies.flatMap((at) => {
    const design = known.get(at.of);
    return design ? [{ job: design.job, plan: planOf(design.job), at }] : [];
  });
}

/** Remembers plans of jobs, so that each is planned once. */
export function remembered(planOf: PlanOf): PlanOf {
  const plans = new Map<Job, StitchPlan>();
  return (job) => {
    const known = plans.get(job) ?? planOf(job);
    plans.set(job, known);
    return known;
  };
}
