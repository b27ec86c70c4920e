import { Command, Role } from '../stitches/roles';
import type { Check } from './check';
import { threadCrossesCloth } from './checks/threadCrossesCloth';
import { tieShown } from './checks/tieShown';
import { travelVisible } from './checks/travelVisible';
import { trimAvoidable } from './checks/trimAvoidable';
import { contextOf, coverRows, type MadeContext, type MadeEvent, type MadePiece } from './contextFixtures';

/* Each check on its limit and a hair beyond, on made-up pieces and needle events. */

const found = (check: Check, made: readonly MadePiece[], of: MadeContext = {}) => check.find(contextOf(made, of));
const { cover, tie, travel } = Role;
const box = (x: number, y: number, w: number, h = w): string => `M${x},${y} h${w} v${h} h${-w} Z`;

describe('thread over bare cloth', () => {
  const two = (gap: number): MadePiece[] => [{ area: box(-10, 0, 10) }, { area: box(gap, 0, 10) }];
  /** From one block to the next at half their height. */
  const way = (gap: number): MadeEvent[] => [
    ...coverRows(-10, 0, 10, 10, 0.4),
    [0, 5, cover, 0, 0],
    [0.2, 5, travel, 0, 1],
    [gap, 5, travel, 0, 1],
    ...coverRows(gap, 0, 10, 10, 0.4, [Infinity, Infinity], 1),
  ];
  const crosses = (gap: number, more: MadePiece[] = [], of: MadeContext = {}) => found(threadCrossesCloth, [...two(gap), ...more], { events: way(gap), ...of }); // prettier-ignore

  it('is told from 1.5 mm on, with its length and a cut instead', () => {
    expect([crosses(1).length, crosses(2.2).length]).toEqual([0, 1]);
    const [one] = crosses(8);
    expect(one).toMatchObject({
      pieces: ['p1'],
      limit: 1.5,
      unit: 'mm',
      fix: { pieces: [{ id: 'p1', patch: { approach: { how: 'trim' } } }] },
    });
    expect(Math.abs(one!.measured - 8)).toBeLessThan(0.5);
    expect(Math.abs(one!.at.x - 4)).toBeLessThan(1);
  });

  it('not where some piece lies under the whole of it', () => {
    expect(crosses(8, [{ area: box(-1, 2, 10, 6) }])).toEqual([]);
    expect(crosses(8, [{ area: box(-1, 2, 4, 6) }])[0]!.measured).toBeLessThan(5.5);
  });

  it('in any direction, in stitches of any length, without what is jumped', () => {
    const up: MadePiece[] = [{ area: box(0, -10, 10) }, { area: box(3, 9, 10) }, { area: box(90, 90, 5), unsewn: true }];
    const by = (steps: readonly (readonly [number, number, number?])[]): number | undefined =>
      found(threadCrossesCloth, up, {
        events: [...coverRows(0, -10, 10, 10, 0.4), [5, -0.2, cover, 0, 0], ...steps.map(([x, y, c]): MadeEvent => [x, y, travel, c ?? 0, 1]), ...coverRows(3, 9, 10, 10, 0.4, [Infinity, Infinity], 1)],
      })[0]?.measured; // prettier-ignore
    const straight = Math.hypot(9, 3);
    expect(Math.abs(by([[5, 0], [8, 9]])! - straight)).toBeLessThan(0.4); // prettier-ignore
    expect(Math.abs(by([[5, 0], [6, 3], [7, 6], [8, 9]])! - straight)).toBeLessThan(0.4); // prettier-ignore
    expect(Math.abs(by([[5, 0], [15, 4], [8, 9]])! - Math.hypot(10, 4) - Math.hypot(7, 5))).toBeLessThan(0.4); // prettier-ignore
    expect(found(threadCrossesCloth, up, { events: way(8) })[0]!.spoilsMm2).toBeCloseTo(0.4 * found(threadCrossesCloth, up, { events: way(8) })[0]!.measured, 6); // prettier-ignore
  });

  it('a wish to travel is taken back', () => {
    const [one] = found(threadCrossesCloth, [two(8)[0]!, { ...two(8)[1]!, approach: { how: 'travel' } }], { events: way(8) });
    expect(one!.fix!.pieces).toEqual([{ id: 'p1', without: ['approach'] }]);
  });

  it('letters of one row are joined up to the distance at which the shop trims', () => {
    const letters = (gap: number, trimDistance?: number) => {
      const made = [-20 - gap, -10, gap].map((x) => ({ area: box(x, 0, 10, 14) }));
      return found(threadCrossesCloth, made, {
        events: [...coverRows(-10, 0, 10, 10, 0.4, [Infinity, Infinity], 1), [0, 5, travel, 0, 2], [gap, 5, travel, 0, 2], ...coverRows(gap, 0, 10, 10, 0.4, [Infinity, Infinity], 2)],
        job: { settings: trimDistance === undefined ? {} : { trimDistance } },
      }).length; // prettier-ignore
    };
    expect([letters(1.8), letters(2.6), letters(2.6, 5), letters(5.6, 5)]).toEqual([0, 1, 0, 1]);
  });
});

