import type { Tracing } from './trace';

const round = (v: number, decimals: number): number => Math.round(v * 10 ** decimals) / 10 ** decimals;

/** What a tracing is told by on the screen. */
export interface TraceFigures {
  colours: Tracing['colours'];
  regions: number;
  lines: number;
  nodes: number;
  droppedSpecks: number;
  pixelsPerMm: number;
  notes: string[];
}

export const traceFigures = ({ colours, shapes, nodes, droppedSpecks, pixelsPerMm, notes }: Tracing): TraceFigures => ({
  colours,
  regions: shapes.filter((s) => !s.stroke).length,
  lines: shapes.filter((s) => s.stroke).length,
  ...{ nodes, droppedSpecks, pixelsPerMm, notes },
});

/** The report of `bin/cobble trace`: plain data, snake_case, lengths mm. */
export function traceReport(t: Tracing, timingMs: Record<string, number>) {
  const { regions, lines } = traceFigures(t);
  return {
    width_mm: round(t.widthMm, 2),
    height_mm: round(t.heightMm, 2),
    pixels_per_mm: round(t.pixelsPerMm, 3),
    colours: t.colours.map(({ hex, share }) => ({ hex, share: round(share, 4) })),
    regions,
    lines,
    nodes: t.nodes,
    dropped_specks: t.droppedSpecks,
    kept_spots: t.keptSpots,
    notes: t.notes,
    timing_ms: Object.fromEntries(Object.entries(timingMs).map(([k, v]) => [k, Math.round(v)])),
  };
}
