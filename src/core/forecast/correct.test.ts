import { jobOf, piece } from '../pieces/fixtures';
import { outlineOf } from '../geometry/outline';
import { dataToRings } from '../geometry/path';
import { areaOf, offset, subtract } from '../geometry/area';
import type { Job, Piece } from '../document/types';
import { correct, GAP_LIMIT_MM } from './correct';
import { forecast, gapsOf } from './forecast';

/** A field on jersey whose outline is sewn after ten other pieces, with too little compensation for its long rows: it gapes. */
function lateOutline(): Job {
  const job = jobOf([
    piece('fill', { area: 'M-30,-30 h60 v60 h-60 Z' }, { angle: 0, pullComp: 0.4 }),
    ...Array.from({ length: 10 }, (_, k) => piece('fill', { area: `M${-24 + k * 5},-20 h4.4 v40 h-4.4 Z` })),
    piece('satin', { line: 'M-30,-30 h60 v60 h-60 Z', width: 5, join: 'miter' }),
  ]);
  return { ...job, brief: { ...job.brief, cloth: 'jersey', hoop: { width: 120, height: 120, shape: 'rect' } } };
}
const withPieces = (job: Job, pieces: Job['pieces']): Job => ({
  ...job,
  pieces: job.pieces.map((p) => pieces.find((q) => q.id === p.id) ?? p),
});

describe('auto-correction', () => {
  const job = lateOutline();
  const made = correct(job);
  const [field] = job.pieces;
  const outline = job.pieces[job.pieces.length - 1]!;

  it('closes the gap that the forecast sees', () => {
    expect(made.before.length).toBeGreaterThan(0);
    expect(made.before[0]!.gapMm).toBeGreaterThan(GAP_LIMIT_MM);
    expect(made.after).toEqual([]);
    // Seen by a forecast of its own.
    expect(gapsOf(forecast(withPieces(job, made.pieces)).meetings, GAP_LIMIT_MM).filter((g) => g.first === 0)).toEqual([]);
  });

  it('moves the field only, never the outline', () => {
    expect(made.pieces.map((p) => p.id)).toContain(field!.id);
    expect(made.pieces.map((p) => p.id)).not.toContain(outline.id);
  });

  it('extends where rows end at the edge, and stays hidden under the outline', () => {
    const before = outlineOf(field!.area!).area;
    const after = outlineOf(made.pieces.find((p) => p.id === field!.id)!.area!).area;
    expect(areaOf(subtract(before, after))).toBeLessThan(1);
    const grown = subtract(after, before);
    const beside = grown.flat().filter((p) => Math.abs(p.x) > 30.2);
    expect(beside.length).toBeGreaterThan(0);
    // The outline is 5 mm wide about the edge of the field: 2.5 mm of it lie outside.
    expect(areaOf(subtract(after, offset(before, 2.5)))).toBeLessThan(0.5);
  });

  it('leaves a locked piece alone', () => {
    const locked = { ...job, pieces: job.pieces.map((p) => (p.id === field!.id ? { ...p, locked: true } : p)) };
    expect(correct(locked).pieces.map((p) => p.id)).not.toContain(field!.id);
  });

  it('moves the side of a column that gapes, not the other one', () => {
    // The field beside it is sewn after the column and draws it over, away from the border that is sewn last.
    const column = piece('satin', { sides: ['M-36,-25 V25', 'M-30,-25 V25'] }, { pullComp: 0 });
    const field = piece('fill', { area: 'M-31,-30 h62 v60 h-62 Z' }, { angle: 0, pullComp: 0.4 });
    const border = piece('satin', { line: 'M-36,-25 V25', width: 3, cap: 'butt' }, { pullComp: 0 });
    // Both columns are sewn out and back from their upper ends, so that the case is this one however the router would have it.
    const upper = (p: Piece, x: number): Piece => ({ ...p, start: [x, -25], end: [x, -25] });
    const drawn = { ...job, pieces: jobOf([upper(column, -33), field, upper(border, -36)]).pieces };
    const made = correct(drawn);
    const [before, after] = [made.before, made.after].map((gaps) => gaps.filter((g) => g.first === 0));
    expect(before!.length).toBeGreaterThan(0);
    const sides = made.pieces.find((p) => p.sides)!.sides!;
    expect(sides[0]).not.toBe(drawn.pieces[0]!.sides![0]);
    const xs = dataToRings(sides[0])[0]!.map((p) => p.x);
    expect(Math.min(...xs)).toBeLessThan(-36.2);
    expect(Math.max(...dataToRings(sides[1])[0]!.map((p) => p.x))).toBeLessThan(-29.8);
    expect(after!.reduce((sum, g) => sum + g.gapMm, 0)).toBeLessThan(0.5 * before!.reduce((sum, g) => sum + g.gapMm, 0));
  });

  it('changes nothing where nothing gapes', () => {
    const fine = jobOf([piece('fill', { area: 'M-10,-10 h20 v20 h-20 Z' })]);
    expect(correct(fine)).toEqual({ pieces: [], before: [], after: [] });
  });

  it('can be asked for one piece', () => {
    const only = correct(job, { only: [job.pieces[1]!.id] });
    expect(only.pieces.every((p) => p.id === job.pieces[1]!.id)).toBe(true);
  });
});
