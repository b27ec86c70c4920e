import type { Corners, Lettering, Piece } from '../../document/types';
import { contains, offset } from '../../geometry/area';
import { distance } from '../../geometry/point';
import { FACES } from '../../lettering/faces';
import { layOut } from '../../lettering/layout';
import { Planner } from '../../plan/planner';
import { coverageOf } from '../../stitches/coverage';
import { Command, Role } from '../../stitches/roles';
import { jobOf, piece } from '../fixtures';
import { prepareShape } from '../registry';
import { letterOf } from './letter';

const ALL: readonly Corners[] = ['turn', 'butt', 'mitre', 'cap'];
const lettered = (text: string, over: Partial<Lettering> = {}, settings: Piece['settings'] = {}): Piece =>
  piece('lettering', { lettering: { text, face: 'treadle', height: 15, ...over } }, settings);
const planned = (p: Piece, school: object = {}) => {
  const job = jobOf([p], 'pique');
  return new Planner().plan({ ...job, settings: { ...job.settings, ...school } });
};
const columnsOf = (sign: string, corners?: Corners, face = 'treadle') => {
  const laid = layOut({ text: sign, face, height: 15 });
  return letterOf(laid.letters[0]!, laid, corners).columns;
};

describe.each(ALL)('corners made by %s', (corners) => {
  it('leave nothing bare, sew nothing beside the letter, and cut the thread no more often', () => {
    for (const { key: face } of FACES)
      for (const sign of 'EFLDPBZ57É') {
        const p = lettered(sign, { face }, { corners });
        const [plan, painted] = [planned(p), prepareShape(p)!.painted];
        const at = (i: number) => ({ x: plan.x[i]!, y: plan.y[i]! });
        const edge = offset(painted, 0.45);
        const outside = Array.from(plan.x.keys()).filter((i) => plan.role[i] === Role.cover && !contains(edge, at(i)));
        expect([face, sign, outside.length]).toEqual([face, sign, 0]);
        expect([face, sign, coverageOf(painted, plan, 0.12, painted).covered > 0.96]).toEqual([face, sign, true]);
        expect([face, sign, plan.command.filter((c) => c === Command.trim).length]).toEqual([face, sign, 1]);
      }
  });
});

test('a corner that is turned is one column less, one that is capped one more', () => {
  for (const { key: face } of FACES.filter((f) => f.serif === 0 && !f.script)) {
    const count = (corners: Corners): number => columnsOf('L', corners, face).length;
    expect([face, count('turn'), count('butt'), count('mitre'), count('cap')]).toEqual([face, 1, 2, 2, 3]);
  }
});

test('rows of a turned corner reach the outer corner from the inner one, and lie square to both arms beyond it', () => {
  const { track } = columnsOf('L', 'turn')[0]!;
  const rows = track.left.map((l, i) => [l, track.right[i]!] as const);
  const longest = rows.reduce((a, b) => (distance(...b) > distance(...a) ? b : a));
  const width = distance(...rows[Math.floor(rows.length / 5)]!);
  expect(distance(...longest)).toBeGreaterThan(1.25 * width);
  expect(distance(...longest)).toBeLessThan(1.5 * width);
  const slope = ([a, b]: (typeof rows)[number]): number => Math.abs(b.y - a.y) / distance(a, b);
  const ends = [rows[2]!, rows[rows.length - 3]!].map(slope).sort();
  expect(ends[0]).toBeLessThan(0.05);
  expect(ends[1]).toBeGreaterThan(0.95);
});

test('mitred arms share their corner, where one of two butted ones has it all', () => {
  // The outer corner of L is the lowest and leftmost place: how near does each of its two columns come?
  const reach = (corners: Corners): number[] => {
    const columns = columnsOf('L', corners);
    const all = columns.flatMap((c) => [...c.track.left, ...c.track.right]);
    const corner = { x: Math.min(...all.map((p) => p.x)), y: Math.max(...all.map((p) => p.y)) };
    return columns.map(({ track }) => Math.min(...[...track.left, ...track.right].map((p) => distance(p, corner)))).sort((a, b) => a - b);
  };
  expect(reach('butt')[1]).toBeGreaterThan(1);
  for (const mm of reach('mitre')) expect(mm).toBeLessThan(0.8);
});

test('the school decides where the text does not', () => {
  const text = lettered('ELF');
  const sewnBy = (p: Piece, school: object = {}): number[] => [...planned(p, school).x];
  expect(sewnBy(text, { corners: 'turn' })).toEqual(sewnBy(lettered('ELF', {}, { corners: 'turn' })));
  expect(sewnBy(text)).toEqual(sewnBy(text, { corners: 'butt' }));
  expect(sewnBy(text)).not.toEqual(sewnBy(text, { corners: 'turn' }));
  expect(sewnBy(lettered('ELF', {}, { corners: 'mitre' }), { corners: 'turn' })).toEqual(sewnBy(lettered('ELF', {}, { corners: 'mitre' })));
});
