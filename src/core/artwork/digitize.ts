import type { ArtAnswer, ArtChoice, Brief, JobSettings, Piece, Thread } from '../document/types';
import { recipeFor } from '../cloth/house';
import { directionsOf } from './directions/ofRegions';
import { neighbourhoodOf } from './directions/neighbourhood';
import { matchThreads } from './matchThreads';
import { withChoices } from './chosenKinds';
import { arranged } from './arrange';
import { mergedFields } from './mergeFields';
import { proposedAlike, twinsAmong, twinsOf } from './twins';
import { firstOrder } from '../route/order';
import { requireBounds } from '../document/recordBounds';
import { InputError } from '../document/errors';
import { lightness } from '../cloth/threads';
import { boundsOf, type Area } from '../geometry/point';
import { asPatchBorder, patchBorderAmong } from './patchBorder';
import { namesOf, readable, type Named } from './names';
import { shapeWord } from './shapeWords';
import { multiply } from '../geometry/path';
import { posed, poseMatrix, type ArtPose } from './pose';
import { placeArt, type PlacedArt, type WantedSize } from './place';
import { sewnRegions } from './limbs/ofRegions';
import { columnLimit, paintedBy, proposeFor, sewsAsColumns, type Proposal } from './proposeKind';
import { findRegions, type Region, type RegionReport } from './artRegions';
import { applyAnswers } from './sizeReport';
import type { ArtDocument } from './readSvg';

/** Artwork at real size with what should be sewn of it. */
export interface Digitized {
  art: PlacedArt;
  report: RegionReport;
  /** The regions as drawn, before what was decided in the size report. */
  drawn: Region[];
  proposals: Proposal[];
  threads: Thread[];
  pieces: Piece[];
  /** For each region the piece made from it, or null when it is left out. */
  byRegion: (Piece | null)[];
}

export interface DigitizeOptions extends WantedSize, Pick<Brief, 'cloth' | 'recipe'> {
  settings: JobSettings;
  /** Weight of the threads; 40 when absent. */
  threadWeight?: number;
  /** How the drawing lies; upright and unmirrored when absent. */
  pose?: ArtPose;
  /** What was decided in the size report. */
  answers?: readonly ArtAnswer[];
  /** What regions are to be sewn as instead of what would be proposed. */
  sewnAs?: readonly ArtChoice[];
  progress?: (done: number) => void;
}

/** Of embroidery thread, where nobody says otherwise. */
const USUAL_WEIGHT = 40;

/** As much as a job record keeps of a reason. */
const LONGEST_WHY = 200;

/** What the last drawings came to: the shelf, the artwork's place and its tools all ask for the same. */
const known = new WeakMap<ArtDocument, Map<string, Digitized>>();
const MOST_KNOWN = 3;

/** Turns a drawing into pieces in a sensible first order. Pure: the same drawing and options give the same pieces. */
export function digitize(doc: ArtDocument, { progress = () => undefined, ...options }: DigitizeOptions): Digitized {
  const made = known.get(doc) ?? new Map<string, Digitized>();
  known.set(doc, made);
  const key = JSON.stringify([
    options.cloth,
    options.recipe,
    options.settings,
    options.threadWeight ?? USUAL_WEIGHT,
    options.width,
    options.height,
    options.pose,
    options.answers ?? [],
    options.sewnAs ?? [],
  ]);
  const before = made.get(key);
  if (before) return before;
  const digitized = digitizeAnew(doc, options, progress);
  if (made.size >= MOST_KNOWN) made.delete(made.keys().next().value!);
  made.set(key, digitized);
  return digitized;
}

