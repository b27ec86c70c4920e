import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import type { Lettering, Piece } from '../../../document/types';
import { contains, offset, ringArea, strokeArea } from '../../../geometry/area';
import { distanceTo } from '../../../geometry/line';
import { boundsOf, distance, mix, type Point } from '../../../geometry/point';
import { readFont } from '../../../lettering/outline/readFont';
import { FACES, signsOf } from '../../../lettering/faces';
import { Planner } from '../../../plan/planner';
import { coverageOf } from '../../../stitches/coverage';
import { Command, Role } from '../../../stitches/roles';
import { jobOf, piece } from '../../fixtures';
import { prepareShape } from '../../registry';
import { piecesApart } from '../piecesApart';
import { placedLetters } from '../placed';

type Style = NonNullable<Lettering['style']>;
const lettered = (text: string, style: Style | undefined, over: Partial<Lettering> = {}, settings: Piece['settings'] = {}): Piece =>
  piece('lettering', { lettering: { text, face: 'treadle', height: 10, ...(style ? { style } : {}), ...over } }, settings);
const sewn = (...pieces: Piece[]) => {
  const job = jobOf(pieces, 'pique');
  const plan = new Planner().plan({ ...job, brief: { ...job.brief, hoop: { width: 400, height: 400, shape: 'rect' } } });
  const all = Array.from(plan.x.keys());
  const at = (i: number): Point => ({ x: plan.x[i]!, y: plan.y[i]! });
  const stitches = all.filter((i) => i > 0 && plan.command[i] === Command.stitch && plan.command[i - 1] === Command.stitch);
  const count = (command: number): number => all.filter((i) => plan.command[i] === command).length;
  return { plan, at, stitches, trims: count(Command.trim), stops: count(Command.stop) };
};
/** What is sewn over a text, as the area that its thread covers. */
const threadOf = ({ at, stitches }: ReturnType<typeof sewn>, widthMm: number) =>
  strokeArea(
    stitches.map((i) => [at(i - 1), at(i)]),
    false,
    { widthMm, cap: 'round', join: 'round', miterLimit: 2 },
  );
const LETTERS = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789'];

describe.each(['line', 'outline', 'fill'] as const)('letters as %s', (style) => {
  it('take one cut for any word of twenty at 9 mm', () => {
    for (const { key: face } of FACES)
      fc.assert(
        fc.property(fc.array(fc.constantFrom(...LETTERS), { minLength: 20, maxLength: 20 }), (letters) => {
          expect([face, letters.join(''), sewn(lettered(letters.join(''), style, { face, height: 9 })).trims]).toEqual([
            face,
            letters.join(''),
            1,
          ]);
        }),
        { numRuns: 2, seed: 3 },
      );
  });

  it('go where single letters begin', () => {
    const { plan, at, stitches } = sewn(lettered('Hill', style, { direction: 'right-to-left' }));
    const cover = stitches.filter((i) => plan.role[i] === Role.cover);
    expect(at(cover[0]!).x).toBeGreaterThan(at(cover[cover.length - 1]!).x);
  });

  it('have letters in other threads', () => {
    const job = jobOf([lettered('Ho', style, { letters: { 1: { thread: 't2' } } })], 'pique');
    const plan = new Planner().plan({
      ...job,
      threads: [...job.threads, { ...job.threads[0]!, id: 't2', name: 'Other', hex: '#aa2222' }],
    });
    expect(new Set(Array.from(plan.thread)).size).toBe(2);
  });
});

