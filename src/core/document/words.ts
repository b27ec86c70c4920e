import type { UnderlayKind } from './types';

/** What people call things; one list for the whole interface and for what is printed. */
export const UNDERLAY_WORDS: Record<UnderlayKind, string> = {
  'centre-run': 'Centre run',
  'edge-run': 'Edge run',
  zigzag: 'Zigzag',
  'double-zigzag': 'Double zigzag',
  lattice: 'Lattice',
};
