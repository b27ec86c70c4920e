import type { Job, Piece } from '../../src/core/document/types';
import { Command } from '../../src/core/stitches/roles';
import type { StitchPlan } from '../../src/core/plan/plan';
import { area, bar, block, frame, jobOf } from './made';
import { COMPENSATED_MM, moved, off, starOf, type Plant } from './plant';

/** Faults of pieces and of what lies on what, by rule. */
export const OF_PIECES: Record<string, Plant> = {
  'stitch-too-long': ({ r, c, job }) => {
    const [made, mm] = [job([block(c, 20, 20)]), r.between(14, 25)];
    return { faulty: made, sound: made, sewn: (plan) => moved(plan, r.between(0.3, 0.6), mm), measured: mm, within: 4 };
  },
  'stitch-too-short': ({ r, c, job }) => {
    const [made, every] = [job([block(c, 20, 20)]), r.whole(7, 12)];
    const near = (v: Float32Array<ArrayBuffer>, by: number) => v.map((x, i) => (i > 50 && i % every === 0 ? v[i - 1]! + by : x));
    return { faulty: made, sound: made, sewn: (plan) => ({ ...plan, x: near(plan.x, 0.1), y: near(plan.y, 0) }) };
  },
  'jump-untrimmed': ({ r, c, job }) => {
    const [made, mm] = [job([block(c, 20, 20)]), r.between(14, 25)];
    const jumped = (plan: StitchPlan): StitchPlan => {
      const far = moved(plan, 0.5, mm);
      const at = far.x.findIndex((x, i) => Math.abs(x - plan.x[i]!) > 1);
      return { ...far, command: far.command.map((v, i) => (i === at ? Command.jump : v)) };
    };
    return { faulty: made, sound: made, sewn: jumped };
  },
  'letter-heights': ({ r, c, cloth }) => {
    const h = r.between(12, 22);
    const of = (round: number): Job => {
      const stem = (x: number): Piece => area('fill', `M${c.x + x},${c.y - h / 2} h${0.4 * h} v${h} h${-0.4 * h} Z`);
      const [ry, rx] = [round / 2, 0.4 * h];
      return jobOf(cloth, [
        stem(-h),
        area('fill', `M${c.x - rx},${c.y} a${rx},${ry} 0 1 0 ${2 * rx},0 a${rx},${ry} 0 1 0 ${-2 * rx},0 Z`),
        stem(0.6 * h),
      ]);
    };
    return { faulty: of(0.85 * h), sound: of(1.02 * h) };
  },
  'outside-hoop': ({ r, c, cloth }) => {
    const [w, h, beyond] = [r.between(10, 20), r.between(10, 20), r.between(3, 8)];
    const at = (x: number): Job =>
      jobOf(cloth, [block({ x, y: c.y }, w, h, { settings: { pullComp: 0 } })], { hoop: { width: 200, height: 200, shape: 'rect' } });
    return { faulty: at(100 - w / 2 + beyond), sound: at(c.x), measured: beyond, within: 0.4 };
  },
  'size-differs': ({ r, c, cloth }) => {
    const w = r.between(50, 90);
    const of = (width: number): Job => jobOf(cloth, [block(c, w, 20)], { size: { width } });
    return { faulty: of(w * r.pick([0.7, 1.5, 1.9])), sound: of(w), measured: w, within: 2 };
  },
  'cover-missing': ({ r, c, job }) => {
    const data = starOf(c, r.between(18, 24));
    return { faulty: job([area('satin', data)]), sound: job([area('fill', data)]) };
  },
  'outline-nudged': ({ r, c, job }) => {
    const [w, h, width] = [r.between(16, 40), r.between(16, 40), r.between(1.4, 3)];
    const [mm, a] = [r.between(0.45, 1.1), r.between(0, 6.28)];
    const of = (k: number): Job =>
      job([block(c, w, h), frame(off(c, k * mm * Math.cos(a), k * mm * Math.sin(a)), w, h, width, { thread: 't2' })]);
    return { faulty: of(1), sound: of(0), measured: mm, within: Math.max(0.04, 0.1 * mm) };
  },
  'compensation-low': ({ r, c, job }) => {
    const w = r.between(15, 40);
    const of = (pullComp?: number): Job => job([block(c, w, r.between(15, 30), { settings: pullComp === undefined ? {} : { pullComp } })]);
    return { faulty: of(0.02), sound: of(), at: c, measured: 0.02, within: 0.005 };
  },
  'border-early': ({ r, c, cloth }) => {
    const side = r.between(40, 70);
    const ground = block(c, side, side);
    const border = area('border', ground.area!, { width: 4, thread: 't2' });
    const later = Array.from({ length: r.whole(1, 3) }, (_, k) => block(off(c, 12 * (k - 1), 0), 6, 6, { thread: 't3' }));
    return {
      faulty: jobOf(cloth, [ground, border, ...later]),
      sound: jobOf(cloth, [ground, ...later, border]),
      measured: later.length,
      within: 0,
    };
  },
  'too-heavy': ({ r, c }) => {
    const side = r.between(45, 60);
    const of = (n: number): Job =>
      jobOf(
        'sheer',
        Array.from({ length: n }, (_, k) => block(c, side, side, { settings: { angle: (k * 50) % 180, spacing: 0.4 } })),
      );
    return { faulty: of(4), sound: of(1) };
  },
  'thread-crosses-cloth': ({ r, c, job }) => {
    const gap = r.between(8, 30);
    const [a, b] = [block(off(c, -gap / 2 - 4, 0), 8, 10), block(off(c, gap / 2 + 4, 0), 8, 10)];
    return { faulty: job([a, { ...b, approach: { how: 'travel' } }]), sound: job([a, b]), measured: gap, within: Math.max(1.2, 0.1 * gap) };
  },
  'thread-unheld': ({ r, c, cloth }) => {
    const [h, gap] = [r.between(8, 14), r.between(2.8, 4.4)];
    const [which, side] = [r.whole(0, 1), r.pick(['tieIn', 'tieOff'] as const)];
    const of = (untied: boolean): Job =>
      jobOf(
        cloth,
        [0, 1, 2].map((k) => {
          const open = untied && k === which + (side === 'tieIn' ? 1 : 0);
          const x = c.x + (k - 1) * (3 + gap) - 1.5;
          return area('satin', `M${x},${c.y - h / 2} h3 v${h} h-3 Z`, open ? { settings: { [side]: false } } : {});
        }),
        {},
        { settings: { trimDistance: 5 } },
      );
    const x = c.x + (which - 0.5) * (3 + gap);
    const at = [
      { x, y: c.y - h / 2 },
      { x, y: c.y + h / 2 },
    ] as const;
    return { faulty: of(true), sound: of(false), at, measured: gap, within: 0.8 };
  },
  'travel-visible': ({ r, c, job }) => {
    const gap = r.between(12, 26);
    const of = (how?: 'travel'): Job =>
      job([
        block(c, gap + 40, 22),
        block(off(c, -gap / 2 - 4, 0), 8, 10, { thread: 't2' }),
        block(off(c, gap / 2 + 4, 0), 8, 10, { thread: 't2', ...(how ? { approach: { how } } : {}) }),
      ]);
    return { faulty: of('travel'), sound: of(), measured: gap - 2 * COMPENSATED_MM };
  },
  'colour-returns': ({ r, c, cloth }) => {
    const at = (k: number, thread: string): Piece => block(off(c, k * 14, 0), r.between(7, 10), r.between(7, 10), { thread });
    const n = r.whole(1, 3);
    const more = Array.from({ length: n }, (_, k) => at(3 + k, 'a'));
    const [a, b] = [at(0, 'a'), at(1, 'b')];
    return { faulty: jobOf(cloth, [a, b, ...more]), sound: jobOf(cloth, [a, ...more, b]) };
  },
  'layers-stacked': ({ r, c, cloth }) => {
    const side = r.between(16, 30);
    const of = (n: number): Job =>
      jobOf(
        cloth,
        Array.from({ length: n }, (_, k) => block(c, side, side, { settings: { angle: (k * 47) % 180, spacing: 0.4, underlay: [] } })),
      );
    return { faulty: of(7), sound: of(2), measured: 8.4 };
  },
  'cover-twice': ({ r, c, job }) => {
    const [w, h] = [r.between(20, 34), r.between(20, 34)];
    const [dx, dy] = [r.between(0, 8), r.between(0, 8)];
    const over = block(off(c, dx, dy), w, h, { thread: 't2', settings: { angle: 60 } });
    const of = (spacing?: number): Job => job([block(c, w, h, { settings: { angle: 0, ...(spacing ? { spacing } : {}) } }), over]);
    return { faulty: of(), sound: of(1.2), at: off(c, dx / 2, dy / 2), measured: (w - dx) * (h - dy) };
  },
  'opening-costs': ({ r, c, job }) => {
    const s = r.between(3, 9);
    const whole = block(c, 30, 30);
    const holed = area('fill', `${whole.area!} M${c.x - s / 2},${c.y - s / 2} v${s} h${s} v${-s} Z`);
    return { faulty: job([holed]), sound: job([whole]), at: c };
  },
  'satin-too-wide': ({ r, c, job }) => {
    const w = r.between(10.2, 11.8);
    return { faulty: job([bar(c, 24, w)]), sound: job([bar(c, 24, r.between(4, 8.5))]), measured: w, within: 0.1 * w };
  },
  'satin-too-narrow': ({ r, c, job }) => {
    const w = r.between(0.3, 0.6);
    return {
      faulty: job([bar(c, 20, w, { settings: { pullComp: 0.1 } })]),
      sound: job([bar(c, 20, 2)]),
      at: c,
      measured: w + 0.2,
      within: 0.05,
    };
  },
  'line-too-thin': ({ r, c, job }) => {
    const h = r.between(0.4, 0.7);
    return { faulty: job([block(c, 20, h)]), sound: job([block(c, 20, r.between(2, 6))]), at: c, measured: h, within: 0.06 };
  },
  'direction-as-below': ({ r, c, job }) => {
    const [angle, by] = [r.whole(0, 170), r.whole(2, 24)];
    const of = (d: number): Job =>
      job([block(c, 40, 36, { settings: { angle } }), block(c, 16, 14, { thread: 't2', settings: { angle: (angle + d) % 180 } })]);
    return { faulty: of(by), sound: of(r.whole(40, 90)), at: c, measured: by, within: 0.5 };
  },
  'underlay-missing': ({ r, c, job }) => {
    const [w, h] = [r.between(18, 40), r.between(18, 40)];
    return { faulty: job([block(c, w, h, { settings: { underlay: [] } })]), sound: job([block(c, w, h)]), at: c };
  },
  'underlay-along-cover': ({ r, c, job }) => {
    const [angle, by] = [r.whole(0, 170), r.whole(0, 20)];
    const of = (d: number): Job => job([block(c, 30, 26, { settings: { angle, underlay: [{ kind: 'lattice', angle: d }] } })]);
    return { faulty: of(by), sound: of(r.whole(40, 90)), at: c, measured: by, within: 1 };
  },
  'underlay-outside': ({ r, c, job }) => {
    const of = (inset: number): Job => job([block(c, r.between(16, 30), 20, { settings: { underlay: [{ kind: 'edge-run', inset }] } })]);
    return { faulty: of(0.05), sound: of(0.8), measured: 0.05, within: 0.06 };
  },
  'underlay-too-heavy': ({ r, c, job }) => {
    const of = (n: number, spacing: number): Job =>
      job([
        block(c, r.between(18, 30), 20, {
          settings: { underlay: Array.from({ length: n }, () => ({ kind: 'lattice' as const, spacing })) },
        }),
      ]);
    return { faulty: of(4, r.between(0.8, 1.2)), sound: of(1, 2.5), at: c };
  },
  'cover-too-open': ({ r, c, job }) => {
    const spacing = r.between(0.54, 0.59);
    return {
      faulty: job([block(c, 20, 20, { settings: { spacing } })]),
      sound: job([block(c, 20, 20, { settings: { spacing: 0.45 } })]),
      at: c,
      measured: spacing,
    };
  },
  'cover-too-dense': ({ r, c, job }) => {
    const spacing = r.between(0.22, 0.28);
    return {
      faulty: job([block(c, 20, 20, { settings: { spacing } })]),
      sound: job([block(c, 20, 20, { settings: { spacing: 0.38 } })]),
      at: c,
      measured: spacing,
    };
  },
  'light-cover-colour': ({ r, c, cloth }) => {
    const of = (spacing: number): Job =>
      jobOf(cloth, [block(c, r.between(16, 30), 20, { settings: { spacing } })], { clothHex: '#f4f4f0' });
    return { faulty: of(r.between(0.9, 1.6)), sound: of(0.4), at: c };
  },
  'foam-underlay': ({ r, c, job }) => {
    const w = r.between(5, 8);
    return {
      faulty: job([bar(c, 24, w, { settings: { foam: 3, underlay: [{ kind: 'edge-run' }] } })]),
      sound: job([bar(c, 24, w, { settings: { foam: 3 } })]),
    };
  },
  'foam-open-end': ({ r, c, job }) => {
    const w = r.between(5, 8);
    return {
      faulty: job([bar(c, 24, w, { settings: { foam: 3, ends: 'open' } })]),
      sound: job([bar(c, 24, w, { settings: { foam: 3 } })]),
    };
  },
  'foam-too-open': ({ r, c, job }) => {
    const spacing = r.between(0.32, 0.5);
    return {
      faulty: job([bar(c, 24, 6, { settings: { foam: 3, spacing } })]),
      sound: job([bar(c, 24, 6, { settings: { foam: 3 } })]),
      measured: spacing,
    };
  },
  'foam-travel': ({ r, c, job }) => {
    const len = r.between(22, 34);
    const [left, right] = [block(off(c, -len / 2 - 10, 0), 8, 8, { thread: 't2' }), block(off(c, len / 2 + 10, 0), 8, 8, { thread: 't2' })];
    const raised = bar(c, len, 6, { settings: { foam: 3 } });
    const way = `M${c.x - len / 2 - 6},${c.y} L${c.x + len / 2 + 6},${c.y}`;
    return { faulty: job([raised, left, { ...right, approach: { how: 'travel', way } }]), sound: job([raised, left, right]) };
  },
};