const ROUND_DOTS = /[ij!?.:;…·'"\u0308\u0307]/;

describe('a line along the middle', () => {
  it('is sewn along every stroke of every letter, and nowhere else but between parts', () => {
    for (const face of ['treadle', 'gable'])
      for (const sign of signsOf().filter((_, i) => face === 'treadle' || i % 4 === 0)) {
        const p = lettered(sign, 'line', { face, height: 20 }, { style: 'double', stitchLength: 1 });
        const { at, stitches, plan } = sewn(p);
        const sewnLine = { at, stitches, plan, trims: 0, stops: 0 };
        const [near, aboutDots] = [threadOf(sewnLine, 1.2), threadOf(sewnLine, 2.6)];
        for (const { letter } of placedLetters(p)) {
          const middles = letter.columns.flatMap((c) => c.track.left.map((l, i) => mix(l, c.track.right[i]!, 0.5)));
          // What lies under another stroke needs no line of its own; round dots goes a ring.
          const missed = middles.filter((m) => !contains(ROUND_DOTS.test(sign.normalize('NFD')) ? aboutDots : near, m));
          expect([face, sign, missed.length <= 0.06 * middles.length]).toEqual([face, sign, true]);
          const wide = offset(letter.painted, 0.1);
          const outside = stitches.filter((i) => plan.role[i] === Role.cover && !contains(wide, mix(at(i - 1), at(i), 0.5)));
          expect([face, sign, outside.every((i) => distance(at(i - 1), at(i)) <= 4.2)]).toEqual([face, sign, true]);
        }
      }
  });

  it('is shorter for lower letters, and a bean where that is wanted', () => {
    const length = (height: number): number => {
      const { at, stitches } = sewn(lettered('I', 'line', { height }));
      return Math.max(...stitches.map((i) => distance(at(i - 1), at(i))));
    };
    expect(length(5)).toBeLessThan(length(20));
    const bold = (style: 'double' | 'bean'): number => sewn(lettered('HO', 'line', {}, { style })).stitches.length;
    expect(bold('bean')).toBeGreaterThan(1.5 * bold('double'));
  });
});

/** Stitches that lie off some lines: their middles farther from them than a hair. */
const offLines = ({ at, stitches }: ReturnType<typeof sewn>, lines: readonly (readonly Point[])[]): number[] =>
  stitches.filter((i) => lines.every((line) => distanceTo(line, mix(at(i - 1), at(i), 0.5)) > 0.2)).map((i) => distance(at(i - 1), at(i)));

describe('what is sewn off the lines', () => {
  const outlined = ['slab', 'hand', 'book', 'poster'].map(
    (face) => [face, readFont(new Uint8Array(readFileSync(`public/faces/${face}.ttf`)), face)] as const,
  );
  const texts: Lettering[] = [
    ...FACES.map((f): Lettering => ({ text: 'x', face: f.key, height: 14 })),
    ...outlined.map(([face, font]): Lettering => ({ text: 'x', face, height: 14, outlines: font.outlinesFor([...LETTERS, '&'].join('')) })),
  ];

  it('inside a letter are ways between its parts, none longer than they are apart, each out and back', () => {
    for (const text of texts)
      for (const sign of [...'BR8iaegjÅ&Q4']) {
        const p = lettered(sign, 'outline', { ...text, text: sign, style: 'outline' });
        const rings = placedLetters(p).flatMap(({ letter }) => letter.painted.map((ring) => [...ring, ring[0]!]));
        const off = offLines(sewn(p), rings);
        const sum = off.reduce((a, b) => a + b, 0);
        expect([text.face, sign, sum <= 2 * 4.2 * Math.max(0, rings.length - 1)]).toEqual([text.face, sign, true]);
        expect([text.face, sign, off.every((mm) => mm <= 4.2)]).toEqual([text.face, sign, true]);
      }
  });

  it('makes a ring of every dot, wherever the way to it begins', () => {
    for (const text of texts)
      for (const sign of [...'ij!ä']) {
        const p = lettered(sign, 'line', { ...text, text: sign, style: 'line' });
        const { at, stitches, plan } = sewn(p);
        const covers = stitches.filter((i) => plan.role[i] === Role.cover).map(at);
        for (const ring of placedLetters(p).flatMap(({ letter }) => letter.painted)) {
          const box = boundsOf([ring]);
          const [wide, high] = [box.maxX - box.minX, box.maxY - box.minY];
          // Neither slivers nor openings nor what is no dot.
          if (ringArea(ring) < 0.5 || wide > 4 || high > 4 || high > 1.6 * wide || wide > 1.6 * high) continue;
          const inside = boundsOf([covers.filter((q) => contains([ring], q))]);
          const sides = [(inside.maxX - inside.minX) / wide, (inside.maxY - inside.minY) / high];
          expect([text.face, sign, sides.every((s) => s > 0.4 && s < 1)]).toEqual([text.face, sign, true]);
        }
      }
  });

  it('is nothing where the school cuts between all letters', () => {
    for (const style of ['line', 'outline'] as const) {
      const job = jobOf([lettered('i8', style, { height: 14 })], 'pique');
      const plan = new Planner().plan({ ...job, settings: { lettering: 'clean' } });
      const count = Array.from(plan.command).filter((c) => c === Command.trim).length;
      // i and its dot; 8 is one line of middles, and three round its edges.
      expect([style, count]).toEqual([style, style === 'line' ? 3 : 5]);
    }
  });

  it('the dot of i is as wide as high; what is farther off than the shop cuts is cut to', () => {
    const { at, stitches } = sewn(lettered('i', 'line', { height: 8 }));
    const points = stitches.map(at);
    const top = Math.min(...points.map((p) => p.y));
    const wide = points.filter((p) => p.y < top + 1).map((p) => p.x);
    expect(Math.max(...wide) - Math.min(...wide)).toBeGreaterThan(0.5);
    expect(sewn(lettered('i', 'line', { height: 8 })).trims).toBe(1);
    expect(sewn(lettered(':', 'line', { height: 6 })).trims).toBe(1);
    expect(sewn(lettered(':', 'line', { height: 40 })).trims).toBe(2);
  });
});

describe('an outline', () => {
  it('goes round everything that a letter paints, openings too', () => {
    for (const sign of [...'ABO8ig&%']) {
      const p = lettered(sign, 'outline', { height: 18 }, { stitchLength: 0.8 });
      const done = sewn(p);
      const near = threadOf(done, 0.6);
      for (const { letter } of placedLetters(p))
        for (const ring of letter.painted) {
          const missed = ring.filter((q) => !contains(near, q));
          expect([sign, missed.length]).toEqual([sign, 0]);
        }
    }
  });
});

describe('a fill', () => {
  it('covers its letters in one direction', () => {
    const p = lettered('AS8', 'fill', { height: 30 }, { underlay: [], pullComp: 0 });
    const { plan, at, stitches } = sewn(p);
    const { painted } = prepareShape(p)!;
    expect(coverageOf(painted, plan, 0.12, painted).covered).toBeGreaterThan(0.97);
    const long = stitches.filter((i) => plan.role[i] === Role.cover && distance(at(i - 1), at(i)) > 2);
    const along = long.filter((i) => {
      const [a, b] = [at(i - 1), at(i)];
      return Math.abs(Math.abs((b.y - a.y) / (b.x - a.x)) - 1) < 0.1;
    });
    expect(along.length / long.length).toBeGreaterThan(0.9);
  });
});

describe('letters of cloth', () => {
  it('stop twice for the whole text, and are placed from left to right', () => {
    const { plan, at, stops } = sewn(lettered('HOT', 'applique', { height: 40 }));
    expect(stops).toBe(2);
    const before = Array.from(plan.command.keys()).slice(0, plan.command.indexOf(Command.stop));
    const xs = before.filter((i) => plan.role[i] === Role.underlay).map((i) => at(i).x);
    const third = xs.length / 3;
    const mean = (k: number): number => xs.slice(k * third, (k + 1) * third).reduce((s, x) => s + x, 0) / third;
    expect(mean(0)).toBeLessThan(mean(1));
    expect(mean(1)).toBeLessThan(mean(2));
  });
});

describe('broken apart', () => {
  it.each([
    ['line', 'run'],
    ['outline', 'run'],
    ['fill', 'fill'],
    ['applique', 'applique'],
    [undefined, 'satin'],
  ] as const)('letters as %s become pieces of kind %s that lie where they lay', (style, kind) => {
    const p = lettered('Ho', style, { height: 30 });
    const parts = piecesApart(p).map((q, i): Piece => ({ ...q, id: `q${i}` }));
    expect([...new Set(parts.map((q) => q.kind))]).toEqual([kind]);
    const box = (done: ReturnType<typeof sewn>) => {
      const cover = done.stitches.filter((i) => done.plan.role[i] === Role.cover).map(done.at);
      return [Math.min(...cover.map((q) => q.x)), Math.max(...cover.map((q) => q.x)), Math.min(...cover.map((q) => q.y))];
    };
    const [whole, apart] = [box(sewn(p)), box(sewn(...parts))];
    whole.forEach((v, i) => expect(Math.abs(v - apart[i]!)).toBeLessThan(0.9));
  });
});
