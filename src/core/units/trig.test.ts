import { atan2, cbrt, cos, exp, hypot, ln, sin } from './trig';

test('sine and cosine agree with the engine to 1e-14 over ten turns', () => {
  for (let k = -2000; k <= 2000; k++) {
    const a = k * 0.0314159 + 0.0001;
    expect(Math.abs(sin(a) - Math.sin(a))).toBeLessThan(1e-14);
    expect(Math.abs(cos(a) - Math.cos(a))).toBeLessThan(1e-14);
  }
});

test('directions agree with the engine all round', () => {
  for (let k = 0; k < 720; k++) {
    const a = (k * Math.PI) / 360;
    const [x, y] = [3 * Math.cos(a), 3 * Math.sin(a)];
    expect(Math.abs(atan2(y, x) - Math.atan2(y, x))).toBeLessThan(1e-13);
  }
  expect(atan2(0, 0)).toBe(0);
  expect(atan2(0, -1)).toBeCloseTo(Math.PI, 15);
});

test('length of a 3-4-5 triangle', () => {
  expect(hypot(3, 4)).toBe(5);
});

test('the natural logarithm over twelve powers of ten, and its limits', () => {
  for (let e = -6; e <= 6; e += 0.125) expect(ln(10 ** e)).toBeCloseTo(Math.log(10 ** e), 9);
  for (const x of [0.89, 0.9, 0.91, 1, 1.09, 1.1, 1.11]) expect(ln(x)).toBeCloseTo(Math.log(x), 9);
});

test('directions on the axes and on the diagonals', () => {
  for (const [x, y] of [
    [1, 0],
    [0, 1],
    [-1, 0],
    [0, -1],
    [1, 1],
    [-1, 1],
    [-1, -1],
    [1, -1],
    [0, 2],
    [-3, 0],
  ] as const)
    expect(atan2(y, x)).toBeCloseTo(Math.atan2(y, x), 12);
  expect(atan2(0, 0)).toBe(0);
});

test('powers of e and third roots are those of the engine to a tenth of a millionth', () => {
  for (const x of [-20, -3.3, -0.2, 0, 1e-9, 0.4, 1, 7.7, 30]) expect(exp(x) / Math.exp(x)).toBeCloseTo(1, 9);
  for (const x of [1e-6, 0.001, 0.2, 0.9, 1, 5, 1000]) expect(cbrt(x) / Math.cbrt(x)).toBeCloseTo(1, 6);
  expect(cbrt(0)).toBe(0);
});