function digitizeAnew(doc: ArtDocument, options: DigitizeOptions, progress: (done: number) => void): Digitized {
  const lay = poseMatrix(options.pose ?? {});
  const placed = placeArt(posed(doc, lay), options);
  const art: PlacedArt = { ...placed, matrix: multiply(placed.matrix, lay) };
  progress(0.2);
  const found = findRegions(art);
  progress(0.5);
  const threadWeight = options.threadWeight ?? USUAL_WEIGHT;
  const how = { recipe: recipeFor(options), settings: options.settings, threadWeight };
  const answered = applyAnswers(found.regions, options.answers ?? [], art.matrix);
  const drawn = neighbourhoodOf(answered.map(paintedBy));
  const threads = matchThreads(answered, drawn, threadWeight);
  const threadsOf = answered.map((r) => threads.get(r.hex)!.id);
  const propose = (region: Region): Proposal => proposeFor(region, how);
  const apart = sewnRegions(arranged(answered, threadsOf, drawn), columnLimit(options.settings), propose, (done) =>
    progress(0.5 + 0.4 * done),
  );
  const merged = mergedFields(apart, propose);
  const sets = twinsOf(merged);
  const parts = withChoices(proposedAlike(merged, sets), options.sewnAs ?? [], art.matrix);
  const report = { ...found, regions: parts.map((p) => p.region) };
  const proposals = parts.map((p) => p.proposal);
  const sewn = report.regions
    .map((region, i) => ({ region, proposal: proposals[i]!, i }))
    .filter((s) => s.proposal.shape)
    .map((s) => ({ ...s, painted: paintedBy(s.region) }));
  const border = options.cloth === 'patch' ? patchBorderAmong(sewn) : -1;
  if (border >= 0) sewn[border]!.proposal = proposals[sewn[border]!.i] = asPatchBorder(sewn[border]!);
  const around = neighbourhoodOf(sewn.map((s) => s.painted));
  const limitMm = columnLimit(options.settings);
  const twins = twinsAmong(
    sewn.map((s) => sets[s.i]!),
    (model) => sewn.findIndex((s) => s.i === model),
  );
  const directions = directionsOf(sewn, around, { twins, limitMm, sews: (region, shape) => sewsAsColumns(region, shape, how) });
  for (const [i, turned] of directions.details) {
    sewn[i]!.proposal = turned;
    proposals[sewn[i]!.i] = turned;
  }
  const drafts = sewn.map(({ region, proposal }, i): Piece => {
    const { settings, ...shape } = proposal.shape!;
    const rows = directions.fields.get(i);
    return {
      id: '',
      name: '',
      kind: proposal.kind as Piece['kind'],
      thread: threads.get(region.hex)!.id,
      ...shape,
      ...(rows ? { rows } : {}),
      why: proposal.why.slice(0, LONGEST_WHY),
      ...(twins[i] ? { alike: `s${twins[i].model + 1}` } : {}),
      settings,
    };
  });
  requireBounds(drafts);
  const order = firstOrder(drafts.map((piece, i) => ({ thread: piece.thread, painted: sewn[i]!.painted, last: i === border })));
  const names = namesOf(order.map((i) => calledBy(sewn[i]!, threads.get(sewn[i]!.region.hex)!)));
  const pieces = order.map((i, k): Piece => ({ ...drafts[i]!, id: `p${k + 1}`, name: names[k]! }));
  const byRegion = report.regions.map((_, i) => pieces[order.indexOf(sewn.findIndex((s) => s.i === i))] ?? null);
  progress(1);
  return { art, report, drawn: found.regions, proposals, threads: [...new Set(threads.values())], pieces, byRegion };
}

function calledBy({ region, proposal, painted }: { region: Region; proposal: Proposal; painted: Area }, thread: Thread): Named {
  const box = boundsOf(painted);
  const at = { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
  return { title: readable(region.name), thread: thread.name, lightness: lightness(thread.hex), shape: shapeWord(region, proposal), at };
}

/** What to say of artwork of which nothing can be sewn at its size, mm. */
export function nothingToSew(width: number, height: number): InputError {
  const size = `${width.toFixed(1)} x ${height.toFixed(1)} mm`;
  return new InputError('empty-art', `At ${size} nothing in this artwork is large enough to sew; make it larger, or its shapes bolder.`);
}
