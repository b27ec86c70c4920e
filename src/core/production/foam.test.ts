import { jobOf, piece } from '../pieces/fixtures';
import { areaOf, contains } from '../geometry/area';
import { cautionsFor, isEyelet } from './cautions';
import { FOAM_MARGIN_MM, foamOf, foamWords } from './foam';

const bar = (x: number, foam: number) => piece('satin', { line: `M${x},0 v30`, width: 6 }, { foam, pullComp: 0.3 });

test('foam is cut larger than what is sewn over it by the margin, on all sides, and only there', () => {
  const foam = foamOf(jobOf([bar(0, 2), piece('run', { line: 'M40,0 h10' })], 'cap'))!;
  // A bar of 6 x 30 with round corners of the margin.
  const r = FOAM_MARGIN_MM;
  expect(areaOf(foam.sewn)).toBeCloseTo(6 * 30, 0);
  expect(areaOf(foam.cut)).toBeCloseTo(6 * 30 + 2 * r * 36 + Math.PI * r * r, 0);
  expect(contains(foam.cut, { x: 0, y: -4.9 })).toBe(true);
  expect(contains(foam.cut, { x: 0, y: -5.1 })).toBe(false);
  expect(contains(foam.cut, { x: 45, y: 0 })).toBe(false);
});

test('pieces that lie near each other are cut from one sheet of foam', () => {
  expect(foamOf(jobOf([bar(0, 2), bar(12, 2)]))!.cut).toHaveLength(1);
  expect(foamOf(jobOf([bar(0, 2), bar(40, 2)]))!.cut).toHaveLength(2);
});

test('layers, kind and compensation are told; without foam nothing is', () => {
  const cap = jobOf([bar(0, 5)], 'cap');
  const foam = foamOf(cap)!;
  expect([foam.layers, foam.thickestMm]).toEqual([2, 5]);
  expect(foam.compensation).toEqual([0.3, 0.3]);
  const words = foamWords(foam, cap).join(' ');
  expect(words).toMatch(/Hard foam.*2 layers/);
  expect(words).toMatch(/0\.30 mm of compensation.*each further layer/);
  expect(words).toMatch(/panel joints/);
  expect(foamWords(foamOf(jobOf([bar(0, 3)], 'fleece'))!, jobOf([], 'fleece')).join(' ')).toMatch(/Soft foam.*1 layer,/);
  expect(foamOf(jobOf([piece('run', { line: 'M0,0 h10' })]))).toBeNull();
});

describe('cautions', () => {
  const ring = (r: number, width: number) => piece('satin', { line: `M${r},0 A${r},${r} 0 1 1 ${-r},0 A${r},${r} 0 1 1 ${r},0 Z`, width });

  test('an eyelet is a small closed ring about an open middle', () => {
    expect([ring(3, 2), ring(5.5, 2)].map(isEyelet)).toEqual([true, true]);
    expect(
      [ring(12, 3), ring(2, 3), piece('satin', { line: 'M0,0 h6', width: 2 }), piece('run', { line: 'M0,0 h6' })].map(isEyelet),
    ).toEqual([...[false, false, false, false]]);
    expect(isEyelet(piece('satin', { line: 'M-6,-2 H6 V2 H-6 Z', width: 1.5 }))).toBe(false);
  });

  test('each stands where it applies and nowhere else, and the manual goes before them all', () => {
    const of = (...pieces: ReturnType<typeof piece>[]) => cautionsFor(jobOf(pieces));
    const plain = of(piece('run', { line: 'M0,0 h10' }));
    expect(plain).toHaveLength(2);
    expect(of(ring(3, 2)).join()).toMatch(/Eyelets:.*blade/);
    expect(of(bar(0, 3)).join()).toMatch(/foam can burn/);
    expect(plain.join()).not.toMatch(/Eyelets|foam|Blades|flame/);
    for (const said of [plain, of(ring(3, 2)), of(bar(0, 3))]) expect(said.at(-1)).toMatch(/manual and your local rules come before/);
  });
});
