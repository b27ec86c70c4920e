import type { Finding } from './finding';

const round = (v: number): number => Math.round(v * 1000) / 1000;

/** Findings as plain data for reports: snake_case, lengths mm. */
export const findingsReport = (findings: readonly Finding[]) =>
  findings.map((f) => ({
    rule: f.rule,
    severity: f.severity,
    piece: f.pieces[0] ?? null,
    pieces: f.pieces,
    at: [round(f.at.x), round(f.at.y)],
    places: f.places.map(({ at, pieces }) => ({ at: [round(at.x), round(at.y)], pieces })),
    measured: round(f.measured),
    limit: round(f.limit),
    unit: f.unit,
    limit_from: f.limitFrom,
    message: f.message,
    ...(f.accepted === undefined ? {} : { accepted: f.accepted }),
  }));
