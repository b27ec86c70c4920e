import type { MachineProfile } from '@/core/document/shop/profile';
import type { WorkHabits } from '@/core/document/shop/work';
import type { CopyPlace, SheetOrder } from '@/core/document/types';
import type { Bounds } from '@/core/geometry/point';
import type { Paper } from '@/core/document/shop/identity';
import type { PlaceAsked } from '@/core/production/floor';
import type { SheetFigures } from '@/core/production/placement/sheet';
import type { Worksheet } from '@/core/production/worksheet';
import type { DayJob, DayMachine } from '@/core/production/day';
import type { Schedule } from '@/core/production/schedule';
import type { Order, Price } from '@/core/production/price';
import type { Production } from '@/core/production/produce';
import type { Lighter, LighterWay } from '@/core/artwork/lighter';
import type { ArtNote } from '@/core/artwork/readSvg';
import type { Stroke } from '@/core/render/strokes';
import type { PieceChange } from '@/core/compare/changes';
import type { SewnChange } from '@/core/compare/sewn';
import type { NewJobOptions } from '@/core/artwork/newJob';
import type { Survey, SurveyRequest } from '@/core/artwork/survey';
import type { ClothSample } from '@/core/gallery/clothSample';
import type { PlannedPiece } from '@/core/plan/plan';
import type {
  Brief,
  Job,
  Lettering,
  PicturePlace,
  PicturePreparation,
  Piece,
  RoutePolicy,
  Thread,
  TracedFigures,
} from '@/core/document/types';
import type { Matrix } from '@/core/geometry/path';
import type { Meeting } from '@/core/editing/overlaps';
import type { Correction } from '@/core/forecast/correct';
import type { Forecast } from '@/core/forecast/forecast';
import type { NamesAsked } from '@/core/formats/namesArchive';
import type { TextOver } from '@/core/pieces/lettering/overShapes';
import type { LetterHeight } from '@/core/forecast/textHeights';
import type { Bundle } from '@/core/formats/bundle';
import type { MotionCheck } from '@/core/formats/motionCheck';
import type { ExportFormat } from '@/core/formats/registry';
import type { ShopLibrary } from '@/core/cloth/library';
import type { PackedJob, ReadShelf, ShelfJob } from '@/core/formats/shelf';
import type { PlanPart } from '@/core/plan/delta';
import type { PlanFigures } from '@/core/plan/measure';
import type { RouteProposal } from '@/core/plan/proposeRoute';
import type { Finding } from '@/core/proof/finding';
import type { TraceOptions } from '@/core/tracing/options';
import type { LetterHeights } from '@/core/proof/letterForecast';
import type { Laying, SeenMark, SewoutSetup } from '@/core/document/sewoutTypes';
import type { RankedCause } from '@/core/sewouts/causes/rank';
import type { Accepted, Corrected } from '@/core/sewouts/corrections/apply';
import type { Learned, MeasuredSewout } from '@/core/sewouts/learn/learn';
import type { GapsOnPhoto } from '@/core/sewouts/photo/gapsOnPhoto';
import type { WiredPlan } from '../planWire';

/** A test: the job as it was sewn, and how. */
export interface SewnAsked {
  job: Job;
  setup: SewoutSetup;
}

/** A plan that stands alone, with the outlines of its pieces. */
export interface SewnWhole {
  plan: WiredPlan;
  outlines: string[];
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
  sewn: SewnChange[];
}

/** A design that lies in the hoop, or may: the box round a copy that is not turned, and its picture. */
export interface DesignView {
  /** Absent for the job's own. */
  id?: string;
  name: string;
  box: Bounds;
  stitches: number;
  png: Blob;
}

/** What is sewn in one go, what a quantity of it takes, and pictures of the designs with so much cloth round them. */
export interface FloorView extends Omit<Production, 'job' | 'price'> {
  order: SheetOrder;
  orders: { copy: SheetFigures; thread: SheetFigures };
  proposed: SheetOrder;
  designs: DesignView[];
  /** What to know of designs that lie beside the job's own. */
  notes: string[];
  clear: boolean[];
  onOther: boolean[];
  /** What stands on the sheet beside the machine; nobody has proved it. */
  sheet: Worksheet;
  marginMm: number;
}

