import fc from 'fast-check';
import { clean, contains, offset } from '../../geometry/area';
import { dataToRings } from '../../geometry/path';
import { distance, type Area } from '../../geometry/point';
import { evenPull } from '../rules/pull';
import { fromUV, heightOf, nearestStretch, neighbours, scanRows } from './mesh';
import { straightRows } from './rowset';
import { connectedGroups, sewingOrder, splitSections } from './sections';
import { wayThrough } from './travel';

const RING = clean(dataToRings('M20,0 A20,20 0 1 1 -20,0 A20,20 0 1 1 20,0 Z M12,0 A12,12 0 1 0 -12,0 A12,12 0 1 0 12,0 Z'), 'evenodd');
const COMB = clean(dataToRings('M-20,-10 H20 V10 H16 V-4 H10 V10 H6 V-4 H0 V10 H-4 V-4 H-10 V10 H-14 V-4 H-20 Z'), 'evenodd');

const sectionsOf = (area: Area) =>
  splitSections(straightRows(scanRows(area, 0, 0.4), { stitchLengthMm: 3.5, pull: evenPull(0), staggerOf: () => 0 }));

test('rows of a rectangle: one stretch each, its full width, the spacing apart', () => {
  const mesh = scanRows(clean(dataToRings('M-10,-5 H10 V5 H-10 Z'), 'nonzero'), 0, 0.5);
  expect(mesh.count).toBe(20);
  for (let i = 0; i < mesh.count; i++) expect(mesh.u1[i]! - mesh.u0[i]!).toBeCloseTo(20, 6);
});

test('a ring splits into four sections that hang together', () => {
  const sections = sectionsOf(RING);
  expect(sections).toHaveLength(4);
  expect(connectedGroups(sections)).toHaveLength(1);
});

test('the sewing order takes every section once, and the chosen one last', () => {
  const sections = sectionsOf(COMB);
  for (let last = 0; last < sections.length; last++) {
    for (const atTop of [true, false]) {
      const order = sewingOrder(sections, last, atTop);
      expect(order.map((l) => l.section).sort((a, b) => a - b)).toEqual(sections.map((_, i) => i));
      expect(order[order.length - 1]!.section).toBe(last);
    }
  }
});

test('neighbours are mutual', () => {
  const mesh = scanRows(COMB, 30, 0.4);
  for (let i = 0; i < mesh.count; i++) for (const j of neighbours(mesh, i, 1)) expect(neighbours(mesh, j, -1)).toContain(i);
});

test('ways between any two places stay inside the area', () => {
  const spot = fc.record({ angle: fc.integer({ min: 0, max: 359 }), radius: fc.integer({ min: 130, max: 190 }) });
  const wide = offset(RING, 0.35);
  const mesh = scanRows(RING, 25, 0.4);
  const place = ({ angle, radius }: { angle: number; radius: number }) => ({
    x: (radius / 10) * Math.cos((angle * Math.PI) / 180),
    y: (radius / 10) * Math.sin((angle * Math.PI) / 180),
  });
  fc.assert(
    fc.property(spot, spot, (a, b) => {
      const way = wayThrough(mesh, place(a), place(b));
      expect(way).not.toBeNull();
      expect(way![0]).toEqual(place(a));
      expect(way![way!.length - 1]).toEqual(place(b));
      way!.slice(1).forEach((q, i) => {
        const p = way![i]!;
        for (let t = 0; t <= 1; t += 0.1) expect(contains(wide, { x: p.x + (q.x - p.x) * t, y: p.y + (q.y - p.y) * t })).toBe(true);
      });
    }),
    { seed: 13, numRuns: 60 },
  );
});

test('a way is not much longer than it must be', () => {
  const mesh = scanRows(clean(dataToRings('M-20,-20 H20 V20 H-20 Z'), 'nonzero'), 0, 0.4);
  const way = wayThrough(mesh, { x: -15, y: -15 }, { x: 15, y: 15 })!;
  const length = way.slice(1).reduce((s, p, i) => s + distance(p, way[i]!), 0);
  expect(length).toBeLessThan(Math.hypot(30, 30) * 1.1);
});

test('parts that do not touch have no way between them', () => {
  const two = clean(dataToRings('M0,0 H5 V5 H0 Z M20,0 H25 V5 H20 Z'), 'nonzero');
  expect(wayThrough(scanRows(two, 0, 0.4), { x: 2, y: 2 }, { x: 22, y: 2 })).toBeNull();
});

test('the nearest stretch to a point is found, inside or out', () => {
  const mesh = scanRows(RING, 0, 0.4);
  for (const p of [
    { x: 15, y: 1 },
    { x: 0, y: 0 },
    { x: 40, y: 3 },
    { x: 0, y: -50 },
  ]) {
    const away = (i: number): number => {
      const v = heightOf(mesh, mesh.row[i]!);
      const u = Math.min(mesh.u1[i]!, Math.max(mesh.u0[i]!, p.x));
      return distance(fromUV(mesh.frame, u, v), p);
    };
    const all = Array.from({ length: mesh.count }, (_, i) => away(i));
    expect(away(nearestStretch(mesh, p))).toBeCloseTo(Math.min(...all), 6);
  }
});
