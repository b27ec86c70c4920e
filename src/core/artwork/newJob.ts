import { emptyJob, fitsHoop, smallestHoop } from '../document/job';
import { InputError } from '../document/errors';
import type { Brief, Job } from '../document/types';
import { digitize, nothingToSew, type Digitized } from './digitize';
import type { ArtDocument } from './readSvg';

export interface NewJobOptions {
  id: string;
  name: string;
  file: string;
  cloth: Brief['cloth'];
  width?: number;
  height?: number;
  hoop?: Brief['hoop'];
  threadWeight?: number;
}

const mm = (v: number): string => v.toFixed(1);

/** Checks that a design of this size lies within the hoop's field. */
export function requireFit(hoop: Brief['hoop'], width: number, height: number): void {
  // Half a hundredth of a millimetre is rounding, not size.
  if (fitsHoop(hoop, width - 0.005, height - 0.005)) return;
  const field = hoop.shape === 'round' ? `${mm(hoop.width)} mm round` : `${mm(hoop.width)} x ${mm(hoop.height)} mm`;
  throw new InputError(
    'too-big-for-hoop',
    `The artwork is ${mm(width)} x ${mm(height)} mm but the hoop's field is ${field}; make it smaller or choose a larger hoop.`,
  );
}

/** Digitizes a drawing into a whole job. Without a hoop, the smallest offered one that fits is taken. */
export function jobFromArt(
  doc: ArtDocument,
  options: NewJobOptions,
  progress?: (done: number) => void,
): { job: Job; digitized: Digitized } {
  const base = emptyJob(options.id, options.name, { cloth: options.cloth });
  const digitized = digitize(doc, { ...options, settings: base.settings, ...(progress ? { progress } : {}) });
  const { width, height, matrix } = digitized.art;
  if (digitized.pieces.length === 0) throw nothingToSew(width, height);
  const hoop = options.hoop ?? smallestHoop(width, height);
  if (!hoop)
    throw new InputError('too-big-for-hoop', `The artwork is ${mm(width)} x ${mm(height)} mm, larger than any hoop; make it smaller.`);
  requireFit(hoop, width, height);
  const size = options.width !== undefined || options.height === undefined ? { width: round2(width) } : { height: round2(height) };
  const job: Job = {
    ...base,
    brief: { ...base.brief, hoop, size },
    threads: digitized.threads,
    artwork: [
      { id: 'a1', file: options.file, transform: [...matrix], locked: true, madeAt: { width: round2(width), height: round2(height) } },
    ],
    pieces: digitized.pieces,
  };
  return { job, digitized };
}

const round2 = (v: number): number => Math.round(v * 100) / 100;
