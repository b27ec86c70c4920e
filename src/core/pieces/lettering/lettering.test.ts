import fc from 'fast-check';
import { recipeOf } from '../../cloth/recipes';
import type { Lettering, Piece } from '../../document/types';
import { areaOf, contains, intersect, offset, subtract, unite } from '../../geometry/area';
import { dataToRings } from '../../geometry/path';
import { type Point } from '../../geometry/point';
import { lettersApart } from '../../lettering/apart';
import { FACES, signsOf } from '../../lettering/faces';
import { layOut } from '../../lettering/layout';
import { Planner } from '../../plan/planner';
import { coverageOf } from '../../stitches/coverage';
import { Command, Role } from '../../stitches/roles';
import { jobOf, piece } from '../fixtures';
import { longestBareWay, shortStitchesOf } from './fixtures';
import { prepareShape } from '../registry';
import { piecesApart } from './piecesApart';
import { jointsOf } from './joints';
import { letterOf } from './letter';
import { smallestHeight, staysOpen } from './smallest';

const lettered = (text: string, over: Partial<Lettering> = {}, settings: Piece['settings'] = {}): Piece =>
  piece('lettering', { lettering: { text, face: 'treadle', height: 10, ...over } }, settings);
const sewn = (p: Piece, school: object = {}) => {
  const job = jobOf([p], 'pique');
  const plan = new Planner().plan({
    ...job,
    brief: { ...job.brief, hoop: { width: 400, height: 400, shape: 'rect' } },
    settings: { ...job.settings, ...school },
  });
  const at = (i: number): Point => ({ x: plan.x[i]!, y: plan.y[i]! });
  const stitches = Array.from(plan.x.keys()).filter(
    (i) => i > 0 && plan.command[i] === Command.stitch && plan.command[i - 1] === Command.stitch,
  );
  return { plan, at, stitches, trims: plan.command.filter((c) => c === Command.trim).length, painted: prepareShape(p)!.painted };
};
const faces = FACES.map((f) => f.key);
const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz';

describe.each(faces)('%s', (face) => {
  it('covers every letter that it draws, and nothing beside it', () => {
    for (const sign of [...signsOf(), ...'ÄÉçğşİŐůÅ']) {
      const p = lettered(sign, { face, height: 12 }, { underlay: [], pushComp: 0 });
      const { plan, painted } = sewn(p);
      const { covered } = coverageOf(painted, plan, 0.12, painted);
      expect([sign, covered > 0.96]).toEqual([sign, true]);
      // Compensation is about 0.2 on twill, and 0.15 more is what nobody sees.
      const edge = offset(painted, 0.36);
      const outside = Array.from(plan.x.keys()).filter(
        (i) => plan.role[i] === Role.cover && !contains(edge, { x: plan.x[i]!, y: plan.y[i]! }),
      );
      expect([sign, outside.length]).toEqual([sign, 0]);
    }
  });

  it('sews any line of twenty letters with one cut, and at most one stitch of 300 too short', () => {
    let [all, short] = [0, 0];
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...LETTERS, ...'0123456789'), { minLength: 20, maxLength: 20 }),
        fc.boolean(),
        fc.integer({ min: 6, max: 12 }),
        (letters, apart, height) => {
          const text = apart
            ? [letters.slice(0, 6), letters.slice(6, 14), letters.slice(14)].map((w) => w.join('')).join(' ')
            : letters.join('');
          const { plan, trims } = sewn(lettered(text, { face, height }));
          const counted = shortStitchesOf(plan);
          [all, short] = [all + counted.all, short + counted.short];
          expect([text, height, trims]).toEqual([text, height, 1]);
        },
      ),
      { numRuns: 8, seed: 7 },
    );
    expect(300 * short).toBeLessThan(all);
  });

  it('travels over no bare cloth inside a letter of one part', () => {
    for (const sign of LETTERS.replace(/[ij]/g, ''))
      expect([sign, longestBareWay(sewn(lettered(sign, { face, height: 14 }))) < 0.6]).toEqual([sign, true]);
  });

  it('travels over none inside any sign where the school cuts between letters', () => {
    for (const sign of [...'ij!?:;%="äÖÅéñğİŐ'])
      expect([sign, longestBareWay(sewn(lettered(sign, { face, height: 14 }), { lettering: 'clean' })) < 0.6]).toEqual([sign, true]);
  });

  it('goes over no more bare cloth than the shop cuts at, inside signs as between them', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...LETTERS, ...'ij!?:äÖÅéñğİŐ'), { minLength: 2, maxLength: 5 }),
        fc.integer({ min: 10, max: 60 }),
        fc.integer({ min: 8, max: 25 }),
        (letters, tenths, height) => {
          const text = letters.join('');
          expect([text, longestBareWay(sewn(lettered(text, { face, height }), { trimDistance: tenths / 10 })) <= tenths / 10]).toEqual([
            text,
            true,
          ]);
        },
      ),
      { numRuns: 8, seed: 11 },
    );
  });
});

