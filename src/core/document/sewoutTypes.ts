import type { Brief, Hoop, JobSettings, Piece, Thread } from './types';

/** Version of the record of a sew-out. */
export const SEWOUT_VERSION = 1;

export const MARK_KINDS = [
  'gap',
  'overlap',
  'height',
  'size',
  'ragged',
  'pucker',
  'loop',
  'break',
  'nest',
  'show-through',
  'stiff',
  'lump',
  'bobbin',
  'hoop-marks',
  'shifted',
  'lost',
  'colour',
  'unravelled',
] as const;
/** What is seen on a sew-out. */
export type MarkKind = (typeof MARK_KINDS)[number];

/** One thing that was seen on a sew-out, at its place and on its piece. Lengths mm. */
export interface SeenMark {
  id: string;
  kind: MarkKind;
  /** Ids of the pieces that it is on: of a gap or an overlap, the two that should meet. */
  piece?: string;
  against?: string;
  at?: [number, number];
  /** Where the hand that measured by dragging ended. */
  to?: [number, number];
  /** What the ruler says. */
  mm?: number;
  /** Of a size: measured across or down. */
  axis?: 'x' | 'y';
  /** Of a height: the letter, by its place in the text. */
  letter?: number;
  /** Found on the photo, not by a hand. */
  found?: boolean;
  note?: string;
  /** The cause that a person confirmed. */
  cause?: string;
}

export const STABILIZER_KINDS = ['cutaway', 'soft-cutaway', 'tear-away', 'cap-tear-away', 'soluble', 'none'] as const;
export const HOOP_KINDS = ['screw', 'clamp', 'cap-frame', 'border-frame'] as const;
export const HOOPINGS = ['drum-flat', 'stretched', 'loose'] as const;
export const FIBRES = ['polyester', 'rayon', 'cotton', 'other'] as const;
export const TENSIONS = ['loose', 'usual', 'tight'] as const;

/** How a test was sewn; what nobody noted is absent. */
export interface SewoutSetup {
  /** Of the backing: kind, layers, and weight of one layer in g/m². */
  stabilizer?: (typeof STABILIZER_KINDS)[number];
  layers?: number;
  backingGsm?: number;
  topping?: boolean;
  clothGsm?: number;
  hoop?: Hoop;
  hoopKind?: (typeof HOOP_KINDS)[number];
  hooping?: (typeof HOOPINGS)[number];
  needle?: string;
  fibre?: (typeof FIBRES)[number];
  /** A bright thread that shows faults, instead of the real ones. */
  testThread?: boolean;
  tension?: (typeof TENSIONS)[number];
  /** Stitches per minute. */
  speed?: number;
}

export const LAYING_WAYS = ['found', 'points'] as const;

/** How a photo lies over the plan. */
export interface Laying {
  /** From mm of the hoop to shares of the photo's width (both ways), row by row; the last of nine is 1. */
  matrix: number[];
  /** Bend of the lens: growth of the distance from the photo's middle per square of it, in photo widths. */
  bend: number;
  /** How far places lie from where the plan has them, root mean square, mm; absent where nothing tells. */
  errorMm?: number;
  by: (typeof LAYING_WAYS)[number];
}

/** A photo of a sew-out; its picture lies beside the record. */
export interface SewoutPhoto {
  id: string;
  file: string;
  width: number;
  height: number;
  laying?: Laying;
  note?: string;
}

/** What was sewn: enough of a job to plan it again to the last stitch. */
export interface SewnVersion {
  /** Counted from 1. */
  number: number;
  /** Fingerprint, as approvals keep it. */
  of: string;
  brief: Brief;
  threads: Thread[];
  pieces: Piece[];
  settings: JobSettings;
  /** What was changed since the version before, and why. */
  note?: string;
}

/** One line of what a machine noted while it sewed. */
export interface SewoutLogLine {
  /** Seconds since it began. */
  s: number;
  what: string;
}

/** A fault followed through by hand, with what came of it. */
export interface FaultOutcome {
  fault: string;
  remedy: string;
  helped: boolean;
}

/** A test that was sewn. */
export interface Sewout {
  sewout: typeof SEWOUT_VERSION;
  id: string;
  /** Day, as year-month-day, and the time of day where it was noted. */
  on: string;
  time?: string;
  by: string;
  version: SewnVersion;
  setup: SewoutSetup;
  photos: SewoutPhoto[];
  marks: SeenMark[];
  notes: string;
  log?: SewoutLogLine[];
  outcomes?: FaultOutcome[];
  /** What was changed because of it, and why: the next version. */
  corrections?: string[];
  /** Signed off for production: day and name. */
  signed?: { on: string; by: string };
}
