import { HEAT_STEPS } from '@/core/render/heat';

export const css = ({ r, g, b }: { r: number; g: number; b: number }): string => `rgb(${r} ${g} ${b})`;

/** Layers that a step of the heat map stands for, as a legend says it. */
export const stepWords = (i: number): string =>
  i + 1 < HEAT_STEPS.length ? `${HEAT_STEPS[i]!.from} to ${HEAT_STEPS[i + 1]!.from}` : `over ${HEAT_STEPS[i]!.from}`;
