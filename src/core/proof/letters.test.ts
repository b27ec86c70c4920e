import { letterHeights } from './checks/letterHeights';
import { smallLetter } from './checks/smallLetter';
import { contextOf, type MadePiece } from './contextFixtures';
import { findingsReport } from './findingsReport';
import { letterRows } from './letters';
import { samePieces } from './prove';
import { withFix } from './withFix';
import type { Finding } from './finding';

/** A bar with flat ends, its left upper corner at a place. */
const stem = (x: number, y: number, w: number, h: number, over: MadePiece = {}): MadePiece => ({
  area: `M${x},${y} h${w} v${h} h${-w} Z`,
  ...over,
});
/** A ring of an outline, round at top and bottom. */
const bowl = (x: number, y: number, w: number, h: number, over: MadePiece = {}): MadePiece => ({
  area: `M${x},${y + h / 2} a${w / 2},${h / 2} 0 1 1 ${w},0 a${w / 2},${h / 2} 0 1 1 ${-w},0 Z`,
  ...over,
});
const rows = (...made: MadePiece[]) => {
  const { job, shaped } = contextOf(made);
  return letterRows(job, shaped).map((row) => row.map((l) => l.index));
};

describe('rows of letters', () => {
  const three = (over: (k: number) => MadePiece = () => ({})): MadePiece[] => [0, 1, 2].map((k) => stem(k * 6, 0, 4, 10, over(k)));

  it('are three and more of one thread, side by side', () => {
    expect(rows(...three())).toEqual([[0, 1, 2]]);
    expect(rows(...three().slice(0, 2))).toEqual([]);
    expect(rows(...three().reverse())).toEqual([[2, 1, 0]]);
    expect(rows(...three((k) => ({ thread: k === 1 ? 'u' : 't1' })))).toEqual([]);
    expect(rows(...three((k) => (k === 1 ? { unsewn: true } : {})))).toEqual([]);
    expect(rows(...three((k) => (k === 1 ? { kind: 'run', line: 'M0,0 h9' } : {})))).toEqual([]);
  });

  it('are nearly of one height and stand on one line', () => {
    const high = (h: number) => rows(stem(0, 0, 4, 10), stem(6, 10 - h, 4, h), stem(12, 0, 4, 10)).length;
    expect([high(7), high(6.9), high(14.2), high(14.4)]).toEqual([1, 0, 1, 0]);
    const sunk = (by: number) => rows(stem(0, 0, 4, 10), stem(6, by, 4, 10), stem(12, 0, 4, 10)).length;
    expect([sunk(1.5), sunk(1.6), sunk(-1.5), sunk(-1.6)]).toEqual([1, 0, 1, 0]);
  });

  it('neither far apart nor on one another', () => {
    const apart = (gap: number) => rows(stem(0, 0, 4, 10), stem(4 + gap, 0, 4, 10), stem(8 + 2 * gap, 0, 4, 10)).length;
    expect([apart(11.9), apart(12), apart(-2.7), apart(-2.9)]).toEqual([1, 0, 1, 0]);
    const wide = (gap: number) => rows(stem(0, 0, 12, 10), stem(12 + gap, 0, 12, 10), stem(24 + 2 * gap, 0, 12, 10)).length;
    expect([wide(-2.9), wide(-3.1)]).toEqual([1, 0]);
  });

  it('no broader than they may be, and not too high', () => {
    const broad = (w: number) => rows(...[0, 1, 2].map((k) => stem(k * (w + 2), 0, w, 10))).length;
    expect([broad(16), broad(16.1)]).toEqual([1, 0]);
    const tall = (h: number) => rows(...[0, 1, 2].map((k) => stem(k * 30, 0, 20, h))).length;
    expect([tall(60), tall(60.1)]).toEqual([1, 0]);
  });

  it('two lines of text are two rows', () => {
    expect(rows(...three(), ...[0, 1, 2].map((k) => stem(k * 6, 40, 4, 10)))).toEqual([[0, 1, 2], [3, 4, 5]]); // prettier-ignore
  });

  it('know flat letters from round ones and from those that are neither', () => {
    const formOf = (one: MadePiece) => {
      const { job, shaped } = contextOf([stem(-12, 0, 4, 10), stem(-6, 0, 4, 10), one]);
      return letterRows(job, shaped)[0]!.map((l) => l.form)[2];
    };
    expect(formOf(stem(0, 0, 4, 10))).toBe('flat');
    expect(formOf(bowl(0, 0, 8, 10))).toBe('round');
    expect(formOf({ area: 'M0,10 h8 v-5 a4,5 0 0 0 -8,0 Z' })).toBe('other');
    // A top of 1.5 mm on a letter of 10 mm is flat, one of 1.4 is not.
    const trapeze = (top: number): MadePiece => ({ area: `M0,10 h8 L${4 + top / 2},0 h${-top} Z` });
    expect([formOf(trapeze(1.55)), formOf(trapeze(1.45))]).toEqual(['flat', 'other']);
  });

  it('measure each letter', () => {
    const { job, shaped } = contextOf([stem(0, 2, 4, 10), bowl(6, 2, 6, 10), stem(14, 2, 4, 10)]);
    expect(letterRows(job, shaped)[0]![1]!).toMatchObject({
      index: 1,
      heightMm: expect.closeTo(10, 1) as number,
      middleY: expect.closeTo(7, 1) as number,
    });
  });
});

