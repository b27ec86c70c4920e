import fc from 'fast-check';
import { bareTravels } from './hidden';
import { Command, Role } from './roles';

type Event = [x: number, y: number, role: number, command?: number];

const planOf = (events: readonly Event[]) => ({
  x: Float32Array.from(events, (e) => e[0]),
  y: Float32Array.from(events, (e) => e[1]),
  role: Uint8Array.from(events, (e) => e[2]),
  command: Uint8Array.from(events, (e) => e[3] ?? Command.stitch),
  piece: Uint16Array.from(events, () => 0),
});
const way: Event[] = [
  [0, 0, Role.travel],
  [3, 0, Role.travel],
  [6, 0, Role.travel],
];
/** Rows from x = 0 to `to`, 0.4 apart, about the way. */
const rows = (to: number): Event[] =>
  [-0.8, -0.4, 0, 0.4, 0.8].flatMap((y, k): Event[] => [
    [k % 2 ? to : 0, y, Role.cover, k === 0 ? Command.jump : Command.stitch],
    [k % 2 ? 0 : to, y, Role.cover],
  ]);

test('a travel that nothing covers shows in its whole length', () => {
  const [bare] = bareTravels(planOf(way));
  expect(bare!.lengthMm).toBeCloseTo(6, 0);
  expect(bare!.at.x).toBeCloseTo(3, 0);
});

test('rows sewn later hide it; rows sewn before do not', () => {
  expect(bareTravels(planOf([...way, ...rows(7)]))).toEqual([]);
  const before = bareTravels(planOf([...rows(7), ...way]));
  expect(before.reduce((s, b) => s + b.lengthMm, 0)).toBeGreaterThan(5);
});

test('only the part outside later rows shows', () => {
  const [bare] = bareTravels(planOf([...way, ...rows(4)]));
  expect(bare!.lengthMm).toBeGreaterThan(1.4);
  expect(bare!.lengthMm).toBeLessThan(2.2);
  expect(bare!.at.x).toBeGreaterThan(4);
});

test('a jump is no travel, and cover that is too open hides nothing', () => {
  expect(
    bareTravels(
      planOf([
        [0, 0, Role.cover],
        [0, 0, Role.travel, Command.trim],
        [9, 0, Role.travel, Command.jump],
        [9, 1, Role.cover],
      ]),
    ),
  ).toEqual([]);
  expect(bareTravels(planOf([...way, ...rows(7)]), () => false)).toHaveLength(1);
});

describe('held against looking at every place', () => {
  const away = (px: number, py: number, ax: number, ay: number, bx: number, by: number): number => {
    const [dx, dy] = [bx - ax, by - ay];
    const t = Math.max(0, Math.min(1, ((px - ax) * dx + (py - ay) * dy) / (dx * dx + dy * dy || 1)));
    return Math.hypot(px - ax - t * dx, py - ay - t * dy);
  };
  type Plan = ReturnType<typeof planOf>;
  const isStitch = (p: Plan, i: number): boolean => i > 0 && p.command[i] === Command.stitch && p.command[i - 1] === Command.stitch;
  /** Length of travel, in stretches, that no later cover stitch comes within `reach` of. */
  const seenLength = (p: Plan, reach: number): Map<number, number> => {
    const out = new Map<number, number>();
    let from = -1;
    for (let i = 1; i < p.x.length; i++) {
      if (!isStitch(p, i) || p.role[i] !== Role.travel) {
        from = -1;
        continue;
      }
      if (from < 0) from = i;
      const length = Math.hypot(p.x[i]! - p.x[i - 1]!, p.y[i]! - p.y[i - 1]!);
      const steps = Math.ceil(length / 0.02);
      for (let k = 0; k < steps; k++) {
        const t = (k + 0.5) / steps;
        const [px, py] = [p.x[i - 1]! + (p.x[i]! - p.x[i - 1]!) * t, p.y[i - 1]! + (p.y[i]! - p.y[i - 1]!) * t];
        let hidden = false;
        for (let j = i + 1; j < p.x.length && !hidden; j++) {
          if (isStitch(p, j) && p.role[j] === Role.cover) hidden = away(px, py, p.x[j - 1]!, p.y[j - 1]!, p.x[j]!, p.y[j]!) < reach;
        }
        if (!hidden) out.set(from, (out.get(from) ?? 0) + length / steps);
      }
    }
    return out;
  };
  const place = fc.tuple(fc.double({ min: -4, max: 4, noNaN: true }), fc.double({ min: 30, max: 36, noNaN: true }));
  const event = fc.record({
    at: place,
    role: fc.constantFrom(Role.travel, Role.cover, Role.cover, Role.underlay),
    command: fc.constantFrom(Command.stitch, Command.stitch, Command.stitch, Command.stitch, Command.jump, Command.trim),
  });

  it('a stretch shows as much as lies clear of later cover', () => {
    fc.assert(
      fc.property(fc.array(event, { minLength: 3, maxLength: 14 }), (events) => {
        const plan = planOf(events.map((e): Event => [e.at[0], e.at[1], e.role, e.command]));
        const found = new Map(bareTravels(plan).map((b) => [b.from, b]));
        // A cell and its neighbours: cover nearer than a fifth hides, farther than three cells across never does.
        const [most, least] = [seenLength(plan, 0.19), seenLength(plan, 0.58)];
        for (const from of new Set([...most.keys(), ...least.keys(), ...found.keys()])) {
          const bare = found.get(from)?.lengthMm ?? 0;
          expect(bare).toBeLessThanOrEqual((most.get(from) ?? 0) + 0.3);
          if ((least.get(from) ?? 0) > 1.2) expect(bare).toBeGreaterThan((least.get(from) ?? 0) * 0.8 - 0.5);
        }
        for (const { at, from, to } of found.values()) {
          const nearest = Math.min(
            ...Array.from({ length: to - from + 1 }, (_, k) => from + k).map((i) =>
              away(at.x, at.y, plan.x[i - 1]!, plan.y[i - 1]!, plan.x[i]!, plan.y[i]!),
            ),
          );
          expect(nearest).toBeLessThan(0.01);
        }
      }),
      { seed: 21, numRuns: 400 },
    );
  });
});

test('a glimpse is not told; what is a little longer is, with its piece', () => {
  const shown = (length: number) => {
    const plan = planOf([[0, 0, Role.travel], [length, 0, Role.travel]]); // prettier-ignore
    plan.piece.fill(7);
    return bareTravels(plan);
  };
  expect(shown(0.59)).toEqual([]);
  const [bare] = shown(0.61);
  expect(bare).toMatchObject({ piece: 7, from: 1, to: 1 });
  expect(bare!.lengthMm).toBeCloseTo(0.6, 3);
});
