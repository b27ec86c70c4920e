import type { Check } from '../check';
import { layerPeak } from '../../stitches/weight';

/** More full covers than this on one another make it stiff and break threads (craft §7). A satin counts as two. */
const MOST_LAYERS = 5.5;
const LEAST_AREA_MM2 = 4;

export const layersStacked: Check = {
  rule: 'layers-stacked',
  severity: 'warn',
  title: 'Too many layers of thread',
  find({ weight }) {
    const peak = layerPeak(weight(), MOST_LAYERS);
    if (peak.value <= MOST_LAYERS || peak.areaAboveMm2 < LEAST_AREA_MM2) return [];
    return [
      {
        pieces: [],
        at: peak.at,
        measured: peak.value,
        limit: MOST_LAYERS,
        unit: 'layers',
        limitFrom: 'fill counted as one layer, satin as two; three covers on one another at most',
        message: `Thread lies ${peak.value.toFixed(1)} layers thick here, on ${peak.areaAboveMm2.toFixed(0)} mm²: stiff, and needles break. Open or carve what lies beneath.`,
      },
    ];
  },
};
