import { Command, Role } from '../stitches/roles';
import type { Weight } from '../stitches/weight';
import type { Check } from './check';
import { capOrder } from './checks/capOrder';
import { capTooTall } from './checks/capTooTall';
import { holesCrowded } from './checks/holesCrowded';
import { jumpUntrimmed } from './checks/jumpUntrimmed';
import { layersStacked } from './checks/layersStacked';
import { offCentre } from './checks/offCentre';
import { outsideHoop } from './checks/outsideHoop';
import { stitchTooLong } from './checks/stitchTooLong';
import { stitchTooShort } from './checks/stitchTooShort';
import { stopsExceedColours } from './checks/stopsExceedColours';
import { tieDoubled } from './checks/tieDoubled';
import { tieMissing } from './checks/tieMissing';
import { threadUnheld } from './checks/threadUnheld';
import { tiesPiled } from './checks/tiesPiled';
import { travelVisible } from './checks/travelVisible';
import { underlayTooHeavy } from './checks/underlayTooHeavy';
import { contextOf, type MadeContext, type MadeEvent, type MadePiece } from './contextFixtures';
import { withFix } from './withFix';

/* Each check on its limit and a hair beyond, on made-up needle events. */

const found = (check: Check, made: readonly MadePiece[], of: MadeContext = {}) => check.find(contextOf(made, of));
const of = (check: Check, events: readonly MadeEvent[], made: readonly MadePiece[] = [{}], more: MadeContext = {}) => found(check, made, { ...more, events }); // prettier-ignore
const { cover, tie, travel, underlay } = Role;
const { jump, trim, stop } = Command;
const box = (x: number, y: number, w: number, h: number): string => `M${x},${y} h${w} v${h} h${-w} Z`;

describe('stitches', () => {
  it('longer than machines make', () => {
    const long = (mm: number) => of(stitchTooLong, [[0, 0, cover], [mm, 0, cover], [mm, 3, cover]]); // prettier-ignore
    expect(long(12.04)).toEqual([]);
    expect(long(12.06)).toMatchObject([{ pieces: ['p0'], at: { y: 0 }, limit: 12, unit: 'mm' }]);
    expect(long(20)[0]).toMatchObject({ measured: 20, at: { x: 20, y: 0 } });
    expect(of(stitchTooLong, [[0, 0, cover], [20, 0, cover, jump]])).toEqual([]); // prettier-ignore
    expect(of(stitchTooLong, [[0, 0, cover], [20, 0, cover, 0, 1]], [{}, {}])[0]!.pieces).toEqual(['p1']); // prettier-ignore
  });

  it('under the floor: three and one in a hundred at least', () => {
    const short = (n: number, all: number, mm = 0.25, role: number = cover) => {
      const events: MadeEvent[] = [[0, 0, role]];
      for (let k = 0, x = 0; k < all; k++) events.push([(x += k < n ? mm : 2), 0, role]);
      return of(stitchTooShort, events);
    };
    expect([short(2, 50).length, short(3, 50).length]).toEqual([0, 1]);
    expect([short(3, 300).length, short(3, 301).length]).toEqual([1, 0]);
    expect(short(9, 50, 0.31)).toEqual([]);
    expect(short(9, 50, 0.25, tie)).toEqual([]);
    expect(short(5, 50)[0]).toMatchObject({ pieces: ['p0'], measured: 0.25, limit: 0.3, unit: 'mm', at: { x: 0.25, y: 0 } });
    const own = [[0, 0, cover, 0, 0], [5, 0, cover, 0, 0], [5.2, 0, cover, 0, 1], [5.4, 0, cover, 0, 1], [5.6, 0, cover, 0, 1], [5.8, 0, cover, 0, 1]] as const; // prettier-ignore
    expect(of(stitchTooShort, own, [{}, {}]).map((f) => f.pieces)).toEqual([['p1']]);
  });
});

