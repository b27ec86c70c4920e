import Joi from 'joi';
import { briefSchema, jobSchema } from '@/core/document/schema';
import { signedOff } from '@/core/document/sewout';
import { unanswered } from '@/core/document/folder';
import type { Job, JobFloor } from '@/core/document/types';
import { without } from '@/core/document/without';

/** What the Shelf shows of a job, so that it need not read the job itself. */
export type Head = Pick<Job, 'name' | 'brief' | 'stage' | 'floor'> & {
  /** Questions to the customer that have no answer; none when absent. */
  waiting?: number;
  /** The version that was signed off for production, while it is what is on the bench. */
  signed?: number;
};

const headSchema = Joi.object<Head, true>({
  name: Joi.string().allow('').max(200).required(),
  brief: briefSchema.required(),
  stage: jobSchema.extract('stage') as Joi.StringSchema,
  floor: jobSchema.extract('floor') as Joi.ObjectSchema,
  waiting: Joi.number().integer().min(0),
  signed: Joi.number().integer().min(1),
});

export function headOf(job: Job): Head {
  const { name, brief, stage, floor, questions = [] } = job;
  const signed = signedOff(job)?.version.number;
  return {
    name,
    brief,
    ...(signed === undefined ? {} : { signed }),
    ...(unanswered({ questions }).length > 0 ? { waiting: unanswered({ questions }).length } : {}),
    ...(stage ? { stage } : {}),
    ...(floor ? { floor: alone(floor) } : {}),
  };
}

/** What the Floor of a job says of the job itself: other jobs that lie in its hoop are large, and not needed to know it by. */
function alone({ beside, copies, ...floor }: JobFloor): JobFloor {
  const others = new Set((beside ?? []).filter((b) => b.job).map((b) => b.id));
  const own = copies?.filter((c) => c.of === undefined || !others.has(c.of)).map((c) => without(c, 'of'));
  return { ...floor, ...(own && own.length > 0 ? { copies: own } : {}) };
}

/** A head as it was kept; null when it is none, so that the job itself has to be read. */
export function readHead(data: unknown): Head | null {
  const read = headSchema.validate(data, { convert: false });
  return read.error ? null : (read.value ?? null);
}
