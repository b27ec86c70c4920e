import type { Resolved } from '../document/resolved';
import type { ClothRecipe } from '../cloth/recipes';
import type { JobSettings, Piece } from '../document/types';
import type { PieceKindName } from '../document/kinds';
import { unite } from '../geometry/area';
import { ofEach, once } from '../geometry/known';
import { sharpestTurn } from '../geometry/line';
import { dataToRings, parsePath, ringsToData } from '../geometry/path';
import { strokeOf } from '../geometry/stroke';
import { distance, type Area } from '../geometry/point';
import { coverageOf } from '../stitches/coverage';
import { turnsToAndFro } from '../stitches/fans';
import { bareTravels } from '../stitches/hidden';
import { layerPeak, weigh } from '../stitches/weight';
import { StitchBuffer, type StitchColumns } from '../stitches/buffer';
import type { SatinShape } from '../pieces/satin';
import { prepareShape, resolveSettings, stitchShape } from '../pieces/registry';
import type { ResolvedPull } from '../pieces/rules/compensation';
import { isBulb, limitFor } from '../pieces/rules/bulb';
import { evenPull } from '../pieces/rules/pull';
import type { Region } from './artRegions';
import { columnWidth } from './limbs/bodies';
import { LEAST_LONG_ROWS_MM, SPLIT_BEYOND_MM, WIDEST_SATIN_MM } from '../units/craft';

/** What a region should be sewn as, and why. */
export interface Proposal {
  kind: PieceKindName | 'drop';
  why: string;
  /** Shape fields of the piece to be made. */
  shape: Pick<Piece, 'line' | 'width' | 'cap' | 'join' | 'area' | 'slants' | 'settings'> | null;
}

export interface ProposeOptions {
  recipe: ClothRecipe;
  settings: JobSettings;
  threadWeight: number;
}

/** Narrower than this is thinner than two threads, mm (craft §3). */
const RUN_BELOW_MM = 0.8;
/** A trial satin must do at least this well, or the region is filled. */
const TRIAL_COVERED = 0.99;
const TRIAL_SPILLED = 0.004;
/** A line that turns less than this over half its width, radians, has everywhere more than its width as radius. */
const GENTLE_RAD = 0.5;
/** Larger regions are measured on a coarser grid, mm². */
const FINE_TRIAL_MM2 = 60;

/** For the school that fills whatever is broad, mm. */
const BROAD_MM = 4;

/** Up to what width a shop sews columns, mm. */
export function columnLimit({ satinLimit = WIDEST_SATIN_MM, broad }: JobSettings): number {
  return broad === 'fill' ? Math.min(satinLimit, BROAD_MM) : satinLimit;
}

/** Chooses the stitch type by width (craft §3), and tries a satin before proposing it. */
export function proposeFor(region: Region, options: ProposeOptions): Proposal {
  const limit = columnLimit(options.settings);
  if (region.stroke) return proposeStroke(region, limit, options);
  const max = Math.min(region.width.max, region.axis ? columnWidth(region.axis, limit) || Infinity : Infinity);
  const at = `${max.toFixed(1)} mm at its widest`;
  if (max < RUN_BELOW_MM) return thinArea(region, at);
  if (max <= limit) {
    const satin = columnsOf(region, options);
    if (satin)
      return {
        kind: 'satin',
        why: satin.settings?.corners ? `${at}; its corner built of two arms, where turning rows pile up or miss a spot` : at,
        shape: satin,
      };
    return { kind: 'fill', why: `${at}, but columns would not cover its shape`, shape: { area: region.data, settings: {} } };
  }
  const bars = barsThatCross(region, limit, options);
  return bars ?? { kind: 'fill', why: `over the satin limit of ${limit} mm`, shape: { area: region.data, settings: {} } };
}

