import { laidThreads, reachOf, threadsIn, type LaidThread } from './silhouette';
import { jobOf, piece } from '../pieces/fixtures';
import { Planner } from '../plan/planner';
import { Sheet, EDITING_GRID } from './sheet';
import { forecastParameters } from './parameters';

const UP = { x: 0, y: -1 };
const FOOT = { x: 0, y: 0 };
const thread = (ax: number, ay: number, bx: number, by: number): LaidThread => {
  const ends = [
    { x: ax, y: ay },
    { x: bx, y: by },
  ] as const;
  return { laid: ends, sewn: ends };
};
/** Level rows of a stem, 2 mm wide, from one height to another, mm above the foot. */
const stem = (from: number, to: number): LaidThread[] => {
  const out: LaidThread[] = [];
  for (let high = from; high <= to + 1e-9; high += 0.4) out.push(thread(-1, -high, 1, -high));
  return out;
};

describe('how far threads reach', () => {
  it('is half a thread beyond the last level row', () => {
    const { top, bottom } = reachOf(stem(0, 10), FOOT, UP, 0.5)!;
    expect(top).toBeCloseTo(10.2, 1);
    expect(bottom).toBeCloseTo(-0.2, 1);
  });

  it('is where upright rows end', () => {
    const rows = Array.from({ length: 8 }, (_, i) => thread(-1.4 + 0.4 * i, 0, -1.4 + 0.4 * i, -7));
    const { top, bottom } = reachOf(rows, FOOT, UP, 0.5)!;
    expect([top, bottom]).toEqual([expect.closeTo(7, 2), expect.closeTo(0, 2)]);
  });

  it('does not count one row that stands out by itself, unless so little was asked for', () => {
    const rows = [...stem(0, 10), thread(0, -10, 0.02, -11.5)];
    expect(reachOf(rows, FOOT, UP, 0.8)!.top).toBeLessThan(10.25);
    expect(reachOf(rows, FOOT, UP, 0.2)!.top).toBeGreaterThan(11.4);
  });

  it('turns with the letter', () => {
    for (const turn of [0.3, 1.2, -2]) {
      const [c, s] = [Math.cos(turn), Math.sin(turn)];
      const turned = ({ x, y }: { x: number; y: number }) => ({ x: x * c - y * s + 5, y: x * s + y * c - 3 });
      const rows = stem(1, 9).map(({ sewn }) => ({ laid: sewn, sewn: [turned(sewn[0]), turned(sewn[1])] as const }));
      const { top, bottom } = reachOf(rows, { x: 5, y: -3 }, { x: s, y: -c }, 0.5)!;
      expect([top, bottom]).toEqual([expect.closeTo(9.2, 1), expect.closeTo(0.8, 1)]);
    }
  });

  it('is nothing where there is less thread than was asked for', () => {
    expect(reachOf([], FOOT, UP, 0.3)).toBeNull();
    expect(reachOf([thread(0, 0, 0, -5)], FOOT, UP, 0.8)).toBeNull();
  });
});

it('threads belong to the area that their middle lies in', () => {
  const square = [[-2, -2], [2, -2], [2, 2], [-2, 2]].map(([x, y]) => ({ x: x!, y: y! })); // prettier-ignore
  expect(threadsIn([thread(-5, 0, 6, 0), thread(1, 1, 8, 1), thread(0, 0, 1, 1)], [square])).toHaveLength(2);
});

it('rows are drawn back at their holes, more on long ones, and go with the cloth', () => {
  const job = jobOf([piece('satin', { sides: ['M-6,-25 V25', 'M0,-25 V25'] })], 'pique');
  const plan = new Planner().plan(job);
  const sheet = new Sheet(job.brief.hoop, forecastParameters(job), { ...EDITING_GRID, progress: () => undefined }).sew(plan);
  const length = ([a, b]: LaidThread['laid']): number => Math.hypot(a.x - b.x, a.y - b.y);
  const still = { ...sheet, at: () => [0, 0] as [number, number], sewnX: new Float32Array(plan.x.length), sewnY: new Float32Array(plan.x.length) }; // prettier-ignore
  const [loose, bitten] = [laidThreads(plan, 0, still, 0), laidThreads(plan, 0, still, 0.1)];
  loose.forEach((t, i) => {
    expect(length(t.sewn)).toBeCloseTo(length(t.laid), 6);
    const short = length(t.sewn) - length(bitten[i]!.sewn);
    expect(short).toBeGreaterThan(0);
    expect(short).toBeLessThan(0.2);
  });
  const moved = laidThreads(plan, 0, { ...still, at: () => [0.5, -0.25] }, 0);
  moved.forEach(({ laid, sewn }) => expect([sewn[0].x - laid[0].x, sewn[0].y - laid[0].y]).toEqual([expect.closeTo(0.5, 5), expect.closeTo(-0.25, 5)])); // prettier-ignore
});
