import fc from 'fast-check';
import { jobOf, piece } from '../pieces/fixtures';
import { Planner } from '../plan/planner';
import { InputError } from './errors';
import { parseJob } from './schema';
import { withSettings } from './settings';

const job = jobOf([
  piece('fill', { area: 'M-10,-10 H10 V10 H-10 Z' }, { spacing: 0.4, angle: 30, underlay: [{ kind: 'lattice', spacing: 2.5 }] }),
  piece('satin', { line: 'M-10,15 L10,15', width: 3, start: [-10, 15], thread: 't2' }, { pullComp: 0.2 }),
  piece('run', { line: 'M-10,20 L10,20' }, { style: 'bean', passes: 3 }),
]);

/** Paths to every value of a record. */
const pathsOf = (value: unknown, path: (string | number)[] = []): (string | number)[][] =>
  typeof value === 'object' && value !== null ? [path, ...Object.entries(value).flatMap(([k, v]) => pathsOf(v, [...path, k]))] : [path];
const PATHS = pathsOf(job).filter((p) => p.length > 0);

function replacedAt(path: readonly (string | number)[], value: unknown): unknown {
  const copy = structuredClone(job) as unknown as Record<string | number, unknown>;
  const last = path[path.length - 1]!;
  const parent = path.slice(0, -1).reduce<Record<string | number, unknown>>((o, k) => o[k] as Record<string | number, unknown>, copy);
  if (value === undefined) delete parent[last];
  else parent[last] = value;
  return copy;
}

const odd = fc.oneof(
  fc.constantFrom<unknown>(
    undefined,
    null,
    '',
    'x',
    -1,
    0,
    1e9,
    NaN,
    Infinity,
    true,
    [],
    {},
    [[]],
    'M0,0',
    'M0,0 L1e400,3 Z',
    '__proto__',
    '#zzzzzz',
  ),
  fc.string(),
  fc.double(),
);

test('whatever stands in a record, it is refused in words, or what is taken can be sewn', () => {
  let taken = 0;
  fc.assert(
    fc.property(fc.constantFrom(...PATHS), odd, (path, value) => {
      let read;
      try {
        read = parseJob(replacedAt(path, value));
      } catch (error) {
        expect(error).toBeInstanceOf(InputError);
        expect((error as InputError).message).toMatch(/[.]$/);
        return;
      }
      taken++;
      const plan = new Planner().plan(read);
      expect(plan.x.every(Number.isFinite)).toBe(true);
      expect(plan.pieces).toHaveLength(read.pieces.length);
    }),
    { seed: 61, numRuns: 600 },
  );
  expect(taken).toBeGreaterThan(20);
});

test('settings taken back leave no trace', () => {
  expect(withSettings({ spacing: 0.4, angle: 30 }, { spacing: undefined, pullComp: 0.2 })).toEqual({ angle: 30, pullComp: 0.2 });
});
