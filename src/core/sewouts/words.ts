import type { MarkKind, SeenMark, SewoutSetup } from '../document/sewoutTypes';

/** What is seen on a sew-out, in words. */
export const MARK_WORDS: Record<MarkKind, string> = {
  gap: 'Gap',
  overlap: 'Overlap, fat edge',
  height: 'Letter or piece too short or tall',
  size: 'Size of the whole',
  ragged: 'Ragged edge',
  pucker: 'Pucker',
  loop: 'Loop',
  break: 'Thread break',
  nest: 'Nest',
  'show-through': 'Show-through, thin cover',
  stiff: 'Stiff',
  lump: 'Lump',
  bobbin: 'Bobbin thread shows',
  'hoop-marks': 'Hoop marks',
  shifted: 'Shifted',
  lost: 'Detail lost',
  colour: 'Colour wrong',
  unravelled: 'Unravelled',
};

/** Kinds that a ruler tells. */
export const RULED: readonly MarkKind[] = ['gap', 'overlap', 'height', 'size'];

export const STABILIZER_WORDS: Record<NonNullable<SewoutSetup['stabilizer']>, string> = {
  cutaway: 'Cutaway',
  'soft-cutaway': 'Soft cutaway',
  'tear-away': 'Tear-away',
  'cap-tear-away': 'Cap tear-away',
  soluble: 'Soluble',
  none: 'None',
};
export const HOOP_KIND_WORDS: Record<NonNullable<SewoutSetup['hoopKind']>, string> = {
  screw: 'Screwed ring',
  clamp: 'Clamping hoop',
  'cap-frame': 'Cap frame',
  'border-frame': 'Border frame',
};
export const HOOPING_WORDS: Record<NonNullable<SewoutSetup['hooping']>, string> = {
  'drum-flat': 'Drum-flat',
  stretched: 'Stretched',
  loose: 'Loose',
};
export const FIBRE_WORDS: Record<NonNullable<SewoutSetup['fibre']>, string> = {
  polyester: 'Polyester',
  rayon: 'Rayon',
  cotton: 'Cotton',
  other: 'Another',
};
export const TENSION_WORDS: Record<NonNullable<SewoutSetup['tension']>, string> = { loose: 'Loose', usual: 'As usual', tight: 'Tight' };

/** A mark in a few words, its measure first. */
export function markWords({ kind, mm, axis }: Pick<SeenMark, 'kind' | 'mm' | 'axis'>): string {
  const name = kind === 'size' ? (axis === 'y' ? 'Height of the whole' : 'Width of the whole') : MARK_WORDS[kind];
  return mm === undefined ? name : `${name}, ${mm.toFixed(kind === 'size' || kind === 'height' ? 1 : 2)} mm`;
}
