import type { ArtAnswer, Brief, JobSettings, Piece, Thread } from '../document/types';
import { recipeFor } from '../cloth/house';
import { colourDifference } from '../cloth/threads';
import { chooseThreads } from './chooseThreads';
import { directionsOf } from './directions/ofRegions';
import { touchingColours } from './touchingColours';
import { firstOrder } from '../route/order';
import { requireBounds } from '../document/recordBounds';
import { InputError } from '../document/errors';
import { readable } from './names';
import { multiply } from '../geometry/path';
import { posed, poseMatrix, type ArtPose } from './pose';
import { placeArt, type PlacedArt, type WantedSize } from './place';
import { paintedBy, proposeFor, type Proposal } from './proposeKind';
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
  progress?: (done: number) => void;
}

/** Of embroidery thread, where nobody says otherwise. */
const USUAL_WEIGHT = 40;
/** Artwork colours nearer than this are one thread (CIEDE2000). */
const SAME_COLOUR = 3;

/** A thread for each colour that is sewn; colours that nobody tells apart share one. */
function matchThreads(sewn: readonly Region[], weight: number): Map<string, Thread> {
  const area = new Map<string, number>();
  for (const { hex, areaMm2 } of sewn) area.set(hex, (area.get(hex) ?? 0) + areaMm2);
  const shown = new Map<string, string>();
  for (const hex of area.keys()) shown.set(hex, [...shown.values()].find((known) => colourDifference(known, hex) < SAME_COLOUR) ?? hex);
  const colours = [...new Set(shown.values())];
  const byArea = colours.slice().sort((a, b) => area.get(b)! - area.get(a)!);
  const touching = touchingColours(sewn.map((r) => ({ colour: byArea.indexOf(shown.get(r.hex)!), painted: paintedBy(r) })));
  const chosen = chooseThreads({ colours: byArea, touching });
  const threads = new Map(colours.map((hex, i): [string, Thread] => [hex, { id: `t${i + 1}`, ...chosen[byArea.indexOf(hex)]!, weight }]));
  return new Map([...shown].map(([hex, as]) => [hex, threads.get(as)!]));
}

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
  const report = { ...found, regions: applyAnswers(found.regions, options.answers ?? [], art.matrix) };
  progress(0.5);
  const threadWeight = options.threadWeight ?? USUAL_WEIGHT;
  const how = { recipe: recipeFor(options), settings: options.settings, threadWeight };
  const proposals = report.regions.map((region, i) => {
    progress(0.5 + (0.4 * i) / report.regions.length);
    return proposeFor(region, how);
  });
  const sewn = report.regions.map((region, i) => ({ region, proposal: proposals[i]!, i })).filter((s) => s.proposal.shape);
  const threads = matchThreads(
    sewn.map((s) => s.region),
    threadWeight,
  );
  const names = namer();
  const directions = directionsOf(sewn);
  const drafts = sewn.map(({ region, proposal }, i): Piece => {
    const { settings, ...shape } = proposal.shape!;
    const rows = directions.get(i);
    return {
      id: '',
      name: names(region, proposal),
      kind: proposal.kind as Piece['kind'],
      thread: threads.get(region.hex)!.id,
      ...shape,
      ...(rows ? { rows } : {}),
      settings,
    };
  });
  requireBounds(drafts);
  const order = firstOrder(drafts.map((piece, i) => ({ thread: piece.thread, painted: paintedBy(sewn[i]!.region) })));
  const pieces = order.map((i, k): Piece => ({ ...drafts[i]!, id: `p${k + 1}` }));
  const byRegion = report.regions.map((_, i) => pieces[order.indexOf(sewn.findIndex((s) => s.i === i))] ?? null);
  progress(1);
  return { art, report, drawn: found.regions, proposals, threads: [...new Set(threads.values())], pieces, byRegion };
}

/** What to say of artwork of which nothing can be sewn at its size, mm. */
export function nothingToSew(width: number, height: number): InputError {
  const size = `${width.toFixed(1)} x ${height.toFixed(1)} mm`;
  return new InputError('empty-art', `At ${size} nothing in this artwork is large enough to sew; make it larger, or its shapes bolder.`);
}

function namer(): (region: Region, proposal: Proposal) => string {
  const seen = new Map<string, number>();
  return (region, proposal) => {
    const base =
      readable(region.name) ||
      { run: 'Line', satin: 'Column', fill: 'Area', border: 'Border', applique: 'Cloth', drop: 'Part' }[proposal.kind];
    const n = (seen.get(base) ?? 0) + 1;
    seen.set(base, n);
    return n === 1 ? base : `${base} ${n}`;
  };
}
