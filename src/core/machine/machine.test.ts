import fc from 'fast-check';
import { jobOf, piece } from '../pieces/fixtures';
import { runSeconds } from '../plan/measure';
import { planned } from '../production/fixtures';
import { writeCsv } from '../formats/csv';
import { Command } from '../stitches/roles';
import { advance } from './advance';
import { parseAsked } from './command';
import { asked, jobIn, PATCH, readyMachine, sewnTimes, stitchesIn } from './fixtures';
import { happen } from './happen';
import { readJob } from './jobFile';
import { logOf, statusOf } from './status';
import { freshMachine, type MachineState } from './state';

const MINUTE = 60_000;
const toTheEnd = (state: MachineState): MachineState => advance(state, 1e9).state;
const csvOf = (made: ReturnType<typeof planned>): string =>
  writeCsv(
    made.plan,
    made.job.threads.map((t) => t.id),
  );

test('a job is sewn from its first event to its last, each once, in the time that the plan foretells', () => {
  const start = asked(readyMachine(), { do: 'start' });
  const end = toTheEnd(start);
  const { job } = end;
  const { times, inOrder } = sewnTimes(end.entries, job!.list.x.length);
  expect(end.condition).toBe('done');
  expect(times.every((n) => n === 1)).toBe(true);
  expect(inOrder).toBe(true);
  const count = (c: number): number => PATCH.plan.command.reduce((n, v) => n + (v === c ? 1 : 0), 0);
  const foretold = runSeconds({ stitches: count(Command.stitch), trims: count(Command.trim), stops: count(Command.stop) }, 800);
  expect(end.t / 1000).toBeCloseTo(foretold, 3);
});

test('however its time is cut up, the same is sewn', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 1, max: 90_000 }), { minLength: 3, maxLength: 30 }), (ticks) => {
      const whole = advance(
        asked(readyMachine(), { do: 'start' }),
        ticks.reduce((a, b) => a + b, 0),
      ).state;
      let cut = asked(readyMachine(), { do: 'start' });
      for (const ms of ticks) cut = advance(cut, ms).state;
      expect(Math.abs(cut.next - whole.next)).toBeLessThanOrEqual(1);
      expect(cut.condition).toBe(whole.condition);
    }),
    { seed: 4, numRuns: 30 },
  );
});

test('with breaks, strikes, empty bobbins, pauses and lost power in the middle every stitch is sewn once, in order', () => {
  const job = jobIn();
  const thing = fc.constantFrom('pause', 'thread-break', 'bobbin-end', 'needle-strike', 'power-loss');
  fc.assert(
    fc.property(
      fc.array(fc.tuple(thing, fc.integer({ min: 10, max: 40_000 })), { maxLength: 12 }),
      fc.integer({ min: 0, max: 60 }),
      (things, breaks) => {
        let state = asked(readyMachine(job), { do: 'setup', setup: { breaks: { perTenThousand: breaks, seed: 7 }, bobbinStitches: 400 } });
        const goOn = (): void => {
          if (state.condition === 'off') state = asked(state, { do: 'power-on' });
          if (state.condition === 'faulty') state = asked(state, { do: 'mend' });
          if (state.condition !== 'done') state = asked(state, { do: 'resume' });
        };
        for (const [what, ms] of things) {
          goOn();
          state = advance(state, ms).state;
          if (what === 'pause') state = asked(state, { do: 'pause' });
          else if (state.condition === 'sewing' || what === 'power-loss') state = asked(state, { do: 'fault', fault: what });
        }
        for (let k = 0; k < 400 && state.condition !== 'done'; k++) {
          goOn();
          state = advance(state, 1e9).state;
        }
        expect(state.condition).toBe('done');
        const { times, inOrder } = sewnTimes(state.entries, job.list.x.length);
        expect(times.every((n) => n === 1)).toBe(true);
        expect(inOrder).toBe(true);
      },
    ),
    { seed: 8, numRuns: 60 },
  );
});

test('a machine that reads its journal again stands where it stood', () => {
  const job = jobIn();
  let state = asked(readyMachine(job), { do: 'start' });
  state = advance(state, MINUTE).state;
  state = asked(asked(state, { do: 'fault', fault: 'thread-break' }), { do: 'mend' });
  let again = freshMachine('m', state.profile, state.setup);
  for (const entry of state.entries) again = happen(again, entry, job);
  expect({ ...again, owed: 0 }).toEqual({ ...state, owed: 0 });
});

test('a broken thread is noticed a few stitches late, and those are sewn again', () => {
  let state = advance(asked(readyMachine(), { do: 'start' }), MINUTE / 4).state;
  const at = state.next;
  expect(state.job!.list.command[at]).toBe(Command.stitch);
  state = asked(state, { do: 'fault', fault: 'thread-break' });
  const broke = state.entries.find((e) => e.what === 'broke')!;
  expect(broke).toMatchObject({ at, fault: 'thread-break' });
  expect(broke.what === 'broke' && broke.noticed).toBeGreaterThan(at);
  expect(() => asked(state, { do: 'resume' })).toThrow(/thread broke/);
  expect(asked(asked(state, { do: 'mend' }), { do: 'resume' }).next).toBe(at);
});

