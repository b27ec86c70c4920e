import type { Area } from '../geometry/point';
import { dataToRings } from '../geometry/path';
import type { RouteItem } from './item';
import { at, box, item } from './itemFixtures';
import { objectiveOf, outlinesOf, sectionHops } from './objectives';

const field = (area: Area, over: Partial<RouteItem> = {}): RouteItem => item(area, { rim: area, ...over });
/** The ring between two boxes. */
const frame = (x: number, y: number, side: number, width: number): Area => [
  ...box(x - width / 2, y - width / 2, side + width),
  ...box(x + width / 2, y + width / 2, side - width),
];
const line = (area: Area, over: Partial<RouteItem> = {}): RouteItem => item(area, { widthMm: 2, ...over });

describe('outlines of a field', () => {
  const square = field(box(0, 0, 20));

  it('are the later, narrow ones along its edge', () => {
    expect(outlinesOf([square, line(frame(0, 0, 20, 2))])).toEqual([[1], []]);
    expect(outlinesOf([line(frame(0, 0, 20, 2)), square])).toEqual([[], []]);
    expect(outlinesOf([square, line(frame(0, 0, 20, 2)), line(frame(0, 0, 20, 1))])).toEqual([[1, 2], [], []]);
  });

  it('are not what lies elsewhere, crosses it, is an area itself, or is too wide', () => {
    expect(outlinesOf([square, line(frame(40, 0, 20, 2))])[0]).toEqual([]);
    expect(outlinesOf([square, line(box(-20, 9, 60, 2))])[0]).toEqual([]);
    expect(outlinesOf([square, field(frame(0, 0, 20, 2), { widthMm: 2 })])[0]).toEqual([]);
    expect(outlinesOf([square, line(frame(0, 0, 20, 2), { widthMm: 6 })])[0]).toEqual([1]);
    expect(outlinesOf([square, line(frame(0, 0, 20, 2), { widthMm: 6.1 })])[0]).toEqual([]);
  });

  it('follow a third of its edge at least', () => {
    const half: Area = box(-1, -1, 22, 2);
    expect(outlinesOf([square, line(half)])[0]).toEqual([]);
    expect(outlinesOf([square, line([...half, ...box(-1, 1, 2, 20)])])[0]).toEqual([1]);
  });

  it('run along it for half of their own length at least', () => {
    const edge = frame(0, 0, 20, 2);
    expect(outlinesOf([square, line([...edge, ...box(30, 0, 10, 10)])])[0]).toEqual([1]);
    expect(outlinesOf([square, line([...edge, ...box(30, 0, 20, 20)])])[0]).toEqual([]);
  });

  it('a field too small to mind has none, nor what has no rim', () => {
    const ring = line(frame(0, 0, 20, 2));
    expect(outlinesOf([field(box(0, 0, 20), { areaMm2: 25 }), ring])[0]).toEqual([1]);
    expect(outlinesOf([field(box(0, 0, 20), { areaMm2: 24.9 }), ring])[0]).toEqual([]);
    expect(outlinesOf([item(box(0, 0, 20)), ring])[0]).toEqual([]);
  });

  it('may stand a little off the edge', () => {
    const beside = (off: number): number[] => outlinesOf([square, line(frame(-off, -off, 20 + 2 * off, 0.5))])[0]!;
    expect(beside(1)).toEqual([1]);
    expect(beside(4)).toEqual([]);
  });

  it('a round field is outlined by the ring about it', () => {
    const disc = (r: number): Area => dataToRings(`M${-r},0 a${r},${r} 0 1,0 ${2 * r},0 a${r},${r} 0 1,0 ${-2 * r},0 Z`);
    expect(outlinesOf([field(disc(12)), line([...disc(12.7), ...disc(11.3)])])[0]).toEqual([1]);
    expect(outlinesOf([field(disc(12)), line([...disc(7), ...disc(5.6)])])[0]).toEqual([]);
  });
});

