import fc from 'fast-check';
import type { Piece } from '../document/types';
import { areaOf, intersect } from '../geometry/area';
import { dataToRings } from '../geometry/path';
import { jobOf, piece } from '../pieces/fixtures';
import type { Finding } from './finding';
import { prove } from './prove';
import { withFix } from './withFix';

const disc = (x: number, y: number, r: number, more: Partial<Piece> = {}): Piece =>
  piece('satin', { area: `M${x - r},${y} a${r},${r} 0 1 0 ${2 * r},0 a${r},${r} 0 1 0 ${-2 * r},0 Z`, ...more });
const ground = (more: Partial<Piece> = {}): Piece => piece('fill', { area: 'M-30,-20 h60 v40 h-60 Z', ...more }, { angle: 20 });
/** Three satins one on another at each place. */
const stacked = (places: readonly (readonly [number, number])[], first = ground()): Piece[] => [
  first,
  ...places.flatMap(([x, y], k) => [3.6, 2.8, 2].map((r, i) => disc(x, y, r, { thread: `t${k * 3 + i + 2}` }))),
];
const jobWith = (pieces: readonly Piece[]) => {
  const job = jobOf(pieces, 'pique');
  return { ...job, brief: { ...job.brief, hoop: { width: 120, height: 120, shape: 'rect' as const } } };
};
const told = (pieces: readonly Piece[]): Finding | undefined => prove(jobWith(pieces)).find((f) => f.rule === 'layers-stacked');

describe('four covers on one another', () => {
  it('can be opened beneath, at all places in one step, and are told no more', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -20, max: -6 }),
        fc.integer({ min: 6, max: 20 }),
        fc.integer({ min: -12, max: 12 }),
        (left, right, y) => {
          const job = jobWith(stacked([[left, y], [right, -y]])); // prettier-ignore
          const found = told(job.pieces)!;
          expect(found.places).toHaveLength(2);
          expect(found.fix!.pieces!.map((p) => p.id)).toEqual(['p1']);
          const mended = withFix(job, found.fix!);
          expect(told(mended.pieces)).toBeUndefined();
          // What is left out lies under what is sewn on it, but for a millimetre round.
          const [before, after] = [job, mended].map((j) => areaOf(dataToRings(j.pieces[0]!.area!)));
          expect(before! - after!).toBeGreaterThan(2 * 0.8 * Math.PI * 2.6 ** 2);
          expect(before! - after!).toBeLessThan(2 * 1.05 * Math.PI * 2.6 ** 2);
          const hidden = [1, 4].flatMap((k) => dataToRings(job.pieces[k]!.area!));
          expect(areaOf(intersect(dataToRings(mended.pieces[0]!.area!), hidden))).toBeGreaterThan(20);
        },
      ),
      { numRuns: 4, seed: 2 },
    );
  });

  it('stay as they are where what lies beneath is locked, or all edges lie on one another', () => {
    expect(told(stacked([[0, 0]], ground({ locked: true })))!.fix).toBeUndefined();
    const alike = [4, 4, 4, 4].map((r, i) => disc(0, 0, r, { thread: `t${i + 2}` }));
    expect(told(alike)).toBeDefined();
    expect(told(alike)!.fix).toBeUndefined();
  });

  it('count from where they lie on one another on four square millimetres: a gleam on a pupil is none', () => {
    const under = [ground(), disc(0, 0, 5, { thread: 't2' }), disc(0, 0, 3.5, { thread: 't3' })];
    const gleam = (r: number): Piece => disc(1, -1, r, { thread: 't4' });
    expect(told([...under, gleam(1)])).toBeUndefined();
    const found = told([...under, gleam(1.8)])!;
    expect(found.limit).toBe(5.5);
    expect(found.spoilsMm2).toBeCloseTo(Math.PI * 1.8 ** 2, 0);
    expect(found.message).toMatch(/ on 10 mm²/);
  });

  it('are told once for all places, the largest first, and a locked one of several ends the step', () => {
    const two = stacked([[-15, 0], [15, 0]]); // prettier-ignore
    const larger = two.map((p, i) => (i > 3 ? disc(15, 0, [4.4, 3.4, 2.6][i - 4]!, { thread: p.thread }) : p));
    const found = told(larger)!;
    expect(found.places.map((p) => Math.sign(p.at.x))).toEqual([1, -1]);
    expect(told(larger.map((p, i) => (i === 0 ? { ...p, locked: true } : p)))!.fix).toBeUndefined();
  });

  it('with five, the lowest two are opened', () => {
    const found = told([ground(), ground({ area: 'M-28,-18 h56 v36 h-56 Z', thread: 't9' }), ...stacked([[0, 0]]).slice(1)])!;
    expect(found.pieces).toHaveLength(5);
    expect(found.fix!.pieces!.map((p) => p.id)).toEqual(['p1', 'p2']);
    expect(found.fix!.label).toMatch(/lower 2/);
  });

  it('are told, three are not', () => {
    expect(told(stacked([[0, 0]]).slice(0, 3))).toBeUndefined();
    expect(told(stacked([[0, 0]]))).toMatchObject({ limit: 5.5, pieces: ['p1', 'p2', 'p3', 'p4'] });
  });
});
