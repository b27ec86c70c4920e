import type { ColumnEnds, Corners, PieceKindName, RunStyle, Stagger, TieShape, UnderlayKind } from './types';

/** What people call things; one list for the whole interface and for what is printed. */
export const KIND_WORDS: Record<PieceKindName, string> = {
  run: 'Run',
  satin: 'Satin',
  fill: 'Fill',
  border: 'Border',
  applique: 'Appliqué',
};

export const STYLE_WORDS: Record<RunStyle, string> = {
  plain: 'Plain',
  double: 'Out and back',
  bean: 'Bean',
  backstitch: 'Backstitch',
  zigzag: 'Loose zigzag',
  motif: 'Motif',
};

export const STAGGER_WORDS: Record<Stagger, string> = { mixed: 'Mixed', brick: 'Brick', quarter: 'Quarter', carved: 'Carved lines' };

export const CORNER_WORDS: Record<Corners, string> = { turn: 'Turn', butt: 'Butt', mitre: 'Mitre', cap: 'Cap' };

export const END_WORDS: Record<ColumnEnds, string> = { open: 'Shortened', covered: 'Run under', capped: 'Capped' };

export const TIE_WORDS: Record<TieShape, string> = { line: 'Along the line', cross: 'Small cross' };

export const UNDERLAY_WORDS: Record<UnderlayKind, string> = {
  'centre-run': 'Centre run',
  'edge-run': 'Edge run',
  zigzag: 'Zigzag',
  'double-zigzag': 'Double zigzag',
  lattice: 'Lattice',
};