describe('registration', () => {
  const items = [
    field(box(0, 0, 20)),
    line(frame(0, 0, 20, 2)),
    ...[1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12].map((k) => item(box(100 * k, 0, 4))),
  ];
  const { penalty, followers, key } = objectiveOf('registration', items);
  const others = (n: number): number[] => Array.from({ length: n }, (_, k) => 2 + k);

  it('minds how many pieces come between a field and its outline, up to ten', () => {
    expect(penalty([0, 1, ...others(12)])).toBe(0);
    expect(penalty([0, 2, 1])).toBe(44);
    expect(penalty([0, 2, 3, 1])).toBe(48);
    expect(penalty([0, ...others(10), 1])).toBe(80);
    expect(penalty([0, ...others(12), 1])).toBe(80);
  });

  it('outlines of one field do not stand in each other’s way', () => {
    const double = objectiveOf('registration', [items[0]!, items[1]!, line(frame(0, 0, 20, 1)), items[2]!]);
    expect(double.penalty([0, 1, 2, 3])).toBe(0);
    expect(double.penalty([0, 1, 3, 2])).toBe(44);
  });

  it('an outline follows its field', () => {
    expect(followers(0)).toEqual([1]);
    expect(followers(5)).toEqual([]);
    expect(key(3)).toBe(0);
  });
});

describe('caps', () => {
  // Middles at these places; the lowest row is at y = 30.
  const items = [at(0, 30), at(8, 30), at(20, 30), at(-8, 30), at(-20, 30), at(0, 10)].map((p) => item(box(p.x - 2, p.y - 2, 4)));
  const cap = objectiveOf('cap', items);

  it('go from the lowest row up, from the middle to one side and then to the other', () => {
    expect(cap.penalty([0, 1, 2, 3, 4, 5])).toBe(0);
    expect([...items.keys()].sort((a, b) => cap.key(a) - cap.key(b))).toEqual([0, 1, 2, 3, 4, 5]);
  });

  it('mind every step down, inward or across', () => {
    const down = cap.penalty([5, 0, 1, 2, 3, 4]);
    const inward = cap.penalty([0, 2, 1, 3, 4, 5]);
    expect(inward).toBeGreaterThan(0);
    expect(down).toBeGreaterThan(inward);
    expect(cap.penalty([3, 4, 0, 1, 2, 5])).toBe(inward);
    expect(cap.penalty([5, 4, 3, 2, 1, 0])).toBe(down + 4 * inward);
  });

  it('begin low again with another thread', () => {
    const other = [...items.slice(0, 5), item(box(-2, 8, 4), { thread: 'other' })];
    expect(objectiveOf('cap', other).penalty([5, 0, 1, 2, 3, 4])).toBe(0);
  });

  it('sew what lies inside a border before it, and outlines right after what they outline', () => {
    const border = line(frame(-40, -10, 80, 4), { thread: 'b', widthMm: 4 });
    const crest = [border, ...items.map((i) => ({ ...i, thread: 'a' }))];
    const aim = objectiveOf('cap', crest);
    expect(aim.penalty([0, 1, 2, 3, 4, 5, 6])).toBeGreaterThan(aim.penalty([1, 2, 3, 4, 5, 6, 0]));
  });

  it('mind what lies inside a border only where it lies wholly inside', () => {
    const border = line(frame(0, 0, 40, 2), { thread: 'b' });
    const late = (x: number, y: number, w = 4, h = 4): number => {
      const aim = objectiveOf('cap', [border, item(box(x, y, w, h), { thread: 'a' })]);
      return aim.penalty([0, 1]) - aim.penalty([1, 0]);
    };
    expect(late(18, 13)).toBeGreaterThan(0);
    // Beyond each side, and beyond two of them.
    for (const [x, y, w, h] of [
      [-10, 13, 14, 4],
      [36, 13, 14, 4],
      [18, -10, 4, 14],
      [18, 36, 4, 14],
      [-10, 13, 60, 4],
      [18, -10, 4, 60],
      [60, 13, 4, 4],
      [18, 60, 4, 4],
    ] as const)
      // prettier-ignore
      expect([x, y, late(x, y, w, h)]).toEqual([x, y, 0]);
    // Nothing lies inside a field.
    const field = objectiveOf('cap', [
      item(box(0, 0, 40, 30), { thread: 'b', rim: box(0, 0, 40, 30) }),
      item(box(18, 13, 4), { thread: 'a' }),
    ]);
    expect(field.penalty([0, 1])).toBe(field.penalty([1, 0]));
  });

  it('a millimetre is no step', () => {
    const pair = [at(3, 30), at(2.2, 30)].map((p) => item(box(p.x - 2, p.y - 2, 4)));
    expect(objectiveOf('cap', pair).penalty([0, 1])).toBe(0);
    const wider = [at(3, 30), at(1.8, 30)].map((p) => item(box(p.x - 2, p.y - 2, 4)));
    expect(objectiveOf('cap', wider).penalty([0, 1])).toBeGreaterThan(0);
  });

  it('rows are twelve millimetres high', () => {
    const rowOf = (y: number): number =>
      Math.floor(
        objectiveOf(
          'cap',
          [at(0, 30), at(0, y)].map((p) => item(box(-2, p.y - 2, 4))),
        ).key(1) / 10_000,
      );
    expect([rowOf(30), rowOf(24.1), rowOf(23.9), rowOf(12.1), rowOf(11.9)]).toEqual([0, 0, 1, 1, 2]);
  });
});

