import type { Job, Piece } from '../../document/types';
import { contains, offset } from '../../geometry/area';
import { dataToRings } from '../../geometry/path';
import { boundsOf } from '../../geometry/point';
import { jobOf, piece } from '../fixtures';
import { prepareShape } from '../registry';
import { aroundText, following, shadowOf, usualBorder } from './following';

const text = (says: string, height = 10): Piece =>
  piece('lettering', { id: 'a', lettering: { text: says, face: 'treadle', height, at: [3, 4] } });
const shadow = (of: Piece): Piece => ({
  ...of,
  id: 's',
  follows: { text: 'a', shift: [1, 2] },
  lettering: shadowOf(of.lettering!, [1, 2], undefined),
});
const border = (of: Piece, gap: number, width: number): Piece =>
  piece('border', { id: 'b', area: aroundText(of, gap, width)!, width, follows: { text: 'a', gap } });
const jobWith = (...pieces: Piece[]): Job => ({ ...jobOf([], 'pique'), pieces });
const changed = (job: Job, edit: (p: Piece) => Piece): Job => ({ ...job, pieces: job.pieces.map((p) => (p.id === 'a' ? edit(p) : p)) });
const saying =
  (says: string) =>
  (p: Piece): Piece => ({ ...p, lettering: { ...p.lettering!, text: says } });

describe('what follows a text', () => {
  it('is not touched when the text is not', () => {
    const job = jobWith(shadow(text('Quay')), text('Quay'), border(text('Quay'), 2, 2));
    expect(following(job, job)).toEqual([]);
    const other = { ...job, pieces: [...job.pieces, piece('run', { id: 'z', line: 'M0,0 L9,9' })] };
    expect(following(other, job)).toEqual([]);
  });

  it('says what the text says, where it lay beside it, without threads of single letters', () => {
    const job = jobWith(shadow(text('Quay')), text('Quay'));
    const now = changed(job, (p) => ({ ...p, lettering: { ...p.lettering!, text: 'Quays', at: [10, 10], letters: { 0: { thread: 't9', height: 12 }, 1: { thread: 't9' } } } })); // prettier-ignore
    const [made] = following(now, job);
    expect(made!.lettering).toMatchObject({ text: 'Quays', at: [11, 12], letters: { 0: { height: 12 } } });
    expect(JSON.stringify(made!.lettering)).not.toContain('t9');
  });

  it('stands by itself when the text is gone', () => {
    const job = jobWith(shadow(text('Quay')), text('Quay'));
    const [alone] = following({ ...job, pieces: job.pieces.slice(0, 1) }, job);
    expect(alone!.follows).toBeUndefined();
    expect(alone!.lettering!.text).toBe('Quay');
  });

  it('goes round the text as far off as was said, in one piece', () => {
    for (const [says, gap, width] of [
      ['Quay', 2, 2],
      ['O', 1, 1.5],
      ['Net Loft\nNo 8', 3, 3],
    ] as const) {
      const base = text(says);
      const { painted } = prepareShape(base)!;
      const outer = dataToRings(aroundText(base, gap, width)!);
      expect([says, outer.length]).toEqual([says, 1]);
      const ink = painted.flat();
      const inside = offset(outer, -width);
      expect(ink.every((p) => contains(inside, p))).toBe(true);
      // Straight sides stand off by just that.
      const [a, b] = [boundsOf(painted), boundsOf(inside)];
      for (const far of [a.minX - b.minX, b.maxX - a.maxX, a.minY - b.minY, b.maxY - a.maxY])
        expect(Math.abs(far - gap)).toBeLessThan(0.12);
    }
  });

  it('is made anew for another text or another distance', () => {
    const base = text('Quay');
    const job = jobWith(base, border(base, 2, 2));
    const now = changed(job, saying('Quayside'));
    const [made] = following(now, job);
    const width = (p: Piece): number => {
      const b = boundsOf(dataToRings(p.area!));
      return b.maxX - b.minX;
    };
    expect(width(made!)).toBeGreaterThan(width(job.pieces[1]!) + 15);
    const farther = { ...job, pieces: [job.pieces[0]!, { ...job.pieces[1]!, follows: { text: 'a', gap: 4 } }] };
    expect(width(following(farther, job)[0]!) - width(job.pieces[1]!)).toBeCloseTo(4, 0);
  });

  it.each(['circle', 'diamond', 'square'] as const)('stands round it as a %s, touching the distance and no nearer', (frame) => {
    for (const says of ['ABC', 'O', 'Wide words']) {
      const base = text(says, 12);
      const ink = prepareShape(base)!.painted;
      const outer = dataToRings(aroundText(base, 2, 1.5, frame)!);
      const inside = (off: number) => offset(outer, -1.5 - off);
      expect(ink.flat().every((p) => contains(inside(1.97), p))).toBe(true);
      expect(ink.flat().every((p) => contains(inside(2.06), p))).toBe(false);
    }
  });

  it('is as broad as suits the letters', () => {
    expect(usualBorder(6).width).toBeLessThan(usualBorder(30).width);
    expect(usualBorder(100).width).toBeLessThanOrEqual(4);
    expect(usualBorder(4).gap).toBeGreaterThanOrEqual(1);
  });
});
