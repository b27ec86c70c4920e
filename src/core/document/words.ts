import type { PieceKindName, UnderlayKind } from './types';

/** What people call things; one list for the whole interface and for what is printed. */
export const KIND_WORDS: Record<PieceKindName, string> = {
  run: 'Run',
  satin: 'Satin',
  fill: 'Fill',
  border: 'Border',
  applique: 'Appliqué',
};

export const UNDERLAY_WORDS: Record<UnderlayKind, string> = {
  'centre-run': 'Centre run',
  'edge-run': 'Edge run',
  zigzag: 'Zigzag',
  'double-zigzag': 'Double zigzag',
  lattice: 'Lattice',
};
