import fc from 'fast-check';
import { emptyJob } from '../document/job';
import { patch } from '../production/fixtures';
import { DEFAULT_PROFILE } from '../document/shop/profile';
import type { StitchPlan } from '../plan/plan';
import { Command } from '../stitches/roles';
import { CSV_HEADER, writeCsv } from './csv';
import { writeGcode } from './gcode';
import { readCsv } from './readCsv';
import { readGcode } from './readGcode';
import { writeThreadList } from './threadList';

const place = fc.oneof(
  fc.integer({ min: -600_000, max: 600_000 }).map((v) => Math.fround(v * 0.001)),
  fc.constantFrom(0, -0, 0.001, -0.001, 599.999, -599.999, 600, -600, 0.1, -0.05),
);
const event = fc.record({
  x: place,
  y: place,
  command: fc.constantFrom(Command.stitch, Command.stitch, Command.stitch, Command.jump),
  role: fc.integer({ min: 0, max: 3 }),
  piece: fc.integer({ min: 0, max: 2 }),
  thread: fc.integer({ min: 0, max: 2 }),
});
const NAMES = ['p1', '=1+1', 'a,"b" ü'];
const planOf = (events: readonly fc.Arbitrary<never>[] | readonly Record<string, number>[]): StitchPlan => {
  const e = events as readonly Record<string, number>[];
  return {
    x: Float32Array.from(e, (v) => v['x']!),
    y: Float32Array.from(e, (v) => v['y']!),
    command: Uint8Array.from(e, (v) => v['command']!),
    role: Uint8Array.from(e, (v) => v['role']!),
    piece: Uint16Array.from(e, (v) => v['piece']!),
    thread: Uint8Array.from(e, (v) => v['thread']!),
    pieces: NAMES.map((id) => ({ id }) as StitchPlan['pieces'][number]),
  };
};
const plain = (v: Float32Array): number[] => Array.from(v, (n) => (n === 0 ? 0 : n));

test('a stitch list reads back as it was written, at the ends of the field and with any names', () => {
  fc.assert(
    fc.property(fc.array(event, { minLength: 1, maxLength: 60 }), (events) => {
      const plan = planOf(events);
      const threads = ['t1', '-t2', 'тре́д'];
      const back = readCsv(writeCsv(plan, threads));
      expect(plain(back.x)).toEqual(plain(plan.x));
      expect(plain(back.y)).toEqual(plain(plan.y));
      expect([...back.command]).toEqual([...plan.command]);
      expect([...back.role]).toEqual([...plan.role]);
      expect(Array.from(back.piece, (p) => back.pieces[p])).toEqual(Array.from(plan.piece, (p) => NAMES[p]));
      expect(Array.from(back.thread, (t) => back.threads[t])).toEqual(Array.from(plan.thread, (t) => threads[t]));
    }),
    { seed: 13, numRuns: 120 },
  );
});

test('motion words read back to the same places, commands and threads', () => {
  const words = { needle: 'M12', trim: 'M13.1', stop: 'M5' };
  const job = {
    ...emptyJob('x', 'A (name) % with; signs'),
    threads: ['a', 'b', 'c'].map((id) => ({ id, code: id, name: 'M2', hex: '#000000', weight: 40 })),
  };
  fc.assert(
    fc.property(fc.array(event, { minLength: 1, maxLength: 60 }), (events) => {
      const plan = planOf(events);
      const back = readGcode(writeGcode(job, plan, words), words);
      expect(plain(back.x)).toEqual(plain(plan.x));
      expect(plain(back.y)).toEqual(plain(plan.y));
      expect([...back.command]).toEqual([...plan.command]);
      expect(Array.from(back.thread, (t) => back.threads[t])).toEqual(Array.from(plan.thread, (t) => `T${t + 1}`));
    }),
    { seed: 14, numRuns: 120 },
  );
});

test('a whole job reads back from both, cuts, stops and end too', () => {
  const { job, plan } = patch();
  const csv = readCsv(
    writeCsv(
      plan,
      job.threads.map((t) => t.id),
    ),
  );
  const gcode = readGcode(writeGcode(job, plan));
  for (const back of [csv, gcode]) {
    expect([...back.command]).toEqual([...plan.command]);
    expect(plain(back.x)).toEqual(plain(plan.x));
    expect(plain(back.y)).toEqual(plain(plan.y));
  }
});

test('inches, relative moves, words of several forms and comments are understood', () => {
  const text = '%\nG20 G91 (inches)\nT1\nG00 X1. Y0 ; away\nG01 X0.5\nM101\nG1 Y.5 M101\nM102\nM30\nG1 X99\n';
  const { x, y, command } = readGcode(text, DEFAULT_PROFILE.words);
  expect(Array.from(x, (v) => Math.round(v * 1000) / 1000)).toEqual([25.4, 38.1, 38.1, 38.1, 38.1]);
  expect(Array.from(y, (v) => Math.round(v * 1000) / 1000)).toEqual([0, 0, -12.7, -12.7, -12.7]);
  expect([...command]).toEqual([Command.jump, Command.stitch, Command.stitch, Command.trim, Command.end]);
});

test('the thread list is one row a colour, with names that no spreadsheet runs', () => {
  const need = {
    code: 'Q1',
    name: '=Moss, dark',
    hex: '#335533',
    weight: 40,
    metres: 12.345,
    perHeadM: 12.345,
    onConeM: 5000,
    heads: 1,
    cones: 2,
  };
  expect(writeThreadList([need])).toBe('code,name,hex,weight,metres,cones\nQ1,"\'=Moss, dark",#335533,40,12.3,2\n');
});

test.each([
  ['', /first row/],
  ['a,b\n1,2', /first row/],
  [`${CSV_HEADER}\n`, /no stitches/],
  [`${CSV_HEADER}\n1,2,stitch`, /row 2 has 3 cells/],
  [`${CSV_HEADER}\n,2,stitch,cover,p,t`, /row 2 has no place/],
  [`${CSV_HEADER}\nNaN,2,stitch,cover,p,t`, /row 2/],
  [`${CSV_HEADER}\n1e9,2,stitch,cover,p,t`, /row 2/],
  [`${CSV_HEADER}\n1,2,sew,cover,p,t`, /‘sew’/],
  [`${CSV_HEADER}\n1,2,stitch,top,p,t`, /‘top’/],
])('a stitch list that is none is refused with the row: %j', (text, why) => {
  expect(() => readCsv(text)).toThrow(why);
});

test.each([
  ['', /no stitches/],
  ['hello', /line 1/],
  ['G1 X', /line 1/],
  ['G21\nG1 X99999 Y0\nM101', /line 2/],
  ['('.repeat(5000), /longer/],
])('motion words that are none are refused with the line: %j', (text, why) => {
  expect(() => readGcode(text)).toThrow(why);
});
