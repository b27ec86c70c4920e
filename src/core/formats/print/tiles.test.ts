import fc from 'fast-check';
import { roomOf, sheetsFor } from './tiles';

const side = fc.double({ min: 5, max: 900, noNaN: true });

test('sheets show all of a box at real size, each within its paper, sharing ten millimetres with their neighbours; no fewer would do', () => {
  fc.assert(
    fc.property(side, side, fc.constantFrom('a4' as const, 'letter' as const), (w, h, paper) => {
      const box = { minX: -w / 3, minY: 7, maxX: w - w / 3, maxY: 7 + h };
      const room = roomOf(paper);
      const sheets = sheetsFor(box, paper);
      const columns = Math.max(...sheets.map((s) => s.column)) + 1;
      const rows = Math.max(...sheets.map((s) => s.row)) + 1;
      expect(sheets).toHaveLength(columns * rows);
      for (const s of sheets) {
        expect(s.maxX - s.minX).toBeLessThanOrEqual(room.width + 1e-9);
        expect(s.maxY - s.minY).toBeLessThanOrEqual(room.height + 1e-9);
        const right = sheets.find((o) => o.row === s.row && o.column === s.column + 1);
        const below = sheets.find((o) => o.column === s.column && o.row === s.row + 1);
        if (right) expect(s.maxX - right.minX).toBeCloseTo(10, 6);
        else expect(s.maxX).toBeCloseTo(box.maxX, 6);
        if (below) expect(s.maxY - below.minY).toBeCloseTo(10, 6);
        else expect(s.maxY).toBeCloseTo(box.maxY, 6);
      }
      // One column fewer, each sharing ten with the next, would be too short.
      if (columns > 1) expect((columns - 1) * room.width - (columns - 2) * 10).toBeLessThan(w + 1e-9);
      if (rows > 1) expect((rows - 1) * room.height - (rows - 2) * 10).toBeLessThan(h + 1e-9);
    }),
    { numRuns: 300 },
  );
});
