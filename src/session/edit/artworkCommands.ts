import type { ArtworkRef, Job, TracedFrom } from '@/core/document/types';
import { shapeFigures } from '@/core/tracing/shapesSvg';
import { useJob } from '../job/jobStore';

const change = (label: string, recipe: (job: Job) => void): void => useJob.getState().change(label, recipe);

/** Keeps a file beside the job's artwork, under a name that is free. */
function keptAs(file: string, text: string): string {
  const { artwork, addArtwork } = useJob.getState();
  let name = file;
  for (let n = 2; artwork[name] !== undefined && artwork[name] !== text; n++) name = file.replace(/(\.[^.]*)?$/, ` ${n}$1`);
  addArtwork(name, text);
  return name;
}

/** A drawing's file; where it was traced of a picture, that too. */
export interface NewArtwork {
  file: string;
  svg: string;
  picture?: { from: TracedFrom; text: string };
}

/** Lays another drawing under the job; its pieces stay as they are. Decisions of the size report were the old drawing's. */
export function replaceArtwork({ file, svg, picture }: NewArtwork): void {
  if (!useJob.getState().job) return;
  const name = keptAs(file, svg);
  const from = picture && { ...picture.from, file: keptAs(picture.from.file, picture.text) };
  change('Replace the artwork', (draft) => {
    const was = draft.artwork[0];
    const art: ArtworkRef = { id: was?.id ?? 'a1', file: name, transform: [...NOTHING_MADE], locked: true, madeWith: 'another drawing' };
    draft.artwork = [from ? { ...art, picture: from } : art];
  });
}

/** Lays other shapes of the same picture under the job. What was decided of a place holds where the new shapes have it. */
export function retraceArtwork(svg: string, from: TracedFrom): void {
  const { job, artwork } = useJob.getState();
  const was = job?.artwork[0];
  if (!was?.picture) return;
  const name = keptAs(was.file, svg);
  const before = shapeFigures(artwork[was.file] ?? '').widthMm;
  const scale = before > 0 ? shapeFigures(svg).widthMm / before : 1;
  change('Trace again', (draft) => {
    const art = draft.artwork[0]!;
    art.file = name;
    art.picture = from;
    art.madeWith = 'another drawing';
    for (const place of [...(art.answers ?? []), ...(art.sewnAs ?? [])]) place.at = [place.at[0] * scale, place.at[1] * scale];
  });
}

/** Stands for 'no piece was made from this drawing'. */
const NOTHING_MADE = [1, 0, 0, 1, 0, 0] as const;
