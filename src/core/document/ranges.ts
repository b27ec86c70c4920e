import { MACHINE_LIMIT_MM } from '../units/tolerances';

/** Permitted ranges of the numbers that people may set, with the smallest step of their control. */
export const RANGES = {
  spacing: { min: 0.15, max: 5, step: 0.01, unit: 'mm' },
  stitchLength: { min: 0.5, max: MACHINE_LIMIT_MM, step: 0.1, unit: 'mm' },
  angle: { min: -360, max: 360, step: 1, unit: '°' },
  pullComp: { min: 0, max: 3, step: 0.05, unit: 'mm' },
  pullCompPercent: { min: 100, max: 250, step: 5, unit: '%' },
  pushComp: { min: 0, max: 2, step: 0.1, unit: 'mm' },
  passes: { min: 1, max: 9, step: 2, unit: '' },
  satinLimit: { min: 2, max: MACHINE_LIMIT_MM, step: 0.5, unit: 'mm' },
  spacingTo: { min: 0.15, max: 5, step: 0.05, unit: 'mm' },
  zigzagWidth: { min: 0.8, max: MACHINE_LIMIT_MM, step: 0.1, unit: 'mm' },
  motifSpacing: { min: 0, max: 50, step: 0.5, unit: 'mm' },
  foam: { min: 0, max: 6, step: 0.5, unit: 'mm' },
  tieLength: { min: 0.3, max: 1.5, step: 0.1, unit: 'mm' },
  tieCount: { min: 1, max: 6, step: 1, unit: '' },
  width: { min: 0.4, max: MACHINE_LIMIT_MM, step: 0.1, unit: 'mm' },
} as const;

/** Permitted ranges of an underlay layer's own figures. */
export const LAYER_RANGES = {
  spacing: { min: 0.5, max: 10, step: 0.1, unit: 'mm' },
  length: { min: 0.5, max: MACHINE_LIMIT_MM, step: 0.1, unit: 'mm' },
  inset: { min: 0, max: 5, step: 0.1, unit: 'mm' },
  angle: { min: -360, max: 360, step: 5, unit: '°' },
} as const;
