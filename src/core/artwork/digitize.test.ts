import { areaOf, intersect, offset, subtract, unite } from '../geometry/area';
import { dataToRings } from '../geometry/path';
import { LEAST_CROSSING_DEG } from '../units/craft';
import { apart } from '../units/directions';
import { digitize } from './digitize';
import { jobFromArt } from './newJob';
import { readSvg } from './readSvg';

const read = (body: string) => readSvg(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100">${body}</svg>`);
const at = (body: string, width = 100) => digitize(read(body), { width, cloth: 'pique', settings: {} });
const FRAME = '<rect width="100" height="100" fill="#225588"/>';

test.each([
  ['0.5', 'run'],
  ['1.2', 'satin'],
  ['5', 'satin'],
  ['8.5', 'satin'],
  ['11', 'fill'],
])('a line %s mm wide is sewn as %s', (width, kind) => {
  const { pieces } = at(
    `<rect width="100" height="1" fill="#225588"/><path d="M10,40 H80" stroke="#aa3311" fill="none" stroke-width="${width}"/>`,
  );
  expect(pieces[pieces.length - 1]!.kind).toBe(kind);
});

test('widths and area of a region are measured at the finished size', () => {
  const { report } = at('<rect width="100" height="6"/>', 50);
  const [region] = report.regions;
  expect(region!.areaMm2).toBeCloseTo(150, 1);
  expect(region!.width.median).toBeCloseTo(3, 1);
  expect(region!.width.max).toBeCloseTo(3, 1);
});

test('the lower of two areas is cut away beneath the upper, with about 1 mm of overlap', () => {
  const { report } = at(`${FRAME}<circle cx="50" cy="50" r="20" fill="#ffcc00"/>`);
  const [lower, upper] = report.regions;
  const overlap = areaOf(intersect(lower!.area, upper!.area));
  const band = Math.PI * (20 * 20 - 19 * 19);
  expect(overlap).toBeGreaterThan(band * 0.93);
  expect(overlap).toBeLessThan(band * 1.07);
});

test('an opening narrower than 4 mm is sewn through', () => {
  const { report } = at(`${FRAME}<rect x="20" y="48" width="60" height="5" fill="#ffcc00"/>`);
  expect(report.regions[0]!.areaMm2).toBeCloseTo(10000, 0);
});

test('areas that abut are given 1 mm of overlap and leave no slot', () => {
  const { report } = at('<rect width="50" height="100" fill="#225588"/><rect x="50" width="50" height="100" fill="#ffcc00"/>');
  const [left, right] = report.regions;
  expect(areaOf(intersect(left!.area, right!.area))).toBeCloseTo(100, -1);
  expect(
    areaOf(
      subtract(
        offset(
          [
            [
              { x: -49, y: -49 },
              { x: 49, y: -49 },
              { x: 49, y: 49 },
              { x: -49, y: 49 },
            ],
          ],
          0,
        ),
        unite(left!.area, right!.area),
      ),
    ),
  ).toBeLessThan(0.01);
});

test('what is wholly hidden is not sewn', () => {
  const { report } = at(`<circle cx="50" cy="50" r="10" fill="#ffcc00"/>${FRAME}`);
  expect(report.hidden).toBe(1);
  expect(report.regions).toHaveLength(1);
});

test('background comes before foreground, and one colour is sewn together where that is harmless', () => {
  const dots = [10, 30, 50, 70, 90]
    .map((x, i) => `<circle cx="${x}" cy="50" r="5" fill="${i % 2 === 0 ? '#ffcc00' : '#aa3311'}"/>`)
    .join('');
  const { pieces } = at(FRAME + dots);
  const threads = pieces.map((p) => p.thread);
  expect(threads[0]).toBe('t1');
  expect(threads.filter((t, i) => t !== threads[i - 1])).toHaveLength(3);
});

test('untouched outlines keep their curves', () => {
  const { pieces } = at('<circle cx="50" cy="50" r="50"/>');
  expect(pieces[0]!.area).toContain('C');
  expect(dataToRings(pieces[0]!.area!)[0]!.length).toBeGreaterThan(20);
});

test('the same drawing gives the same pieces', () => {
  const body = `${FRAME}<circle cx="50" cy="50" r="20" fill="#ffcc00"/><path d="M10,10 Q50,60 90,10" stroke="#fff" stroke-width="3" fill="none"/>`;
  expect(JSON.stringify(at(body).pieces)).toBe(JSON.stringify(at(body).pieces));
});

test('artwork wider than the hoop is refused with both sizes', () => {
  const make = () =>
    jobFromArt(read(FRAME), {
      id: 'x',
      name: 'x',
      file: 'x.svg',
      brief: { cloth: 'pique', size: { width: 120 }, hoop: { width: 100, height: 100, shape: 'rect' } },
    });
  expect(make).toThrow(/120\.0 x 120\.0 mm.*100\.0 x 100\.0 mm/);
});

test('dots made of nothing but round caps are sewn', () => {
  const { pieces } = at(`${FRAME}<path d="M50,50 h.01" stroke="#ffcc00" stroke-width="6" stroke-linecap="round"/>`);
  expect(pieces).toHaveLength(2);
});

describe('what a person would rather have', () => {
  const drawing = read(
    `${FRAME}<circle cx="30" cy="30" r="3" fill="#ffcc00"/><path d="M60,20 V80" stroke="#ffcc00" stroke-width="2" fill="none"/>`,
  );
  const made = (sewnAs: { at: [number, number]; as: 'run' | 'satin' | 'fill' | 'drop' }[], width = 100) =>
    digitize(drawing, { width, cloth: 'pique', settings: {}, sewnAs })
      .pieces.map((p) => p.kind)
      .sort();

  test('a region is sewn as it was chosen, at any size, the others as proposed', () => {
    expect(made([])).toEqual(['fill', 'satin', 'satin']);
    expect(made([{ at: [30, 30], as: 'fill' }])).toEqual(['fill', 'fill', 'satin']);
    expect(made([{ at: [30, 30], as: 'drop' }])).toEqual(['fill', 'satin']);
    expect(made([{ at: [30, 30], as: 'fill' }], 60)).toEqual(['fill', 'fill', 'satin']);
    expect(made([{ at: [60, 50], as: 'run' }]).filter((kind) => kind === 'run')).toHaveLength(1);
  });

  test('sets whose first ones are left out stay apart', () => {
    const dot = (x: number, y: number, r: number): string => `<circle cx="${x}" cy="${y}" r="${r}" fill="#ffcc00"/>`;
    const dots = [20, 50, 80].map((x) => dot(x, 30, 3) + dot(x, 70, 5)).join('');
    const { pieces } = digitize(read(FRAME + dots), {
      ...{ width: 100, cloth: 'pique', settings: {} },
      sewnAs: [
        { at: [20, 30], as: 'drop' },
        { at: [20, 70], as: 'drop' },
      ],
    });
    const sets = pieces.flatMap((p) => p.alike ?? []).sort();
    expect(sets).toHaveLength(4);
    expect([sets[0] === sets[1], sets[2] === sets[3], sets[1] === sets[2]]).toEqual([true, true, false]);
  });

  test('a choice for a place where nothing is says nothing', () => {
    expect(made([{ at: [90, 90], as: 'drop' }])).toEqual(['fill', 'satin', 'satin']);
  });
});

describe('patches', () => {
  const body =
    '<circle cx="50" cy="50" r="46" fill="#225588"/><circle cx="50" cy="50" r="46" fill="none" stroke="#aa3311" stroke-width="3"/><circle cx="50" cy="50" r="12" fill="#ffcc00"/>';
  test('the border of a patch is sewn last, over the edge and wide enough', () => {
    const { pieces } = digitize(read(body), { width: 90, cloth: 'patch', settings: {} });
    const border = pieces.at(-1)!;
    expect(border.kind).toBe('border');
    expect(border.width).toBe(3.5);
    expect(border.why).toContain('border');
  });

  test('on other cloth the same line is an outline as any', () => {
    const { pieces } = digitize(read(body), { width: 90, cloth: 'pique', settings: {} });
    expect(pieces.every((p) => p.kind !== 'border')).toBe(true);
  });
});

test('a dot whose rows would sink into those of its ground has them turned', () => {
  for (const angle of [0, 90]) {
    const bar =
      angle === 0
        ? '<rect x="2" y="20" width="96" height="16" fill="#225588"/>'
        : '<rect x="20" y="2" width="16" height="96" fill="#225588"/>';
    const { pieces } = at(`${bar}<circle cx="28" cy="28" r="2.6" fill="#ffcc00"/>`, angle === 0 ? 96 : 16);
    const [ground, dot] = pieces;
    const rows = dot!.slants ? dataToRings(dot!.slants[0]!)[0]! : null;
    const deg = rows ? (Math.atan2(-(rows[1]!.y - rows[0]!.y), rows[1]!.x - rows[0]!.x) * 180) / Math.PI : 0;
    expect(apart(deg, ground!.rows!.angle)).toBeGreaterThan(LEAST_CROSSING_DEG - 1);
  }
});

test('rows of a broad area lie level on knits, where little speaks against it', () => {
  const panel = read('<rect x="10" y="10" width="70" height="60" fill="#225588"/>');
  const rows = (cloth: 'jersey' | 'twill') => digitize(panel, { width: 32, cloth, settings: {} }).pieces[0]!.rows!;
  expect(rows('jersey').angle).toBe(0);
  expect(rows('twill').angle).toBe(90);
});
