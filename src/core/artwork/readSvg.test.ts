import { InputError } from '../document/errors';
import { areaOf } from '../geometry/area';
import { boundsOf } from '../geometry/point';
import { placeArt } from './place';
import { readSvg } from './readSvg';

const svg = (body: string, attributes = 'viewBox="0 0 100 100"') => `<svg xmlns="http://www.w3.org/2000/svg" ${attributes}>${body}</svg>`;
const at100 = (body: string, attributes?: string) => placeArt(readSvg(svg(body, attributes)), { width: 100 });
const areas = (body: string) => at100(body).items.map((i) => Math.round(areaOf(i.area)));
const colours = (body: string) => readSvg(svg(body)).items.map((i) => i.hex);

test('basic shapes have their own areas at real size', () => {
  const frame = '<rect width="100" height="100"/>';
  expect(areas(`${frame}<circle cx="50" cy="50" r="10"/>`)).toEqual([10000, 314]);
  expect(areas(`${frame}<ellipse cx="50" cy="50" rx="20" ry="10"/>`)).toEqual([10000, 628]);
  expect(areas(`${frame}<polygon points="0,0 20,0 0,20"/>`)).toEqual([10000, 200]);
  expect(areas(`${frame}<rect x="10" y="10" width="20" height="20" rx="10"/>`)).toEqual([10000, 314]);
});

test('the painted box, not the viewBox, is what gets the wanted width, centred on 0,0', () => {
  const art = at100('<rect x="70" y="20" width="10" height="5"/>');
  expect(art.width).toBeCloseTo(100, 6);
  expect(art.height).toBeCloseTo(50, 6);
  const box = boundsOf(art.items[0]!.area);
  expect([box.minX, box.maxX, box.minY, box.maxY].map((v) => Math.round(v * 1000) / 1000)).toEqual([-50, 50, -25, 25]);
});

test('strokes count to the painted width, with their caps', () => {
  const art = placeArt(readSvg(svg('<path d="M10,50 H90" stroke="#000" stroke-width="20" stroke-linecap="square" fill="none"/>')), {
    width: 100,
  });
  expect(art.height).toBeCloseTo(20, 2);
  expect(art.items[0]!.stroke!.widthMm).toBeCloseTo(20, 3);
});

test('transforms nest, use places copies, symbols fit their viewBox', () => {
  const body =
    '<defs><rect id="r" width="10" height="10"/><symbol id="s" viewBox="0 0 2 2"><rect width="2" height="2"/></symbol></defs>' +
    '<g transform="translate(10 0) scale(2)"><use href="#r" x="5"/></g><use href="#s" x="60" y="60" width="40" height="40"/>';
  const boxes = readSvg(svg(body)).items.map((i) => i.path[0]!.start);
  expect(boxes).toEqual([
    { x: 20, y: 0 },
    { x: 60, y: 60 },
  ]);
});

test('style sheets, style attributes and inheritance decide the paint, in that order of strength', () => {
  expect(
    colours(
      '<style>.a{fill:#ff0000} #b{fill:#00ff00} g rect{fill:#0000ff}</style><rect class="a" width="5" height="5"/><rect id="b" class="a" width="5" height="5"/><g fill="#123456"><rect width="5" height="5"/><circle r="5"/></g><rect class="a" style="fill:#abcdef" width="5" height="5"/>',
    ),
  ).toEqual(['#ff0000', '#00ff00', '#0000ff', '#123456', '#abcdef']);
});

test('what is not painted is left out', () => {
  expect(
    colours(
      '<rect width="5" height="5" fill="none"/><rect width="5" height="5" display="none"/><g opacity="0"><rect width="5" height="5"/></g><rect width="5" height="5" visibility="hidden"/>',
    ),
  ).toEqual([]);
});

test('a gradient becomes its mean colour, and what cannot be sewn is listed', () => {
  const doc = readSvg(
    svg(
      '<defs><linearGradient id="g"><stop offset="0" stop-color="#000"/><stop offset="1" stop-color="#fff"/></linearGradient></defs><rect width="9" height="9" fill="url(#g)"/><text>hello</text><image href="x.png"/><rect width="9" height="9" filter="url(#f)"/>',
    ),
  );
  expect(doc.items[0]!.hex).toBe('#808080');
  expect(doc.notes.map((n) => n.what.split(' ')[0])).toEqual(['gradient', 'text', 'picture', 'filter']);
});

test('scripts, handlers and outside references are never followed', () => {
  const doc = readSvg(
    svg('<script>alert(1)</script><rect width="5" height="5" onclick="alert(2)"/><use href="http://elsewhere.invalid/a.svg#b"/>'),
  );
  expect(doc.items).toHaveLength(1);
  expect(doc.notes.map((n) => n.what)).toEqual(['script (never run)', 'reference to another file (never loaded)']);
});

test('a use that names itself ends', () => {
  expect(readSvg(svg('<g id="a"><rect width="5" height="5"/><use href="#a"/></g>')).items.length).toBeLessThan(50);
});

test('fill rule decides whether a star has a hole', () => {
  const star = 'M50,0 L80,90 L2,35 L98,35 L20,90 Z';
  const hole = placeArt(readSvg(svg(`<path d="${star}" fill-rule="evenodd"/>`)), { width: 96 }).items[0]!;
  const whole = placeArt(readSvg(svg(`<path d="${star}"/>`)), { width: 96 }).items[0]!;
  expect(areaOf(whole.area)).toBeGreaterThan(areaOf(hole.area) * 1.2);
});

test('physical size counts when no size is asked for; pixels do not', () => {
  expect(placeArt(readSvg(svg('<rect width="100" height="50"/>', 'viewBox="0 0 100 100" width="8cm" height="8cm"')), {}).width).toBeCloseTo(
    80,
    6,
  );
  expect(() => placeArt(readSvg(svg('<rect width="9" height="9"/>', 'width="24" height="24"')), {})).toThrow(/finished width/);
});

test.each<[string, string, string]>([
  ['text that is no XML', 'just words', 'not-svg'],
  ['a page', '<html><body/></html>', 'not-svg'],
  ['XML that is cut short', '<svg xmlns="http://www.w3.org/2000/svg"><rect width="5"', 'not-svg'],
  [
    'entities that multiply',
    '<!DOCTYPE svg [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;&a;&a;">]><svg xmlns="http://www.w3.org/2000/svg"><title>&b;</title></svg>',
    'entities',
  ],
  ['fifty megabytes', `<svg xmlns="http://www.w3.org/2000/svg">${' '.repeat(50_000_000)}</svg>`, 'too-large'],
])('%s is refused in one sentence', (_, text, code) => {
  let caught: unknown;
  try {
    readSvg(text);
  } catch (error) {
    caught = error;
  }
  expect(caught).toBeInstanceOf(InputError);
  expect((caught as InputError).code).toBe(code);
  expect((caught as InputError).message).toMatch(/^[A-Z].*\.$/s);
});

test.each([
  ['nothing', ''],
  ['a shape without extent', '<rect width="0" height="0"/><path d="M5,5"/>'],
])('artwork that paints %s is refused', (_, body) => {
  expect(() => placeArt(readSvg(svg(body)), { width: 80 })).toThrow(/paints nothing/);
});

test.each([NaN, 0, -5, 1e9, Infinity])('a width of %d is refused', (width) => {
  expect(() => placeArt(readSvg(svg('<rect width="5" height="5"/>')), { width })).toThrow(/1 to 1000/);
});
