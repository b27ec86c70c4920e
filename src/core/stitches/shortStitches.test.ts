import fc from 'fast-check';
import { StitchBuffer } from './buffer';
import { Command, Role } from './roles';
import { shortOnes } from './shortStitches';

type Event = [x: number, y: number, role: number, command?: number];
const laid = (...events: Event[]): StitchBuffer => {
  const out = new StitchBuffer();
  for (const [x, y, role, command] of events) out.push(x, y, role, command);
  return out;
};
const left = (out: StitchBuffer, from = 0): [number, number][] => {
  out.leaveOut(shortOnes(out.columns(), from));
  const { x, y } = out.columns();
  return Array.from(x, (v, i) => [Math.round(v * 100) / 100, Math.round(y[i]! * 100) / 100]);
};
const { cover, travel, tie, underlay } = Role;

describe('penetrations without which no stitch is too short', () => {
  it('a way gives up its last one for what it leads to, and its first one for what it comes from', () => {
    expect(left(laid([0, 0, cover], [1, 0, travel], [2, 0, travel], [2.2, 0, underlay], [4, 0, underlay]))).toEqual([[0, 0], [1, 0], [2.2, 0], [4, 0]]); // prettier-ignore
    expect(left(laid([0, 0, cover], [2, 0, cover], [2, 0.3, travel], [2, 2, travel]))).toEqual([[0, 0], [2, 0], [2, 2]]); // prettier-ignore
  });

  it('stays where the stitch would be longer than a way may be, and where it is exactly the shortest', () => {
    const far: Event[] = [[0, 0, cover], [3.4, 0, travel], [3.6, 0, underlay], [5, 0, underlay]]; // prettier-ignore
    expect(left(laid(...far))).toHaveLength(4);
    const shortest: Event[] = [[0, 0, cover], [2, 0, travel], [2.4, 0, underlay], [4, 0, underlay]]; // prettier-ignore
    expect(left(laid(...shortest))).toHaveLength(4);
  });

  it('a row that ends beside the one before it is left out, in cover and before a way', () => {
    const rows: Event[] = [[0, 0, cover], [2, 0.2, cover], [2, 0.4, cover], [0, 0.4, cover]]; // prettier-ignore
    expect(left(laid(...rows))).toEqual([[0, 0], [2, 0.2], [0, 0.4]]); // prettier-ignore
    expect(left(laid([0, 0, cover], [2, 0, cover], [2, 0.2, cover], [3, 0, travel]))).toHaveLength(3);
  });

  it('leaves alone ties, foundation, the first and the last of a thread, and what was there before', () => {
    expect(left(laid([0, 0, tie], [0.2, 0, tie], [0, 0, tie]))).toHaveLength(3);
    expect(left(laid([0, 0, underlay], [0.2, 0, underlay], [2, 0, underlay]))).toHaveLength(3);
    expect(left(laid([0, 0, travel], [0.2, 0, cover], [2, 0, cover]))).toHaveLength(3);
    expect(left(laid([0, 0, cover], [2, 0, cover], [2.2, 0, travel], [2.2, 0, travel, Command.trim]))).toHaveLength(4);
    expect(left(laid([0, 0, cover], [2, 0, travel], [2.2, 0, cover], [4, 0, cover]), 3)).toHaveLength(4);
  });

  it('keeps the places where threads change', () => {
    const out = laid([0, 0, cover], [1, 0, travel], [1.2, 0, cover], [3, 0, cover]);
    out.threadFrom('t2');
    out.push(5, 0, cover, Command.jump);
    out.leaveOut(shortOnes(out.columns(), 0));
    expect(out.columns().threads).toEqual([{ at: 3, thread: 't2' }]);
  });

  it('never makes what is too long or moves anything, whatever is laid', () => {
    const event = fc.tuple(fc.integer({ min: 0, max: 30 }), fc.integer({ min: 0, max: 30 }), fc.constantFrom(cover, travel, underlay, tie));
    fc.assert(
      fc.property(fc.array(event, { maxLength: 40 }), (events) => {
        const out = laid(...events.map(([x, y, role]): Event => [x / 10, y / 10, role]));
        const before = out.columns();
        const gone = shortOnes(before, 0);
        out.leaveOut(gone);
        const after = out.columns();
        const kept = Array.from(before.x.keys()).filter((i) => !gone.has(i));
        expect([...after.x]).toEqual(kept.map((i) => before.x[i]));
        expect([...after.role]).toEqual(kept.map((i) => before.role[i]));
        expect([...gone].every((i) => before.role[i] === cover || before.role[i] === travel)).toBe(true);
        const short = (c: typeof before): number =>
          Array.from(c.x.keys()).filter((i) => i > 0 && Math.hypot(c.x[i]! - c.x[i - 1]!, c.y[i]! - c.y[i - 1]!) < 0.399).length;
        expect(short(after)).toBeLessThanOrEqual(short(before));
      }),
      { seed: 3 },
    );
  });
});
