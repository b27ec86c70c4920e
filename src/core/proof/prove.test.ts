import { contextOf } from './contextFixtures';
import { prove } from './prove';

const box = (x: number, y: number, w: number, h: number): string => `M${x},${y} h${w} v${h} h${-w} Z`;

test('findings of a whole job come gravest first, accepted ones with their reason, and tell how far they are', () => {
  const { job } = contextOf([{ area: box(95, 0, 10, 4) }, { area: box(0, 0, 0.5, 20) }]);
  const told: number[] = [];
  const found = prove(job, undefined, undefined, undefined, (done) => told.push(done));
  const rank = found.map((f) => ['stop', 'warn', 'note'].indexOf(f.severity));
  expect(rank).toEqual(rank.slice().sort((a, b) => a - b));
  expect(found.map((f) => f.rule)).toEqual(expect.arrayContaining(['outside-hoop', 'line-too-thin']));
  expect(told[told.length - 1]).toBe(1);
  expect(told.every((v, k) => v > (told[k - 1] ?? 0))).toBe(true);
  const [first] = found;
  const lived = prove({ ...job, accepted: [{ rule: first!.rule, pieces: first!.pieces, reason: 'the long frame' }] });
  expect(lived.filter((f) => f.accepted !== undefined).map((f) => [f.rule, f.accepted])).toEqual([[first!.rule, 'the long frame']]);
  const other = prove({ ...job, accepted: [{ rule: first!.rule, pieces: ['p1'], reason: 'not this one' }] });
  expect(other.every((f) => f.accepted === undefined)).toBe(true);
});
