import fc from 'fast-check';
import { areaOf, clean } from '../geometry/area';
import { dataToRings, parsePath } from '../geometry/path';
import { distance, dot, sub, unit, type Point } from '../geometry/point';
import { BLUE, distanceToSegment, inSquare, noisy, NOTHING, painted, RED, WHITE, type Rgba } from './fixtures';
import type { Picture } from './picture';
import type { TraceOptions } from './options';
import { trace, type TracedShape } from './trace';

/** Pictures here have ten pixels to the millimetre. */
const traced = (picture: Picture, options: Partial<TraceOptions> = {}) =>
  trace(picture, { widthMm: picture.width / 10, wholePage: true, ...options });
const nodesOf = (shape: TracedShape): Point[] => parsePath(shape.data).flatMap((p) => p.segments.map((s) => s.to));
const areaMm2 = (shape: TracedShape): number => areaOf(clean(dataToRings(shape.data, 0.002), 'evenodd'));
const nearest = (points: readonly Point[], p: Point): number => Math.min(...points.map((q) => distance(p, q)));

describe('a square', () => {
  it('has four nodes at its corners, however it is turned', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: Math.PI / 2, noNaN: true }), fc.double({ min: 40, max: 140, noNaN: true }), (angle, side) => {
        const { shapes } = traced(painted(220, 220, (x, y) => (inSquare(110.3, 109.6, side, angle)(x, y) ? RED : WHITE)));
        expect(shapes).toHaveLength(1);
        const nodes = nodesOf(shapes[0]!);
        expect(nodes).toHaveLength(4);
        for (const k of [0, 1, 2, 3]) {
          const way = angle + Math.PI / 4 + (k * Math.PI) / 2;
          const corner = { x: (110.3 + (Math.cos(way) * side) / Math.SQRT2) / 10, y: (109.6 + (Math.sin(way) * side) / Math.SQRT2) / 10 };
          expect(nearest(nodes, corner)).toBeLessThan(0.05);
        }
        expect(Math.abs(areaMm2(shapes[0]!) / (side * side) - 0.01)).toBeLessThan(0.0003);
      }),
      { numRuns: 10 },
    );
  });

  it('has them under noise too', () => {
    const { shapes, colours } = traced(
      noisy(
        painted(220, 220, (x, y) => (inSquare(110, 110, 120, 0.3)(x, y) ? RED : WHITE)),
        6,
      ),
    );
    expect(shapes).toHaveLength(1);
    expect(colours).toHaveLength(1);
    expect(nodesOf(shapes[0]!)).toHaveLength(4);
  });
});

describe('round things', () => {
  it('a disc is a circle of four curves, true to a fiftieth of a millimetre', () => {
    fc.assert(
      fc.property(fc.double({ min: 12, max: 90, noNaN: true }), (radius) => {
        const { shapes } = traced(painted(200, 200, (x, y) => (Math.hypot(x - 100.4, y - 99.7) < radius ? BLUE : WHITE)));
        expect(parsePath(shapes[0]!.data)[0]!.segments).toHaveLength(4);
        for (const p of dataToRings(shapes[0]!.data, 0.002)[0]!)
          expect(Math.abs(distance(p, { x: 10.04, y: 9.97 }) - radius / 10)).toBeLessThan(0.02);
      }),
      { numRuns: 8 },
    );
  });

  it('a broad ring is an area with an opening, behind which nothing lies', () => {
    const ring = (x: number, y: number): boolean => Math.abs(Math.hypot(x - 100, y - 100) - 55) < 20;
    const { shapes } = traced(painted(200, 200, (x, y) => (ring(x, y) ? BLUE : NOTHING)));
    expect(shapes).toHaveLength(1);
    expect(areaMm2(shapes[0]!)).toBeCloseTo((Math.PI * (75 ** 2 - 35 ** 2)) / 100, 0);
  });

  it('a ring about another colour is one whole disc under the other', () => {
    const at = (x: number, y: number): Rgba => (Math.hypot(x - 100, y - 100) < 35 ? RED : Math.hypot(x - 100, y - 100) < 75 ? BLUE : WHITE);
    const { shapes } = traced(painted(200, 200, at));
    expect(shapes.map((s) => s.hex)).toEqual(['#1e3ca0', '#c82832']);
    expect(areaMm2(shapes[0]!)).toBeCloseTo(Math.PI * 7.5 ** 2, 0);
  });

  it('a bar with round ends keeps them round', () => {
    const { shapes } = traced(painted(240, 120, (x, y) => (distanceToSegment(x, y, 60, 60, 180, 60) < 25 ? RED : WHITE)));
    const ring = dataToRings(shapes[0]!.data, 0.002)[0]!;
    for (const p of ring) expect(Math.abs(distanceToSegment(10 * p.x, 10 * p.y, 60, 60, 180, 60) - 25)).toBeLessThan(0.9);
  });
});