describe('travel along the rows of its own piece', () => {
  const through = (deg: number, over: MadePiece = {}) => {
    const [dx, dy] = [8 * Math.cos((deg * Math.PI) / 180), -8 * Math.sin((deg * Math.PI) / 180)];
    return found(travelVisible, [{ area: box(-20, -20, 40), settings: { spacing: 0.4, angle: 0 }, ...over }], {
      events: [[0, 0, cover], [dx / 2, dy / 2, travel], [dx, dy, travel], [dx, dy + 1, cover]], // prettier-ignore
    });
  };

  it('lies among them up to 15°', () => {
    expect([through(13).length, through(17).length, through(90).length, through(167).length]).toEqual([0, 1, 1, 0]);
    expect(through(90)[0]).toMatchObject({ pieces: ['p0'], limit: 3, unit: 'mm' });
    expect(through(90)[0]!.measured).toBeGreaterThan(6);
  });

  it('light cover over it hides nothing, dense cover does', () => {
    const under = (spacing: number | undefined) => {
      const over: MadePiece = { area: box(-2, -12, 6, 14), settings: spacing === undefined ? {} : { spacing } };
      return found(travelVisible, [{ area: box(-20, -20, 40), settings: { spacing: 0.4, angle: 0 } }, over], {
        events: [[0, 0, cover], [0, -4, travel], [0, -8, travel], [0, -9, cover], ...coverRows(-2, -12, 6, 14, 0.4, [Infinity, Infinity], 1)],
      }).length; // prettier-ignore
    };
    expect([under(0.4), under(0.59), under(0.6), under(undefined)]).toEqual([0, 0, 1, 0]);
  });

  it('over bare cloth it is told by another rule', () => {
    expect(through(90, { area: box(-20, -2, 40, 22) })).toEqual([]);
    expect(through(90, { area: box(-20, -7, 40, 27) })).toHaveLength(1);
    expect(through(90)[0]!.spoilsMm2).toBeCloseTo(0.4 * through(90)[0]!.measured, 6);
  });

  it('rows that turn are asked for at the place itself', () => {
    expect(through(90, { rowAt: () => ({ x: 0, y: 1 }) })).toEqual([]);
    expect(through(13, { rowAt: () => ({ x: 0, y: 1 }) })).toHaveLength(1);
    expect(through(13, { settings: { spacing: 0.4 } })).toHaveLength(1);
  });

  it('is only a note where it was asked for, and then a cut is the way out', () => {
    expect(through(90)[0]).not.toHaveProperty('severity');
    expect(through(90, { approach: { how: 'travel' } })[0]).toMatchObject({
      severity: 'note',
      fix: { pieces: [{ id: 'p0', without: ['approach'] }] },
    });
  });
});

