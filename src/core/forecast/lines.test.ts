import type { ClothKey, Job, Piece } from '../document/types';
import { jobOf, piece } from '../pieces/fixtures';
import { correct } from './correct';
import { forecast, gapsOf, overlapsOf } from './forecast';
import { PROOF_GRID } from './sheet';

/** A field of level rows with an outline on its edge. */
function outlined(cloth: ClothKey, w: number, h: number, pullComp: number, outline: (d: string) => Piece): Job {
  const box = `M${-w / 2},${-h / 2} h${w} v${h} h${-w} Z`;
  const job = jobOf([piece('fill', { area: box }, { angle: 0, pullComp }), outline(box)]);
  return { ...job, brief: { ...job.brief, cloth, hoop: { width: 200, height: 200, shape: 'rect' } } };
}
const run = (style: 'plain' | 'bean') => (d: string) => piece('run', { line: d }, { style, passes: style === 'bean' ? 3 : 1 });
const satin = (width: number) => (d: string) => piece('satin', { line: d, width, join: 'miter' }, { pullComp: 0.2 });

const mean = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0) / list.length;
/** Along the middle half of the two sides at which rows end: where the sewn edge lies against the drawn one, and the gaps told there. */
function sides(job: Job): { off: number; gap: number } {
  const f = forecast(job, { grid: PROOF_GRID });
  const h = f.drawn.heightMm;
  const middle = (p: { at: { y: number }; out: { x: number } }): boolean => Math.abs(p.out.x) > 0.95 && Math.abs(p.at.y) < h / 4;
  const off = f.outlines.filter((o) => o.piece === 0).flatMap((o) => o.places.filter(middle).map((p) => p.offMm));
  const gap = f.meetings.filter((m) => m.first === 0).flatMap((m) => m.places.filter(middle).map((p) => p.gapMm));
  return { off: mean(off), gap: gap.length > 0 ? mean(gap) : NaN };
}

const FIELDS = [
  ['jersey', 80, 50, 0.2],
  ['jersey', 45, 60, 0.1],
  ['pique', 70, 40, 0],
  ['fleece', 60, 60, 0.3],
  ['twill', 30, 25, 0.1],
] as const;

describe('a line on the edge of a field', () => {
  it.each(FIELDS)('leaves cloth where the field ends short of it: on %s, %d x %d mm, %d mm of compensation', (cloth, w, h, comp) => {
    for (const style of ['plain', 'bean'] as const) {
      const { off, gap } = sides(outlined(cloth, w, h, comp, run(style)));
      // Half a thread of the line hides half a thread of what is missing.
      expect(Math.abs(gap - (-off - 0.2))).toBeLessThan(0.15);
    }
  });

  it('is told as a gap with both pieces, and no overlap is claimed with it', () => {
    const f = forecast(outlined('jersey', 80, 50, 0.2, run('bean')), { grid: PROOF_GRID });
    const [worst] = gapsOf(f.meetings, 0.15);
    expect([worst!.first, worst!.later]).toEqual([0, 1]);
    expect(worst!.gapMm).toBeGreaterThan(2);
    expect(overlapsOf(f.meetings, 9)).toEqual([]);
    // Drawn 2 mm inside the edge it is no outline of it.
    const inside = outlined('pique', 40, 30, 0.4, () => piece('run', { line: 'M-18,-13 h36 v26 h-36 Z' }, { style: 'bean' }));
    expect(gapsOf(forecast(inside, { grid: PROOF_GRID }).meetings, 0.15)).toEqual([]);
  });

  it('does not move, and the field is extended until it lies under it', () => {
    for (const [cloth, w, h] of [
      ['pique', 60, 60],
      ['fleece', 50, 30],
    ] as const) {
      const job = outlined(cloth, w, h, 0, run('bean'));
      const { pieces, before, after } = correct(job);
      expect(before.length).toBeGreaterThan(0);
      expect(after).toEqual([]);
      expect(pieces.map((p) => p.id)).toEqual([job.pieces[0]!.id]);
    }
  });
});

describe('a narrow column on the edge of a field', () => {
  it.each(FIELDS)('shows the more cloth the narrower it is: on %s, %d x %d mm', (cloth, w, h, comp) => {
    const found = [0.8, 1.2, 1.4, 3].map((width) => ({ width, ...sides(outlined(cloth, w, h, comp, satin(width))) }));
    found.forEach(({ width, off, gap }, i) => {
      // The inner holes lie half the width and the compensation inside the edge, and are drawn in a little themselves.
      expect(Math.abs(gap - (-off - width / 2 - 0.2))).toBeLessThan(0.35);
      if (i > 0) expect(gap).toBeLessThan(found[i - 1]!.gap);
    });
  });
});
