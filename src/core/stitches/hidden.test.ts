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
