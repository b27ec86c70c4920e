import { correct } from '../../src/core/forecast/correct';
import { forecast, gapsOf } from '../../src/core/forecast/forecast';
import type { Job, Piece } from '../../src/core/document/types';
import type { Point } from '../../src/core/geometry/point';
import { measurePlan } from '../../src/core/plan/measure';
import { Planner } from '../../src/core/plan/planner';
import type { Finding } from '../../src/core/proof/finding';
import { prove } from '../../src/core/proof/prove';
import { withFix } from '../../src/core/proof/withFix';
import { area, bar, block, chance, frame, jobOf, type Chance } from './made';

/** One part of a larger work, sound or with one fault. */
type Part = (c: Point, r: Chance, faulty: boolean, k: number) => Piece[];

const own = (k: number): string => `t${k}`;
const off = (c: Point, dx: number, dy: number): Point => ({ x: c.x + dx, y: c.y + dy });
const set = (faulty: boolean, settings: Piece['settings']) => (faulty ? { settings } : {});

/** Parts by the rule that their fault breaks. */
const PARTS: Record<string, Part> = {
  'cover-too-dense': (c, r, faulty, k) => [block(c, r.between(16, 22), 16, { thread: own(k), ...set(faulty, { spacing: 0.25 }) })],
  'cover-too-open': (c, r, faulty, k) => [block(c, r.between(16, 22), 16, { thread: own(k), ...set(faulty, { spacing: 0.56 }) })],
  'compensation-low': (c, r, faulty, k) => [block(c, r.between(16, 22), 16, { thread: own(k), ...set(faulty, { pullComp: 0.02 }) })],
  'underlay-missing': (c, r, faulty, k) => [block(c, r.between(18, 24), 18, { thread: own(k), ...set(faulty, { underlay: [] }) })],
  'underlay-along-cover': (c, r, faulty, k) => [
    block(c, r.between(16, 22), 16, { thread: own(k), ...set(faulty, { angle: 30, underlay: [{ kind: 'lattice', angle: 5 }] }) }),
  ],
  'satin-too-narrow': (c, r, faulty, k) => [
    bar(c, r.between(14, 20), faulty ? 0.4 : 2, { thread: own(k), ...set(faulty, { pullComp: 0.1 }) }),
  ],
  'tie-missing': (c, r, faulty, k) => [block(c, r.between(12, 18), 14, { thread: own(k), ...set(faulty, { tieOff: false }) })],
  'outline-nudged': (c, r, faulty, k) => {
    const side = r.between(14, 18);
    return [
      block(c, side, side, { thread: own(k) }),
      frame(off(c, faulty ? 0.6 : 0, faulty ? -0.4 : 0), side, side, 2.2, { thread: 'rim' }),
    ];
  },
  'trim-avoidable': (c, r, faulty, k) => {
    const [a, b] = [block(off(c, -4.2, 0), 8, 8, { thread: own(k) }), block(off(c, 4.2, 0), 8, r.between(7, 9), { thread: own(k) })];
    return [a, { ...b, ...(faulty ? { approach: { how: 'trim' as const } } : {}) }];
  },
  'direction-as-below': (c, r, faulty, k) => [
    block(c, 22, 20, { thread: own(k), settings: { angle: 20 } }),
    block(c, 10, r.between(8, 10), { thread: 'rim', settings: { angle: faulty ? 32 : 100 } }),
  ],
  'satin-too-wide': (c, r, faulty, k) => [bar(c, 20, faulty ? r.between(10.2, 11.5) : r.between(5, 8), { thread: own(k) })],
  'cover-missing': (c, r, faulty, k) => {
    const reach = r.between(13, 14);
    const points = Array.from({ length: 10 }, (_, i) => {
      const [a, mm] = [(Math.PI * i) / 5 - Math.PI / 2, (i % 2 ? 0.45 : 1) * reach];
      return `${(c.x + mm * Math.cos(a)).toFixed(2)},${(c.y + mm * Math.sin(a)).toFixed(2)}`;
    });
    return [area(faulty ? 'satin' : 'fill', `M${points.join(' L')} Z`, { thread: own(k) })];
  },
};