describe('letters that are small', () => {
  const word = (h: number, weight = 40) =>
    smallLetter.find(contextOf([0, 1, 2].map((k) => stem(k * 6, 0, 0.4 * h, h)), { job: { threads: [{ id: 't1', code: 'Q', name: 'Q', hex: '#000000', weight }] } })); // prettier-ignore

  it('under four millimetres cannot be read, under six they want thin thread', () => {
    expect([word(6).length, word(5.9).length, word(5.9, 60).length, word(3.9, 60).length]).toEqual([0, 1, 0, 1]);
    expect(word(5)[0]).toMatchObject({ severity: 'note', pieces: ['p0', 'p1', 'p2'], measured: 5, limit: 6, unit: 'mm' });
    expect(word(3.9)[0]).toMatchObject({ severity: 'warn', measured: 3.9, limit: 4 });
    expect(word(4)[0]).toMatchObject({ severity: 'note' });
  });

  it('the lowest of a row counts', () => {
    const [one] = smallLetter.find(contextOf([stem(0, 0, 2, 7), stem(4, 1.5, 2, 5.5), stem(8, 0, 2, 7)]));
    expect(one).toMatchObject({ measured: 5.5, at: { x: 5, y: 4.25 } });
  });
});

describe('round letters beside flat ones', () => {
  /** Letters of which the forecast says how far top and bottom move outward. */
  const foreseen = (letters: readonly MadePiece[], moved: readonly number[]) =>
    contextOf(letters, {
      outlines: moved.map((offMm, piece) => ({
        piece,
        places: [-1, 1].map((y) => ({ at: { x: 0, y }, out: { x: 0, y }, offMm, covered: false })),
      })),
    });
  const word = (round: number, height = 10) => [stem(0, 0, 4, height), bowl(6, (height - round) / 2, 8, round), stem(16, 0, 4, height)];
  const short = (moved: number, round = 10, height = 10) => letterHeights.find(foreseen(word(round, height), [0.05, moved, 0.05]));

  it('are short when they are predicted to come out lower by more than a tenth at top and bottom', () => {
    expect([short(-0.04).length, short(-0.06).length, short(0.05).length]).toEqual([0, 1, 0]);
    expect(short(-0.25)[0]).toMatchObject({ pieces: ['p1'], limit: 0.1, unit: 'mm', measured: expect.closeTo(0.3, 2) as number });
    // Drawn taller by what they lose, they are as high.
    expect(short(-0.25, 10.6)).toEqual([]);
    // In letters of 5 mm it is seen, in lower ones it is not.
    expect([short(-0.3, 5.05, 5.05).length, short(-0.3, 4.9, 4.9).length]).toEqual([1, 0]);
  });

  it('nobody can tell without both, or without a forecast', () => {
    expect(letterHeights.find(foreseen([0, 1, 2].map((k) => stem(k * 6, 0, 4, 10)), [0, 0, 0]))).toEqual([]); // prettier-ignore
    expect(letterHeights.find(foreseen([0, 1, 2].map((k) => bowl(k * 9, 0, 8, 10)), [-1, -1, -1]))).toEqual([]); // prettier-ignore
    expect(letterHeights.find(contextOf(word(9)))).toEqual([]);
  });

  it('the fix makes each taller by what it loses, about its own middle', () => {
    const context = foreseen([...word(10), bowl(22, 0, 8, 10)], [0, -0.2, 0, -0.4]);
    const [one] = letterHeights.find(context);
    expect(one!.pieces).toEqual(['p1', 'p3']);
    expect(one!.at.x).toBeCloseTo(26, 1);
    const mended = withFix(context.job, one!.fix!);
    const after = contextOf(mended.pieces.map((p) => ({ area: p.area! })));
    const row = letterRows(after.job, after.shaped)[0]!;
    expect(row.find((l) => l.index === 1)!.heightMm).toBeCloseTo(10.4, 2);
    expect(row.find((l) => l.index === 3)!.heightMm).toBeCloseTo(10.8, 2);
    expect(row.find((l) => l.index === 1)!.middleY).toBeCloseTo(5, 1);
  });
});

