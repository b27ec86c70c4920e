import { MACHINE_LIMIT_MM } from '../units/tolerances';

/** Permitted width of a column along a line, mm. */
export const WIDTH_RANGE = { min: 0.4, max: MACHINE_LIMIT_MM, step: 0.1, unit: 'mm' } as const;

/** Permitted ranges of an underlay layer's own figures. */
export const LAYER_RANGES = {
  spacing: { min: 0.5, max: 10, step: 0.1, unit: 'mm' },
  length: { min: 0.5, max: MACHINE_LIMIT_MM, step: 0.1, unit: 'mm' },
  inset: { min: 0, max: 5, step: 0.1, unit: 'mm' },
  angle: { min: -360, max: 360, step: 5, unit: '°' },
} as const;

/** Height of the capitals of a text, mm. */
export const LETTER_HEIGHTS = { min: 2, max: 500 } as const;

/** A height that letters can have, as near as can be to one that is asked for, mm. */
export const heightWithin = (mm: number): number => Math.min(LETTER_HEIGHTS.max, Math.max(LETTER_HEIGHTS.min, mm));