describe('the hoop', () => {
  const reach = (x: number, y: number, hoop: MadeContext['brief'] = {}) => of(outsideHoop, [[0, 0, cover], [x, y, cover], [300, 300, cover, jump]], [{ area: box(-1, -1, 2, 2) }], { brief: hoop }); // prettier-ignore
  const square = (side: number) => ({ hoop: { width: side, height: side, shape: 'rect' as const } });
  const round = (across: number) => ({ hoop: { width: across, height: across, shape: 'round' as const } });

  it('holds what lies in its field', () => {
    expect([reach(100.04, 0).length, reach(100.06, 0).length, reach(0, -100.06).length, reach(-100.06, 0).length]).toEqual([0, 1, 1, 1]);
    expect(reach(104, 90)[0]).toMatchObject({ pieces: ['p0'], at: { x: 104, y: 90 }, measured: 4, limit: 0, unit: 'mm' });
    expect(reach(99, 99)).toEqual([]);
    expect([reach(40, 30, round(100)).length, reach(40, 31, round(100)).length]).toEqual([0, 1]);
    expect(reach(40, 31, round(100))[0]!.measured).toBeCloseTo(Math.hypot(40, 31) - 50, 4);
  });

  it('the smallest that holds everything is offered', () => {
    const { fix } = reach(52, 0, square(100))[0]!;
    const { width, height } = fix!.brief!.hoop!;
    expect(width).toBeGreaterThanOrEqual(104);
    expect(fix!.pieces).toBeUndefined();
    const larger = reach(60, 60, square(100))[0]!.fix!.brief!.hoop!;
    expect(larger.width * larger.height).toBeGreaterThanOrEqual(width * height);
    expect(reach(52, 0, square(100))[0]!.fix!.label).toContain(`${width}`);
  });

  it('where none is large enough, everything becomes smaller', () => {
    const context = contextOf([{ area: box(-300, -100, 600, 200) }], { events: [[-300, -100, cover], [300, 100, cover]] }); // prettier-ignore
    const [one] = outsideHoop.find(context);
    expect(one!.fix!.label).toBe('Make everything smaller: 33 %');
    const made = withFix(context.job, one!.fix!);
    expect(made.pieces[0]!.area).toContain('-99.');
    const tall = contextOf([{ area: box(-1, -400, 2, 800) }], { events: [[0, -400, cover], [0, 400, cover]] }); // prettier-ignore
    expect(outsideHoop.find(tall)[0]!.fix!.label).toBe('Make everything smaller: 25 %');
    const wheel = contextOf([{ area: box(-300, -400, 600, 800) }], { events: [[300, 400, cover], [0, 0, cover]], brief: round(200) }); // prettier-ignore
    expect(outsideHoop.find(wheel)[0]!.fix!.label).toBe('Make everything smaller: 20 %');
  });

  it('its middle is the work’s', () => {
    const off = (x: number, y: number) => of(offCentre, [[x - 5, y - 5, cover], [x + 5, y + 5, cover]]); // prettier-ignore
    expect([off(3, 0).length, off(3.01, 0).length, off(-2.2, 2.2).length, off(0, -3.1).length]).toEqual([0, 1, 1, 1]);
    expect(off(3, 4)[0]).toMatchObject({ pieces: [], at: { x: 3, y: 4 }, measured: 5, limit: 3, unit: 'mm' });
    expect(of(offCentre, [])).toEqual([]);
  });
});