describe('findings', () => {
  const one: Finding = { rule: 'r', severity: 'warn', pieces: ['a', 'b'], at: { x: 1.23456, y: -2 }, measured: 0.12345, spoilsMm2: 0, places: [{ at: { x: 1.23456, y: -2 }, pieces: ['a', 'b'] }], limit: 3, unit: 'mm', limitFrom: 'craft', message: 'm' }; // prettier-ignore

  it('in reports are plain and rounded', () => {
    expect(findingsReport([one, { ...one, pieces: [], accepted: 'so it is' }])).toEqual([
      { rule: 'r', severity: 'warn', piece: 'a', pieces: ['a', 'b'], at: [1.235, -2], places: [{ at: [1.235, -2], pieces: ['a', 'b'] }], measured: 0.123, limit: 3, unit: 'mm', limit_from: 'craft', message: 'm' },
      { rule: 'r', severity: 'warn', piece: null, pieces: [], at: [1.235, -2], places: [{ at: [1.235, -2], pieces: ['a', 'b'] }], measured: 0.123, limit: 3, unit: 'mm', limit_from: 'craft', message: 'm', accepted: 'so it is' },
    ]); // prettier-ignore
  });

  it('concern the same pieces in whatever order', () => {
    expect([
      samePieces(['a', 'b'], ['b', 'a']),
      samePieces(['a'], ['a', 'b']),
      samePieces(['a', 'b'], ['a', 'c']),
      samePieces([], []),
    ]).toEqual([true, false, false, true]);
  });

  it('a fix sets and takes away what it says, in its piece alone', () => {
    const { job } = contextOf([stem(0, 0, 4, 4, { start: [1, 1] }), stem(9, 0, 4, 4)]);
    const withOwn = { ...job, pieces: job.pieces.map((p) => ({ ...p, settings: { spacing: 0.5, angle: 30 } })) };
    const made = withFix(withOwn, { label: 'l', brief: { quantity: 7 }, pieces: [{ id: 'p0', patch: { width: 3 }, settings: { spacing: undefined, pullComp: 0.3 }, without: ['start'] }] }); // prettier-ignore
    expect(made.brief).toEqual({ ...job.brief, quantity: 7 });
    expect(made.pieces[0]).toEqual({ ...withOwn.pieces[0], width: 3, start: undefined, settings: { angle: 30, pullComp: 0.3 } });
    expect('start' in made.pieces[0]!).toBe(false);
    expect(made.pieces[1]).toBe(withOwn.pieces[1]);
  });
});
