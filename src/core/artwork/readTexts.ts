import type { Element } from 'domhandler';
import { formatPath, parsePath, transformPath, type Matrix } from '../geometry/path';
import { styleOf, type Style } from './cssStyles';
import { oneOf, transformOf } from './attributes';
import { numberOf, resolvePaint } from './paint';
import type { Viewport } from './shapes';
import { signsLacking, type ArtText } from './texts';

/** A font's size where none is said, in the drawing's units. */
const USUAL_FONT_SIZE = 16;
const LONGEST_TEXT = 500;

/** What the reading of a text needs of the drawing. */
export interface TextSource {
  sheets: Parameters<typeof styleOf>[2];
  byId: ReadonlyMap<string, Element>;
  viewport: Viewport;
  note(what: string): void;
}

interface Given {
  matrix: Matrix;
  style: Style;
  opacity: number;
}

/** A text element, line by line: spans with a place of their own, or on a path, begin a new one. */
export function textsOf(element: Element, { matrix, style, opacity }: Given, source: TextSource): ArtText[] {
  if (style['visibility'] === 'hidden' || style['visibility'] === 'collapse') return [];
  const { sheets, byId, viewport, note } = source;
  const length = (e: Element, name: 'x' | 'y', otherwise: number): number =>
    numberOf((e.attribs[name] ?? '').split(/[\s,]+/)[0] || undefined, otherwise, viewport[name === 'x' ? 'width' : 'height']);
  let at = { x: length(element, 'x', 0), y: length(element, 'y', 0) };
  return partsOf(element, note).flatMap((part): ArtText[] => {
    const own = part === element ? style : styleOf(part, style, sheets);
    const size = numberOf(own['font-size'], USUAL_FONT_SIZE, viewport.height);
    at = { x: length(part, 'x', at.x), y: length(part, 'y', at.y) };
    const dy = /em$/.test(part.attribs['dy'] ?? '') ? parseFloat(part.attribs['dy']!) * size : numberOf(part.attribs['dy'], 0);
    at = { ...at, y: at.y + dy };
    const text = deepText(part).replace(/\s+/g, ' ').trim();
    const fill = resolvePaint(own['fill'], own['fill-opacity'], own, byId, () => undefined);
    if (text === '' || !fill || fill.alpha * opacity === 0) return [];
    note('text (set as lettering in the nearest face)');
    for (const sign of signsLacking(text)) note(`‘${sign}’ in a text (no face of Cobble’s own has it)`);
    return [
      {
        ...{ text: text.slice(0, LONGEST_TEXT), matrix, at, size, hex: fill.hex, family: own['font-family'] ?? '' },
        anchor: oneOf(own['text-anchor'], ['start', 'middle', 'end'] as const),
        bold: /bold|[6-9]00/.test(own['font-weight'] ?? ''),
        italic: /italic|oblique/.test(own['font-style'] ?? ''),
        ...lineOf(part, source),
      },
    ];
  });
}

function partsOf(element: Element, note: TextSource['note']): Element[] {
  const inner = element.children.filter((c): c is Element => 'attribs' in c);
  const spans = inner.filter((c) => c.name === 'tspan' || c.name === 'textPath');
  if (spans.length < inner.length) note('other things in a text (left out)');
  const placed = spans.filter((c) => c.name === 'textPath' || ['x', 'y', 'dy'].some((key) => c.attribs[key] !== undefined));
  return placed.length > 0 ? placed : [element];
}

/** The line that a text along a path stands on; where it cannot be found the text is set straight. */
function lineOf(part: Element, { byId, note }: TextSource): Pick<ArtText, 'along'> {
  if (part.name !== 'textPath') return {};
  const reference = part.attribs['href'] ?? part.attribs['xlink:href'] ?? '';
  const target = reference.startsWith('#') ? byId.get(reference.slice(1)) : undefined;
  const data = target?.attribs['d'];
  if (!target || data === undefined) {
    note('text along a path that is missing (set straight)');
    return {};
  }
  const offset = part.attribs['startOffset'] ?? '0';
  const path = formatPath(transformPath(parsePath(data), transformOf(target)));
  return { along: { path, ...(/%\s*$/.test(offset) ? { share: parseFloat(offset) / 100 } : { offset: numberOf(offset, 0) }) } };
}

const deepText = (element: Element): string =>
  element.children.map((c) => ('attribs' in c ? deepText(c) : 'data' in c ? c.data : '')).join('');