/** A job as a machine gets it. */
export interface MachineFile {
  csv: string;
  /** Places of its events, mm, what each is, and the thread by its place in `threads`. */
  x: Float32Array<ArrayBuffer>;
  y: Float32Array<ArrayBuffer>;
  command: Uint8Array<ArrayBuffer>;
  thread: Uint8Array<ArrayBuffer>;
  threads: { id: string; hex: string; widthMm: number }[];
  /** Threads in the order in which they are first sewn. */
  order: string[];
}

/** What the engine's program answers: what goes in and what comes back. */
export interface EngineProtocol {
  survey: { in: SurveyRequest; out: Survey };
  /** A picture's file as a drawing; `picture` is what is kept of it, as text. */
  trace: {
    in: { bytes: ArrayBuffer; name: string; options: TraceOptions };
    out: { svg: string; picture: string; found: TracedFigures };
  };
  /** A picture as it is laid out for tracing, to be looked at: reduced so that no side is longer than asked. */
  page: { in: { bytes: ArrayBuffer; name: string; prepared: PicturePreparation; mostPx: number }; out: { image: ImageBitmap } };
  /** One region of a picture, laid on the cloth, and the piece that it would be; the piece is null where it is too small. @param at on the page */
  lift: {
    in: {
      bytes: ArrayBuffer;
      name: string;
      prepared: PicturePreparation;
      at: PicturePlace;
      tolerance: number;
      /** Width of the whole page in the drawing, and the way from the drawing to the cloth. */
      widthMm: number;
      toCloth: Matrix;
      how: Omit<SurveyRequest, 'svg' | 'width' | 'height' | 'pose' | 'answers' | 'sewnAs'>;
    };
    out: { hex: string; data: string; piece: Piece | null; thread: Thread | null } | null;
  };
  /** A job with its pieces of a drawing. */
  newJob: { in: NewJobOptions & { svg: string }; out: { job: Job; notes: ArtNote[] } };
  /** A drawing of too many shapes with so few that they can be sewn. */
  lighter: { in: { svg: string; way: LighterWay; guessMm: number }; out: Lighter };
  /** @param held version of the plan that the asker holds; null for none */
  plan: { in: { job: Job; held: string | null }; out: WiredPlanned; part: PlanPart };
  export: {
    in: {
      job: Job;
      artwork: Record<string, string>;
      extension: ExportFormat['extension'];
      photos?: Record<string, Uint8Array<ArrayBuffer>>;
      findings?: readonly Finding[];
      /** All copies of the Floor, as they are sewn, instead of the design. */
      sheet?: boolean;
      /** As this machine can sew it. */
      machine?: MachineProfile;
      shop?: { name: string; address: string };
      paper?: Paper;
    };
    out: { data: Blob };
  };
  /** A paper for the customer: what is approved, or what it costs; `on` is the day of it. */
  paper: {
    in: {
      job: Job;
      on: string;
      /** The sheet beside a calibration card. */
      card?: true;
      quoted?: { price: Price; order: Order; ladder: { quantity: number; each: number; total: number }[] };
      shop?: { name: string; address: string };
      paper?: Paper;
    };
    out: { data: Blob };
  };
  /** The job as its Floor lays it into the hoop, and what its quantity takes. */
  floor: { in: { job: Job; habits: WorkHabits }; out: FloorView };
  place: { in: { job: Job; asked: PlaceAsked }; out: CopyPlace[] };
  /** The day's jobs on its machines: the best line-up found, and the one of who comes first. */
  lineUp: { in: { jobs: DayJob[]; machines: DayMachine[]; habits: WorkHabits }; out: { best: Schedule; naive: Schedule } };
  /** The file for a machine, and its events, so that what is sewn can be drawn as it goes. */
  machineFile: { in: { job: Job; machine: MachineProfile }; out: MachineFile };
  /** The Floor's hoop in a machine's own words, to look at before it is written. */
  motionWords: { in: { job: Job; machine: MachineProfile }; out: MotionCheck };
  /** A bundle, or a whole shelf. */
  readFile: { in: { bytes: ArrayBuffer }; out: { bundle: Bundle } | { shelf: ReadShelf } };
  /** One job as it lies in a shelf's file, so that a large shelf is packed job by job; then the whole file. */
  packJob: { in: { packed: ShelfJob }; out: PackedJob };
  writeShelf: { in: { jobs: PackedJob[]; library: ShopLibrary }; out: { data: Blob } };
  /** A small picture, and the plan that it shows, fit to be kept; null where that is too large. */
  thumbnail: { in: { job: Job }; out: { png: Blob; figures: PlanFigures; sewn: SewnWhole | null } };
  /** How neighbours meet. */
  meetings: { in: { job: Job }; out: Meeting[] };
  /** A photo as it is kept: turned as its camera says, no larger than needed, with nothing in it but the picture. */
  reducePhoto: { in: { photo: Blob }; out: { photo: Blob; width: number; height: number } };
  /** How a photo of a test lies over its plan; null where it does not show it. @param from where a hand laid it */
  layPhoto: { in: SewnAsked & { photo: Blob; from?: Pick<Laying, 'matrix' | 'bend'> }; out: { laying: Laying | null } };
  /** Gaps that a laid photo shows. */
  seenGaps: { in: SewnAsked & { photo: Blob; laying: Laying }; out: GapsOnPhoto };
  /** Plan, forecast and photo as pictures of one size. */
  laidPhoto: {
    in: SewnAsked & { photo: Blob | null; laying: Laying | null; mostPx: number };
    out: { plan: ImageBitmap; foreseen: ImageBitmap; photo: ImageBitmap | null; box: Bounds; perMm: number };
  };
  /** Causes of each mark, the likeliest first. */
  causes: { in: SewnAsked & { marks: SeenMark[]; confirmed: Record<string, number> }; out: RankedCause[][] };
  /** The job with accepted corrections, and what the forecast says of them. */
  applyRemedies: { in: { job: Job; accepted: Accepted[] }; out: Corrected };
  /** What measured tests tell of a cloth; null where nothing of them can be used. */
  learnCloth: { in: { sewouts: MeasuredSewout[] }; out: Learned | null };
  /** What a change did to the sewing, piece by piece, and to the count of stitches. */
  sewnOtherwise: { in: { before: Job; after: Job }; out: { stitches: [before: number, after: number]; changes: SewnChange[] } };
  /** Some pieces of a job as they would be sewn. */
  sewnWith: { in: { job: Job; ids: readonly string[] }; out: { strokes: Stroke[] } };
  /** Figures of a job as it would be, without keeping anything. */
  effect: { in: { job: Job }; out: PlanFigures };
  /** Thread and holes on cells of a quarter millimetre, and the heat map of them as a picture. */
  weight: { in: { job: Job }; out: WeightView };
  /** How the cloth will move, and what that leaves bare. */
  forecast: { in: { job: Job }; out: Forecast & { letters: LetterHeights[] } };
  /** How to extend areas until the forecast lands on the drawing; all of them, or some by id. */
  correct: { in: { job: Job; only?: string[] }; out: Correction };
  /** How high the letters of a text come out, drawn as they are or so that they land. */
  heights: { in: { job: Job; id: string; land: boolean }; out: { letters: NonNullable<Lettering['letters']>; heights: LetterHeight[] } };
  /** A text in the place of shapes that are its letters; null when it cannot be set. */
  textOver: { in: { text: string; shapes: Piece[] }; out: TextOver | null };
  /** A job with each name of a list in place of a text: all of them as one archive, and those that could not be made, with the reason. */
  names: {
    in: { job: Job } & NamesAsked;
    out: { data: Blob; made: number; hoops: number; refused: { row: number; name: string; why: string }[] };
  };
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
  /** The standard sample on a cloth: its picture, its column to be cut across, and what becomes of its widths. */
  clothSample: {
    in: { brief: Pick<Brief, 'cloth' | 'recipe'>; scale: number };
    out: { png: Blob; thread: string; column: PlannedPiece } & Pick<ClothSample, 'widths'>;
  };
  /** A face sewn at several heights. */
  faceSheet: { in: { texts: Lettering[]; scale: number }; out: { png: Blob; stitches: number; trims: number } };
}
