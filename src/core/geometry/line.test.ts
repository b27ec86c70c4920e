import fc from 'fast-check';
import { dividedAt, lineLength, distanceTo, nearestOnLine, resample, resampleClosely, sharpestTurn, withoutRepeats } from './line';

const arc = (radius: number, degrees: number) =>
  Array.from({ length: degrees + 1 }, (_, d) => ({
    x: radius * Math.cos((d * Math.PI) / 180),
    y: radius * Math.sin((d * Math.PI) / 180),
  }));

test('a straight line turns nowhere; an elbow turns by its angle', () => {
  expect(
    sharpestTurn(
      [
        { x: 0, y: 0 },
        { x: 30, y: 0 },
      ],
      2,
    ),
  ).toBeCloseTo(0, 9);
  const elbow = [
    { x: 0, y: 0 },
    { x: 30, y: 0 },
    { x: 30, y: 30 },
  ];
  expect(sharpestTurn(elbow, 2)).toBeCloseTo(Math.PI / 2, 2);
});

test('on an arc the turn over a window is the window divided by the radius', () => {
  expect(sharpestTurn(arc(10, 120), 2)).toBeCloseTo(2 / 10, 1);
  expect(sharpestTurn(arc(4, 120), 2)).toBeGreaterThan(0.45);
});

test('the corner at which a closed line meets itself counts too', () => {
  const drop = [{ x: 0, y: 0 }, ...arc(10, 180).map((p) => ({ x: p.x, y: p.y + 20 })), { x: 0, y: 0 }];
  expect(sharpestTurn(drop, 3)).toBeGreaterThan(0.8);
});

test('resampling keeps both ends, the length and the greatest step', () => {
  const points = resample(arc(20, 90), 1.3);
  expect(points[0]).toEqual({ x: 20, y: 0 });
  expect(lineLength(points)).toBeCloseTo(10 * Math.PI, 1);
  for (let i = 1; i < points.length; i++) {
    expect(Math.hypot(points[i]!.x - points[i - 1]!.x, points[i]!.y - points[i - 1]!.y)).toBeLessThanOrEqual(1.3 + 1e-9);
  }
});

test('repeats go, both ends stay', () => {
  const line = [
    { x: 0, y: 0 },
    { x: 0.001, y: 0 },
    { x: 5, y: 0 },
    { x: 5, y: 0.002 },
  ];
  expect(withoutRepeats(line, 0.01)).toEqual([
    { x: 0, y: 0 },
    { x: 5, y: 0.002 },
  ]);
});

test('the nearest place on a line is found with its distance and how far along it lies', () => {
  const found = nearestOnLine(
    [
      { x: 0, y: 0 },
      { x: 10, y: 0 },
      { x: 10, y: 10 },
    ],
    { x: 12, y: 4 },
  );
  expect(found.distance).toBeCloseTo(2, 9);
  expect(found.along).toBeCloseTo(14, 9);
  expect(found.point).toEqual({ x: 10, y: 4 });
});

test('the distance from a line is that of its nearest point', () => {
  const coordinate = fc.double({ min: -50, max: 50, noNaN: true });
  const place = fc.record({ x: coordinate, y: coordinate });
  fc.assert(
    fc.property(fc.array(place, { minLength: 2, maxLength: 8 }), place, (line, p) => {
      expect(distanceTo(line, p)).toBeCloseTo(nearestOnLine(line, p).distance, 9);
      // No point of the line is nearer.
      for (const t of [0, 0.3, 0.7, 1]) {
        const q = { x: line[0]!.x + t * (line[1]!.x - line[0]!.x), y: line[0]!.y + t * (line[1]!.y - line[0]!.y) };
        expect(Math.hypot(q.x - p.x, q.y - p.y)).toBeGreaterThanOrEqual(distanceTo(line, p) - 1e-9);
      }
    }),
    { seed: 5 },
  );
});

test('a line divided at a place is the same line in two, as long as it was', () => {
  const line = [
    { x: 0, y: 0 },
    { x: 4, y: 0 },
    { x: 4, y: 3 },
  ];
  for (const along of [0, 1.5, 4, 6.2, 7, 9]) {
    const [before, after] = dividedAt(line, along);
    expect(before[before.length - 1]).toEqual(after[0]);
    expect(lineLength(before)).toBeCloseTo(Math.min(7, along), 9);
    expect(lineLength(before) + lineLength(after)).toBeCloseTo(7, 9);
  }
});

test('closer points keep to a bend, long steps stay where the line is straight', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.6, max: 12, noNaN: true }), fc.double({ min: 0.5, max: 4, noNaN: true }), (radius, step) => {
      const line = [{ x: radius, y: -30 }, ...arc(radius, 170)];
      const points = resampleClosely(line, step, 0.2, 0.4);
      expect(points[0]).toEqual(line[0]);
      expect(points.at(-1)).toEqual(line.at(-1));
      for (let i = 1; i < points.length; i++) {
        const [a, b] = [points[i - 1]!, points[i]!];
        const mm = Math.hypot(a.x - b.x, a.y - b.y);
        expect(mm).toBeLessThanOrEqual(step + 1e-9);
        // Of a chord c across a circle of radius r the arc stands off by r - sqrt(r² - c²/4).
        if (a.y > 0 && mm > 0.8) expect(radius - Math.sqrt(radius ** 2 - mm ** 2 / 4)).toBeLessThan(0.21);
      }
    }),
  );
  expect(
    resampleClosely(
      [
        { x: 0, y: 0 },
        { x: 10, y: 0 },
        { x: 30, y: 0 },
      ],
      3,
      0.1,
      0.5,
    ),
  ).toHaveLength(11);
});
