import fc from 'fast-check';
import { dataToRings, formatPath, parsePath, type Path } from '../geometry/path';
import { nearestOnLine } from '../geometry/line';
import { areaOf } from '../geometry/area';
import { insertNode, moveNode, nodesOf, removeNode, setNodeKind } from './nodes';

const square = parsePath('M0,0 H10 V10 H0 Z');
const circle = parsePath('M10,0 C10,5.52 5.52,10 0,10 C-5.52,10 -10,5.52 -10,0 C-10,-5.52 -5.52,-10 0,-10 C5.52,-10 10,-5.52 10,0 Z');
const wave = parsePath('M0,0 C3,-4 7,-4 10,0 C13,4 17,4 20,0 L30,0');
const places = (path: Path) => nodesOf(path).map((n) => [n.at.x, n.at.y]);
const areaIn = (path: Path) => areaOf(dataToRings(formatPath(path)));
/** The largest distance of places along one path from another. */
const apart = (a: Path, b: Path): number => {
  const lines = dataToRings(formatPath(b));
  const all = dataToRings(formatPath(a)).flat();
  return Math.max(...all.map((p) => Math.min(...lines.map((l) => nearestOnLine([...l, l[0]!], p).distance))));
};

describe('nodes of a path', () => {
  it('stand at its corners and joints, once each, also where a ring closes', () => {
    expect(places(square)).toEqual([
      [0, 0],
      [10, 0],
      [10, 10],
      [0, 10],
    ]);
    expect(nodesOf(circle)).toHaveLength(4);
    expect(nodesOf(wave)).toHaveLength(4);
  });

  it('are curves where the line goes smoothly through them', () => {
    expect(nodesOf(square).map((n) => n.kind)).toEqual(['corner', 'corner', 'corner', 'corner']);
    expect(nodesOf(circle).map((n) => n.kind)).toEqual(['curve', 'curve', 'curve', 'curve']);
    expect(nodesOf(wave).map((n) => n.kind)).toEqual(['corner', 'curve', 'corner', 'corner']);
  });
});

describe('moving a node', () => {
  it('takes its neighbours no whit along', () => {
    const moved = moveNode(square, 0, 1, { x: 14, y: -2 });
    expect(places(moved)).toEqual([
      [0, 0],
      [14, -2],
      [10, 10],
      [0, 10],
    ]);
    expect(places(square)[1]).toEqual([10, 0]);
  });

  it('moves the start of a closed ring as one node', () => {
    const moved = moveNode(circle, 0, 0, { x: 13, y: 1 });
    expect(nodesOf(moved)).toHaveLength(4);
    expect(nodesOf(moved)[0]!.kind).toBe('curve');
    expect(places(moved)[0]).toEqual([13, 1]);
  });

  it('there and back leaves everything as it was', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 3 }), fc.integer({ min: -9, max: 9 }), fc.integer({ min: -9, max: 9 }), (index, dx, dy) => {
        const at = nodesOf(circle)[index]!.at;
        const back = moveNode(moveNode(circle, 0, index, { x: at.x + dx, y: at.y + dy }), 0, index, at);
        expect(apart(back, circle)).toBeLessThan(1e-3);
      }),
      { seed: 2, numRuns: 40 },
    );
  });
});

describe('taking a node out', () => {
  it('joins its neighbours', () => {
    expect(places(removeNode(square, 0, 2))).toEqual([
      [0, 0],
      [10, 0],
      [0, 10],
    ]);
    expect(nodesOf(removeNode(circle, 0, 0))).toHaveLength(3);
    expect(nodesOf(removeNode(circle, 0, 2))).toHaveLength(3);
  });

  it('at an end shortens an open line', () => {
    expect(places(removeNode(wave, 0, 3))).toEqual([
      [0, 0],
      [10, 0],
      [20, 0],
    ]);
    expect(places(removeNode(wave, 0, 0))[0]).toEqual([10, 0]);
  });

  it('removes what has too few left', () => {
    expect(removeNode(parsePath('M0,0 L5,5'), 0, 0)).toEqual([]);
    expect(removeNode(parsePath('M0,0 L5,0 L5,5 Z'), 0, 1)).toEqual([]);
  });
});

describe('kinds of nodes', () => {
  it('a corner made a curve is one, and back', () => {
    const round = setNodeKind(square, 0, 2, 'curve');
    expect(nodesOf(round).map((n) => n.kind)).toEqual(['corner', 'corner', 'curve', 'corner']);
    expect(areaIn(round)).toBeGreaterThan(100);
    const again = setNodeKind(round, 0, 2, 'corner');
    expect(nodesOf(again).map((n) => n.kind)).toEqual(['corner', 'corner', 'corner', 'corner']);
    expect(apart(again, square)).toBeLessThan(1e-6);
  });

  it('nodes stay where they are', () => {
    for (let index = 0; index < 4; index++) {
      for (const kind of ['corner', 'curve'] as const) {
        places(setNodeKind(circle, 0, index, kind)).forEach(([x, y], i) => {
          expect(x).toBeCloseTo(places(circle)[i]![0]!, 6);
          expect(y).toBeCloseTo(places(circle)[i]![1]!, 6);
        });
      }
    }
  });
});

describe('a node put on the line', () => {
  it('changes nothing of its course', () => {
    fc.assert(
      fc.property(fc.double({ min: -12, max: 12, noNaN: true }), fc.double({ min: -12, max: 12, noNaN: true }), (x, y) => {
        const more = insertNode(circle, { x, y });
        expect(nodesOf(more)).toHaveLength(5);
        expect(apart(more, circle)).toBeLessThan(0.02);
        expect(apart(circle, more)).toBeLessThan(0.02);
      }),
      { seed: 4, numRuns: 40 },
    );
  });

  it('lies near the place pointed at', () => {
    const more = insertNode(square, { x: 5, y: -0.4 });
    expect(places(more)).toContainEqual([5, 0]);
  });

  it('nothing comes of it where there is no line', () => {
    expect(insertNode([], { x: 0, y: 0 })).toEqual([]);
  });
});
