import fc from 'fast-check';
import { putEdge, RowCrossings } from './rowCrossings';

test('a row through corners meets an outline an even number of times, however its height is rounded', () => {
  const box = fc.record({
    spacing: fc.double({ min: 0.05, max: 0.7, noNaN: true }),
    phase: fc.double({ min: -40, max: 40, noNaN: true }),
    rows: fc.array(fc.integer({ min: -200, max: 200 }), { minLength: 2, maxLength: 6 }),
  });
  fc.assert(
    fc.property(box, ({ spacing, phase, rows }) => {
      const corners = rows.map((row, i) => ({ x: i * 1.3, y: row * spacing + phase }));
      const edges = new Float64Array(4 * corners.length);
      corners.forEach((p, i) => {
        const q = corners[(i + 1) % corners.length]!;
        putEdge(edges, 4 * i, p.x, p.y, q.x, q.y);
      });
      const { from } = new RowCrossings(edges, { spacing, phase });
      expect(Array.from(from).filter((first, row) => row > 0 && (first - from[row - 1]!) % 2 !== 0)).toEqual([]);
    }),
    { seed: 5, numRuns: 300 },
  );
});