/** A region as columns that cover it: its corners turned, or where rows would pile up there built of two arms. */
function columnsOf(region: Region, options: ProposeOptions, widestMm = Infinity): NonNullable<Proposal['shape']> | null {
  const turned = { area: region.data, settings: {} };
  if (isEvenStrip(region)) return turned;
  const tried = (shape: NonNullable<Proposal['shape']>, compact: boolean): Trial | null =>
    trialOf({ kind: 'satin', ...shape }, region.area, options, {
      seen: region.seen,
      compact,
      widestMm,
    });
  const judged = (shape: NonNullable<Proposal['shape']>, trial: Trial | null): Judged[] =>
    trial?.covers ? [{ shape: withWholeRows(shape, trial), ...judgedBy(trial) }] : [];
  const trial = tried(turned, isCompact(region));
  const first = judged(turned, trial);
  if (!trial || trial.covered < ALL_BUT_CORNERS) return null;
  if (first[0] && first[0].layers <= MOST_AT_A_CORNER && trial.barestMm2 < BARE_MM2) return first[0].shape;
  const all = [...first];
  for (const corners of BUILT_CORNERS) {
    const built = { area: region.data, settings: { corners } };
    const made = tried(built, false);
    // Where there is no corner to build, every way of building them is the same.
    if (made === UNCORNERED) break;
    all.push(...judged(built, made));
    if (all.some((j) => j.faults === 0)) break;
  }
  const [best] = all.sort((a, b) => a.faults - b.faults);
  return best && (best.layers <= PILED_LAYERS || region.width.median < PILED_MM) ? best.shape : null;
}
/** A short stretch of long rows, at a bulb or a joint, is better sewn whole than split. */
function withWholeRows(shape: NonNullable<Proposal['shape']>, { longMm }: Trial): NonNullable<Proposal['shape']> {
  return longMm === 0 ? shape : { ...shape, settings: { ...shape.settings, satinLimit: limitFor(longMm) } };
}

/** Columns that cover less miss more than corners. */
const ALL_BUT_CORNERS = 0.94;
/** The crisper first; under a cap the columns need not reach round a corner. */
const BUILT_CORNERS = ['mitre', 'cap'] as const;
/** Rows that turn about a sharp inner corner pile up there: with more layers on a square millimetre another corner is tried. */
const MOST_AT_A_CORNER = 4.5;
/** A bare spot of so much is seen, mm². */
const BARE_MM2 = 0.25;
/** So many break threads and needles: a field is better, unless it were narrower than this, mm. */
const PILED_LAYERS = 10;
const PILED_MM = 2;

interface Judged {
  shape: NonNullable<Proposal['shape']>;
  /** Layers of thread on the heaviest square millimetre. */
  layers: number;
  /** What would be seen of it: bare spots, travel and piled thread. */
  faults: number;
}

function judgedBy({ cover, barestMm2 }: Trial): Omit<Judged, 'shape'> {
  const layers = layerPeak(weigh(cover), Infinity, 1).value;
  if (layers <= MOST_AT_A_CORNER && barestMm2 === 0) return { layers, faults: 0 };
  const travel = bareTravels({ ...cover, piece: new Uint16Array(cover.x.length) }).reduce((mm, t) => mm + t.lengthMm, 0);
  return { layers, faults: 5 * barestMm2 + travel + 2 * Math.max(0, layers - MOST_AT_A_CORNER) };
}

/** Only so much of a frame of bars is over the limit, where they cross; as a share of the length of its middle. */
const CROSSINGS = 0.12;

/** Bars whose crossings alone are over the limit are columns all the same, when none of their rows is. */
function barsThatCross(region: Region, limit: number, options: ProposeOptions): Proposal | null {
  if (region.width.max > 2 * limit || region.width.median > CROSSING_BARS * limit || shareOver(region, limit) > CROSSINGS) return null;
  const shape = columnsOf(region, options, HARDLY_OVER * limit);
  if (!shape) return null;
  return { kind: 'satin', why: `bars of ${region.width.median.toFixed(1)} mm; only their crossings are over the limit of ${limit}`, shape };
}
const CROSSING_BARS = 0.85;
/** A bulb at the end of a line may be so much over. */
const HARDLY_OVER = 1.05;

function shareOver({ axis }: Region, limit: number): number {
  let [over, all] = [0, 0];
  for (const { points, radii } of axis?.branches ?? []) {
    for (let i = 1; i < points.length; i++) {
      const mm = distance(points[i]!, points[i - 1]!);
      all += mm;
      if (radii[i]! + radii[i - 1]! > limit) over += mm;
    }
  }
  return all > 0 ? over / all : 1;
}

