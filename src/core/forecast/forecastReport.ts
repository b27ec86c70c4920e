import type { Job } from '../document/types';
import type { Forecast } from './forecast';
import { gapsOf } from './forecast';
import { heightsOfTexts, sewnMm, wantedMm } from './textHeights';

const round = (v: number): number => Math.round(v * 100) / 100;
const pair = (p: { x: number; y: number }): [number, number] => [round(p.x), round(p.y)];

/** Gaps below this are within what the forecast cannot know, mm. */
const REPORTED_MM = 0.05;

/** A forecast as plain data for reports: snake_case, lengths mm, hundredths, which is more than it deserves. */
export function forecastReport(job: Job, f: Forecast) {
  const gaps = gapsOf(f.meetings, REPORTED_MM);
  return {
    max_gap_mm: gaps.length > 0 ? round(gaps[0]!.gapMm) : 0,
    gaps: gaps.map((g) => ({
      pieces: [job.pieces[g.first]!.id, job.pieces[g.later]!.id],
      at: pair(g.at),
      gap_mm: round(g.gapMm),
      along_mm: round(g.alongMm),
    })),
    drawn_mm: [round(f.drawn.widthMm), round(f.drawn.heightMm)],
    predicted_mm: [round(f.predicted.widthMm), round(f.predicted.heightMm)],
    letters: heightsOfTexts(job, f).map(({ piece, heights }) => ({
      piece: piece.id,
      heights: heights.map((h) => ({ char: h.char, wanted_mm: round(wantedMm(h)), sewn_mm: round(sewnMm(h)) })),
    })),
    pucker: f.pucker && {
      area_mm2: Math.round(f.pucker.areaMm2),
      at: pair(f.pucker.at),
      pressed: round(f.pucker.pressed),
      limit: round(f.pucker.limit),
    },
    assumed: {
      stiffness_n_per_mm: round(f.parameters.stiffnessNPerMm),
      shortening: Math.round(f.parameters.shortening * 1e4) / 1e4,
      push: Math.round(f.parameters.push * 1e4) / 1e4,
      bite_mm: round(f.parameters.biteMm),
    },
  };
}

/** The same with the predicted outline of every piece, as places along its edge. */
export const outlinesReport = (job: Job, f: Forecast) =>
  f.outlines.map(({ piece, places }) => ({
    piece: job.pieces[piece]!.id,
    predicted: places.map(({ at, out, offMm }) => pair({ x: at.x + offMm * out.x, y: at.y + offMm * out.y })),
  }));
