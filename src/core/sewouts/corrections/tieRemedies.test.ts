import type { SeenMark } from '../../document/sewoutTypes';
import type { Job, Piece } from '../../document/types';
import { Planner } from '../../plan/planner';
import { withFix } from '../../proof/withFix';
import { tiePlaces } from '../../stitches/tiePlaces';
import { random } from '../../units/random';
import { causesOf, type RankedCause } from '../causes/rank';
import { sewnScene } from '../causes/scene';
import { madeJob } from '../fixtures';

type Made = Partial<Piece> & Pick<Piece, 'id' | 'kind'>;
const turned = (deg: number, [x, y]: readonly [number, number]): [number, number] => {
  const t = (deg * Math.PI) / 180;
  return [x * Math.cos(t) - y * Math.sin(t), x * Math.sin(t) + y * Math.cos(t)];
};
const at = (p: readonly [number, number]): string => `${p[0].toFixed(3)},${p[1].toFixed(3)}`;

/** Narrow columns from within a round piece outward, each begun and ended at its far end, before the round piece or after it. */
function rays(seed: number, before: boolean): { job: Job; radius: number; tip: [number, number]; count: number } {
  const r = random(seed);
  const count = 3 + Math.floor(6 * r());
  const [radius, inside] = [4 + 3 * r(), 1.4 + 0.8 * r()];
  const columns = Array.from({ length: count }, (_, k): Made => {
    const [deg, long, half] = [(360 / count) * k + 20 * r(), 9 + 8 * r(), 0.6 + 0.5 * r()];
    const tip = turned(deg, [radius + long - 0.3, 0]);
    const side = (y: number): string => `M${at(turned(deg, [radius - inside, y]))} L${at(turned(deg, [radius + long, y]))}`;
    return { id: `ray${k}`, kind: 'satin', thread: 't2', sides: [side(-half), side(half)], start: tip, end: tip };
  });
  const disc: Made = { id: 'disc', kind: 'fill', area: `M${-radius},0 a${radius},${radius} 0 1 0 ${2 * radius},0 a${radius},${radius} 0 1 0 ${-2 * radius},0 Z` }; // prettier-ignore
  const job = madeJob(before ? [...columns, disc] : [disc, ...columns]);
  return { job, radius, tip: job.pieces.find((p) => p.id === 'ray0')!.start!, count };
}

/** Ties of rays that the round piece does not hide: counted from the stitches and the circle alone. */
function bareTiesOf(job: Job, radius: number): number {
  const plan = new Planner().plan(job);
  const disc = job.pieces.findIndex((p) => p.id === 'disc');
  return tiePlaces(plan).filter((t) => t.piece !== disc && !(disc > t.piece && Math.hypot(t.at.x, t.at.y) < radius)).length;
}

const bareCause = (job: Job, mark: Omit<SeenMark, 'id'>): RankedCause =>
  causesOf(sewnScene(job, {}), mark).find((c) => c.id === 'ties-bare')!;

it.each([1, 2, 3, 4, 5, 6, 7, 8])('lays ties of rays under the round piece that is sewn after them (%d)', (seed) => {
  const { job, radius, tip, count } = rays(seed, true);
  expect(bareTiesOf(job, radius)).toBeGreaterThanOrEqual(count);
  const { remedies } = bareCause(job, { kind: 'lump', piece: 'ray0', at: tip });
  expect(bareTiesOf(withFix(job, remedies[0]!.fix!), radius)).toBe(0);
});

it.each([1, 2, 3, 4, 5, 6, 7, 8])('finds an order of round piece and rays that lays the ties under it (%d)', (seed) => {
  const { job, radius, tip } = rays(seed, false);
  const { remedies } = bareCause(job, { kind: 'unravelled', piece: 'ray0', at: tip });
  const made = withFix(job, remedies[0]!.fix!);
  expect(made.pieces.at(-1)!.id).toBe('disc');
  expect(bareTiesOf(made, radius)).toBe(0);
});

it('leaves the round piece where something else lies on it, and offers nothing that does not help', () => {
  const { job, radius, tip } = rays(3, false);
  const eye: Piece = { id: 'eye', name: 'eye', kind: 'fill', thread: 't2', area: 'M-1.5,-1.5 h3 v3 h-3 Z', settings: {} };
  const withEye = { ...job, pieces: [job.pieces[0]!, eye, ...job.pieces.slice(1)] };
  for (const { fix } of bareCause(withEye, { kind: 'lump', piece: 'ray0', at: tip }).remedies) {
    const made = withFix(withEye, fix!);
    expect(made.pieces.findIndex((p) => p.id === 'disc')).toBeLessThan(made.pieces.findIndex((p) => p.id === 'eye'));
    expect(bareTiesOf(made, radius)).toBeLessThanOrEqual(bareTiesOf(withEye, radius));
  }
  const alone = madeJob([{ id: 'bar', kind: 'satin', sides: ['M0,0 v20', 'M2,0 v20'] }]);
  expect(bareCause(alone, { kind: 'lump', piece: 'bar', at: [1, 0] }).remedies).toEqual([]);
});

it('takes ties that are heaped on one spot apart', () => {
  const bars = [0, 1, 2, 3, 4].map((k): Made => {
    const side = (y: number): string => `M${at(turned(72 * k, [0.2, 0.3 * y]))} L${at(turned(72 * k, [14, y]))}`;
    return { id: `bar${k}`, kind: 'satin', thread: k % 2 ? 't1' : 't2', sides: [side(-1), side(1)], start: [0, 0], end: [0, 0] };
  });
  const job = madeJob(bars);
  const heaped = (of: Job): number => {
    const ties = tiePlaces(new Planner().plan(of)).map((t) => t.at);
    return Math.max(...ties.map((a) => ties.filter((b) => Math.hypot(a.x - b.x, a.y - b.y) <= 1).length));
  };
  const piled = causesOf(sewnScene(job, {}), { kind: 'lump', at: [0, 0] })[0]!;
  expect(piled.id).toBe('ties-piled');
  expect(heaped(job)).toBeGreaterThan(3);
  expect(heaped(withFix(job, piled.remedies[0]!.fix!))).toBeLessThanOrEqual(3);
});
