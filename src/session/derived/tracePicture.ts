import type { TraceOptions } from '@/core/tracing/options';
import { easel, type CallOptions } from '@/workers/client';

/** A picture's file as a drawing, by a worker, which takes the bytes. */
export const tracePicture = (bytes: ArrayBuffer, name: string, options: TraceOptions, call: CallOptions = {}) =>
  easel.call('trace', { bytes, name, options }, { transfer: [bytes], ...call });
