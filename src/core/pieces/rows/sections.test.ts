import fc from 'fast-check';
import { clean, contains } from '../../geometry/area';
import type { Area } from '../../geometry/point';
import { fromUV, heightOf, neighbours, nearestStretch, rowRange, scanRows, toU, toV } from './mesh';
import { connectedGroups, sewingOrder, splitSections } from './sections';

const coordinate = fc.double({ min: -15, max: 15, noNaN: true });
const ring = fc.array(fc.record({ x: coordinate, y: coordinate }), { minLength: 3, maxLength: 8 });
/** Areas of one or two rings that may cross each other: with holes, bays, islands and needles. */
const someArea = fc.tuple(ring, ring).map((rings): Area => clean(rings, 'evenodd'));
const angle = fc.constantFrom(0, 17, 45, 90, 133);
const meshOf = (area: Area, degrees: number) => scanRows(area, degrees, 0.8);

describe('rows of an area', () => {
  it('lie inside it and reach from edge to edge', () => {
    fc.assert(
      fc.property(someArea, angle, (area, degrees) => {
        const mesh = meshOf(area, degrees);
        for (let i = 0; i < mesh.count; i++) {
          const v = heightOf(mesh, mesh.row[i]!);
          const [a, b] = [mesh.u0[i]!, mesh.u1[i]!];
          for (const t of [0.02, 0.3, 0.5, 0.7, 0.98]) expect(contains(area, fromUV(mesh.frame, a + t * (b - a), v))).toBe(true);
          for (const u of [a - 0.002, b + 0.002]) expect(contains(area, fromUV(mesh.frame, u, v))).toBe(false);
        }
      }),
      { seed: 31, numRuns: 80 },
    );
  });

  it('neighbours overlap, whichever is asked', () => {
    fc.assert(
      fc.property(someArea, angle, (area, degrees) => {
        const mesh = meshOf(area, degrees);
        for (let i = 0; i < mesh.count; i++) {
          for (const j of neighbours(mesh, i, 1)) {
            expect(mesh.row[j]).toBe(mesh.row[i]! + 1);
            expect(Math.min(mesh.u1[i]!, mesh.u1[j]!)).toBeGreaterThan(Math.max(mesh.u0[i]!, mesh.u0[j]!));
            expect(neighbours(mesh, j, -1)).toContain(i);
          }
          const [from, to] = rowRange(mesh, mesh.row[i]!);
          expect(i >= from && i < to).toBe(true);
        }
      }),
      { seed: 32, numRuns: 60 },
    );
  });

  it('a place is nearest to the stretch that it lies on', () => {
    const mesh = meshOf([[{ x: 0, y: 0 }, { x: 20, y: 0 }, { x: 20, y: 10 }, { x: 0, y: 10 }]], 30); // prettier-ignore
    for (let i = 0; i < mesh.count; i += 3) {
      const p = fromUV(mesh.frame, (mesh.u0[i]! + mesh.u1[i]!) / 2, heightOf(mesh, mesh.row[i]!));
      expect(nearestStretch(mesh, p)).toBe(i);
      expect(toU(mesh.frame, p)).toBeCloseTo((mesh.u0[i]! + mesh.u1[i]!) / 2, 9);
      expect(toV(mesh.frame, p)).toBeCloseTo(heightOf(mesh, mesh.row[i]!), 9);
    }
  });
});

describe('sections', () => {
  const sectionsOf = (area: Area, degrees: number) => {
    const mesh = meshOf(area, degrees);
    const rows = { count: mesh.count, neighbours: (i: number, step: 1 | -1) => neighbours(mesh, i, step) };
    return { mesh, rows, sections: splitSections(rows) };
  };

  it('hold every row once, and go on without a branch', () => {
    fc.assert(
      fc.property(someArea, angle, (area, degrees) => {
        const { mesh, rows, sections } = sectionsOf(area, degrees);
        expect(sections.flatMap((s) => s.stretches).sort((a, b) => a - b)).toEqual([...Array(mesh.count).keys()]);
        for (const { stretches } of sections) {
          stretches.slice(1).forEach((row, k) => {
            expect(rows.neighbours(row, -1)).toEqual([stretches[k]]);
            expect(rows.neighbours(stretches[k]!, 1)).toEqual([row]);
          });
        }
        sections.forEach((s, i) => s.below.forEach((j) => expect(sections[j]!.above).toContain(i)));
      }),
      { seed: 33, numRuns: 80 },
    );
  });

  it('of one group are all sewn once, each towards the one that it was reached from, and the chosen one last', () => {
    fc.assert(
      fc.property(someArea, angle, fc.nat(), fc.boolean(), (area, degrees, pick, top) => {
        const { sections } = sectionsOf(area, degrees);
        for (const group of connectedGroups(sections)) {
          const last = group[pick % group.length]!;
          const legs = sewingOrder(sections, last, top);
          expect(legs.map((l) => l.section).sort((a, b) => a - b)).toEqual([...group].sort((a, b) => a - b));
          expect(legs[legs.length - 1]).toEqual({ section: last, downwards: !top });
          legs.slice(0, -1).forEach(({ section, downwards }, k) => {
            // It ends at a door to a section that is sewn later: whatever the needle crosses there is covered then.
            const doors = downwards ? sections[section]!.below : sections[section]!.above;
            const later = new Set(legs.slice(k + 1).map((l) => l.section));
            expect(doors.some((d) => later.has(d))).toBe(true);
          });
        }
      }),
      { seed: 34, numRuns: 80 },
    );
  });

  it('a row that shall begin a section does', () => {
    const { rows } = sectionsOf([[{ x: 0, y: 0 }, { x: 9, y: 0 }, { x: 9, y: 9 }, { x: 0, y: 9 }]], 0); // prettier-ignore
    expect(splitSections(rows)).toHaveLength(1);
    const split = splitSections(rows, 4);
    expect(split.map((s) => s.stretches[0])).toEqual([0, 4]);
    expect(split[1]!.above).toEqual([0]);
  });
});
