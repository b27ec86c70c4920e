import { dataToRings } from '../geometry/path';
import { meetingsOf, shortMeetings } from './overlaps';
import { constrained, drawnPath } from './drawn';

const area = (d: string) => dataToRings(d);
const box = (x: number, w = 10) => area(`M${x},0 h${w} v20 h${-w} Z`);

describe('where neighbours meet', () => {
  it('an overlap is told by its mean depth, a gap by its least width', () => {
    // A strip of 1 by 20 has twice its area over its rim: 40 / 42.
    expect(meetingsOf([box(0), box(9)])[0]!.overlapMm).toBeCloseTo(40 / 42, 2);
    const [gap] = meetingsOf([box(0), box(10.4)]);
    expect(gap!.overlapMm).toBeCloseTo(-0.4, 3);
    expect(gap!.at.x).toBeCloseTo(10.2, 3);
  });

  it('far ones do not meet, and what lies on another is no neighbour', () => {
    expect(meetingsOf([box(0), box(12)])).toEqual([]);
    expect(meetingsOf([box(0, 30), box(5, 4)])).toEqual([]);
    expect(meetingsOf([box(0), []])).toEqual([]);
  });

  it('the worst come first, and those that overlap enough are left out', () => {
    const all = meetingsOf([box(0), box(9), box(18.9), box(29.2)]);
    expect(all).toHaveLength(3);
    expect(shortMeetings(all, 0.5).map((m) => [m.a, m.b])).toEqual([
      [2, 3],
      [1, 2],
    ]);
  });
});

describe('a line drawn node by node', () => {
  const at = (x: number, y: number, curve = false) => ({ at: { x, y }, curve });

  it('is straight between corners', () => {
    const [line] = drawnPath([at(0, 0), at(10, 0), at(10, 10)], false);
    expect(line!.segments).toEqual([{ to: { x: 10, y: 0 } }, { to: { x: 10, y: 10 } }]);
    expect(line!.closed).toBe(false);
  });

  it('goes smoothly through a curve node: both handles lie on one line', () => {
    const [line] = drawnPath([at(0, 0), at(10, 4, true), at(22, 0)], false);
    const [into, out] = [line!.segments[0]!.c2!, line!.segments[1]!.c1!];
    const cross = (10 - into.x) * (out.y - 4) - (4 - into.y) * (out.x - 10);
    expect(cross).toBeCloseTo(0, 6);
    expect(out.x).toBeGreaterThan(10);
  });

  it('a closed one comes back to its start; less than two nodes are no line', () => {
    const [ring] = drawnPath([at(0, 0), at(10, 0), at(5, 8)], true);
    expect(ring!.segments[2]!.to).toEqual({ x: 0, y: 0 });
    expect(drawnPath([at(0, 0)], false)).toEqual([]);
  });

  it('held to steps of 15 degrees it keeps its length', () => {
    for (const [x, y, degrees] of [
      [10, 1, 0],
      [10, 3, 15],
      [3, 10, 75],
      [-9, 10, 135],
    ] as const) {
      const p = constrained({ x: 2, y: 3 }, { x: 2 + x, y: 3 + y });
      expect(Math.hypot(p.x - 2, p.y - 3)).toBeCloseTo(Math.hypot(x, y), 6);
      expect((Math.atan2(p.y - 3, p.x - 2) * 180) / Math.PI).toBeCloseTo(degrees, 6);
    }
  });
});