describe('moves', () => {
  it('of two millimetres and more want a cut', () => {
    const moved = (mm: number, command?: number) =>
      of(jumpUntrimmed, [[0, 0, cover], [1, 0, cover], ...(command === undefined ? [] : [[1, 0, cover, command] as const]), [1 + mm, 0, cover, jump, 1], [2 + mm, 0, cover, 0, 1]], [{}, {}]); // prettier-ignore
    expect([moved(1.99).length, moved(2).length, moved(9, trim).length, moved(9, stop).length]).toEqual([0, 1, 0, 1]);
    expect(moved(9)[0]).toMatchObject({ pieces: ['p1'], at: { x: 10, y: 0 }, measured: 9, limit: 2, unit: 'mm' });
  });

  it('in several steps are one, and the first one is none', () => {
    const steps = of(jumpUntrimmed, [[0, 0, cover], [1, 0, cover], [3, 0, cover, jump], [9, 0, cover, jump], [9, 1, cover]]); // prettier-ignore
    expect(steps.map((f) => f.measured)).toEqual([2, 8]);
    expect(of(jumpUntrimmed, [[0, 0, cover, jump], [9, 0, cover, jump], [9, 1, cover]])).toEqual([]); // prettier-ignore
  });

  it('travel that nothing covers is seen from three millimetres on', () => {
    const bare = (mm: number, over: MadePiece = {}) => of(travelVisible, [[0, 0, cover], [0, 1, travel], [mm, 1, travel]], [over]); // prettier-ignore
    const [seen, unseen] = [bare(3.3), bare(1.8)];
    expect([seen.length, unseen.length]).toEqual([1, 0]);
    expect(bare(9)[0]).toMatchObject({ pieces: ['p0'], limit: 3, unit: 'mm' });
    expect(bare(9)[0]).not.toHaveProperty('fix');
    expect(bare(9)[0]!.measured).toBeGreaterThan(8.5);
    const asked = bare(9, { approach: { how: 'travel' } });
    expect(asked[0]).toMatchObject({ severity: 'note', fix: { pieces: [{ id: 'p0', without: ['approach'] }] } });
  });

  it('thread taken up again and again', () => {
    const changes = (colourChanges: number, threads: number) => found(stopsExceedColours, [{}], { figures: { colourChanges, threads } });
    expect([changes(6, 4).length, changes(7, 4).length]).toEqual([0, 1]);
    expect(changes(9, 4)[0]).toMatchObject({ pieces: [], measured: 9, limit: 6 });
  });
});

