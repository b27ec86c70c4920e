import type { ClothKey, Job, Piece } from '../../src/core/document/types';
import { Command, Role } from '../../src/core/stitches/roles';
import type { StitchPlan } from '../../src/core/plan/plan';
import type { Point } from '../../src/core/geometry/point';
import { area, bar, block, chance, CLOTHS, frame, jobOf, line, ringData, type Chance } from './made';

/** A job with one planted fault, the same without it, and what must be said of the fault. */
export interface Planted {
  faulty: Job;
  sound: Job;
  /** Where it lies, mm: a place, or anywhere between two. */
  at?: Point | readonly [Point, Point];
  /** Its figure; where a tolerance is not said, within a tenth. */
  measured?: number;
  within?: number;
  /** The faulty plan, made of the right one: what our own planner never sews, but another's file may. */
  sewn?(plan: StitchPlan): StitchPlan;
}

interface Setting {
  r: Chance;
  /** Middle of the place where the fault is planted. */
  c: Point;
  cloth: ClothKey;
  /** A job with sound pieces far from that place before and after those given. */
  job(pieces: readonly Piece[], brief?: Partial<Job['brief']>, more?: Partial<Job>): Job;
}

const off = (c: Point, dx: number, dy: number): Point => ({ x: c.x + dx, y: c.y + dy });

/** A place, a cloth and sound neighbours for a seed. */
function settingOf(seed: number): Setting {
  const r = chance(seed);
  const c = { x: r.between(-25, 25), y: r.between(-20, 20) };
  const cloth = r.pick(CLOTHS);
  const before = [block({ x: -110, y: r.between(-20, 20) }, r.between(12, 24), r.between(12, 24), { thread: 'n1' })];
  const after = [bar({ x: 110, y: r.between(-20, 20) }, r.between(14, 26), r.between(3, 6), { thread: 'n2' })];
  return { r, c, cloth, job: (pieces, brief, more) => jobOf(cloth, [...before, ...pieces, ...after], brief, more) };
}

const cap = { cloth: 'cap', place: 'cap-front' } as const;
const starOf = (c: Point, r: number): string =>
  ringData(
    Array.from({ length: 10 }, (_, i) => {
      const a = (Math.PI * i) / 5 - Math.PI / 2;
      const mm = i % 2 ? 0.45 * r : r;
      return off(c, mm * Math.cos(a), mm * Math.sin(a));
    }),
  );

/** The plan with one cover stitch, so far along it, moved aside. */
function moved(plan: StitchPlan, share: number, mm: number): StitchPlan {
  const covers = [...plan.role.keys()].filter((i) => plan.role[i] === Role.cover && plan.command[i] === Command.stitch);
  const at = covers[Math.floor(share * covers.length)]!;
  return { ...plan, x: plan.x.map((x, i) => (i === at ? x + mm : x)) };
}

type Plant = (s: Setting) => Planted;

/** A block reaches about so much beyond its drawn sides, mm. */
const COMPENSATED_MM = 0.4;

