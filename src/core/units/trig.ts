/**
 * Trigonometry that gives the same bits on every engine.
 *
 * `Math.sin`, `cos` and `atan2` may differ in the last bit between JavaScript engines, which would break the
 * promise that a job gives the same plan on Node and in the browser. These use only + - * / and sqrt, which
 * IEEE 754 fixes exactly. Source: range reduction by Cody and Waite, then Taylor series.
 */
export const PI = 3.141592653589793;
const HALF_PI_HIGH = 1.5707963267341256;
const HALF_PI_LOW = 6.077100506506192e-11;

function sinSeries(x: number): number {
  const z = x * x;
  return x * (1 - (z / 6) * (1 - (z / 20) * (1 - (z / 42) * (1 - (z / 72) * (1 - (z / 110) * (1 - (z / 156) * (1 - z / 210)))))));
}

function cosSeries(x: number): number {
  const z = x * x;
  return (
    1 - (z / 2) * (1 - (z / 12) * (1 - (z / 30) * (1 - (z / 56) * (1 - (z / 90) * (1 - (z / 132) * (1 - (z / 182) * (1 - z / 240)))))))
  );
}

/** Sine of an angle in radians (any finite size up to about 1e6), error below 1e-15 near zero. */
export function sin(angle: number): number {
  const quadrant = Math.round(angle / (PI / 2));
  const rest = angle - quadrant * HALF_PI_HIGH - quadrant * HALF_PI_LOW;
  switch (((quadrant % 4) + 4) % 4) {
    case 0:
      return sinSeries(rest);
    case 1:
      return cosSeries(rest);
    case 2:
      return -sinSeries(rest);
    default:
      return -cosSeries(rest);
  }
}

/** Cosine of an angle in radians. */
export function cos(angle: number): number {
  return sin(angle + PI / 2);
}

function atanSmall(x: number): number {
  const z = x * x;
  let sum = 0;
  for (let k = 12; k >= 0; k--) sum = 1 / (2 * k + 1) - z * sum;
  return x * sum;
}

/** Arc tangent in radians, by halving the argument twice before the series. */
function atan(x: number): number {
  const half = x / (1 + Math.sqrt(1 + x * x));
  const quarter = half / (1 + Math.sqrt(1 + half * half));
  return 4 * atanSmall(quarter);
}

/** Direction of (x, y) in radians within (-PI, PI]; 0 for the zero vector. */
export function atan2(y: number, x: number): number {
  if (x === 0 && y === 0) return 0;
  if (Math.abs(y) > Math.abs(x)) return (y > 0 ? PI / 2 : -PI / 2) - atan(x / y);
  const base = atan(y / x);
  if (x > 0) return base;
  return y >= 0 ? base + PI : base - PI;
}

/** Length of (x, y). */
export function hypot(x: number, y: number): number {
  return Math.sqrt(x * x + y * y);
}

/** Natural logarithm of a number above 0: halved by square roots until a short series is exact enough, alike on every machine. */
export function ln(x: number): number {
  let [value, times] = [x, 1];
  while (value > 1.1 || value < 0.9) {
    value = Math.sqrt(value);
    times *= 2;
  }
  const z = (value - 1) / (value + 1);
  const z2 = z * z;
  return 2 * times * z * (1 + z2 * (1 / 3 + z2 * (1 / 5 + z2 * (1 / 7 + z2 / 9))));
}

/** E to the power of a number (up to about 700): halved until a short series is exact enough, then squared, alike on every machine. */
export function exp(x: number): number {
  let [value, times] = [x, 0];
  while (Math.abs(value) > 0.25) {
    value /= 2;
    times++;
  }
  let [sum, term] = [1, 1];
  for (let k = 1; k <= 10; k++) {
    term *= value / k;
    sum += term;
  }
  for (let k = 0; k < times; k++) sum *= sum;
  return sum;
}

/** Third root of a number that is not below 0, by Newton's method from a guess that fits numbers up to 1. */
export function cbrt(x: number): number {
  if (x <= 0) return 0;
  let y = 0.3 + 0.7 * x;
  for (let k = 0; k < 40; k++) {
    const next = y - (y - x / (y * y)) / 3;
    const moved = next > y ? next - y : y - next;
    if (moved < 1e-7 * y) return next;
    y = next;
  }
  return y;
}
