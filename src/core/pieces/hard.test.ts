import fc from 'fast-check';
import { settingsSchema } from '../document/schema';
import type { Piece, PieceSettings } from '../document/types';
import type { PieceKindName } from '../document/kinds';
import { Command } from '../stitches/roles';
import { Planner } from '../plan/planner';
import { jobOf, piece } from './fixtures';

/** Geometry that breaks careless code: everything must end, and whatever is sewn must be sewable. */

function check(pieces: Piece[]): number {
  const plan = new Planner().plan(jobOf(pieces));
  let wild = 0;
  let long = 0;
  for (let i = 0; i < plan.x.length; i++) {
    if (!Number.isFinite(plan.x[i]!) || !Number.isFinite(plan.y[i]!)) wild++;
    if (i === 0 || plan.command[i] !== Command.stitch || plan.command[i - 1] !== Command.stitch) continue;
    if (Math.hypot(plan.x[i]! - plan.x[i - 1]!, plan.y[i]! - plan.y[i - 1]!) > 12.01) long++;
  }
  expect({ wild, long }).toEqual({ wild: 0, long: 0 });
  return plan.x.length;
}

const AREAS: [string, string][] = [
  ['a bow tie that crosses itself', 'M-10,-10 L10,10 L10,-10 L-10,10 Z'],
  ['a star drawn in one line', 'M0,-15 L9,12 L-14,-5 L14,-5 L-9,12 Z'],
  ['the same outline twice', 'M-8,-8 H8 V8 H-8 Z M-8,-8 H8 V8 H-8 Z'],
  ['coincident edges', 'M-8,-8 H0 V8 H-8 Z M0,-8 H8 V8 H0 Z'],
  ['a sliver', 'M-20,0 L20,0.02 L20,0.05 L-20,0.03 Z'],
  ['nested five deep', 'M-20,-20 H20 V20 H-20 Z M-16,-16 H16 V16 H-16 Z M-12,-12 H12 V12 H-12 Z M-8,-8 H8 V8 H-8 Z M-4,-4 H4 V4 H-4 Z'],
  ['an outline left open', 'M-10,-10 L10,-10 L10,10 L-10,10'],
  ['no extent at all', 'M5,5 L5,5 Z'],
  ['a line there and back', 'M-10,0 L10,0 L-10,0 Z'],
  ['a needle eye 0.2 mm wide', 'M-10,-0.1 H10 V0.1 H-10 Z'],
  ['300 mm across', 'M-150,-20 C-50,-40 50,-40 150,-20 V20 C50,40 -50,40 -150,20 Z'],
  [
    'a comb of hair-thin teeth',
    `M-10,-10 ${Array.from({ length: 40 }, (_, i) => `L${-10 + i * 0.5},10 L${-9.9 + i * 0.5},-10`).join(' ')} Z`,
  ],
];
const KINDS: PieceKindName[] = ['satin', 'fill', 'border', 'applique'];

describe.each(AREAS)('%s', (_, area) => {
  test.each(KINDS)('as %s', (kind) => {
    expect(check([piece(kind, { area })])).toBeGreaterThanOrEqual(0);
  });
  test('with slants, straight and turning', () => {
    check([piece('fill', { area, slants: ['M-10,-10 L10,10'] })]);
    check([piece('fill', { area, slants: ['M-10,-10 L10,10', 'M10,-10 L-10,10'] })]);
    check([piece('satin', { area, slants: ['M-10,-10 L-10,10', 'M10,-10 L12,10'] })]);
  });
});

const LINES: [string, string][] = [
  ['a hairpin', 'M-10,0 H10 H-10'],
  ['a closed square', 'M-5,-5 H5 V5 H-5 Z'],
  ['a spiral tighter than its width', 'M0,0 C1,1 2,0 1,-1 C-1,-2 -3,0 -1,3 C2,5 5,2 4,-2'],
  ['a speck', 'M0,0 L0.1,0'],
  ['a jagged line', `M0,0 ${Array.from({ length: 60 }, (_, i) => `L${i * 0.3},${i % 2}`).join(' ')}`],
  ['the same line twice', 'M-10,0 H10 M-10,0 H10'],
];
describe.each(LINES)('%s', (_, line) => {
  test.each([0.4, 3, 12])('as satin %f wide, in every corner and with every cap', (width) => {
    for (const corners of ['turn', 'mitre', 'cap'] as const) check([piece('satin', { line, width, cap: 'round' }, { corners })]);
    for (const cap of ['butt', 'square'] as const) check([piece('satin', { line, width, cap }, { corners: 'butt' })]);
  });
  test.each(['plain', 'double', 'bean', 'backstitch', 'zigzag', 'motif'] as const)('as %s', (style) => {
    check([piece('run', { line }, { style })]);
  });
});

test('random outlines in every kind end and stay sewable', () => {
  const number = fc.integer({ min: -200, max: 200 }).map((v) => v / 10);
  const outline = fc
    .array(fc.tuple(number, number), { minLength: 3, maxLength: 14 })
    .map((p) => `M${p.map(([x, y]) => `${x},${y}`).join(' L')} Z`);
  fc.assert(
    fc.property(outline, fc.constantFrom(...KINDS), fc.integer({ min: 0, max: 179 }), (area, kind, angle) => {
      check([piece(kind, { area }, kind === 'fill' ? { angle } : {})]);
    }),
    { seed: 4, numRuns: 20 },
  );
});

describe('parameters', () => {
  const bad: [string, PieceSettings | Record<string, unknown>, string][] = [
    ['a negative spacing', { spacing: -0.4 }, '0.15'],
    ['no spacing', { spacing: 0 }, '0.15'],
    ['a spacing that is no number', { spacing: NaN }, 'number'],
    ['an endless stitch', { stitchLength: Infinity }, 'infinity'],
    ['a stitch longer than machines make', { stitchLength: 20 }, '12'],
    ['a satin limit beyond the machine', { satinLimit: 40 }, '12'],
    ['too many tie stitches', { tieCount: 99 }, '6'],
    ['half a pass', { passes: 2.5 }, 'integer'],
    ['foam as thick as a thumb', { foam: 20 }, '6'],
    ['an unknown corner', { corners: 'curly' }, 'turn'],
    ['compensation on three sides', { pullCompSides: [0.1, 0.2, 0.3] }, 'at most 2'],
  ];
  test.each(bad)('%s is refused with what is permitted', (_, settings, says) => {
    const { error } = settingsSchema.validate(settings);
    expect(error?.message).toContain(says);
  });

  test('every permitted extreme ends', () => {
    const area = 'M-12,-6 H12 V6 H-12 Z';
    const extremes: PieceSettings[] = [
      { spacing: 0.15 },
      { spacing: 5 },
      { stitchLength: 0.5 },
      { stitchLength: 12 },
      { pullComp: 3 },
      { pullCompPercent: 250 },
      { pushComp: 2 },
      { satinLimit: 2 },
      { foam: 6 },
      { spacing: 0.15, spacingTo: 5 },
      {
        underlay: [
          { kind: 'zigzag', spacing: 0.5, inset: 5 },
          { kind: 'edge-run', inset: 5 },
          { kind: 'lattice', spacing: 0.5 },
        ],
      },
    ];
    for (const settings of extremes) for (const kind of KINDS) check([piece(kind, { area }, settings)]);
  });
});