/** What a region can be sewn as at all, whether or not that would be wise. */
export const kindsOf = (region: Region): readonly Proposal['kind'][] =>
  region.stroke || middleOf(region) !== '' ? ['run', 'satin', 'fill', 'drop'] : ['satin', 'fill', 'drop'];

/** A region sewn as a person has it. */
export function proposedAs(region: Region, kind: Proposal['kind']): Proposal {
  const why = 'chosen by hand';
  const outline = { area: region.stroke ? ringsToData(paintedBy(region)) : region.data, settings: {} };
  if (kind === 'drop') return { kind, why, shape: null };
  if (kind === 'run') return { kind, why, shape: { line: region.stroke ? region.data : middleOf(region), settings: {} } };
  if (kind === 'fill' || !region.stroke) return { kind, why, shape: outline };
  const { widthMm, cap, join } = region.stroke;
  return { kind, why, shape: { line: region.data, width: round3(widthMm), cap, join, settings: {} } };
}

/** The middle line of an area, as path data. */
const middleOf = (region: Region): string =>
  ringsToData(
    (region.axis?.branches ?? []).map((b) => b.points).filter((l) => l.length > 1),
    false,
  );

function thinArea(region: Region, at: string): Proposal {
  const line = middleOf(region);
  if (line === '') return { kind: 'drop', why: 'too small to sew', shape: null };
  return { kind: 'run', why: `${at}: thinner than two threads`, shape: { line, settings: {} } };
}

function proposeStroke(region: Region, limit: number, options: ProposeOptions): Proposal {
  const { widthMm, cap, join } = region.stroke!;
  const at = `line ${widthMm.toFixed(1)} mm wide`;
  if (widthMm < RUN_BELOW_MM) return { kind: 'run', why: `${at}: thinner than two threads`, shape: { line: region.data, settings: {} } };
  const area = once(() => paintedBy(region));
  if (widthMm <= limit) {
    const along = { line: region.data, width: round3(widthMm), cap, join, settings: {} };
    if (bendsGently(region, widthMm) || sewsWell({ kind: 'satin', ...along }, area(), options))
      return { kind: 'satin', why: at, shape: along };
    const outline = { area: ringsToData(area()), settings: {} };
    if (sewsWell({ kind: 'satin', ...outline }, area(), options)) return { kind: 'satin', why: `${at}, by its outline`, shape: outline };
  }
  return {
    kind: 'fill',
    why: widthMm <= limit ? `${at}, too tightly bent for columns` : `${at}: over the satin limit of ${limit} mm`,
    shape: { area: ringsToData(area()), settings: {} },
  };
}

/** A long line without tight turns needs no trial: rows square to it cannot miss what it paints. */
function bendsGently(region: Region, widthMm: number): boolean {
  if (region.lengthMm < 3 * widthMm) return false;
  return dataToRings(region.data).every((line) => sharpestTurn(line, widthMm / 2) < GENTLE_RAD);
}

/** Widths along an even strip stay this near to the widest. */
const EVEN = 0.6;

/**
 * A strip with one middle line, gentle bends and a width that hardly changes needs no trial either, when the width along
 * the middle accounts for its whole area.
 */
function isEvenStrip(region: Region): boolean {
  const branch = region.axis?.branches.length === 1 ? region.axis.branches[0]! : null;
  if (!branch || region.lengthMm < 4 * region.width.max || region.width.median < EVEN * region.width.max) return false;
  const { points, radii } = branch;
  let swept = 0;
  for (let i = 1; i < points.length; i++) swept += (radii[i]! + radii[i - 1]!) * distance(points[i]!, points[i - 1]!);
  const off = Math.abs(swept - region.areaMm2) / region.areaMm2;
  return off < 0.08 && sharpestTurn(points, region.width.max / 2) < GENTLE_RAD;
}

const round3 = (v: number): number => Math.round(v * 1000) / 1000;

/** The area that a region paints by itself. */
export const paintedBy = ofEach((region: Region): Area => {
  if (!region.stroke || region.area.length > 0) return region.area;
  const { widthMm, cap, join } = region.stroke;
  return unite(...parsePath(region.data).map((s) => strokeOf(s, { widthMm, cap, join, miterLimit: 4 })));
});