test('words whose letters pass each other slantwise or far above are as near as the others', () => {
  for (const face of faces)
    for (const text of ['LA VE', 'VA AV', 'to Te', 'By je', 'L T', 'R 1', 'F j', 'y Y'])
      expect([face, text, sewn(lettered(text, { face, height: 12 })).trims]).toEqual([face, text, 1]);
});

describe('stems', () => {
  it.each([8, 15, 30])('at %d mm are as wide as drawn and compensated, their rows evenly apart', (height) => {
    for (const { key: face, script } of FACES) {
      // A script's stems lean: set upright again they are measured like the others.
      const slant = (-Math.atan(script?.lean ?? 0) * 180) / Math.PI;
      const p = lettered('I', { face, height, slant }, { pullComp: 0.2, spacing: 0.4, underlay: [] });
      const { plan, at, stitches } = sewn(p);
      const { strokeMm } = layOut(p.lettering!);
      const rows = stitches.filter((i) => plan.role[i] === Role.cover && Math.abs(at(i).y + height / 2) < height / 6);
      // A zigzag crosses the stem and goes on by half a spacing.
      const across = rows.map((i) => Math.abs(at(i).x - at(i - 1).x)).sort((a, b) => a - b);
      expect(across[across.length >> 1]! - (strokeMm + 0.4)).toBeLessThan(0.05);
      expect(across[across.length >> 1]! - (strokeMm + 0.4)).toBeGreaterThan(-0.05);
      const reach = Math.abs(at(rows[rows.length - 1]!).y - at(rows[0]!).y);
      const spacing = (2 * reach) / (rows.length - 1);
      expect(Math.abs(spacing / 0.4 - 1)).toBeLessThan(0.03);
    }
  });
});

describe('the path through a text', () => {
  it('goes along the base line between letters, and cuts where they are far apart or the school wants it', () => {
    expect(sewn(lettered('Harbour Line')).trims).toBe(1);
    expect(sewn(lettered('Harbour', { spacing: 90 })).trims).toBe(7);
    expect(sewn(lettered('Harbour', { spacing: 90 }), { trimDistance: 12 }).trims).toBe(1);
    expect(sewn(lettered('Harbour'), { lettering: 'clean' }).trims).toBe(7);
  });

  it('goes the other way when asked', () => {
    const middles = (over: Partial<Lettering>): number[] => {
      const { plan, stitches } = sewn(lettered('HHH', over));
      const third = stitches.length / 3;
      return [0, 1, 2].map((k) => stitches.slice(k * third, (k + 1) * third).reduce((sum, i) => sum + plan.x[i]!, 0));
    };
    const [a, , c] = middles({});
    expect(a!).toBeLessThan(c!);
    const [x, , z] = middles({ direction: 'right-to-left' });
    expect(x!).toBeGreaterThan(z!);
  });

  it('ties and cuts as any piece does', () => {
    const { plan } = sewn(lettered('Harbour', { spacing: 90 }));
    const cuts = Array.from(plan.x.keys()).filter((i) => plan.command[i] === Command.trim);
    for (const i of cuts) expect(plan.role[i - 1]).toBe(Role.tie);
  });
});

