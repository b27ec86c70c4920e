import { dataToRings } from '../geometry/path';
import { Planner } from '../plan/planner';
import { coverageOf } from '../stitches/coverage';
import { Command, Role } from '../stitches/roles';
import { random } from '../units/random';
import { jobFromArt } from './newJob';
import { readSvg } from './readSvg';

/** Bands about sharp corners: rows that turned there would all end at one point. */

type P = readonly [number, number];
const at = (deg: number, r: number): P => [r * Math.cos((deg * Math.PI) / 180), r * Math.sin((deg * Math.PI) / 180)];

/** Two arms that meet at an angle, as an outline: the outer corner pointed. */
function vee(width: number, arm: number, between: number, turned: number): string {
  const [a, b] = [turned - between / 2, turned + between / 2];
  const half = width / Math.sin((between * Math.PI) / 360) / 2;
  const [outer, inner] = [at(turned, -half), at(turned, half)];
  const along = (deg: number, side: number): P => {
    const [x, y] = at(deg, arm);
    const [ox, oy] = at(deg + 90, (side * width) / 2);
    return [x + ox, y + oy];
  };
  return `M${[outer, along(a, -1), along(a, 1), inner, along(b, -1), along(b, 1)].map(([x, y]) => `${x.toFixed(3)},${y.toFixed(3)}`).join('L')}Z`;
}

/** A band under an arch and along its foot, closed: two corners on a ring. */
function arch(width: number, across: number, high: number): string {
  const [r, i] = [across / 2, across / 2 - width];
  return `M${-r},0V${-high}A${r},${r} 0 0 1 ${r},${-high}V0Z` + `M${-i},${-width}H${i}V${-high}A${i},${i} 0 0 0 ${-i},${-high}Z`;
}

const sewn = (data: string, width: number) => {
  const doc = readSvg(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="-60 -60 120 120"><path fill="#135" d="${data}"/></svg>`);
  const { job } = jobFromArt(doc, { id: 'x', name: 'x', file: 'x.svg', brief: { cloth: 'twill', size: { width } } });
  const plan = new Planner().plan(job);
  return { job, plan };
};

/** Thread length times width on the heaviest square millimetre of cover. */
function heaviest({ x, y, command, role }: ReturnType<typeof sewn>['plan']): number {
  const squares = new Map<string, number>();
  for (let i = 1; i < x.length; i++) {
    if (command[i] !== Command.stitch || role[i] !== Role.cover) continue;
    const mm = Math.hypot(x[i]! - x[i - 1]!, y[i]! - y[i - 1]!);
    const n = Math.max(1, Math.ceil(mm / 0.1));
    for (let k = 0; k < n; k++) {
      const t = (k + 0.5) / n;
      const key = `${Math.floor(x[i - 1]! + (x[i]! - x[i - 1]!) * t)} ${Math.floor(y[i - 1]! + (y[i]! - y[i - 1]!) * t)}`;
      squares.set(key, (squares.get(key) ?? 0) + mm / n);
    }
  }
  return 0.4 * Math.max(...squares.values());
}

const next = random(41);
const between = (a: number, b: number): number => a + (b - a) * next();
const VEES = Array.from({ length: 14 }, () => [between(3, 6.5), between(24, 32), between(42, 110), between(0, 360)] as const);
const ARCHES = Array.from({ length: 6 }, () => [between(3, 5.5), between(26, 40), between(2, 12)] as const);

describe('bands about sharp corners', () => {
  it.each([
    ...VEES.map((v) => [`a V of ${v.map((n) => n.toFixed(1)).join(', ')}`, vee(...v)] as const),
    ...ARCHES.map((v) => [`an arch of ${v.map((n) => n.toFixed(1)).join(', ')}`, arch(...v)] as const),
  ])('%s is covered, and nowhere piled up', (_, data) => {
    const xs = dataToRings(data)
      .flat()
      .map((p) => p.x);
    const width = Math.max(...xs) - Math.min(...xs);
    const { job, plan } = sewn(data, width);
    expect(job.pieces.map((p) => p.kind)).toEqual(['satin']);
    expect(heaviest(plan)).toBeLessThan(7);
    const area = dataToRings(job.pieces[0]!.area!);
    expect(coverageOf(area, plan).covered).toBeGreaterThan(0.985);
  });
});
