import type { JobStage, Place, UnderlayKind } from './types';

/** What people call things; one list for the whole interface and for what is printed. */
export const UNDERLAY_WORDS: Record<UnderlayKind, string> = {
  'centre-run': 'Centre run',
  'edge-run': 'Edge run',
  zigzag: 'Zigzag',
  'double-zigzag': 'Double zigzag',
  lattice: 'Lattice',
};

/** Where on the garment, in words. */
export const PLACE_WORDS: Record<Place, string> = {
  'left-chest': 'Left chest',
  'right-chest': 'Right chest',
  sleeve: 'Sleeve',
  'cap-front': 'Cap front',
  'full-front': 'Full front',
  'jacket-back': 'Jacket back',
  apron: 'Apron',
  patch: 'Patch',
  edging: 'Edging',
  other: 'Elsewhere',
};

/** Where a job stands, in words. */
export const STAGE_WORDS: Record<JobStage, string> = {
  asked: 'Asked for',
  digitizing: 'Being digitized',
  'sew-out': 'Sew-out',
  approved: 'Approved',
  'in-production': 'In production',
  done: 'Done',
};
