import { digitize } from './digitize';
import { readSvg } from './readSvg';
import { jobFromArt } from './newJob';
import { extentOf } from '../lettering/textJob';
import type { Piece } from '../document/types';
import { lineLength, nearestOnLine } from '../geometry/line';
import { apply, dataToRings, scaleOf } from '../geometry/path';
import { distance } from '../geometry/point';
import { layOut } from '../lettering/layout';

const svg = (body: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="100mm" viewBox="0 0 100 100">${body}</svg>`;
const DISC = '<circle cx="50" cy="40" r="20" fill="#204060"/>';
const made = (body: string) => digitize(readSvg(svg(DISC + body)), { cloth: 'twill', settings: {} });
const texts = (body: string): Piece[] => made(body).pieces.filter((p) => p.lettering);

test('a text is set as lettering, capitals seven tenths of its size, on its line', () => {
  const [crew] = texts('<text x="50" y="85" font-size="14" text-anchor="middle" fill="#204060">CREW</text>');
  expect(crew).toMatchObject({ kind: 'lettering', name: 'CREW', lettering: { text: 'CREW', face: 'treadle', height: 9.8 } });
  const b = extentOf(crew!.lettering!)!;
  const { matrix } = made('<text x="50" y="85" font-size="14" text-anchor="middle" fill="#204060">CREW</text>').art;
  expect((b.minX + b.maxX) / 2).toBeCloseTo(50 * matrix[0] + matrix[4], 0);
  expect(b.maxY).toBeCloseTo(85 * matrix[3] + matrix[5], 0);
});

test('it counts for the size of the drawing', () => {
  const { art } = made('<text x="0" y="95" font-size="14" fill="#204060">LEFT</text>');
  expect(art.height).toBeCloseTo(75, 0);
  expect(art.width).toBeGreaterThan(65);
});

test.each([
  ['start', 1],
  ['end', -1],
] as const)('anchored at its %s it lies to one side', (anchor, side) => {
  const b = extentOf(texts(`<text x="50" y="85" font-size="14" text-anchor="${anchor}" fill="#000">CREW</text>`)[0]!.lettering!)!;
  expect(Math.sign(b.minX + b.maxX)).toBe(side);
});

test('spans with places of their own are texts of their own, others are one', () => {
  const two = texts('<text font-size="14" fill="#000"><tspan x="20" y="80">ONE</tspan><tspan x="20" dy="1.2em">TWO</tspan></text>');
  expect(two.map((p) => p.name)).toEqual(['ONE', 'TWO']);
  expect(two[1]!.lettering!.at![1] - two[0]!.lettering!.at![1]).toBeCloseTo(16.8, 1);
  expect(texts('<text x="20" y="80" font-size="14" fill="#000">ON<tspan>LY</tspan></text>').map((p) => p.name)).toEqual(['ONLY']);
});

test('turned, mirrored, slanting, small, with feet: as the drawing says', () => {
  const [turned] = texts('<text transform="translate(50 85) rotate(-30)" font-size="14" fill="#000">UP</text>');
  expect(turned!.lettering!.turn).toBeCloseTo(30, 3);
  const of = (attributes: string) => texts(`<text x="30" y="85" fill="#000" ${attributes}>Ab</text>`)[0]!.lettering!;
  expect(of('font-size="14" font-style="italic"').slant).toBe(12);
  expect(of('font-size="14" font-family="Some Slab, serif"').face).toBe('gable');
  expect(of('font-size="14" font-family="Nice Sans-Serif"').face).toBe('treadle');
  expect(of('font-size="7"').face).toBe('thimble');
  const mirrored = digitize(readSvg(svg(`${DISC}<text x="50" y="85" font-size="14" fill="#000">CREW</text>`)), {
    cloth: 'twill',
    settings: {},
    pose: { mirror: true },
  }).pieces.find((p) => p.lettering)!;
  expect(mirrored.lettering!.turn ?? 0).toBeCloseTo(0, 6);
  const b = extentOf(mirrored.lettering!)!;
  expect(b.minX + b.maxX).toBeLessThan(0);
});

test('it is sewn with what else has its thread, unless something later lies beneath it', () => {
  const later = '<rect x="20" y="66" width="60" height="6" fill="#c03020"/>';
  const order = (body: string): string[] => made(body).pieces.map((p) => p.kind);
  const beside = order(`${later}<text x="50" y="90" font-size="14" text-anchor="middle" fill="#204060">CREW</text>`);
  expect(beside.indexOf('lettering')).toBe(1);
  const over = order(`<rect x="20" y="66" width="60" height="30" fill="#c03020"/><text x="50" y="90" font-size="14" text-anchor="middle" fill="#204060">CREW</text>`); // prettier-ignore
  expect(over.indexOf('lettering')).toBe(over.length - 1);
});

test('hidden, empty or colourless texts are nothing; the job says what it did with others', () => {
  expect(
    texts('<text x="9" y="80" visibility="hidden">A</text><text x="9" y="80" fill="none">B</text><text x="9" y="80"> </text>'),
  ).toEqual([]);
  const doc = readSvg(svg(`${DISC}<text x="9" y="80" font-size="14">A</text>`));
  expect(doc.notes.map((n) => n.what)).toContain('text (set as lettering in the nearest face)');
  expect(readSvg(svg('<text x="9" y="80" font-size="14">Nº 7º</text>')).notes.map((n) => n.what)).toContain(
    '‘º’ in a text (no face of Cobble’s own has it)',
  );
  const { job } = jobFromArt(readSvg(svg('<text x="9" y="80" font-size="14" fill="#204060">ONLY WORDS</text>')), {
    id: 'x',
    name: 'x',
    file: 'x.svg',
  });
  expect(job.pieces.map((p) => p.kind)).toEqual(['lettering']);
});

describe('a text along a path', () => {
  const ARC = '<defs><path id="arc" d="M10,70 C30,20 70,20 90,70"/></defs>';
  const along = (attributes: string, anchor = 'start') => {
    const { pieces, art } = made(`${ARC}<text font-size="10" fill="#000" text-anchor="${anchor}"><textPath href="#arc" ${attributes}>QUAY</textPath></text>`); // prettier-ignore
    const arc = dataToRings('M10,70 C30,20 70,20 90,70')[0]!.map((p) => apply(art.matrix, p));
    const text = pieces.find((p) => p.lettering)!.lettering!;
    const feet = layOut(text).letters.map((l) => ({ letter: l, foot: l.place({ x: l.glyph.width / 2, y: 0 }) }));
    return {
      arc,
      feet,
      total: lineLength(arc),
      ways: feet.map(({ foot }) => nearestOnLine(arc, foot).along),
      mmPerUnit: scaleOf(art.matrix),
    };
  };

  it('stands on it with every letter, square to it', () => {
    for (const [attributes, anchor] of [
      ['', 'start'],
      ['startOffset="50%"', 'middle'],
      ['startOffset="20"', 'start'],
      ['startOffset="100%"', 'end'],
    ] as const) {
      const { arc, feet } = along(attributes, anchor);
      for (const { foot, letter } of feet) {
        const near = nearestOnLine(arc, foot);
        expect([attributes, near.distance < 0.35]).toEqual([attributes, true]);
        const up = letter.place({ x: letter.glyph.width / 2, y: 1 });
        expect(distance(up, near.point)).toBeGreaterThan(0.9 * letter.height);
      }
    }
  });

  it('begins, is in the middle, or ends where it is said to', () => {
    const [from, centre, to, later] = [along(''), along('startOffset="50%"', 'middle'), along('startOffset="100%"', 'end'), along('startOffset="20"')]; // prettier-ignore
    expect(from.ways[0]).toBeLessThan(0.15 * from.total);
    expect(Math.abs((centre.ways[0]! + centre.ways[3]!) / 2 - centre.total / 2)).toBeLessThan(0.03 * centre.total);
    expect(to.ways[3]).toBeGreaterThan(0.85 * to.total);
    expect(later.ways[0]! / later.mmPerUnit - from.ways[0]! / from.mmPerUnit).toBeCloseTo(20, 0);
  });

  it('is set straight where the path is missing, and the reader says so', () => {
    const body = '<text x="20" y="80" font-size="10" fill="#000"><textPath href="#none">QUAY</textPath></text>';
    expect(texts(body)[0]!.lettering!.line).toBeUndefined();
    expect(readSvg(svg(body)).notes.map((n) => n.what)).toContain('text along a path that is missing (set straight)');
  });
});
