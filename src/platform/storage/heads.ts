import Joi from 'joi';
import { briefSchema } from '@/core/document/schema';
import type { Job } from '@/core/document/types';

/** What the Shelf shows of a job, so that it need not read the job itself. */
export type Head = Pick<Job, 'name' | 'brief'>;

const headSchema = Joi.object<Head, true>({ name: Joi.string().allow('').max(200).required(), brief: briefSchema.required() });

export const headOf = ({ name, brief }: Job): Head => ({ name, brief });

/** A head as it was kept; null when it is none, so that the job itself has to be read. */
export function readHead(data: unknown): Head | null {
  const read = headSchema.validate(data, { convert: false });
  return read.error ? null : (read.value ?? null);
}
