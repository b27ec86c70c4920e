import { parseSvgText } from './xml';
import { numberOf, physicalLength, resolvePaint, type Paint } from './paint';
import { INITIAL_STYLE, sheetStyles, styleOf, type Style } from './cssStyles';
import { readable } from './names';
import type { Element } from 'domhandler';
import { InputError } from '../document/errors';

const tree = (body: string): Element => parseSvgText(`<svg xmlns="http://www.w3.org/2000/svg">${body}</svg>`);
const all = (e: Element): Element[] => [e, ...e.children.filter((c): c is Element => 'name' in c).flatMap(all)];
const byId = (root: Element): Map<string, Element> =>
  new Map(all(root).flatMap((e) => (e.attribs['id'] ? [[e.attribs['id'], e] as const] : [])));

/** The style of the element with the id `x`, through all of its ancestors. */
function styled(body: string): Style {
  const root = tree(body);
  const sheets = sheetStyles(root);
  const down = (e: Element, parent: Style): Style | null => {
    const own = styleOf(e, parent, sheets);
    if (e.attribs['id'] === 'x') return own;
    for (const c of e.children) {
      const found = 'name' in c ? down(c as Element, own) : null;
      if (found) return found;
    }
    return null;
  };
  return down(root, INITIAL_STYLE)!;
}

describe('styles', () => {
  it('come from parents, but for what is each element’s own', () => {
    const style = styled('<g fill="red" opacity="0.5" stroke-width="3"><path id="x"/></g>');
    expect(style['fill']).toBe('red');
    expect(style['stroke-width']).toBe('3');
    expect(style['opacity']).toBeUndefined();
  });

  it('inline outranks sheets, sheets outrank attributes', () => {
    expect(styled('<style>path{fill:blue}</style><path id="x" fill="red"/>')['fill']).toBe('blue');
    expect(styled('<style>path{fill:blue}</style><path id="x" fill="red" style="fill: lime"/>')['fill']).toBe('lime');
  });

  it('of two rules the more specific one holds, else the later one', () => {
    expect(styled('<style>#x{fill:red} path{fill:blue}</style><path id="x"/>')['fill']).toBe('red');
    expect(styled('<style>.a{fill:red} path{fill:blue}</style><path id="x" class="a"/>')['fill']).toBe('red');
    expect(styled('<style>.a{fill:red} .b{fill:blue}</style><path id="x" class="b a"/>')['fill']).toBe('blue');
    expect(styled('<style><![CDATA[ g .a, g > .c {fill:red} ]]></style><g><path id="x" class="c"/></g>')['fill']).toBe('red');
  });

  it('what the word inherit stands for, and what is broken, is sorted out', () => {
    expect(styled('<g fill="navy"><path id="x" fill="inherit"/></g>')['fill']).toBe('navy');
    expect(styled('<style>path{fill:;;} {}} .q:::x{fill:red}</style><path id="x" fill="teal"/>')['fill']).toBe('teal');
    expect(styled('<path id="x" style="fill: red !important"/>')['fill']).toBe('red');
  });
});