describe('crossed ties', () => {
  const line: MadePiece = { kind: 'run', line: 'M0,0 h20', settings: { tieShape: 'cross' } };
  const events: MadeEvent[] = [[0, 0, cover], [1, 0.4, tie], [1, -0.4, tie], [3, 0, cover]]; // prettier-ignore
  const shown = (one: MadePiece, later: MadePiece[] = []) => found(tieShown, [one, ...later], { events });

  it('show beside a run, and are laid along it instead', () => {
    expect(shown(line)).toMatchObject([
      { pieces: ['p0'], at: { x: 1 }, measured: 2, limit: 0, fix: { pieces: [{ id: 'p0', settings: { tieShape: 'line' } }] } },
    ]);
  });

  it('from outside show beyond any piece that nothing covers, and not within it', () => {
    const square: MadePiece = { area: box(0, 0, 20), settings: { tieShape: 'outside' } };
    const beyond: MadeEvent[] = [[0, 5, cover], [-0.5, 5, tie], [0.5, 5, tie], [3, 5, cover]]; // prettier-ignore
    expect(found(tieShown, [square], { events: beyond })).toMatchObject([{ pieces: ['p0'], at: { x: -0.5 }, measured: 1 }]);
    expect(found(tieShown, [square, { area: box(-4, 0, 8) }], { events: beyond })).toEqual([]);
  });

  it('not under a later piece, not in areas, not when they lie along the line', () => {
    expect(shown(line, [{ area: box(-2, -2, 6) }])).toEqual([]);
    expect(shown(line, [{ area: box(0, 0, 6) }])[0]!.measured).toBe(1);
    expect(shown(line, [{ area: box(-2, -2, 6), unsewn: true }])).toHaveLength(1);
    expect(shown({ ...line, settings: { tieShape: 'line' } })).toEqual([]);
    expect(shown({ area: box(0, 0, 20), settings: { tieShape: 'cross' } })).toEqual([]);
    expect(
      found(tieShown, [line], {
        events: [
          [0, 0, cover],
          [3, 0, cover],
        ],
      }),
    ).toEqual([]);
  });
});

describe('cuts that a wish costs', () => {
  const { trim, jump } = Command;
  const events: MadeEvent[] = [
    [0, 0, cover, 0, 0],
    [5, 0, cover, 0, 0],
    [5, 0, travel, trim, 0],
    [9, 0, travel, jump, 1],
    [9, 0, cover, 0, 1],
    [14, 0, cover, 0, 1],
  ];
  const link = (reason: 'asked' | 'open' | 'thread') => ({ from: 0, how: 'trim', reason, leaves: { x: 5, y: 0 }, arrives: { x: 9, y: 0 }, shownMm: 4, bareMm: 0 }) as const; // prettier-ignore
  const cuts = (reason: 'asked' | 'open' | 'thread', after: number, made: MadePiece[] = [{}, {}]) =>
    found(trimAvoidable, made, { events, links: [null, link(reason)], figures: { trims: 2 }, trimsOf: () => after });

  it('are told when the router needs none without it', () => {
    expect([cuts('asked', 1).length, cuts('asked', 2).length, cuts('asked', 3).length]).toEqual([1, 0, 0]);
    expect(cuts('asked', 1)[0]).toMatchObject({
      pieces: ['p0', 'p1'],
      measured: 1,
      fix: { pieces: [{ id: 'p0', without: ['end'] }, { id: 'p1', without: ['start', 'approach'] }] }, // prettier-ignore
    });
  });

  it('of open ways only where an end is pinned; never of a change of thread', () => {
    expect(cuts('open', 1)).toEqual([]);
    expect(cuts('open', 1, [{ end: [5, 0] }, {}])).toHaveLength(1);
    expect(cuts('open', 1, [{}, { start: [9, 0] }])).toHaveLength(1);
    expect(cuts('thread', 1, [{ end: [5, 0] }, {}])).toEqual([]);
  });
});