/** A work of ten parts on a grid, each with its fault, and the same without. */
function work(
  seed: number,
  { cloth, place, columns, stepMm }: { cloth: 'twill' | 'cap'; place: 'jacket-back' | 'cap-front'; columns: number; stepMm: number },
) {
  const pick = chance(seed);
  const left = Object.keys(PARTS);
  const rules = Array.from({ length: 10 }, () => left.splice(pick.whole(0, left.length - 1), 1)[0]!);
  const of = (faulty: boolean): Job => {
    const r = chance(seed + 7);
    const rows = Math.ceil(10 / columns);
    // From the brim upward, so that a cap is sewn as it should be.
    const parts = rules.map((rule, k) => {
      const at = { x: ((k % columns) - (columns - 1) / 2) * stepMm, y: ((rows - 1) / 2 - Math.floor(k / columns)) * stepMm };
      return PARTS[rule]!(at, r, faulty, k);
    });
    const rim = parts.flat().filter((p) => p.thread === 'rim');
    return jobOf(cloth, [...parts.flat().filter((p) => p.thread !== 'rim'), ...rim], { place });
  };
  return { rules, faulty: of(true), sound: of(false) };
}

const WORKS = {
  'jacket back': { cloth: 'twill', place: 'jacket-back', columns: 4, stepMm: 50 },
  'cap crest': { cloth: 'cap', place: 'cap-front', columns: 5, stepMm: 31 },
} as const;

const open = (job: Job): Finding[] => prove(job).filter((f) => f.severity !== 'note' && f.accepted === undefined);
const trimsOf = (job: Job): number => measurePlan(job, new Planner().plan(job)).trims;

function mended(job: Job, finding: Finding, way: number): Job {
  const fixes = [...(finding.fix ? [finding.fix] : []), ...(finding.others ?? [])];
  const fix = fixes[way % fixes.length]!;
  if (!fix.correct) return withFix(job, fix);
  const { pieces } = correct(job, { only: fix.correct });
  return { ...job, pieces: job.pieces.map((p) => pieces.find((q) => q.id === p.id) ?? p) };
}

const MOST_STEPS = 40;

/** Faults found, and what is left when the fixes were made one by one in an order by chance; one line for each work and order. */
export function repairs(seeds: readonly number[]): { line: string; right: boolean }[] {
  return Object.entries(WORKS).flatMap(([name, kind]) =>
    seeds.map((seed) => {
      const { rules, faulty, sound } = work(100 * seed, kind);
      const missed = rules.filter((rule) => !prove(faulty).some((f) => f.rule === rule));
      const before = open(sound).map((f) => f.rule);
      const [trims, r] = [trimsOf(faulty), chance(seed + 31)];
      let [job, steps] = [faulty, 0];
      for (; steps < MOST_STEPS; steps++) {
        const mendable = prove(job).filter((f) => f.fix && (f.severity !== 'note' || rules.includes(f.rule)));
        if (mendable.length === 0) break;
        job = mended(job, r.pick(mendable), 0);
      }
      const left = prove(job).filter((f) => f.severity !== 'note' || rules.includes(f.rule));
      const gap = Math.max(0, ...gapsOf(forecast(job, { planner: new Planner() }).meetings, 0).map((g) => g.gapMm));
      const after = trimsOf(job);
      const right = missed.length === 0 && left.length === 0 && before.length === 0 && after <= trims && gap < 0.15;
      const line = `${name} ${seed}: ${10 - missed.length} of 10 found${missed.length ? ` (not ${missed.join(', ')})` : ''}, ${steps} fixes, ${left.length} warnings left${left.length ? ` (${left.map((f) => f.rule).join(', ')})` : ''}, trims ${trims} to ${after}, gaps up to ${gap.toFixed(2)} mm${before.length ? `; sound work warned: ${before.join(', ')}` : ''}`;
      return { line, right };
    }),
  );
}