describe('small letters', () => {
  it('keep their openings from the height that is told', () => {
    for (const face of FACES) {
      const [coarse, fine] = [40, 60].map((w) => smallestHeight(face, w));
      expect({ 40: coarse, 60: fine }).toEqual(face.smallest);
      for (let more = 0.5; more < 8; more += 0.5) expect(staysOpen(face, coarse! + more, 40)).toBe(true);
      // By the stitches themselves: no cover comes within a quarter of the middle of what the letter encloses.
      const { plan, painted } = sewn(lettered('o', { face: face.key, height: coarse! }));
      const hole = painted.find((ring, i) => i > 0 && ring.length > 2)!;
      const middle = { x: hole.reduce((s, q) => s + q.x, 0) / hole.length, y: hole.reduce((s, q) => s + q.y, 0) / hole.length };
      const nearest = Math.min(...Array.from(plan.x, (x, i) => Math.hypot(x - middle.x, plan.y[i]! - middle.y)));
      expect(nearest).toBeGreaterThan(0.25);
    }
  });

  it('get no foundation while they are thin, and looser rows on rough cloth', () => {
    const of = (height: number, cloth: 'pique' | 'terry') => {
      const job = jobOf([lettered('a', { height })], cloth);
      return new Planner().plan(job).pieces[0]!.settings!;
    };
    expect(of(5, 'pique').underlay!.value).toEqual([]);
    expect(of(12, 'pique').underlay!.value.map((l) => l.kind)).toEqual(['centre-run']);
    expect(of(5, 'terry').spacing!.value).toBe(0.45);
    expect(of(12, 'terry').spacing!.value).toBe(recipeOf('terry').satinSpacing);
  });
});

describe('a text broken apart', () => {
  const p = lettered('Quay', { line: 'arc-up', radius: 40, face: 'gable' });

  it('into letters paints the same', () => {
    const whole = prepareShape(p)!.painted;
    const apart = unite(...lettersApart(p.lettering!).map((lettering) => prepareShape({ ...p, lettering })!.painted));
    expect(areaOf(subtract(whole, apart)) + areaOf(subtract(apart, whole))).toBeLessThan(0.01 * areaOf(whole));
  });

  it('into columns paints hardly less, each a satin by its sides', () => {
    const whole = prepareShape(p)!.painted;
    const columns = piecesApart(p);
    expect(columns.every((c) => c.kind === 'satin' && c.sides)).toBe(true);
    const between = columns.map((c) => {
      const [a, b] = c.sides!.map((d) => dataToRings(d)[0]!);
      return unite([[...a!, ...b!.slice().reverse()]]);
    });
    expect(areaOf(intersect(whole, unite(...between)))).toBeGreaterThan(0.95 * areaOf(whole));
    expect(piecesApart(piece('run', { line: 'M0,0 h5' }))).toEqual([]);
  });
});

describe('where strokes meet', () => {
  const stroke = (...points: [number, number][]) => ({ middle: points.map(([x, y]) => ({ x, y })), closed: false, widthMm: 2 });

  it('an end that runs into a side is tucked under it, in between or at its end', () => {
    expect(jointsOf([stroke([0.5, 5], [9, 5]), stroke([0, 0], [0, 10])])).toMatchObject([{ underEnd: 0, overEnd: null, tucked: true }]);
    expect(jointsOf([stroke([0, 9.5], [9, 9.5]), stroke([0, 0], [0, 10])])).toMatchObject([{ underEnd: 0, overEnd: 1, tucked: true }]);
  });

  it('a crossing joins both in between, an end that goes on is no tuck, what is apart does not meet', () => {
    expect(jointsOf([stroke([-5, 0], [5, 0]), stroke([0, -5], [0, 5])])).toMatchObject([
      { at: { x: 0, y: 0 }, underEnd: null, overEnd: null, tucked: false },
    ]);
    expect(jointsOf([stroke([0, 0], [0, 5]), stroke([0, 5], [0.5, 10])])).toMatchObject([{ underEnd: 1, overEnd: 0, tucked: false }]);
    expect(jointsOf([stroke([0, 0], [0, 5]), stroke([4, 0], [4, 5])])).toEqual([]);
  });

  it('a letter hangs together by its nodes', () => {
    for (const sign of LETTERS.replace(/[ij]/g, '')) {
      const laid = layOut({ text: sign, face: 'treadle', height: 20 });
      const { columns } = letterOf(laid.letters[0]!, laid);
      const reached = new Set([columns[0]!.from, columns[0]!.to]);
      for (let grew = true; grew;) {
        const before = reached.size;
        for (const c of columns) if (reached.has(c.from) || reached.has(c.to)) [c.from, c.to].forEach((n) => reached.add(n));
        grew = reached.size > before;
      }
      expect([sign, columns.every((c) => reached.has(c.from))]).toEqual([sign, true]);
    }
  });
});