describe('ties', () => {
  const made = [{}, {}];
  const run = (n: number, role: number, from: number, piece = 0): MadeEvent[] =>
    Array.from({ length: n }, (_, k) => [from + k, 0, role, 0, piece] as const);

  it('a sixth tie stitch in a row is a second tie', () => {
    const row = (n: number) => of(tieDoubled, [...run(4, cover, 0), ...run(n, tie, 10), ...run(4, cover, 30, 1)], made);
    expect([row(5).length, row(6).length]).toEqual([0, 1]);
    expect(row(7)[0]).toMatchObject({
      pieces: ['p1'],
      at: { x: 10, y: 0 },
      measured: 7,
      limit: 5,
      fix: { pieces: [{ id: 'p1', settings: { tieIn: false } }] },
    });
  });

  it('one penetration between two ties does not part them, two do, and so does a cut', () => {
    const parted = (between: readonly MadeEvent[], x = 4) => of(tieDoubled, [...run(3, tie, 0), ...between, ...run(3, tie, x, 1), ...run(4, cover, 30, 1)], made); // prettier-ignore
    expect(parted(run(1, cover, 3, 1))).toHaveLength(1);
    expect(parted(run(2, cover, 3, 1), 5)).toEqual([]);
    // What lies on both sides of a way is not on one spot.
    expect([parted(run(1, cover, 3.4, 1), 4.8).length, parted(run(1, cover, 3.6, 1), 4.8).length]).toEqual([1, 0]);
    expect(parted([[9, 0, tie, trim, 0]])).toEqual([]);
    expect(
      of(
        tieDoubled,
        [...run(2, cover, 0), ...run(6, tie, 10)].map((e) => [e[0], e[1], e[2], 0, 0] as const),
        made,
      ),
    ).toHaveLength(1);
  });

  it('the worst place and every owner are named', () => {
    const [one] = of(tieDoubled, [...run(6, tie, 0), ...run(4, cover, 10, 1), ...run(8, tie, 20, 1), ...run(4, cover, 40, 0)], made);
    expect(one).toMatchObject({ measured: 8, at: { x: 20 } });
    expect([...one!.pieces].sort()).toEqual(['p0', 'p1']);
    expect(one!.message).toContain('2 places');
  });

  it('a cut is locked by a tie among the six stitches before it, or by small stitches', () => {
    const cut = (before: readonly MadeEvent[], more: MadeContext = {}) => of(tieMissing, [...before, [99, 0, cover, trim, 1]], [{}, {}], more); // prettier-ignore
    expect(cut(run(9, cover, 0))).toMatchObject([
      { pieces: ['p1'], at: { x: 99, y: 0 }, limit: 3, fix: { pieces: [{ id: 'p1', settings: { tieOff: true } }] } },
    ]);
    expect(cut([...run(3, cover, 0), ...run(1, tie, 5), ...run(5, cover, 10)])).toEqual([]);
    expect(cut([...run(3, cover, 0), ...run(1, tie, 5), ...run(6, cover, 10)])).toHaveLength(1);
    expect(cut([...run(3, tie, 0), [5, 0, cover, jump, 1], ...run(3, cover, 10, 1)])).toHaveLength(1);
    const small = [[0, 0, cover], [3, 0, cover], [6, 0, cover], [6.5, 0, cover], [7, 0, cover], [6.5, 0, cover], [7, 0, cover], [6.5, 0, cover]] as const; // prettier-ignore
    expect(cut(small)).toEqual([]);
  });

  it('a piece is told once, and none where the cloth wants no ties', () => {
    const twice: MadeEvent[] = [...run(9, cover, 0), [20, 0, cover, trim], ...run(9, cover, 30), [60, 0, cover, trim]];
    expect(of(tieMissing, twice)).toHaveLength(1);
    expect(of(tieMissing, twice, [{}], { brief: { cloth: 'vinyl' as never } }).length).toBeLessThanOrEqual(1);
  });

  it('three on one spot are borne, a fourth is not', () => {
    const heap = (n: number, apart = 0.2): MadeEvent[] => Array.from({ length: n }, (_, k): MadeEvent[] => [[50, 50, cover, 0, k], [k * apart, 0, tie, 0, k], [k * apart, 0.1, tie, 0, k]]).flat(); // prettier-ignore
    const pieces = [{}, {}, {}, {}, {}];
    expect([of(tiesPiled, heap(3), pieces).length, of(tiesPiled, heap(4), pieces).length]).toEqual([0, 1]);
    expect(of(tiesPiled, heap(5), pieces)[0]).toMatchObject({
      pieces: ['p0', 'p1', 'p2', 'p3', 'p4'],
      at: { x: 0, y: 0 },
      measured: 5,
      limit: 3,
    });
    // Within a millimetre of one of them: the middle one of three sees both.
    expect(of(tiesPiled, heap(5, 0.6), pieces)).toEqual([]);
    expect(of(tiesPiled, heap(5, 0.5), pieces)).toMatchObject([{ measured: 5 }]);
  });
});

describe('caps', () => {
  const cap = { cloth: 'cap', place: 'cap-front' } as const;
  const tower = (...ys: number[]): MadePiece[] => ys.map((y) => ({ area: box(-2, y - 2, 4, 4) }));
  const down = (...ys: number[]) => found(capOrder, tower(...ys), { brief: cap });

  it('go up: more than a quarter of the steps down is too much', () => {
    expect(down(40, 30, 20, 10)).toEqual([]);
    expect(down(0, 20)).toMatchObject([{ pieces: ['p1'], at: { x: 0, y: 20 }, measured: 1, limit: 0 }]);
    expect([down(0, 12).length, down(0, 12.1).length]).toEqual([0, 1]);
    // One of four steps is let pass, two are not.
    expect(down(60, 80, 50, 30, 10)).toEqual([]);
    expect(down(60, 80, 50, 70, 10)).toMatchObject([{ pieces: ['p1', 'p3'], measured: 2, limit: 1 }]);
    expect(down(10)).toEqual([]);
    expect(found(capOrder, tower(0, 20))).toEqual([]);
    expect(
      found(capOrder, [{ area: box(0, 40, 4, 4) }, { area: box(0, 0, 4, 4), unsewn: true }, { area: box(0, 40, 4, 4) }], { brief: cap }),
    ).toEqual([]);
  });

  it('are no higher than their frames', () => {
    const tall = (heightMm: number, brief: MadeContext['brief'] = cap) => found(capTooTall, [{}], { brief, figures: { heightMm } });
    expect([tall(57).length, tall(57.1).length, tall(99, {}).length]).toEqual([0, 1, 0]);
    expect(tall(70)[0]).toMatchObject({ pieces: [], at: { x: 0, y: -35 }, measured: 70, limit: 57, unit: 'mm' });
  });
});

