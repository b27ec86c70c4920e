import type { Job, Piece } from '../../src/core/document/types';
import type { Point } from '../../src/core/geometry/point';
import { area, block, frame, jobOf, line, ringData } from './made';
import { cap, off, type Plant } from './plant';

/** Faults of ties, of the order and of the work as a whole, by rule. */
export const OF_WORK: Record<string, Plant> = {
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
  'cap-brim': ({ r }) => {
    const [h, room] = [r.between(12, 30), r.between(0.7, 1.3)];
    const hoop = { width: 130, height: 60, shape: 'rect' } as const;
    const of = (mm: number): Job => jobOf('cap', [block({ x: r.between(-20, 20), y: 30 - mm - h / 2 }, 14, h)], { ...cap, hoop });
    return { faulty: of(room), sound: of(r.between(4, 16)), measured: room, within: 0.5 };
  },
  'cap-seam': ({ r }) => {
    const height = r.between(9, 20);
    // The stem that it begins with stands so far from the middle of the cap.
    const of = (from: number): Job =>
      jobOf('cap', [{ id: '', name: 'Text', kind: 'lettering', thread: 't1', settings: {}, lettering: { text: 'Bell', face: r.pick(['treadle', 'bobbin']), height, at: [from + 0.98 * height, height / 2] } }], cap); // prettier-ignore
    return { faulty: of(r.between(-1.2, 0.4)), sound: of(r.pick([-14, 8])) };
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
    const side = r.between(52, 60);
    const ground = (pullComp?: number): Piece =>
      block(c, side, side, { settings: { angle: 0, ...(pullComp === undefined ? {} : { pullComp }) } });
    const inlays = Array.from({ length: 8 }, (_, k) => block(off(c, -20 + k * 5.6, 0), 4.6, 36, { thread: 't2' }));
    const edge = frame(c, side, side, r.between(3, 5), { thread: 't3' });
    return { faulty: jobOf('jersey', [ground(0.1), ...inlays, edge]), sound: jobOf('jersey', [ground(), edge, ...inlays]) };
  },
};
