/** The job record (`job.json`, version 1). Lengths mm, origin at the hoop's centre, x right, y down. */
export const JOB_VERSION = 1;

export const CLOTH_KEYS = [
  'twill',
  'pique',
  'jersey',
  'fleece',
  'cap',
  'soft-cap',
  'terry',
  'felt',
  'patch',
  'leather',
  'sheer',
  'soluble-film',
] as const;
export type ClothKey = (typeof CLOTH_KEYS)[number];

export const PLACES = [
  'left-chest',
  'right-chest',
  'sleeve',
  'cap-front',
  'full-front',
  'jacket-back',
  'apron',
  'patch',
  'edging',
  'other',
] as const;
export type Place = (typeof PLACES)[number];

export interface Hoop {
  width: number;
  height: number;
  shape: 'rect' | 'round';
}

export interface Brief {
  cloth: ClothKey;
  place: Place;
  hoop: Hoop;
  /** Finished size; one side given fixes the other by the artwork's shape. */
  size: { width?: number; height?: number };
  quantity: number;
  notes: string;
  garment?: string;
  clothHex?: string;
  due?: string;
  units?: 'mm' | 'in';
}

export interface Thread {
  id: string;
  code: string;
  name: string;
  hex: string;
  weight: number;
}

export interface ArtworkRef {
  id: string;
  file: string;
  transform: [number, number, number, number, number, number];
  locked: boolean;
}

export const UNDERLAY_KINDS = ['centre-run', 'edge-run', 'zigzag', 'double-zigzag', 'lattice'] as const;
export type UnderlayKind = (typeof UNDERLAY_KINDS)[number];

export interface UnderlayLayer {
  kind: UnderlayKind;
  spacing?: number;
  length?: number;
  inset?: number;
  angle?: number;
}

export type RunStyle = 'plain' | 'double' | 'bean';

/** What a person chose for a piece. Absent means resolved from cloth recipe and rules. */
export interface PieceSettings {
  spacing?: number;
  stitchLength?: number;
  angle?: number;
  pullComp?: number;
  pullCompPercent?: number;
  pushComp?: number;
  underlay?: UnderlayLayer[];
  style?: RunStyle;
  passes?: number;
  satinLimit?: number;
  stagger?: 'mixed' | 'brick' | 'quarter';
  tieIn?: boolean;
  tieOff?: boolean;
  openings?: 'carve' | 'sew-over';
}

export const PIECE_KINDS = ['run', 'satin', 'fill'] as const;
export type PieceKindName = (typeof PIECE_KINDS)[number];

/**
 * One piece of sewing. Shapes are SVG path data in mm:
 * run: `line`; satin: `sides`, or `line` with `width`, or `area`; fill: `area`.
 */
export interface Piece {
  id: string;
  name: string;
  kind: PieceKindName;
  thread: string;
  line?: string;
  /** Width of a satin along a line, mm, with its cap and join. */
  width?: number;
  cap?: 'butt' | 'round' | 'square';
  join?: 'miter' | 'round' | 'bevel';
  sides?: [string, string];
  area?: string;
  slants?: string[];
  start?: [number, number];
  end?: [number, number];
  settings: PieceSettings;
}

export interface JobSettings {
  satinLimit?: number;
  tieWhen?: 'trims' | 'always' | 'never';
  trimDistance?: number;
}

export interface Job {
  cobble: typeof JOB_VERSION;
  id: string;
  name: string;
  brief: Brief;
  threads: Thread[];
  artwork: ArtworkRef[];
  pieces: Piece[];
  settings: JobSettings;
  sewouts: unknown[];
  repeat: unknown;
}