test('a star of five keeps its ten corners', () => {
  const corners = Array.from({ length: 10 }, (_, k) => {
    const [way, r] = [(k * Math.PI) / 5 - Math.PI / 2, k % 2 === 0 ? 95 : 40];
    return { x: 110 + Math.cos(way) * r, y: 112 + Math.sin(way) * r };
  });
  const inside = (x: number, y: number): boolean => {
    let odd = false;
    corners.forEach((p, i) => {
      const q = corners[(i + 1) % 10]!;
      if (p.y > y !== q.y > y && x < p.x + ((y - p.y) / (q.y - p.y)) * (q.x - p.x)) odd = !odd;
    });
    return odd;
  };
  const nodes = nodesOf(traced(painted(220, 220, (x, y) => (inside(x, y) ? BLUE : WHITE))).shapes[0]!);
  expect(nodes).toHaveLength(10);
  for (const c of corners) expect(nearest(nodes, { x: c.x / 10, y: c.y / 10 })).toBeLessThan(0.06);
});

test('two halves share one border, to the last digit', () => {
  const { shapes } = traced(
    painted(200, 120, (x, y) => (x + 0.37 * y < 122 ? RED : BLUE)),
    { keepBackground: true },
  );
  expect(shapes).toHaveLength(2);
  const [a, b] = shapes.map(nodesOf) as [Point[], Point[]];
  const shared = a.filter((p) => nearest(b, p) === 0);
  expect(shared).toHaveLength(2);
  for (const p of shared) expect(Math.abs(10 * p.x + 0.37 * 10 * p.y - 122)).toBeLessThan(0.3);
  expect(areaMm2(shapes[0]!) + areaMm2(shapes[1]!)).toBeCloseTo(240, 3);
});

describe('thin lines', () => {
  it('a line of 0.6 mm is a line of that width', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: Math.PI, noNaN: true }), (angle) => {
        const [dx, dy] = [70 * Math.cos(angle), 70 * Math.sin(angle)];
        const { shapes } = traced(
          painted(200, 200, (x, y) => (distanceToSegment(x, y, 100 - dx, 100 - dy, 100 + dx, 100 + dy) < 3 ? BLUE : WHITE)),
        );
        expect(shapes).toHaveLength(1);
        expect(shapes[0]!.stroke!.widthMm).toBeCloseTo(0.6, 1);
        expect(shapes[0]!.stroke!.cap).toBe('round');
        const [path] = parsePath(shapes[0]!.data);
        const ends = [path!.start, path!.segments.at(-1)!.to];
        for (const s of [1, -1]) expect(nearest(ends, { x: 10 + (s * dx) / 10, y: 10 + (s * dy) / 10 })).toBeLessThan(0.12);
      }),
      { numRuns: 8 },
    );
  });

  it('a T is two straight lines that meet', () => {
    const { shapes } = traced(
      painted(200, 200, (x, y) =>
        distanceToSegment(x, y, 40, 50, 160, 50) < 5 || distanceToSegment(x, y, 100, 50, 100, 160) < 5 ? RED : WHITE,
      ),
    );
    expect(shapes).toHaveLength(1);
    const paths = parsePath(shapes[0]!.data);
    expect(paths).toHaveLength(2);
    expect(paths.every((p) => p.segments.length === 1 && !p.segments[0]!.c1)).toBe(true);
    const across = paths.find((p) => Math.abs(p.start.x - p.segments[0]!.to.x) > 5)!;
    expect(Math.abs(across.start.y - 5)).toBeLessThan(0.06);
  });

  it('an outline around a colour lies over it, and the colour reaches to its middle', () => {
    const at = (x: number, y: number): Rgba => {
      const r = Math.hypot(x - 100, y - 100);
      return Math.abs(r - 70) < 5 ? BLUE : r < 70 ? RED : WHITE;
    };
    const { shapes } = traced(painted(200, 200, at));
    expect(shapes.map((s) => [s.hex, s.stroke !== undefined])).toEqual([
      ['#c82832', false],
      ['#1e3ca0', true],
    ]);
    expect(Math.sqrt(areaMm2(shapes[0]!) / Math.PI)).toBeCloseTo(7, 0);
    expect(shapes[1]!.stroke!.widthMm).toBeCloseTo(1, 1);
  });

  it('what lies between two others and is neither darker nor lighter is no line', () => {
    const at = (_: number, y: number): Rgba => (y < 60 ? [20, 20, 20, 255] : y < 70 ? [120, 120, 120, 255] : [230, 230, 230, 255]);
    expect(traced(painted(200, 140, at), { keepBackground: true }).shapes.every((s) => !s.stroke)).toBe(true);
  });
});

