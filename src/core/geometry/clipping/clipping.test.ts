import { readFileSync } from 'node:fs';
import clipper2 from 'clipper2-wasm';
import type { Point, Ring } from '../point';
import { areaOf, subtract } from '../area';
import { clipping } from '.';
import { portableClipping } from './portable';
import type { Clipping, Outlines } from './library';

/** The setup of the tests has put the compiled library in use. */
const compiled = clipping();
const builds: [string, Clipping][] = [
  ['TypeScript', portableClipping],
  ['WebAssembly', compiled],
];

function random(seed: number): () => number {
  let s = seed;
  return () => (s = (s * 1103515245 + 12345) % 2147483648) / 2147483648;
}

const star = (next: () => number, at: Point, mm: number): Ring => {
  const n = 3 + Math.floor(next() * 30);
  return Array.from({ length: n }, (_, i) => {
    const [turn, r] = [(2 * Math.PI * i) / n, mm * (0.4 + next())];
    return { x: at.x + r * Math.cos(turn), y: at.y + r * Math.sin(turn) };
  });
};

const WAYS: Record<string, (by: Clipping, a: Outlines, b: Outlines, mm: number) => unknown> = {
  union: (by, a) => by.union(a, 'nonzero'),
  'even-odd': (by, a) => by.union(a, 'evenodd'),
  difference: (by, a, b) => by.difference(by.union(a, 'nonzero'), by.union(b, 'nonzero')),
  intersection: (by, a, b) => by.intersection(by.union(a, 'nonzero'), by.union(b, 'nonzero')),
  'grown round': (by, a, _, mm) => by.grown(by.union(a, 'nonzero'), mm, 'round', 'polygon', 4, 0.04),
  'grown to a point': (by, a, _, mm) => by.grown(by.union(a, 'nonzero'), mm, 'miter', 'polygon', 4, 0.01),
  'a closed line cut off at corners': (by, a) => by.grown(a, 1, 'bevel', 'joined', 4, 0.01),
  'a line with round ends': (by, a) => by.grown(a, 1, 'round', 'round', 4, 0.01),
  'a line with straight ends': (by, a) => by.grown(a, 1, 'miter', 'butt', 4, 0.01),
  'a line with square ends': (by, a) => by.grown(a, 1, 'miter', 'square', 4, 0.01),
  parts: (by, a, b) => by.parts(by.difference(by.union(a, 'nonzero'), by.union(b, 'nonzero'))),
  'lines within': (by, a, b) => by.linesWithin(b, by.union(a, 'nonzero')),
  'lines outside': (by, a, b) => by.linesOutside(b, by.union(a, 'nonzero')),
  simplified: (by, a) => by.simplified(a, 0.03),
};

/** One of them knows a zero with a sign. */
const withoutSigns = (value: unknown): unknown => JSON.parse(JSON.stringify(value)) as unknown;

test.each(Object.entries(WAYS))('both builds of the library give the same, to the last bit: %s', (_, way) => {
  const next = random(5);
  for (let k = 0; k < 200; k++) {
    const a = [star(next, { x: 0, y: 0 }, 10), star(next, { x: 5 * next(), y: 3 }, 8)];
    const b = [star(next, { x: 2, y: 1 }, 6), star(next, { x: -4, y: 2 }, 5)];
    const mm = (next() - 0.5) * 4;
    expect(withoutSigns(way(compiled, a, b, mm))).toEqual(withoutSigns(way(portableClipping, a, b, mm)));
  }
});

test('outlines that begin at one height are taken from the left by both', () => {
  const square = (x: number, y: number): Ring => [
    { x, y },
    { x: x + 2, y },
    { x: x + 2, y: y + 2 },
    { x, y: y + 2 },
  ];
  const row = [9, 3, 6, 0].map((x) => square(x, 0));
  for (const [, build] of builds)
    expect(build.union(row, 'nonzero').map((ring) => Math.min(...ring.map((p) => p.x)))).toEqual([0, 3, 6, 9]);
});

test.each(builds)('areas of known size come out so: %s', (_, by) => {
  const box = (x: number, y: number, w: number, h: number): Ring => [
    { x, y },
    { x: x + w, y },
    { x: x + w, y: y + h },
    { x, y: y + h },
  ];
  const next = random(11);
  for (let k = 0; k < 50; k++) {
    const [w, h, mm] = [4 + 6 * next(), 4 + 6 * next(), 0.2 + next()];
    const [a, b] = [[box(0, 0, w, h)], [box(w / 2, h / 2, w, h)]];
    expect(areaOf(by.union([...a, ...b], 'nonzero'))).toBeCloseTo(1.75 * w * h, 2);
    expect(areaOf(by.intersection(a, b))).toBeCloseTo((w * h) / 4, 2);
    expect(areaOf(by.difference(a, b))).toBeCloseTo(0.75 * w * h, 2);
    expect(areaOf(by.grown(a, mm, 'miter', 'polygon', 4, 0.01))).toBeCloseTo((w + 2 * mm) * (h + 2 * mm), 2);
    expect(Math.abs(areaOf(by.grown(a, mm, 'round', 'polygon', 4, 0.01)) - (w * h + 2 * mm * (w + h) + Math.PI * mm * mm))).toBeLessThan(
      0.1,
    );
    const holed = by.difference([box(0, 0, w, h)], [box(1, 1, w - 2, h - 2)]);
    const island = by.union([...holed, box(1.5, 1.5, 0.5, 0.5)], 'nonzero');
    expect(
      by
        .parts(island)
        .map((part) => part.length)
        .sort(),
    ).toEqual([1, 2]);
    expect(areaOf(subtract(island, holed))).toBeCloseTo(0.25, 2);
  }
});

test('the compiled library works where evaluating program text is forbidden, as on our pages', async () => {
  const evaluated = globalThis.Function;
  function forbidden(): never {
    throw new EvalError('forbidden');
  }
  globalThis.Function = forbidden as unknown as FunctionConstructor;
  try {
    expect(compiled.union([star(random(3), { x: 0, y: 0 }, 5)], 'nonzero').length).toBeGreaterThan(0);
    const bytes = readFileSync(require.resolve('clipper2-wasm/dist/umd/clipper2z.wasm'));
    const alone = clipper2({
      instantiateWasm(imports, done) {
        const instance = new WebAssembly.Instance(new WebAssembly.Module(bytes), imports);
        done(instance);
        return instance.exports;
      },
    });
    await expect(alone).rejects.toThrow('forbidden');
  } finally {
    globalThis.Function = evaluated;
  }
});
