import { emptyJob } from '../document/job';
import { parseJob } from '../document/schema';
import type { Piece, Thread } from '../document/types';
import { marksOf, withHandChanges } from './handChanges';

const box = (x: number, y: number, w: number, h: number): string => `M${x},${y} H${x + w} V${y + h} H${x} Z`;
const piece = (id: string, area: string, more: Partial<Piece> = {}): Piece => ({
  id,
  name: id,
  kind: 'fill',
  thread: 't1',
  area,
  settings: {},
  ...more,
});
const red: Thread = { id: 't1', code: 'A1', name: 'Red', hex: '#aa2222', weight: 40 };
const blue: Thread = { id: 't2', code: 'B2', name: 'Blue', hex: '#2222aa', weight: 40 };
const OLD = [piece('p1', box(0, 0, 20, 20)), piece('p2', box(30, 0, 10, 10)), piece('p3', box(0, 30, 10, 10))];

describe('pieces that are made anew of a picture traced again', () => {
  it('are the new ones where nothing was changed by hand', () => {
    const fresh = { pieces: [piece('p1', box(0.2, 0, 20, 20))], threads: [red] };
    const { pieces, kept } = withHandChanges(fresh, { pieces: OLD, threads: [red] }, marksOf(OLD));
    expect(pieces).toEqual(fresh.pieces);
    expect(kept).toBe(0);
  });

  it('keep what was changed where its region still is, in its new place of the order, and in its thread', () => {
    const changed = OLD.map((p) => (p.id === 'p2' ? { ...p, thread: 't2', settings: { spacing: 0.5 } } : p));
    const fresh = { pieces: [piece('p1', box(30.3, 0.2, 10, 10)), piece('p2', box(0, 0, 20, 20))], threads: [red] };
    const made = withHandChanges(fresh, { pieces: changed, threads: [red, blue] }, marksOf(OLD));
    expect(made.kept).toBe(1);
    expect(made.pieces.map((p) => p.area)).toEqual([box(30, 0, 10, 10), box(0, 0, 20, 20)]);
    expect(made.pieces[0]).toMatchObject({ id: 'p1', settings: { spacing: 0.5 } });
    expect(made.threads.find((t) => t.id === made.pieces[0]!.thread)!.code).toBe('B2');
  });

  it('lose what was changed on a region that is gone, and keep what was drawn', () => {
    const changed = [...OLD.map((p) => (p.id === 'p3' ? { ...p, name: 'mine' } : p)), piece('p9', box(50, 50, 5, 5))];
    const fresh = { pieces: [piece('p1', box(0, 0, 20, 20))], threads: [red] };
    const { pieces, kept } = withHandChanges(fresh, { pieces: changed, threads: [red] }, marksOf(OLD));
    expect(kept).toBe(1);
    expect(pieces.map((p) => p.area)).toEqual([box(0, 0, 20, 20), box(50, 50, 5, 5)]);
    expect(new Set(pieces.map((p) => p.id)).size).toBe(2);
  });

  it('two old pieces never take the place of one new one', () => {
    const changed = [piece('p1', box(0, 0, 20, 20), { name: 'a' }), piece('p2', box(0, 0, 20, 19), { name: 'b' })];
    const fresh = { pieces: [piece('p1', box(0, 0, 20, 20))], threads: [red] };
    const { pieces } = withHandChanges(fresh, { pieces: changed, threads: [red] }, marksOf([OLD[0]!, piece('p2', box(0, 0, 20, 19))]));
    expect(pieces).toHaveLength(1);
  });

  it('a record that went through the store is not taken for changed', () => {
    const job = { ...emptyJob('j', 'j', {}), threads: [red], pieces: OLD };
    const back = parseJob(JSON.parse(JSON.stringify(job)));
    expect(marksOf(back.pieces)).toEqual(marksOf(OLD));
    const shuffled = OLD.map((p) => Object.fromEntries(Object.entries(p).reverse()) as unknown as Piece);
    expect(marksOf(shuffled)).toEqual(marksOf(OLD));
  });
});