test('an empty bobbin stops it after its stitches, a full one goes on', () => {
  let state = asked(readyMachine(), { do: 'setup', setup: { bobbinStitches: 150 } });
  state = toTheEnd(asked(state, { do: 'start' }));
  expect(state.condition).toBe('faulty');
  expect(statusOf(state)).toMatchObject({ fault: 'bobbin-end', job: { sewn: 150 } });
  const full = asked(state, { do: 'mend' });
  expect(full.bobbinLeft).toBe(150);
});

test('back n stitches, and on from there: the log tells that they were asked for twice', () => {
  let state = asked(advance(asked(readyMachine(), { do: 'start' }), MINUTE).state, { do: 'pause' });
  const { next } = state;
  state = asked(state, { do: 'back', stitches: 10 });
  expect(next - state.next).toBeGreaterThanOrEqual(10);
  const end = toTheEnd(asked(state, { do: 'resume' }));
  const twice = sewnTimes(end.entries, end.job!.list.x.length).times.filter((n) => n === 2).length;
  expect(twice).toBe(next - state.next);
  expect(end.entries.some((e) => e.what === 'moved')).toBe(true);
});

test('it goes to the stretch of a stop, and names how many there are when there is none', () => {
  const state = asked(readyMachine(), { do: 'go-to-stop', stop: 2 });
  expect(state.next).toBe(state.job!.stretches[1]!.from);
  expect(() => asked(state, { do: 'go-to-stop', stop: 99 })).toThrow(/3 stretches/);
});

test('it starts only after the outline was traced, and traces only what the frame lets pass', () => {
  const job = jobIn();
  const untraced = { ...readyMachine(job), traced: false, condition: 'loaded' as const };
  expect(() => asked(untraced, { do: 'start' })).toThrow(/[Tt]race/);
  const small = asked(untraced, { do: 'setup', setup: { hoop: { width: 34, height: 60, shape: 'rect' } } });
  expect(() => asked(small, { do: 'trace' })).toThrow(/hit the frame at the (left|right): \d/);
  const round = asked(untraced, { do: 'setup', setup: { hoop: { width: 36, height: 36, shape: 'round' } } });
  expect(() => asked(round, { do: 'trace' })).toThrow(/rim/);
});

test('what is too large, or has stitches that are too long, is refused with both figures', () => {
  expect(() => readyMachine(jobIn(), { field: { width: 20, height: 300, shape: 'rect' } })).toThrow(/20 x 300/);
  const long = planned(jobOf([piece('run', { line: 'M0,0 H30' })]));
  const csv = csvOf(long).replace(/^(\d+\.\d+),0\.000,stitch,cover/m, '29.000,0.000,stitch,cover');
  expect(() => readyMachine(jobIn(`x_mm,y_mm,command,role,piece,thread\n0,0,stitch,cover,p,t\n29,0,stitch,cover,p,t\n`))).toThrow(
    /29\.0 mm/,
  );
  expect(csv).toContain('29.000');
});

test('one needle waits at each change of thread, several with their threads on them do not; for cloth all wait', () => {
  const one = toTheEnd(asked(readyMachine(jobIn(), {}, []), { do: 'start' }));
  expect(one.condition).toBe('waiting');
  expect(statusOf(one).says).toMatch(/t2/);
  const goesOn = toTheEnd(asked(one, { do: 'resume' }));
  expect(goesOn.condition).toBe('waiting');
  expect(toTheEnd(asked(goesOn, { do: 'resume' })).condition).toBe('done');
  const laid = jobIn(csvOf(planned(jobOf([piece('applique', { area: 'M0,0 h20 v20 h-20 Z', width: 3 })]))));
  const waits = toTheEnd(asked(readyMachine(laid), { do: 'start' }));
  expect(statusOf(waits).says).toMatch(/hand/);
});

test('asking twice does no harm', () => {
  const started = asked(readyMachine(), { do: 'start' });
  expect(asked(started, { do: 'start' })).toEqual(started);
  const paused = asked(started, { do: 'pause' });
  expect(asked(paused, { do: 'pause' })).toEqual(paused);
});

test('the log has what a sew-out wants to know', () => {
  const end = toTheEnd(asked(readyMachine(), { do: 'start' }));
  expect(logOf(end)).toMatchObject({ cobbleMachineLog: 1, breaks: 0, condition: 'done', job: { stitches: stitchesIn(end.job!) } });
});

test.each([
  null,
  3,
  'start',
  [],
  {},
  { do: 'fly' },
  { do: 'back' },
  { do: 'back', stitches: -1 },
  { do: 'start', more: 1 },
  { do: 'setup', setup: { speed: 1e9 } },
])('what it does not understand is refused: %j', (data) => {
  expect(() => parseAsked(data)).toThrow(/nothing that the machine understands/);
});

test('motion words are read by the machine’s own words', () => {
  const text = 'G21\nG90\nT2\nG0 X1 Y2\nG1 X1 Y2\nM5\nG1 X3 Y2\nM5\nM6\nM2\n';
  const job = readJob(text, { format: 'gcode', name: 'x', words: { needle: 'M5', trim: 'M6', stop: 'M0' } });
  expect(job).toMatchObject({ stitches: 2, trims: 1, box: { minX: 1, maxX: 3, minY: -2, maxY: -2 } });
});
