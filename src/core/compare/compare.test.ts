import type { Job } from '../document/types';
import { jobOf, piece } from '../pieces/fixtures';
import { changesBetween } from './changes';
import { COMPARE_ROWS, sideOf } from './side';

const square = (x: number, settings = {}) => piece('fill', { area: `M${x},0 h10 v10 h-10 Z` }, settings);
const named = (job: Job): Job => ({ ...job, pieces: job.pieces.map((p, i) => ({ ...p, id: `p${i}`, name: `Square ${i}` })) });
const three = named(jobOf([square(0), square(20), square(40)]));

describe('what changed between two versions', () => {
  it('nothing between a job and itself', () => {
    expect(changesBetween(three, structuredClone(three))).toEqual([]);
  });

  it('names settings, shape, thread and kind of a piece that stayed', () => {
    const next = structuredClone(three);
    next.pieces[1] = { ...next.pieces[1]!, kind: 'satin', area: 'M20,0 h8 v10 h-8 Z', settings: { spacing: 0.5 } };
    expect(changesBetween(three, next)).toEqual([
      { id: 'p1', name: 'Square 1', how: 'changed', what: ['sewn as satin', 'shape', 'spacing'] },
    ]);
  });

  it('threads count by their colour, not by their id', () => {
    const next = structuredClone(three);
    next.threads = next.threads.map((t) => ({ ...t, id: `${t.id}x` }));
    next.pieces = next.pieces.map((p) => ({ ...p, thread: `${p.thread}x` }));
    expect(changesBetween(three, next)).toEqual([]);
    next.threads = next.threads.map((t) => ({ ...t, hex: '#123456' }));
    expect(changesBetween(three, next).map((c) => c.what)).toEqual([['thread'], ['thread'], ['thread']]);
  });

  it('pieces added and removed', () => {
    const next = { ...three, pieces: [three.pieces[0]!, { ...square(60), id: 'new', name: 'New one' }, three.pieces[2]!] };
    expect(changesBetween(three, next).map((c) => `${c.how} ${c.id}`)).toEqual(['added new', 'removed p1']);
  });

  it('only the piece that was moved counts as moved', () => {
    const four = named(jobOf([square(0), square(20), square(40), square(60)]));
    const [a, b, c, d] = four.pieces;
    expect(changesBetween(four, { ...four, pieces: [d!, a!, b!, c!] })).toEqual([
      { id: 'p3', name: 'Square 3', how: 'changed', what: ['order'] },
    ]);
  });
});

describe('figures side by side', () => {
  const figure = (job: Job, key: string): number => COMPARE_ROWS.find((r) => r.key === key)!.of(sideOf(job));

  it('a denser version has more stitches, more thread and more layers', () => {
    const dense = { ...three, pieces: three.pieces.map((p) => ({ ...p, settings: { spacing: 0.25 } })) };
    for (const key of ['stitches', 'upper_thread_m', 'max_layers', 'run_minutes']) {
      expect(figure(dense, key)).toBeGreaterThan(figure(three, key));
    }
  });

  it('a finding counts until it is accepted', () => {
    const outside = named(jobOf([square(400)]));
    expect(figure(outside, 'severe_findings')).toBe(1);
    const accepted = { ...outside, accepted: [{ rule: 'outside-hoop', pieces: ['p0'], reason: 'sewn on the long frame' }] };
    expect(figure(accepted, 'severe_findings')).toBe(0);
  });

  it('every row has its own key, and numbers that can be printed', () => {
    expect(new Set(COMPARE_ROWS.map((r) => r.key)).size).toBe(COMPARE_ROWS.length);
    const side = sideOf(three);
    for (const row of COMPARE_ROWS) expect(Number.isFinite(row.of(side))).toBe(true);
  });

  it('can be given up', () => {
    expect(() =>
      sideOf(three, undefined, () => {
        throw new Error('given up');
      }),
    ).toThrow('given up');
  });
});
