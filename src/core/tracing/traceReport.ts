import type { Tracing } from './trace';

const round = (v: number, decimals: number): number => Math.round(v * 10 ** decimals) / 10 ** decimals;

/** The report of `bin/cobble trace`: plain data, snake_case, lengths mm. */
export function traceReport(t: Tracing, timingMs: Record<string, number>) {
  const lines = t.shapes.filter((s) => s.stroke).length;
  return {
    width_mm: round(t.widthMm, 2),
    height_mm: round(t.heightMm, 2),
    pixels_per_mm: round(t.pixelsPerMm, 3),
    colours: t.colours.map(({ as, share }) => ({ hex: as, share: round(share, 4) })),
    regions: t.shapes.length - lines,
    lines,
    nodes: t.nodes,
    dropped_specks: t.droppedSpecks,
    kept_spots: t.keptSpots,
    squared_sides: t.squared,
    notes: t.notes,
    timing_ms: Object.fromEntries(Object.entries(timingMs).map(([k, v]) => [k, Math.round(v)])),
  };
}
