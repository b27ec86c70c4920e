import { byFourPoints, found, gapsFound, offBy, offByStraight, photoCase, trueGaps } from '../../../../tests/photos/cases';
import { cameraOf, inHoop, onPhoto, pointsError, type KnownPoint } from './camera';
import { USUAL_SHOT, cameraOfShot } from './drawnPhoto';
import { labOf } from './field';
import { layingOf, preparedPhoto } from './find';
import { random } from '../../units/random';

// All fifty are tried by `npm run photos`; these are the first of them.
describe.each([7, 11])('a photo drawn of a test on other cloth than the recipe knows (%d)', (seed) => {
  const one = photoCase(seed);
  const laying = found(one)!;

  it('is laid by itself to 0.3 mm, and says about how exactly', () => {
    expect(offBy(one, laying)).toBeLessThan(0.3);
    expect(laying.errorMm!).toBeLessThan(0.5);
  });

  it('is laid by four points to 0.15 mm', () => {
    expect(offByStraight(one, byFourPoints(one, seed)!)).toBeLessThan(0.15);
  });

  it('shows gaps where there are some, and none where there is none', () => {
    const truth = trueGaps(one);
    for (const gap of gapsFound(one, laying).filter((g) => g.mm >= 0.5)) {
      const near = truth.filter((t) => Math.abs(t.at.x - gap.from.x) + Math.abs(t.at.y - gap.from.y) < 7);
      expect(Math.max(0, ...near.map((t) => t.mm))).toBeGreaterThan(0.35);
    }
    const wide = truth.filter((t) => t.mm >= 0.7);
    if (wide.length >= 5) expect(gapsFound(one, laying).length).toBeGreaterThan(0);
  });
});

test('a photo of something else is not laid', () => {
  const one = photoCase(3);
  const r = random(9);
  const data = new Uint8ClampedArray(400 * 400 * 4).map((_, i) => (i % 4 === 3 ? 255 : 180 + 40 * (r() - 0.5)));
  expect(layingOf(preparedPhoto({ width: 400, height: 400, data }), one.job, one)).toBeNull();
});

describe('a camera from known points', () => {
  const shape = { tall: 0.75 };
  const shot = { ...USUAL_SHOT, height: 660, turn: 12, pitch: 14, yaw: -9, bend: 0.02 };
  const truth = cameraOfShot(shot);
  const straight = { ...truth, bend: 0 };
  const pointsOf = (camera: typeof truth, places: readonly (readonly [number, number])[]): KnownPoint[] =>
    places.map(([x, y]) => ({ hoop: { x, y }, photo: onPhoto(camera, shape, { x, y }) }));
  const FOUR = [[-30, -20], [28, -22], [30, 25], [-25, 20]] as const; // prettier-ignore

  it('goes there and back', () => {
    for (const [x, y] of FOUR) {
      const back = inHoop(truth, shape, onPhoto(truth, shape, { x, y }));
      expect(back.x).toBeCloseTo(x, 6);
      expect(back.y).toBeCloseTo(y, 6);
    }
  });

  it('is the true one from four points with a straight lens, and from more with a bent one', () => {
    const four = cameraOf(pointsOf(straight, FOUR), shape)!;
    const nine = cameraOf(
      pointsOf(
        truth,
        [-30, 0, 30].flatMap((x) => [-22, 0, 22].map((y) => [x, y] as const)),
      ),
      shape,
    )!;
    for (const [camera, real] of [
      [four, straight],
      [nine, truth],
    ] as const) {
      // prettier-ignore
      for (const [x, y] of [[10, 5], [-18, 12], [22, -15]] as const) { // prettier-ignore
        const [a, b] = [onPhoto(camera, shape, { x, y }), onPhoto(real, shape, { x, y })];
        expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeLessThan(1e-5);
      }
    }
    expect(pointsError(nine, shape, pointsOf(truth, FOUR))).toBeLessThan(0.01);
  });

  it('from two points keeps shapes, from three angles may change, and from less there is none', () => {
    const two = cameraOf(pointsOf(straight, FOUR).slice(0, 2), shape)!;
    const [o, ex, ey] = [[0, 0], [1, 0], [0, 1]].map(([x, y]) => onPhoto(two, shape, { x: x!, y: y! })); // prettier-ignore
    const [u, v] = [ex!, ey!].map((p) => ({ x: p.x - o!.x, y: p.y - o!.y }));
    expect(u!.x * v!.x + u!.y * v!.y).toBeCloseTo(0, 9);
    expect(cameraOf(pointsOf(straight, FOUR).slice(0, 3), shape)).not.toBeNull();
    expect(cameraOf(pointsOf(straight, FOUR).slice(0, 1), shape)).toBeNull();
    expect(cameraOf(pointsOf(straight, [[5, 5], [5, 5]]), shape)).toBeNull(); // prettier-ignore
  });
});

test('colours as lightness and two axes: white, black and red where they are defined to be', () => {
  const data = Uint8Array.of(255, 255, 255, 255, 0, 0, 0, 255, 255, 0, 0, 255);
  const lab = labOf({ width: 3, height: 1, data }).data;
  expect(lab[0]).toBeCloseTo(100, 1);
  expect(Math.hypot(lab[1]!, lab[2]!)).toBeLessThan(0.1);
  expect(lab[3]).toBeCloseTo(0, 3);
  // Ottosson's own figures for red: 0.628, 0.225, 0.126.
  expect([lab[6], lab[7], lab[8]].map((v) => Math.round(10 * v!) / 10)).toEqual([62.8, 22.5, 12.6]);
});
