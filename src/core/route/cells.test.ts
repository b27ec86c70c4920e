import { at, box } from './itemFixtures';
import { CELL_MM, cellOf, centreOf, sharedCells, spansAlong, spansOf, type Spans } from './cells';
import { random } from '../units/random';

const cellsOf = (spans: Spans): string[] => {
  const out: string[] = [];
  for (let i = 0; i < spans.length; i += 3) for (let c = spans[i + 1]!; c <= spans[i + 2]!; c++) out.push(`${spans[i]},${c}`);
  return out.sort();
};
describe('cells', () => {
  it('lie about the hoop’s centre, half a millimetre each', () => {
    expect([cellOf(0), cellOf(0.49), cellOf(0.5), cellOf(-0.01), cellOf(-0.5), cellOf(-0.51)]).toEqual([0, 0, 1, -1, -1, -2]);
    for (const cell of [-7, -1, 0, 3, 40]) {
      expect(cellOf(centreOf(cell))).toBe(cell);
      expect(centreOf(cell + 1) - centreOf(cell)).toBeCloseTo(CELL_MM, 9);
    }
    expect(centreOf(0)).toBe(0.25);
  });

  it('of an area are those whose centre lies in it', () => {
    expect(cellsOf(spansOf(box(0, 0, 1.5, 1)))).toEqual(['0,0', '0,1', '0,2', '1,0', '1,1', '1,2']);
    // Its hole is left out; what reaches less than half into a cell is not counted.
    const ring = [...box(0, 0, 2), ...box(0.5, 0.5, 1)];
    expect(cellsOf(spansOf(ring))).toHaveLength(12);
    expect(cellsOf(spansOf(box(0.3, 0.3, 0.4)))).toEqual([]);
  });

  it('of a line are all that it passes through', () => {
    expect(cellsOf(spansAlong([[at(0.25, 0.25), at(2.25, 0.25)]]))).toEqual(['0,0', '0,1', '0,2', '0,3', '0,4']);
    expect(cellsOf(spansAlong([[at(0.25, 0.25)]]))).toEqual([]);
    const next = random(6);
    for (let run = 0; run < 40; run++) {
      const line = Array.from({ length: 3 }, () => at(40 * next() - 20, 40 * next() - 20));
      const found = new Set(cellsOf(spansAlong([line])));
      for (let i = 1; i < line.length; i++) {
        for (let k = 0; k <= 50; k++) {
          const p = at(
            line[i - 1]!.x + ((line[i]!.x - line[i - 1]!.x) * k) / 50,
            line[i - 1]!.y + ((line[i]!.y - line[i - 1]!.y) * k) / 50,
          );
          // A place may lie right at a corner of cells, which the line only touches.
          const inside = [p.x, p.y].every((v) => Math.abs(v / CELL_MM - Math.round(v / CELL_MM)) > 0.25);
          if (inside) expect(found).toContain(`${cellOf(p.y)},${cellOf(p.x)}`);
        }
      }
      // Each cell touches the one before it.
      const spans = spansAlong([line]);
      for (let i = 3; i < spans.length; i += 3) {
        expect(Math.max(Math.abs(spans[i]! - spans[i - 3]!), Math.abs(spans[i + 1]! - spans[i - 2]!))).toBe(1);
      }
    }
  });

  it('that two areas share are counted, whatever their runs', () => {
    const next = random(9);
    for (let run = 0; run < 60; run++) {
      const any = () => [
        ...box(10 * next(), 10 * next(), 1 + 6 * next(), 1 + 6 * next()),
        ...box(20 + 10 * next(), 10 * next(), 4 * next()),
      ];
      const [a, b] = [spansOf(any()), spansOf(any())];
      const own = new Set(cellsOf(a));
      expect(sharedCells(a, b)).toBe(cellsOf(b).filter((c) => own.has(c)).length);
      expect(sharedCells(b, a)).toBe(sharedCells(a, b));
    }
    expect(sharedCells(spansOf(box(0, 0, 2)), spansOf(box(2, 0, 2)))).toBe(0);
  });
});
