import fc from 'fast-check';
import { bestSchedule, naiveSchedule, type Queue, type Schedule } from './schedule';

interface Made {
  minutes: (number | null)[][];
  due: number[];
  setting: string[];
  setUp: number;
}

const queueOf = ({ minutes, due, setting, setUp }: Made): Queue => ({
  jobs: due.map((d, i) => ({ id: `j${i}`, name: `Job ${i}`, due: d, setting: setting[i]! })),
  machines: minutes[0]!.map((_, m) => ({ id: `m${m}`, name: `Machine ${m}` })),
  minutes: (j, m) => minutes[j]![m]!,
  setUp,
});

const some = (most: number): fc.Arbitrary<Made> =>
  fc.integer({ min: 1, max: most }).chain((n) =>
    fc.integer({ min: 1, max: 2 }).chain((machines) =>
      fc.record({
        minutes: fc
          .array(fc.array(fc.integer({ min: 5, max: 200 }), { minLength: machines, maxLength: machines }), { minLength: n, maxLength: n })
          // One machine takes everything; another may not.
          .map((rows): (number | null)[][] => rows.map((row, i) => row.map((v, m) => (m === 1 && (v + i) % 5 === 0 ? null : v)))),
        due: fc.array(fc.oneof(fc.integer({ min: 20, max: 500 }), fc.constant(Infinity)), { minLength: n, maxLength: n }),
        setting: fc.array(fc.constantFrom('a', 'b'), { minLength: n, maxLength: n }),
        setUp: fc.constantFrom(0, 10, 25),
      }),
    ),
  );

/** Lateness and end of every line-up there is, worked out on its own. */
function leastOfAll({ minutes, due, setting, setUp }: Made): { late: number; ends: number } {
  const machines = minutes[0]!.length;
  let best = { late: Infinity, ends: Infinity };
  const put = (left: number[], at: number[], last: (string | null)[], late: number): void => {
    if (late > best.late) return;
    if (left.length === 0) {
      const ends = Math.max(...at);
      if (late < best.late || ends < best.ends) best = { late, ends };
      return;
    }
    for (const j of left)
      for (let m = 0; m < machines; m++) {
        const own = minutes[j]![m]!;
        if (own === null) continue;
        const to = at[m]! + (last[m] === setting[j] ? 0 : setUp) + own;
        const more = Math.max(0, to - due[j]!);
        put(
          left.filter((l) => l !== j),
          at.with(m, to),
          last.with(m, setting[j]!),
          late + more,
        );
      }
  };
  put(
    minutes.map((_, j) => j),
    Array<number>(machines).fill(0),
    Array<null>(machines).fill(null),
    0,
  );
  return best;
}

const sound = (queue: Queue, schedule: Schedule): void => {
  const placed = schedule.slots.map((s) => s.job);
  expect(new Set(placed).size).toBe(placed.length);
  expect(placed.length + schedule.unplaced.length).toBe(queue.jobs.length);
  for (let m = 0; m < queue.machines.length; m++) {
    const own = schedule.slots.filter((s) => s.machine === m).sort((a, b) => a.from - b.from);
    own.forEach((s, i) => {
      expect(s.from).toBeGreaterThanOrEqual(i === 0 ? 0 : own[i - 1]!.to);
      expect(s.to - s.sews).toBe(queue.minutes(s.job, m));
    });
  }
};

test('of up to five jobs on up to two machines the line-up is as good as the best of all there are', () => {
  fc.assert(
    fc.property(some(5), (made) => {
      const queue = queueOf(made);
      const best = bestSchedule(queue);
      sound(queue, best);
      const least = leastOfAll(made);
      expect(best.lateMinutes).toBeCloseTo(least.late, 6);
      expect(best.ends).toBeCloseTo(least.ends, 6);
    }),
    { numRuns: 60, seed: 3 },
  );
});

test('of many jobs it is never worse than taking them as they came', () => {
  fc.assert(
    fc.property(some(14), (made) => {
      const queue = queueOf(made);
      const [naive, best] = [naiveSchedule(queue), bestSchedule(queue)];
      sound(queue, naive);
      sound(queue, best);
      expect(best.lateMinutes).toBeLessThanOrEqual(naive.lateMinutes + 1e-6);
      if (best.lateMinutes > naive.lateMinutes - 1e-6) expect(best.ends).toBeLessThanOrEqual(naive.ends + 1e-6);
    }),
    { numRuns: 25, seed: 5 },
  );
});

test('a job that is due comes before long ones that came earlier; jobs of one setting lie together', () => {
  const queue = queueOf({
    minutes: [[200], [60], [50], [60]],
    due: [Infinity, 500, 60, 500],
    setting: ['a', 'b', 'a', 'b'],
    setUp: 10,
  });
  expect(naiveSchedule(queue).lateJobs).toBe(1);
  const best = bestSchedule(queue);
  expect(best.lateJobs).toBe(0);
  expect(best.slots[0]!.job).toBe(2);
  expect(best.ends).toBe(370 + 2 * 10);
});

test('a job that no machine can sew is named, the others are sewn', () => {
  const queue = queueOf({ minutes: [[null], [30]], due: [100, 100], setting: ['a', 'a'], setUp: 0 });
  const best = bestSchedule(queue);
  expect(best.unplaced).toEqual([0]);
  expect(best.slots.map((s) => s.job)).toEqual([1]);
});