describe('weight', () => {
  /** Cells all alike: `layers` layers and `holes` holes a square millimetre on a square of `sideMm`. */
  const even = (layers: number, holes: number, sideMm: number): Weight => {
    const n = sideMm * 4;
    return {
      left: 0,
      top: 0,
      columns: n,
      rows: n,
      thread: new Float32Array(n * n).fill((layers * 0.0625) / 0.4),
      holes: new Uint16Array(n * n).fill(holes / 16),
    };
  };

  it('four covers on one another are too much, and eight layers of whatever, on four square millimetres', () => {
    // Pieces that each lay a row after row on the heaviest square; what lies there is told by the weight.
    const rows = (n: number, role: number = cover) => Array.from({ length: n }, (_, p) => p).flatMap((p) => [0.2, 0.6, 1, 1.4, 1.8].flatMap((y): MadeEvent[] => [[0, y, role, 0, p], [2, y, role, 0, p]])); // prettier-ignore
    const thick = (layers: number, n: number, side = 9, role: number = cover) => found(layersStacked, Array.from({ length: n }, () => ({})), { weight: even(layers, 0, side), events: rows(n, role) }); // prettier-ignore
    expect([thick(5.45, 4).length, thick(5.55, 4).length]).toEqual([0, 1]);
    expect(thick(6, 4)[0]).toMatchObject({ pieces: ['p0', 'p1', 'p2', 'p3'], limit: 5.5, unit: 'layers', at: { x: 1, y: 1 } });
    expect(thick(6, 4)[0]!.measured).toBeCloseTo(6, 3);
    expect([thick(6, 4, 2).length, thick(6, 4, 4).length]).toEqual([0, 1]);
    // An area, its border and a line over it weigh six with their foundations: that is borne.
    expect([thick(7.95, 3).length, thick(8.05, 3).length, thick(8.05, 2).length]).toEqual([0, 1, 1]);
    expect(thick(9, 3)[0]).toMatchObject({ pieces: ['p0', 'p1', 'p2'], limit: 8 });
    expect(thick(9, 5)).toHaveLength(1);
    // Foundation is no cover.
    expect(thick(6, 4, 9, underlay)).toEqual([]);
    // One piece by itself, over foam say, is as thick as it was meant.
    expect(thick(9, 1)).toEqual([]);
  });

  it('over sixteen holes on a square millimetre cut cloth; leather bears half', () => {
    const holed = (holes: number, cloth?: string) =>
      found(holesCrowded, [{}], { weight: even(0, holes, 5), ...(cloth ? { brief: { cloth: cloth as never } } : {}) });
    expect([holed(16).length, holed(32).length]).toEqual([0, 1]);
    expect(holed(32)[0]).toMatchObject({ pieces: [], measured: 32, limit: 16, unit: 'per mm²', at: { x: 0.5, y: 0.5 } });
    expect(holed(16, 'leather')).toMatchObject([{ measured: 16, limit: 8 }]);
  });

  it('of a foundation by hand is little', () => {
    const laid = (rows: number, from: 'settings' | 'byHand' = 'byHand', areaMm2 = 100, role: number = underlay) => {
      const events = Array.from({ length: rows }, (_, k): MadeEvent[] => [[0, k, role], [10, k, role]]).flat(); // prettier-ignore
      // Each row is 10 mm, each step between rows 1 mm or the way back.
      return of(underlayTooHeavy, events, [{ areaMm2, [from]: { underlay: [] } }]);
    };
    expect(laid(4)).toEqual([]);
    expect(laid(30)).toHaveLength(1);
    expect(laid(30)[0]).toMatchObject({ pieces: ['p0'], limit: 0.9, unit: 'layers', fix: { pieces: [{ id: 'p0', settings: {} }] } });
    const length = 30 * 10 + 29 * Math.hypot(10, 1);
    expect(laid(30)[0]!.measured).toBeCloseTo((length * 0.4) / 100, 1);
    expect([
      laid(30, 'settings').length,
      laid(30, 'byHand', 19.9).length,
      laid(30, 'byHand', 20).length,
      laid(30, 'byHand', 100, cover).length,
    ]).toEqual([0, 0, 1, 0]);
  });
});