describe('what is no shape', () => {
  it('fringes and specks make neither colours nor regions', () => {
    const speck = (x: number, y: number): boolean => Math.hypot(x - 30, y - 30) < 2.2;
    const { shapes, droppedSpecks } = traced(painted(160, 160, (x, y) => (Math.hypot(x - 80, y - 90) < 50 || speck(x, y) ? RED : WHITE)));
    expect(shapes).toHaveLength(1);
    expect(droppedSpecks).toBe(1);
  });

  it('an eye is kept though it is as small as a speck, and grown to what sews; a faint spot is not', () => {
    const at = (x: number, y: number): Rgba => {
      if (Math.hypot(x - 60, y - 70) < 2.5) return [20, 20, 30, 255];
      if (Math.hypot(x - 100, y - 70) < 2.5) return [214, 60, 66, 255];
      return Math.hypot(x - 80, y - 80) < 60 ? RED : WHITE;
    };
    const { shapes, keptSpots } = traced(painted(160, 160, at));
    expect(keptSpots).toBe(1);
    expect(shapes).toHaveLength(2);
    const eye = shapes[1]!;
    expect(areaMm2(eye)).toBeGreaterThan(0.4);
    expect(areaMm2(eye)).toBeLessThan(1);
    for (const p of nodesOf(eye)) expect(distance(p, { x: 6, y: 7 })).toBeLessThan(0.7);
  });

  it('a checker of single pixels ends as something, without a hang', () => {
    const data = new Uint8Array(100 * 100 * 4).map((_, i) => (i % 4 === 3 ? 255 : ((i >> 2) + Math.floor((i >> 2) / 100)) % 2 ? 255 : 0));
    expect(() => traced({ width: 100, height: 100, data })).not.toThrow();
  });

  it.each<[string, Rgba]>([
    ['one colour', WHITE],
    ['nothing at all', NOTHING],
  ])('a picture of %s shows no shape', (_, colour) => {
    expect(traced(painted(40, 30, () => colour)).shapes).toEqual([]);
  });

  it.each([
    [1, 400],
    [400, 1],
    [1, 1],
  ])('a picture of %d x %d pixels is taken', (width, height) => {
    expect(() => traced(painted(width, height, (x, y) => (x + y < 60 ? RED : WHITE)))).not.toThrow();
  });
});

test('the number of colours can be held down: the nearest become one', () => {
  const at = (x: number, y: number): Rgba => (y < 30 ? WHITE : x < 60 ? RED : x < 120 ? [215, 60, 60, 255] : BLUE);
  const picture = painted(180, 120, at);
  expect(traced(picture).colours).toHaveLength(3);
  expect(traced(picture, { colours: 2 }).colours).toHaveLength(2);
});

test('width is that of what is shown, or of the whole where that is kept', () => {
  const picture = painted(200, 200, (x, y) => (inSquare(100, 100, 100, 0)(x, y) ? RED : WHITE));
  expect(trace(picture, { widthMm: 50 }).pixelsPerMm).toBeCloseTo(2, 5);
  expect(trace(picture, { widthMm: 50, keepBackground: true }).pixelsPerMm).toBeCloseTo(4, 5);
});

test('sides that are nearly square are so exactly, at any angle, unless they are to stay as measured', () => {
  const bentBy = (data: string): number => {
    const at = parsePath(data)[0]!.segments.map((s) => s.to);
    return Math.max(
      ...at.map((p, i) => {
        const [a, b] = [at.at(i - 1)!, at[(i + 1) % at.length]!];
        const [u, v] = [unit(sub(p, a)), unit(sub(b, p))];
        return Math.abs(dot(u, v));
      }),
    );
  };
  let most = 0;
  fc.assert(
    fc.property(fc.double({ min: 0, max: 1.5, noNaN: true }), fc.integer({ min: 60, max: 120 }), (angle, side) => {
      const picture = noisy(
        painted(220, 220, (x, y) => (inSquare(110.3, 109.6, side, angle)(x, y) ? RED : WHITE)),
        16,
      );
      const made = traced(picture);
      expect(made.shapes[0]!.data.split('C')).toHaveLength(1);
      // Coordinates are told to a thousandth of a millimetre.
      expect(bentBy(made.shapes[0]!.data)).toBeLessThan(4e-4);
      const measured = traced(picture, { square: false });
      expect(measured.squared).toBe(0);
      most = Math.max(most, bentBy(measured.shapes[0]!.data));
    }),
    { seed: 4, numRuns: 8 },
  );
  expect(most).toBeGreaterThan(1e-3);
});
