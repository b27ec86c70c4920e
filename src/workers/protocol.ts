import type { InputError } from '@/core/document/errors';
import type { View } from '@/core/render/canvas';
import type { ExportFormat } from '@/core/formats/registry';
import type { ArtPose } from '@/core/artwork/pose';
import type { SizeFacts, SizePlace } from '@/core/artwork/sizeReport';
import type { ArtAnswer, ClothKey, Job, JobSettings, Piece, RoutePolicy, Thread } from '@/core/document/types';
import type { PieceKindName } from '@/core/document/kinds';
import type { Meeting } from '@/core/editing/overlaps';
import type { WidthRange } from '@/core/geometry/medial';
import type { RouteProposal } from '@/core/plan/proposeRoute';
import type { Correction } from '@/core/forecast/correct';
import type { Forecast } from '@/core/forecast/forecast';
import type { LetterHeights } from '@/core/proof/letterForecast';
import type { Finding } from '@/core/proof/finding';
import type { PlanFigures } from '@/core/plan/measure';
import type { StitchPlan } from '@/core/plan/plan';
import type { WiredJob } from './jobWire';
import type { ThreadLook } from '@/core/render/thread';
import type { WiredPlan } from './planWire';
import type { Bundle } from '@/core/formats/bundle';
import type { ReadShelf, ShelfFile } from '@/core/formats/shelf';
import type { PieceChange } from '@/core/compare/changes';
import type { PlanPart } from '@/core/plan/delta';

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
  /** What it was planned from. */
  job: Job;
  plan: StitchPlan;
  figures: PlanFigures;
  /** Outline of each piece in mm, for choosing and marking; path data. */
  outlines: string[];
  milliseconds: number;
}

/** A planned job on its way to the page. */
export interface WiredPlanned {
  plan: WiredPlan;
  figures: PlanFigures;
  /** Outlines; a number stands for the one at that place in the version before. */
  outlines: (string | number)[];
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

export interface Picture extends View {
  pixels: Uint8ClampedArray<ArrayBuffer>;
}

/** What the engine's program answers: what goes in and what comes back. */
interface EngineProtocol {
  survey: { in: SurveyRequest; out: Survey };
  /** @param held version of the plan that the asker holds; null for none */
  plan: { in: { job: Job; held: string | null }; out: WiredPlanned; part: PlanPart };
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
}

/** What the painter's answers. */
interface PainterProtocol {
  showPlan: {
    in: { plan: WiredPlan; looks: ThreadLook[]; hidden: number[] };
    /** Whether it could be made of what the painter holds. */
    out: { taken: boolean };
  };
  /** Some events of a plan that is still being made, to draw beforehand. */
  growPlan: { in: { part: PlanPart; looks: ThreadLook[]; hidden: number[] }; out: null };
  /** Pieces that pictures leave out, by index. */
  hide: { in: { hidden: number[] }; out: null };
  picture: { in: View; out: Picture };
}
export type Protocol = EngineProtocol & PainterProtocol;
export type RequestName = keyof Protocol;
export type EngineRequest = keyof EngineProtocol;
export type PainterRequest = keyof PainterProtocol;
/** What comes of a request before it is done. */
export type PartOf<K extends RequestName> = Protocol[K] extends { part: infer P } ? P : never;

/** A request as it is asked for. */
export type Request = { [K in RequestName]: { id: number; name: K; input: Protocol[K]['in'] } }[RequestName];
type Wired<T> = T extends { job: Job } ? Omit<T, 'job'> & { job: WiredJob } : T;
/** A request as it travels: a job in it without the pieces that the worker has. */
export type ToWorker = { [K in RequestName]: { id: number; name: K; input: Wired<Protocol[K]['in']> } }[RequestName];

export type FromWorker =
  | { id: number; kind: 'progress'; done: number }
  | { id: number; kind: 'part'; part: unknown }
  | { id: number; kind: 'result'; output: unknown }
  | { id: number; kind: 'error'; message: string; known: boolean; code?: InputError['code'] };