describe('thread that lies bare between two pieces', () => {
  const way = (bareMm: number, more: object = {}) =>
    ({ from: 0, how: 'travel', leaves: { x: 10, y: 4 }, arrives: { x: 14, y: 6 }, shownMm: 9, bareMm, ...more }) as const;
  /** So many ties at the end of the first piece, sewn in it or after it, and at the start of the second. */
  const told = (
    bareMm: number,
    own: number,
    after: number,
    start: number,
    brief: MadeContext['brief'] = {},
    job: MadeContext['job'] = {},
  ) => {
    const ties = (n: number, x: number, p: number): MadeEvent[] => Array.from({ length: n }, (_, k) => [x + (k % 2), 0, tie, 0, p]);
    const events: MadeEvent[] = [
      ...Array.from({ length: 12 }, (_, k): MadeEvent => [k, k, cover, 0, 0]),
      ...ties(own, 11, 0),
      ...ties(after, 11, 2),
      [12, 5, travel, 0, 2],
      [14, 6, cover, 0, 1],
      ...ties(start, 14, 1),
      ...Array.from({ length: 12 }, (_, k): MadeEvent => [14 + k, 6 + k, cover, 0, 1]),
    ];
    const links = [null, way(bareMm), null];
    return found(threadUnheld, [{}, {}, { unsewn: true }], { events, links, brief, job });
  };

  it('is told from 2 mm on, with its length, half way along', () => {
    expect(told(1.99, 0, 0, 0)).toEqual([]);
    expect(told(2, 0, 0, 0)).toMatchObject([{ pieces: ['p0', 'p1'], measured: 2, limit: 2, unit: 'mm', at: { x: 12, y: 5 } }]);
    expect(told(3.46, 0, 0, 0)[0]!.message).toContain('3.5 mm');
    expect(told(3.46, 0, 0, 0)[0]!.message).toContain('no tie at ‘Piece 0’ and ‘Piece 1’');
  });

  it('unless it is tied on both sides, in the pieces or between them', () => {
    expect(told(3, 3, 0, 3)).toEqual([]);
    expect(told(3, 0, 3, 3)).toEqual([]);
    expect(told(3, 3, 0, 0)[0]!.fix!.pieces).toStrictEqual([{ id: 'p1', settings: { tieIn: undefined } }]);
    expect(told(3, 0, 0, 2)[0]!.fix!.pieces).toStrictEqual([{ id: 'p0', settings: { tieOff: undefined } }]);
    expect(told(3, 0, 0, 0)[0]!.fix!.pieces).toHaveLength(2);
  });

  it('or cut by the machine, which is its other way out', () => {
    expect(told(3, 0, 0, 0)[0]!.others).toMatchObject([{ pieces: [{ id: 'p1', patch: { approach: { how: 'trim' } } }] }]);
  });

  it('a job without ties has none to give back', () => {
    expect(told(3, 0, 0, 0, {}, { settings: { tieWhen: 'never' } })[0]).not.toHaveProperty('fix');
  });

  it('but not in lace, where no thread is tied', () => {
    expect(told(3, 0, 0, 0, { cloth: 'soluble-film' })).toEqual([]);
  });
});
