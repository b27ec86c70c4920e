import fc from 'fast-check';
import { apply, flatten, formatPath, multiply, parsePath } from '../geometry/path';
import { nearestOnLine } from '../geometry/line';
import { layOut } from '../lettering/layout';
import { piece } from '../pieces/fixtures';
import { constrained, drawnPath } from './drawn';
import { insertNode, moveNode, nodesOf, removeNode, setNodeKind } from './nodes';
import { mirroredAbout, movedBy, transformedPiece, turnedAbout } from './transform';

const SQUARE = parsePath('M0,0 H10 V10 H0 Z');
const CIRCLE = parsePath('M10,0 C10,5.5 5.5,10 0,10 C-5.5,10 -10,5.5 -10,0 C-10,-5.5 -5.5,-10 0,-10 C5.5,-10 10,-5.5 10,0 Z');

test('nodes of a square are corners, of a circle curves, the closing one counted once', () => {
  expect(nodesOf(SQUARE).map((n) => n.kind)).toEqual(['corner', 'corner', 'corner', 'corner']);
  expect(nodesOf(CIRCLE).map((n) => n.kind)).toEqual(['curve', 'curve', 'curve', 'curve']);
});

test('a moved node takes its handles along; the rest stays', () => {
  const moved = moveNode(CIRCLE, 0, 0, { x: 14, y: 1 });
  expect(moved[0]!.start).toEqual({ x: 14, y: 1 });
  expect(moved[0]!.segments[0]!.c1).toEqual({ x: 14, y: 6.5 });
  expect(moved[0]!.segments[3]!.c2).toEqual({ x: 14, y: -4.5 });
  expect(moved[0]!.segments[3]!.to).toEqual({ x: 14, y: 1 });
  expect(
    nodesOf(moved)
      .slice(1)
      .map((n) => n.at),
  ).toEqual(
    nodesOf(CIRCLE)
      .slice(1)
      .map((n) => n.at),
  );
});

test('a node put in changes nothing of the course, and taken out again leaves as many as before', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 359 }), (degrees) => {
      const near = { x: 10 * Math.cos((degrees * Math.PI) / 180), y: 10 * Math.sin((degrees * Math.PI) / 180) };
      const more = insertNode(CIRCLE, near);
      expect(nodesOf(more)).toHaveLength(5);
      const before = flatten(CIRCLE)[0]!;
      for (const p of flatten(more)[0]!) expect(nearestOnLine([...before, before[0]!], p).distance).toBeLessThan(0.05);
    }),
    { seed: 2, numRuns: 30 },
  );
  expect(nodesOf(removeNode(insertNode(SQUARE, { x: 5, y: 0 }), 0, 1))).toHaveLength(4);
});

test.each([0, 1, 2, 3])('node %i of a square goes, the other three stay', (index) => {
  const gone = nodesOf(SQUARE)[index]!.at;
  const left = nodesOf(removeNode(SQUARE, 0, index)).map((n) => n.at);
  expect(left).toHaveLength(3);
  expect(left).not.toContainEqual(gone);
});

test('the last nodes of an outline take it with them', () => {
  expect(removeNode(parsePath('M0,0 L5,0 L5,5 Z'), 0, 1)).toEqual([]);
  expect(removeNode(parsePath('M0,0 L5,0'), 0, 0)).toEqual([]);
});

test('corner to curve and back', () => {
  const smooth = setNodeKind(SQUARE, 0, 1, 'curve');
  expect(nodesOf(smooth)[1]!.kind).toBe('curve');
  const sharp = setNodeKind(smooth, 0, 1, 'corner');
  expect(nodesOf(sharp).map((n) => n.kind)).toEqual(['corner', 'corner', 'corner', 'corner']);
  expect(nodesOf(sharp).map((n) => n.at)).toEqual(nodesOf(SQUARE).map((n) => n.at));
});

test('drawing: straight between corners, smooth through curve nodes, through every node', () => {
  const nodes = [
    { at: { x: 0, y: 0 }, curve: false },
    { at: { x: 10, y: -4 }, curve: true },
    { at: { x: 20, y: 0 }, curve: false },
    { at: { x: 30, y: 0 }, curve: false },
  ];
  const path = drawnPath(nodes, false);
  expect(path[0]!.segments[2]!.c1).toBeUndefined();
  expect(nodesOf(path)[1]!.kind).toBe('curve');
  expect(nodesOf(path).map((n) => n.at)).toEqual(nodes.map((n) => n.at));
  expect(drawnPath(nodes.slice(0, 1), false)).toEqual([]);
  expect(nodesOf(drawnPath(nodes, true))).toHaveLength(4);
});

test('a constrained direction is a multiple of 15 degrees at the same distance', () => {
  const p = constrained({ x: 1, y: 1 }, { x: 11, y: 2.2 });
  expect(p.y).toBeCloseTo(1, 9);
  expect(p.x).toBeCloseTo(1 + Math.hypot(10, 1.2), 9);
});

const FILL = piece('fill', { area: 'M0,0 H10 V4 H0 Z', start: [0, 0], slants: ['M5,0 V4'] }, { angle: 30 });

test('moving, mirroring and turning take shape, ends and direction along', () => {
  expect(transformedPiece(FILL, movedBy(5, -1)).start).toEqual([5, -1]);
  const mirrored = transformedPiece(FILL, mirroredAbout('vertical', 0));
  expect(mirrored.area).toBe(formatPath(parsePath('M0,0 H-10 V4 H0 Z')));
  expect(mirrored.settings.angle).toBeCloseTo(150, 6);
  const turned = transformedPiece(FILL, turnedAbout({ x: 0, y: 0 }, 90));
  expect(turned.settings.angle).toBeCloseTo(120, 6);
  expect(nodesOf(parsePath(turned.area!))[1]!.at.y).toBeCloseTo(-10, 6);
  expect(transformedPiece(mirrored, mirroredAbout('vertical', 0)).area).toBe(transformedPiece(FILL, movedBy(0, 0)).area);
});

test('a text is moved, turned and scaled as what it paints is; mirrored it only changes its place', () => {
  const text = piece('lettering', {
    lettering: { text: 'Quay', face: 'gable', height: 9, at: [4, -2], line: 'arc-up', radius: 30, pairs: { 1: 4 } },
  });
  const feet = (p: typeof text) => layOut(p.lettering!).letters.map((l) => l.place({ x: 0, y: 0.3 }));
  fc.assert(
    fc.property(
      fc.integer({ min: -180, max: 180 }),
      fc.integer({ min: -20, max: 20 }),
      fc.double({ min: 0.5, max: 2, noNaN: true }),
      (deg, dx, k) => {
        const map = multiply(multiply(turnedAbout({ x: 0, y: 0 }, deg), [k, 0, 0, k, 0, 0]), movedBy(dx, -dx));
        const [before, after] = [feet(text), feet(transformedPiece(text, map))];
        before.forEach((p, i) => {
          const q = apply(map, p);
          // Strokes and gaps have a width of their own in small letters, overshoot one in all.
          expect(Math.hypot(q.x - after[i]!.x, q.y - after[i]!.y)).toBeLessThan(0.03 * 40 * k);
        });
      },
    ),
  );
  const mirrored = transformedPiece(text, mirroredAbout('vertical', 0)).lettering!;
  expect(mirrored).toMatchObject({ at: [-4, -2], height: 9 });
  expect(mirrored.turn).toBeUndefined();
});