/** What is a column or a field is not to hang on how rows of a length are compensated. */
const evenTrial = (mm: number): ResolvedPull => ({ ...trial(mm), law: evenPull(mm), least: mm, most: mm });
const trial = <T>(value: T): Resolved<T> => ({ value, from: 'rule', why: 'trial' });

/** Shorter than this many times its width a piece has no bend that its rows could follow. */
const COMPACT = 4;
/** Rows of a compact piece that turn to and fro by more than this fan without cause, degrees. */
const MOST_TURNS_DEG = 20;

const isCompact = ({ lengthMm, width }: Region): boolean => lengthMm < COMPACT * width.median;

/** Whether a shape sewn as columns covers a region and keeps to it. */
export const sewsAsColumns = (region: Region, shape: NonNullable<Proposal['shape']>, options: ProposeOptions): boolean =>
  sewsWell({ kind: 'satin', ...shape }, region.area, options, { seen: region.seen, compact: true });

/** Whether a shape sewn as a fill covers a region and keeps to it. */
export const sewsAsFill = (region: Region, shape: NonNullable<Proposal['shape']>, options: ProposeOptions): boolean =>
  sewsWell({ kind: 'fill', ...shape }, region.area, options, { seen: region.seen });

interface Trial {
  cover: StitchColumns;
  /** Whether it covers its area and keeps to it. */
  covers: boolean;
  /** Share of its area under thread. */
  covered: number;
  /** The largest bare spot, mm². */
  barestMm2: number;
  /** Its longest row where rows are so long that they would be split, mm; 0 where none is. */
  longMm: number;
}

/** Of a shape whose corners were to be built, but which has none. */
const UNCORNERED: Trial = { cover: new StitchBuffer().columns(), covers: false, covered: 0, barestMm2: 0, longMm: 0 };

interface Asked {
  /** What of the area is seen; all unless said. */
  seen?: Area;
  /** Whether rows that turn to and fro are held against it. */
  compact?: boolean;
  widestMm?: number;
}

const sewsWell = (shape: Shape, area: Area, options: ProposeOptions, asked: Asked = {}): boolean =>
  trialOf(shape, area, options, asked)?.covers ?? false;

type Shape = Pick<Piece, 'kind'> & NonNullable<Proposal['shape']>;

/** Sews the piece on trial. @returns null when it cannot be sewn as asked */
function trialOf(
  shape: Shape,
  area: Area,
  options: ProposeOptions,
  { seen = area, compact = false, widestMm = Infinity }: Asked,
): Trial | null {
  const piece: Piece = { id: 'trial', name: 'trial', thread: 't', ...shape };
  const prepared = prepareShape(piece);
  if (!prepared || (prepared as Partial<SatinShape>).widestMm! > widestMm) return null;
  if (shape.settings.corners && !(prepared as Partial<SatinShape>).network?.cornered) return UNCORNERED;
  const long = prepared.rowsOver?.(columnLimit(options.settings) + SPLIT_BEYOND_MM) ?? null;
  if (long && long.alongMm >= LEAST_LONG_ROWS_MM && !isBulb(long, prepared.areaMm2)) return null;
  const out = new StitchBuffer();
  // Ends that are shortened for push are meant to fall short of the drawing.
  const usual = resolveSettings(piece, prepared.facts, options);
  const widened = usual.pullComp?.from === 'rule' ? usual.pullComp.value : options.recipe.pullComp;
  const settings = { ...usual, underlay: trial([]), pushComp: trial(0), pullComp: evenTrial(widened) };
  try {
    stitchShape(piece, out, prepared, settings, { start: null, end: null });
  } catch {
    return null;
  }
  const cover = out.columns();
  if (compact && turnsToAndFro(cover) > MOST_TURNS_DEG) return null;
  const { covered, spilled, barestMm2 } = coverageOf(area, cover, prepared.areaMm2 > FINE_TRIAL_MM2 ? 0.16 : 0.1, seen);
  return {
    cover,
    covered,
    barestMm2,
    longMm: long?.mm ?? 0,
    covers: covered >= TRIAL_COVERED && spilled <= TRIAL_SPILLED,
  };
}
