import type { InputError } from '@/core/document/errors';
import type { Look } from '@/core/drawing/looks';
import type { ExportFormat } from '@/core/formats/registry';
import type { ArtPose } from '@/core/artwork/pose';
import type { SizeFacts, SizePlace } from '@/core/artwork/sizeReport';
import type { ArtAnswer, ClothKey, Job, JobSettings, Piece, PieceKindName, RoutePolicy, Thread } from '@/core/document/types';
import type { Meeting } from '@/core/editing/overlaps';
import type { WidthRange } from '@/core/geometry/medial';
import type { ExplainedCut } from '@/core/plan/explain';
import type { RouteProposal } from '@/core/plan/propose';
import type { Correction } from '@/core/forecast/correct';
import type { Forecast } from '@/core/forecast/forecast';
import type { LetterHeights } from '@/core/proof/letterForecast';
import type { Finding } from '@/core/proof/finding';
import type { PlanFigures } from '@/core/plan/measure';
import type { StitchPlan } from '@/core/plan/plan';
import type { Bundle } from '@/core/formats/bundle';
import type { ReadShelf, ShelfFile } from '@/core/formats/shelf';
import type { PieceChange } from '@/core/compare/changes';

/** A region of the artwork as the Art place shows it. */
export interface RegionView {
  name: string;
  hex: string;
  /** Path data in mm. */
  data: string;
  strokeWidthMm: number | null;
  areaMm2: number;
  width: WidthRange;
  kind: PieceKindName | 'drop';
  why: string;
  /** What it would be sewn as; null when it is left out. */
  piece: Piece | null;
}

/** A place of the size report with what was decided for it. */
export interface PlaceView extends SizePlace {
  /** Its place in the drawing's own units. */
  drawingAt: [number, number];
  answer: ArtAnswer | null;
}

export interface Survey {
  places: PlaceView[];
  facts: SizeFacts;
  regions: RegionView[];
  notes: { what: string; count: number }[];
  specks: number;
  hidden: number;
  shading: number;
  widthMm: number;
  heightMm: number;
  transform: Job['artwork'][number]['transform'];
  threads: Thread[];
  pieces: Piece[];
}

export interface SurveyRequest {
  svg: string;
  width?: number;
  height?: number;
  cloth: ClothKey;
  settings: JobSettings;
  answers?: ArtAnswer[];
  pose?: ArtPose;
}

export interface Planned {
  plan: StitchPlan;
  figures: PlanFigures;
  /** Outline of each piece in mm, for choosing and marking; path data. */
  outlines: string[];
  /** Every cut with its reason. */
  cuts: ExplainedCut[];
  milliseconds: number;
}

export interface WeightView {
  png: Blob;
  left: number;
  top: number;
  columns: number;
  rows: number;
  cellMm: number;
  layers: Float32Array<ArrayBuffer>;
  holes: Uint16Array<ArrayBuffer>;
  /** Area at each step of the legend, mm². */
  areasMm2: number[];
}

/** One of two jobs side by side: its figures by key of `COMPARE_ROWS`, and its pictures. */
export interface ComparedSide {
  figures: Record<string, number>;
  sewn: Blob;
  weight: Blob;
}

export interface Compared {
  a: ComparedSide;
  b: ComparedSide;
  changes: PieceChange[];
}

export interface PictureRequest {
  /** Pixels. */
  width: number;
  height: number;
  /** Pixels per mm, and the mm at the picture's upper left corner. */
  scale: number;
  left: number;
  top: number;
  /** Events to draw, from the first up to, but without, this one. */
  until: number;
  look: Look;
}

export interface Picture extends PictureRequest {
  pixels: Uint8ClampedArray<ArrayBuffer>;
}

/** Every request of the workers: what goes in and what comes back. */
export interface Protocol {
  survey: { in: SurveyRequest; out: Survey };
  plan: { in: { job: Job }; out: Planned };
  export: {
    in: { job: Job; artwork: Record<string, string>; extension: ExportFormat['extension']; findings?: readonly Finding[] };
    out: { data: Blob };
  };
  /** A bundle, or a whole shelf. */
  readFile: { in: { bytes: ArrayBuffer }; out: { bundle: Bundle } | { shelf: ReadShelf } };
  writeShelf: { in: { shelf: ShelfFile }; out: { data: Blob } };
  thumbnail: { in: { job: Job }; out: { png: Blob; figures: PlanFigures } };
  /** How neighbours meet. */
  meetings: { in: { job: Job }; out: Meeting[] };
  /** Figures of a job as it would be, without keeping anything. */
  effect: { in: { job: Job }; out: PlanFigures };
  /** Thread and holes on cells of a quarter millimetre, and the heat map of them as a picture. */
  weight: { in: { job: Job }; out: WeightView };
  /** How the cloth will move, and what that leaves bare. */
  forecast: { in: { job: Job }; out: Forecast & { letters: LetterHeights[] } };
  /** How to extend areas until the forecast lands on the drawing; all of them, or some by id. */
  correct: { in: { job: Job; only?: string[] }; out: Correction };
  /** What will go wrong. */
  prove: { in: { job: Job }; out: Finding[] };
  /** Two jobs side by side, both pictures of the same box; `side` is the longer side of a picture, pixels. */
  compare: { in: { a: Job; b: Job; side: number }; out: Compared };
  /** A better sewing order, sought by a policy. */
  route: { in: { job: Job; policy: RoutePolicy }; out: RouteProposal };
  /** Stitches of a job of one piece as path data, for showing while it is drawn. */
  preview: { in: { job: Job }; out: { path: string; stitches: number } };
  /** A sample of the gallery as a picture, at `scale` pixels per mm. */
  sample: { in: { id: string; scale: number }; out: { png: Blob; stitches: number } };
  showPlan: {
    in: { plan: StitchPlan; looks: { rgb: { r: number; g: number; b: number }; widthMm: number }[]; hidden: number[] };
    out: null;
  };
  /** Pieces that pictures leave out, by index. */
  hide: { in: { hidden: number[] }; out: null };
  picture: { in: PictureRequest; out: Picture };
}
export type RequestName = keyof Protocol;

export type ToWorker =
  { [K in RequestName]: { id: number; name: K; input: Protocol[K]['in'] } }[RequestName] | { id: number; cancel: true };

export type FromWorker =
  | { id: number; kind: 'progress'; done: number }
  | { id: number; kind: 'result'; output: unknown }
  | { id: number; kind: 'error'; message: string; known: boolean; code?: InputError['code'] };
