import type { InputError } from '@/core/document/errors';
import type { Job } from '@/core/document/types';
import type { WiredJob } from '../jobWire';
import type { EngineProtocol } from './engine';
import type { PainterProtocol } from './painter';

export type Protocol = EngineProtocol & PainterProtocol;
export type RequestName = keyof Protocol;
export type EngineRequest = keyof EngineProtocol;
export type PainterRequest = keyof PainterProtocol;
/** What comes of a request before it is done. */
export type PartOf<K extends RequestName> = Protocol[K] extends { part: infer P } ? P : never;

/** A request as it is asked for. */
export type Request = { [K in RequestName]: { id: number; name: K; input: Protocol[K]['in'] } }[RequestName];
type Wired<T> = T extends { job: Job } ? Omit<T, 'job'> & { job: WiredJob } : T;
/** A request as it travels: a job in it without the pieces that the worker has, and where it is told to stop. */
export type ToWorker = {
  [K in RequestName]: { id: number; name: K; input: Wired<Protocol[K]['in']>; signs: Int32Array | null };
}[RequestName];

export type FromWorker =
  | { id: number; kind: 'progress'; done: number }
  | { id: number; kind: 'part'; part: unknown }
  | { id: number; kind: 'result'; output: unknown }
  /** The work was given up, as it was asked to be. */
  | { id: number; kind: 'stopped' }
  | { id: number; kind: 'error'; message: string; known: boolean; code?: InputError['code'] };