/** For each rule how its fault is planted at random. */
export const PLANTS: Record<string, Plant> = {
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
  'tie-missing': ({ r, c, job }) => {
    const of = (tieOff?: false): Job => job([block(c, r.between(12, 20), 14, { settings: tieOff === false ? { tieOff } : {} })]);
    return { faulty: of(false), sound: of() };
  },
  'tie-doubled': ({ r, c, job }) => {
    const w = r.between(7, 10);
    const of = (tieWhen: 'always' | 'trims'): Job =>
      job([block(off(c, -w / 2, 0), w, 8), block(off(c, w / 2 + 0.4, 0), w, 8)], {}, { settings: { tieWhen } });
    return { faulty: of('always'), sound: of('trims') };
  },
  'tie-shown': ({ r, c, job }) => {
    const long = r.between(14, 30);
    const of = (tieShape: 'cross' | 'line'): Job => job([line(`M${c.x - long / 2},${c.y} h${long}`, { settings: { tieShape } })]);
    return { faulty: of('cross'), sound: of('line'), at: [off(c, -long / 2, 0), off(c, long / 2, 0)] };
  },
  'ties-piled': ({ r, c, job }) => {
    const w = r.between(6, 9);
    const at = { x: c.x - w / 2, y: c.y - 3 };
    const of = (n: number): Job =>
      job(
        Array.from({ length: n }, (_, k) =>
          block(c, w, 6, { thread: k % 2 ? 't2' : 't1', settings: { underlay: [] }, start: [at.x, at.y], end: [c.x + w / 2, c.y + 3] }),
        ),
      );
    return { faulty: of(r.whole(5, 6)), sound: of(1) };
  },
  'cap-order': ({ r }) => {
    const n = r.whole(4, 5);
    const up = Array.from({ length: n }, (_, k) => k);
    const of = (order: readonly number[], step: number): Job =>
      jobOf(
        'cap',
        order.map((k) => block({ x: 0, y: (step * (n - 1)) / 2 - k * step }, r.between(9, 14), 0.6 * step)),
        cap,
      );
    const tall = (from: number, to: number): Job =>
      jobOf('cap', [block({ x: 0, y: 0 }, 14, 44, { settings: { angle: 0 }, start: [0, from], end: [0, to] })], cap);
    // Pieces from the top down, bands of which each is a small step down, and one piece that is sewn downward.
    const way = r.whole(0, 2);
    if (way === 0) return { faulty: of(up.slice().reverse(), 15), sound: of(up, 15), measured: n - 1, within: 0 };
    if (way === 1) return { faulty: of(up.slice().reverse(), 8), sound: of(up, 8) };
    return { faulty: tall(-22, 22), sound: tall(22, -22), measured: 40, within: 4 };
  },
  'cap-too-tall': ({ r }) => {
    const h = r.between(64, 80);
    const of = (mm: number): Job => jobOf('cap', [block({ x: 0, y: 0 }, 12, mm)], cap);
    return { faulty: of(h), sound: of(r.between(30, 50)), measured: h, within: 2 };
  },
  'outline-late': ({ r, c, cloth }) => {
    const side = r.between(14, 20);
    const [ground, edge] = [block(c, side, side), frame(c, side, side, 2, { thread: 't2' })];
    const between = Array.from({ length: r.whole(5, 8) }, (_, k) => block({ x: -60 + 14 * k, y: c.y + 40 }, 8, 8));
    return {
      faulty: jobOf(cloth, [ground, ...between, edge]),
      sound: jobOf(cloth, [ground, edge, ...between]),
      measured: between.length,
      within: 0,
    };
  },
  'overlap-too-small': ({ r, c, job }) => {
    const [w, h] = [r.between(16, 26), r.between(16, 26)];
    const none = { settings: { pullComp: 0 } };
    const of = (by: number): Job =>
      job([block(off(c, -w / 2 + by / 2, 0), w + by, h, none), block(off(c, w / 2, 0), w, h, { ...none, thread: 't2' })]);
    return { faulty: of(0), sound: of(1.5), at: [off(c, 0, -h / 2), off(c, 0, h / 2)], measured: 0, within: 0.3 };
  },
  'unsewn-slot': ({ r, c, job }) => {
    const [w, h, slot] = [r.between(16, 26), r.between(16, 26), r.between(0.35, 0.7)];
    const none = { settings: { pullComp: 0 } };
    const of = (by: number): Job =>
      job([block(off(c, -w / 2, 0), w, h, none), block(off(c, w / 2 + by, 0), w, h, { ...none, thread: 't2' })]);
    return { faulty: of(slot), sound: of(-1.2), at: [off(c, 0, -h / 2), off(c, 0, h / 2)], measured: slot, within: 0.1 };
  },
  'opening-carved': ({ r, c, job }) => {
    const side = r.between(2.2, 3.8);
    const of = (s: number): Job =>
      job([
        area('fill', `M${c.x - 15},${c.y - 15} h30 v30 h-30 Z M${c.x - s / 2},${c.y - s / 2} v${s} h${s} v${-s} Z`),
        block(c, s, s, { thread: 't2' }),
      ]);
    return { faulty: of(side), sound: of(9), at: c, measured: side };
  },
  'section-hopping': ({ r }) => {
    const spots = [-140, 130].flatMap((x) => [-140, 100].map((y) => ({ x: x + r.between(-5, 5), y: y + r.between(-5, 5) })));
    const rows = [0, 1, 2, 3];
    const at = (i: number, k: number): Piece => block(off(spots[k]!, 0, 10 * i), 8, 8);
    return {
      faulty: jobOf(
        'twill',
        rows.flatMap((i) => spots.map((_, k) => at(i, k))),
      ),
      sound: jobOf(
        'twill',
        spots.flatMap((_, k) => rows.map((i) => at(i, k))),
      ),
    };
  },
  'same-direction-sections': ({ r }) => {
    const [angle, n, w] = [r.whole(0, 170), r.whole(3, 4), r.between(50, 60)];
    const of = (turn: number): Job =>
      jobOf(
        'twill',
        Array.from({ length: n }, (_, k) =>
          block({ x: -90 + w * k, y: 0 }, w, 60, { settings: { angle: (angle + (k % 2) * turn) % 180 } }),
        ),
      );
    return { faulty: of(0), sound: of(90), measured: n - 1, within: 0 };
  },
  'trim-avoidable': ({ r, c, job }) => {
    const w = r.between(7, 11);
    const [a, b] = [block(off(c, -w / 2, 0), w, 8), block(off(c, w / 2 + 0.4, 0), w, 8)];
    return { faulty: job([a, { ...b, approach: { how: 'trim' } }]), sound: job([a, b]) };
  },
  'stops-exceed-colours': ({ r, cloth }) => {
    const n = r.whole(4, 6);
    const at = (k: number, thread: string): Piece => block({ x: -70 + 12 * k, y: 0 }, 8, 8, { thread });
    const all = Array.from({ length: 2 * n }, (_, k) => k);
    return {
      faulty: jobOf(
        cloth,
        all.map((k) => at(k, k % 2 ? 'a' : 'b')),
      ),
      sound: jobOf(
        cloth,
        all.map((k) => at(k, k < n ? 'a' : 'b')),
      ),
      measured: 2 * n - 1,
      within: 0,
    };
  },
  'off-centre': ({ r, cloth }) => {
    const [x, y] = [r.between(6, 30), r.between(-20, 20)];
    const of = (c: Point): Job => jobOf(cloth, [block(c, 20, 20)]);
    return { faulty: of({ x, y }), sound: of({ x: 0, y: 0 }), at: { x, y }, measured: Math.hypot(x, y) };
  },
  'too-many-nodes': ({ r, c, job }) => {
    const n = r.whole(160, 240);
    const ring = (count: number, rough: number): string =>
      ringData(
        Array.from({ length: count }, (_, i) => {
          const a = (2 * Math.PI * i) / count;
          const mm = 10 + rough * (i % 2);
          return off(c, mm * Math.cos(a), mm * Math.sin(a));
        }),
      );
    return { faulty: job([area('fill', ring(n, 0.05))]), sound: job([block(c, 20, 20)]), measured: n, within: 2 };
  },
  'small-letter': ({ r, c, cloth }) => {
    const h = r.between(2.6, 3.8);
    const of = (mm: number): Job =>
      jobOf(
        cloth,
        [0, 1, 2].map((k) => area('fill', `M${c.x + k * 0.7 * mm},${c.y} h${0.4 * mm} v${mm} h${-0.4 * mm} Z`)),
      );
    return { faulty: of(h), sound: of(r.between(7, 14)), measured: h };
  },
  'cloth-mismatch': ({ r, c }) => {
    const wrong = r.pick([{ needle: '75/11 sharp' }, { topping: 'none' }, { speed: 1000 }]);
    return {
      faulty: jobOf('fleece', [block(c, 20, 20)], { recipe: { id: 'x', name: 'x', ...wrong } }),
      sound: jobOf('fleece', [block(c, 20, 20)]),
    };
  },
  'holes-crowded': ({ r, c, job }) => {
    const n = r.whole(6, 7);
    const of = (count: number): Job =>
      job(Array.from({ length: count }, () => block(c, 18, 18, { settings: { stitchLength: 1, underlay: [] } })));
    return { faulty: of(n), sound: of(1) };
  },
  'gap-forecast': ({ r, c }) => {
    const side = r.between(48, 60);
    const ground = (pullComp?: number): Piece =>
      block(c, side, side, { settings: { angle: 0, ...(pullComp === undefined ? {} : { pullComp }) } });
    const inlays = Array.from({ length: 8 }, (_, k) => block(off(c, -20 + k * 5.6, 0), 4.6, 36, { thread: 't2' }));
    const edge = frame(c, side, side, r.between(3, 5), { thread: 't3' });
    return { faulty: jobOf('jersey', [ground(0.1), ...inlays, edge]), sound: jobOf('jersey', [ground(), edge, ...inlays]) };
  },
};

export const plant = (rule: string, seed: number): Planted => PLANTS[rule]!(settingOf(seed));