describe('sections of large work', () => {
  const grid = (step: number): RouteItem[] => [0, 1, 2, 3].map((k) => item(box((k % 2) * step, Math.floor(k / 2) * step, 4)));

  it('are each finished before the next', () => {
    const items = [...grid(100), ...grid(100)];
    const { penalty, key, followers } = objectiveOf('sections', items);
    expect(penalty([0, 4, 1, 5, 3, 7, 2, 6])).toBe(0);
    expect(penalty([0, 1, 2, 3, 4, 5, 6, 7])).toBe(160);
    expect(sectionHops(items, [0, 1, 4, 5, 3, 7, 2, 6])).toEqual([2, 3]);
    expect(followers(0)).toEqual([]);
    expect([key(0), key(4)]).toEqual([key(4), key(0)]);
  });

  it('go to and fro, so that the next one is a neighbour', () => {
    const nine = Array.from({ length: 9 }, (_, k) => item(box((k % 3) * 50, Math.floor(k / 3) * 50, 4)));
    const { key } = objectiveOf('sections', nine);
    expect([...nine.keys()].sort((i, j) => key(i) - key(j))).toEqual([0, 1, 2, 5, 4, 3, 6, 7, 8]);
  });

  it('are half of the work wide, never under 40 mm or over 150', () => {
    const parted = (mm: number, apart: number): boolean => {
      const items = [item(box(0, 0, 4)), item(box(apart, 0, 4)), item(box(mm, 0, 4))];
      const { key } = objectiveOf('sections', items);
      return key(0) !== key(1);
    };
    expect([parted(60, 39), parted(60, 41)]).toEqual([false, true]);
    expect([parted(200, 99), parted(200, 101)]).toEqual([false, true]);
    expect([parted(800, 149), parted(800, 151)]).toEqual([false, true]);
    const upright = [item(box(0, 0, 4)), item(box(0, 99, 4)), item(box(0, 101, 4)), item(box(0, 200, 4))];
    const { key } = objectiveOf('sections', upright);
    expect([key(0) === key(1), key(0) === key(2)]).toEqual([true, false]);
  });
});

test('where only stops count, nothing else is minded', () => {
  const { penalty, key, followers } = objectiveOf('stops', [item(box(0, 0, 4)), item(box(9, 0, 4))]);
  expect([penalty([1, 0]), key(1), followers(0)]).toEqual([0, 0, []]);
});
