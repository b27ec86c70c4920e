import { emptyJob, fitsHoop, smallestHoop } from '../document/job';
import { InputError } from '../document/errors';
import type { Brief, Job, JobSettings } from '../document/types';
import { digitize, nothingToSew, type Digitized, type DigitizeOptions } from './digitize';
import type { ArtDocument } from './readSvg';

export interface NewJobOptions {
  id: string;
  name: string;
  file: string;
  brief?: Partial<Brief>;
  /** How the shop likes to work. */
  school?: JobSettings;
  threadWeight?: number;
  /** Width for artwork that does not say how large it is, or of which nothing can be sewn at its own size, mm. */
  guessMm?: number;
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

/**
 * Digitizes a drawing into a whole job: the one way for the shelf, the command line and the demos. Without a hoop, the smallest
 * offered one that fits is taken.
 * @throws InputError when nothing can be sewn of it, or it does not fit
 */
export function jobFromArt(
  doc: ArtDocument,
  { id, name, file, brief = {}, school = {}, threadWeight, guessMm }: NewJobOptions,
  progress?: (done: number) => void,
): { job: Job; digitized: Digitized } {
  const base = emptyJob(id, name, brief);
  const settings = { ...base.settings, ...school };
  const options = { ...pickCloth(base.brief), settings, ...(threadWeight ? { threadWeight } : {}), ...(progress ? { progress } : {}) };
  const digitized = digitizeAtSize(doc, options, brief.size, guessMm);
  const { width, height, matrix } = digitized.art;
  if (digitized.pieces.length === 0) throw nothingToSew(width, height);
  const hoop = brief.hoop ?? smallestHoop(width, height);
  if (!hoop)
    throw new InputError('too-big-for-hoop', `The artwork is ${mm(width)} x ${mm(height)} mm, larger than any hoop; make it smaller.`);
  requireFit(hoop, width, height);
  const madeAt = { width: round2(width), height: round2(height) };
  const job: Job = {
    ...base,
    brief: { ...base.brief, hoop, size: brief.size ?? { width: madeAt.width } },
    settings,
    threads: digitized.threads,
    artwork: [{ id: 'a1', file, transform: [...matrix], locked: true, madeAt }],
    pieces: digitized.pieces,
  };
  return { job, digitized };
}

const pickCloth = ({ cloth, recipe }: Brief): Pick<Brief, 'cloth' | 'recipe'> => ({ cloth, ...(recipe ? { recipe } : {}) });

/** Where no size is asked for, the drawing's own counts; drawings are often tiny on their page, or do not say. */
function digitizeAtSize(
  doc: ArtDocument,
  options: DigitizeOptions,
  size: Brief['size'] | undefined,
  guessMm: number | undefined,
): Digitized {
  if (size || guessMm === undefined) return digitize(doc, { ...options, ...size });
  try {
    const own = digitize(doc, options);
    if (own.pieces.length > 0) return own;
  } catch (error) {
    if (!(error instanceof InputError) || error.code !== 'no-size') throw error;
  }
  return digitize(doc, { ...options, width: guessMm });
}

const round2 = (v: number): number => Math.round(v * 100) / 100;