describe('paint', () => {
  const paint = (value: string, defs = '', opacity?: string, style: Style = {}): [Paint | null, string[]] => {
    const told: string[] = [];
    return [resolvePaint(value, opacity, style, byId(tree(defs)), (what) => told.push(what)), told];
  };

  it('is any way of writing a colour', () => {
    for (const value of ['#c8102e', 'rgb(200,16,46)', 'rgb(78.43% 6.27% 18.04%)', 'hsl(350.2, 85.2%, 42.35%)']) {
      expect(paint(value)[0]!.hex).toBe('#c8102e');
    }
    expect(paint('currentColor', '', undefined, { color: 'rebeccapurple' })[0]!.hex).toBe('#663399');
  });

  it('there is none where it says so, or says nothing that is a colour', () => {
    for (const value of ['none', 'transparent', 'url(#gone)', 'plaid']) expect(paint(value)[0]).toBeNull();
    expect(paint('url(#gone) #00ff00')[0]!.hex).toBe('#00ff00');
  });

  it('shines through by its own and by its element’s opacity', () => {
    expect(paint('rgba(0,0,0,0.5)', '', '0.5')[0]!.alpha).toBeCloseTo(0.25);
    expect(paint('#000', '', '40%')[0]!.alpha).toBeCloseTo(0.4);
    expect(paint('#000', '', '7')[0]!.alpha).toBe(1);
  });

  it('a gradient is the mean of its stops, by the length that each rules, and that is said', () => {
    const even = '<linearGradient id="g"><stop offset="0" stop-color="#000"/><stop offset="1" stop-color="#fff"/></linearGradient>';
    expect(paint('url(#g)', even)).toEqual([{ hex: '#808080', alpha: 1 }, ['gradient']]);
    const dark =
      '<radialGradient id="g"><stop offset="0" stop-color="#000"/><stop offset="75%" style="stop-color:#000"/><stop offset="1" stop-color="#fff"/></radialGradient>';
    expect(paint('url(#g)', dark)[0]!.hex).toBe('#202020');
    const borrowed = `${even}<linearGradient id="h" href="#g"/>`;
    expect(paint('url(#h)', borrowed)[0]!.hex).toBe('#808080');
    expect(paint('url(#a)', '<linearGradient id="a" href="#b"/><linearGradient id="b" href="#a"/>')[0]).toBeNull();
  });

  it('a pattern is grey, and that is said', () => {
    expect(paint('url(#p)', '<pattern id="p"/>')).toEqual([{ hex: '#808080', alpha: 1 }, ['pattern']]);
  });
});

test('numbers and lengths', () => {
  expect(numberOf('12.5px', 0)).toBe(12.5);
  expect(numberOf('25%', 0, 80)).toBe(20);
  expect(numberOf('wide', 3)).toBe(3);
  expect(numberOf(undefined, 4)).toBe(4);
  expect(physicalLength('1in')).toBeCloseTo(25.4);
  expect(physicalLength('96')).toBeCloseTo(25.4);
  expect(physicalLength('72pt')).toBeCloseTo(25.4);
  expect(physicalLength('40Q')).toBeCloseTo(10);
  for (const odd of ['50%', '-3mm', '0', 'auto', '', undefined, '3 furlongs']) expect(physicalLength(odd)).toBeNull();
});

test('names that people gave are kept, those that programs gave are not', () => {
  expect(readable('heron-wing_left')).toBe('Heron wing left');
  for (const id of ['path1234', 'g12', 'Layer 1', 'rect', '', '___', 'SVGID 7', 'shape 3', 'wing20451']) expect(readable(id)).toBe('');
  expect(readable('a'.repeat(80)).length).toBeLessThanOrEqual(40);
});

describe('XML', () => {
  const refused = (text: string): string => {
    try {
      parseSvgText(text);
    } catch (error) {
      if (error instanceof InputError) return error.code;
      throw error;
    }
    return 'taken';
  };

  it('is read without prefixes, comments or white space', () => {
    const root = parseSvgText('\uFEFF<?xml version="1.0"?><!-- a --><s:svg xmlns:s="http://www.w3.org/2000/svg"> <s:g>  </s:g></s:svg>');
    expect(root.name).toBe('svg');
    expect(root.children).toHaveLength(1);
    expect((root.children[0] as Element).name).toBe('g');
  });

  it('is refused with a reason when it is broken, hostile, too deep or something else', () => {
    expect(refused('<svg><g></svg>')).toBe('not-svg');
    expect(refused('<html/>')).toBe('not-svg');
    expect(refused('')).toBe('not-svg');
    expect(refused('<!DOCTYPE svg [<!ENTITY a "b">]><svg>&a;</svg>')).toBe('entities');
    expect(refused(`<svg>${'<g>'.repeat(400)}${'</g>'.repeat(400)}</svg>`)).toBe('too-complex');
    expect(refused(`<svg>${' '.repeat(30_000_000)}</svg>`)).toBe('too-large');
    expect(refused('<svg><g/></svg>')).toBe('taken');
  });
});
