import type { ArtAnswer, ArtChoice, Brief, JobSettings, Piece, Thread } from '../document/types';
import { recipeFor } from '../cloth/house';
import { InputError } from '../document/errors';
import { multiply } from '../geometry/path';
import { findRegions, type Region, type RegionReport } from './artRegions';
import { decideParts } from './decideParts';
import { piecesOf } from './piecesOf';
import { placeArt, type PlacedArt, type WantedSize } from './place';
import { posed, poseMatrix, type ArtPose } from './pose';
import type { Proposal } from './proposeKind';
import { textPieces } from './texts';
import type { ArtDocument } from './readSvg';
import { applyAnswers } from './sizeReport';

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
  const how = { recipe: recipeFor(options), settings: options.settings, threadWeight: options.threadWeight ?? USUAL_WEIGHT };
  const answered = applyAnswers(found.regions, options.answers ?? [], art.matrix);
  const decided = decideParts(answered, how, options.sewnAs ?? [], art.matrix, (done) => progress(0.5 + 0.4 * done));
  const { pieces, proposals, byPart } = piecesOf(decided, options.cloth, how);
  const used = new Set(pieces.map((p) => p.thread));
  const threads = [...new Set(decided.threads.values())].filter((t) => used.has(t.id));
  const report = { ...found, regions: decided.parts.map((p) => p.region) };
  progress(1);
  const lettered = textPieces(doc.texts ?? [], multiply(placed.matrix, lay), { threads, pieces, weight: how.threadWeight });
  return { art, report, drawn: found.regions, proposals, ...lettered, byRegion: byPart };
}

/** What to say of artwork of which nothing can be sewn at its size, mm. */
export function nothingToSew(width: number, height: number): InputError {
  const size = `${width.toFixed(1)} x ${height.toFixed(1)} mm`;
  return new InputError('empty-art', `At ${size} nothing in this artwork is large enough to sew; make it larger, or its shapes bolder.`);
}
