import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { contains, offset } from '../../geometry/area';
import { boundsOf } from '../../geometry/point';
import { shippedFace, SHIPPED_FACES } from '../../lettering/outline/catalogue';
import { readFont, type OutlineFont } from '../../lettering/outline/readFont';
import { Planner } from '../../plan/planner';
import { coverageOf } from '../../stitches/coverage';
import { Command, Role } from '../../stitches/roles';
import { jobOf, piece } from '../fixtures';
import { longestBareWay, shortStitchesOf } from './fixtures';
import type { JobSettings } from '../../document/types';
import { prepareShape } from '../registry';
import { groupsOf } from '../satin/nodes';
import { layOut } from '../../lettering/layout';
import { letterOf } from './letter';
import { foamHeightOf, thinnestOf, tooThinOnFoam } from './foamOutlines';
import { staysOpen, TELLING_LETTERS } from './smallest';

const fonts = new Map<string, OutlineFont>(
  SHIPPED_FACES.map((f) => [f.key, readFont(new Uint8Array(readFileSync(`public/faces/${f.file}`)), f.file)]),
);
const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz';
const textOf = (text: string, face: string, height = 10) => ({ text, face, height, outlines: fonts.get(face)!.outlinesFor(text) });
const sewn = (text: string, face: string, height = 10, school: JobSettings = {}) => {
  const p = piece('lettering', { lettering: textOf(text, face, height) });
  const job = jobOf([p], 'pique');
  const plan = new Planner().plan({ ...job, settings: school, brief: { ...job.brief, hoop: { width: 400, height: 400, shape: 'rect' } } });
  return { plan, painted: prepareShape(p)!.painted, trims: plan.command.filter((c) => c === Command.trim).length };
};

test('a stroke of a font is as wide as its outline, whatever lies beside it', () => {
  const slab = { key: 'slab', outlines: fonts.get('slab')!.outlinesFor('lI -') };
  const ink = inkWidthOf('I');
  expect(thinnestOf(slab, 'I')! * 20).toBeGreaterThan(0.85 * ink);
  expect(thinnestOf(slab, 'I')! * 20).toBeLessThan(1.15 * ink);
  expect(thinnestOf(slab, 'ж')).toBeNull();
});

/** How wide the stem of a letter of Slab, 20 mm high, is half way up: measured along a line across it. */
function inkWidthOf(sign: string): number {
  const { painted } = prepareShape(piece('lettering', { lettering: textOf(sign, 'slab', 20) }))!;
  const { minX, maxX, minY, maxY } = boundsOf(painted);
  const steps = 400;
  const inside = Array.from({ length: steps }, (_, i) => ({ x: minX + ((maxX - minX) * (i + 0.5)) / steps, y: (minY + maxY) / 2 }));
  return (inside.filter((p) => contains(painted, p)).length / steps) * (maxX - minX);
}

describe.each(SHIPPED_FACES.map((f) => f.key))('%s', (face) => {
  it('sews any twenty letters of 10 mm with one cut, in one word or three, and at most one stitch of 300 too short', () => {
    let [all, short] = [0, 0];
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...LETTERS, ...'0123456789'), { minLength: 20, maxLength: 20 }), (letters) => {
        const word = letters.join('');
        const { plan, trims } = sewn(word, face);
        const counted = shortStitchesOf(plan);
        [all, short] = [all + counted.all, short + counted.short];
        expect([word, trims]).toEqual([word, 1]);
      }),
      { numRuns: 2, seed: 11 },
    );
    expect(300 * short).toBeLessThan(all);
  });

  it('stays open from the height that it is said to', () => {
    const drawn = { key: face, outlines: fonts.get(face)!.outlinesFor([...TELLING_LETTERS].join(' ')) };
    for (const weight of [40, 60] as const) {
      const least = shippedFace(face)!.smallest[weight];
      expect([weight, staysOpen(drawn, least, weight), staysOpen(drawn, least - 0.5, weight)]).toEqual([weight, true, false]);
    }
  });

  it('bears foam in most of its letters from the height that it is said to', () => {
    const signs = [...LETTERS, ...'0123456789'];
    const drawn = { key: face, outlines: fonts.get(face)!.outlinesFor(signs.join(' ')) };
    expect(foamHeightOf(drawn, signs)).toBe(shippedFace(face)!.foam);
    const thin = (height: number): number => tooThinOnFoam({ ...textOf(signs.join(''), face, height) }).length;
    const { foam } = shippedFace(face)!;
    expect([thin(foam) <= 31, thin(foam - 2) > 31, thin(4 * foam)]).toEqual([true, true, 0]);
  });

  it('covers its letters, and sews nothing beside them', () => {
    for (const [sign, height] of [...'AGQRSWaegky5@'].flatMap((sign) => [14, 8].map((height) => [sign, height] as const))) {
      const { plan, painted } = sewn(sign, face, height);
      expect([sign, coverageOf(painted, plan, 0.12, painted).covered > 0.9]).toEqual([sign, true]);
      // Compensation, and 0.15 more is what nobody sees.
      const edge = offset(painted, plan.pieces[0]!.settings!.pullComp!.value + 0.15);
      const outside = Array.from(plan.x.keys()).filter(
        (i) => plan.role[i] === Role.cover && !contains(edge, { x: plan.x[i]!, y: plan.y[i]! }),
      );
      expect([sign, outside.length]).toEqual([sign, 0]);
    }
  });

  it('makes one network of a letter and its dots and marks', () => {
    for (const sign of 'ijÄÅő!%') {
      const laid = layOut(textOf(sign, face, 12));
      expect([sign, groupsOf(letterOf(laid.letters[0]!, laid).columns).length]).toEqual([sign, 1]);
    }
  });

  it('travels over none inside any sign where the school cuts between letters', () => {
    for (const sign of 'ij!?:;%="äÖÅéñğİŐ') {
      const bare = longestBareWay(sewn(sign, face, 14, { lettering: 'clean' }));
      expect([sign, bare < 0.6]).toEqual([sign, true]);
    }
  });

  it('travels over no bare cloth inside a letter of one part', () => {
    for (const sign of 'ABGKMQSXaegkrstz') {
      expect([sign, longestBareWay(sewn(sign, face, 10)) < 0.6]).toEqual([sign, true]);
    }
  });
});

test('corners of outlined letters follow the school, unless the text says otherwise; those of own faces meet as they are drawn', () => {
  const xs = (text: object, school: object, settings = {}): number[] => {
    const job = jobOf([piece('lettering', { lettering: text as never }, settings)]);
    return [...new Planner().plan({ ...job, settings: school }).x];
  };
  const narrow = textOf('LAB', 'narrow', 20);
  const turned = xs(narrow, {});
  expect(xs(narrow, { corners: 'butt' })).not.toEqual(turned);
  expect(xs(narrow, { corners: 'butt' }, { corners: 'turn' })).toEqual(turned);
  const own = { text: 'LEK', face: 'treadle', height: 20 };
  expect(xs(own, { corners: 'butt' })).toEqual(xs(own, {}));
});
