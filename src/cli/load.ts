import { unitsAsked } from './say';
import { stage } from './stage';
import { basename, extname } from 'node:path';
import { jobFromArt } from '../core/artwork/newJob';
import { drawingOf } from '../core/artwork/readSvg';
import { requireDrawing } from '../core/artwork/otherFile';
import { artworkName } from '../core/document/fileNames';
import { InputError } from '../core/document/errors';
import type { Job } from '../core/document/types';
import { isPictureName, withoutPictureEnd } from '../core/tracing/pictureName';
import { shapesSvg } from '../core/tracing/shapesSvg';
import { trace } from '../core/tracing/trace';
import type { InputArgs } from './args';
import { readBytes } from './files';

export interface Loaded {
  job: Job;
  artwork: Record<string, string>;
}

/** Reads an artwork or a job into a job with its pieces. */
export async function load(args: InputArgs): Promise<Loaded> {
  stage(`Reading ${basename(args.input)}`);
  const bytes = readBytes(args.input);
  const kind = extname(args.input).toLowerCase();
  if (kind === '.json' || kind === '.cobble') {
    if (args.width !== undefined || args.height !== undefined)
      throw new InputError('bad-usage', 'A job has its size already; --width and --height are for artwork.');
    // What checks records takes longer to load than a small drawing to plan.
    const { readJobFile } = await import('./jobFile');
    const loaded = readJobFile(bytes, kind);
    return { ...loaded, job: overridden(loaded.job, args) };
  }
  if (!isPictureName(args.input)) requireDrawing(basename(args.input), bytes);
  return jobOfDrawing(isPictureName(args.input) ? await tracedFile(bytes, args) : new TextDecoder().decode(bytes), args);
}

/** A picture as the drawing that it becomes; it is sized afterwards, as drawings are. */
async function tracedFile(bytes: Uint8Array, { input, width, height }: InputArgs): Promise<string> {
  if (width === undefined && height === undefined)
    throw new InputError('no-size', 'A picture has no size of its own; give --width or --height in mm.');
  const { decodedPicture } = await import('./picture');
  const { picture } = await decodedPicture(bytes, input);
  const widthMm = width ?? (height! * picture.width) / picture.height;
  return shapesSvg(trace(picture, { widthMm }));
}

/** A drawing as a job with its pieces. */
export function jobOfDrawing(text: string, args: InputArgs): Loaded {
  const file = artworkName(`${withoutPictureEnd(basename(args.input))}${isPictureName(args.input) ? '.svg' : ''}`);
  const name = basename(args.input, extname(args.input)).slice(0, 200) || 'Artwork';
  const how = {
    id: 'headless',
    name,
    file,
    brief: { cloth: args.cloth ?? ('pique' as const), ...sizeOf(args), ...(args.hoop ? { hoop: args.hoop } : {}), ...inAsked() },
    ...(args.threadWeight !== undefined ? { threadWeight: args.threadWeight } : {}),
  };
  const { job } = jobFromArt(drawingOf(text), how, stage('Choosing the pieces'));
  return { job: tied(job, args), artwork: { [file]: text } };
}
/** A job with its thread tied as was asked for. */
export const tied = (job: Job, { ties }: Pick<InputArgs, 'ties'>): Job => (ties ? { ...job, settings: { ...job.settings, ...ties } } : job);

/** Units of papers, as asked for with --units. */
const inAsked = (): Pick<Job['brief'], 'units'> => {
  const units = unitsAsked();
  return units ? { units } : {};
};

const sizeOf = ({ width, height }: InputArgs): Pick<Job['brief'], 'size'> | object =>
  width === undefined && height === undefined
    ? {}
    : { size: { ...(width !== undefined ? { width } : {}), ...(height !== undefined ? { height } : {}) } };

function overridden(job: Job, args: InputArgs): Job {
  const brief = { ...job.brief, ...(args.cloth ? { cloth: args.cloth } : {}), ...(args.hoop ? { hoop: args.hoop } : {}), ...inAsked() };
  const threads = args.threadWeight === undefined ? job.threads : job.threads.map((t) => ({ ...t, weight: args.threadWeight! }));
  return tied({ ...job, brief, threads }, args);
}
