import type { Element } from 'domhandler';
import { parsePath, type Path } from '../geometry/path';
import { numberOf } from './paint';

/** Control-point distance of a cubic quarter circle of radius 1. */
const KAPPA = 0.5522847498;

/** What percentages on shapes refer to. */
export interface Viewport {
  width: number;
  height: number;
}

const read = (e: Element, name: string, whole: number, fallback = 0): number => numberOf(e.attribs[name], fallback, whole);

function ellipse(cx: number, cy: number, rx: number, ry: number): string {
  if (!(rx > 0) || !(ry > 0)) return '';
  const [kx, ky] = [rx * KAPPA, ry * KAPPA];
  return (
    `M${cx + rx},${cy} C${cx + rx},${cy + ky} ${cx + kx},${cy + ry} ${cx},${cy + ry} ` +
    `C${cx - kx},${cy + ry} ${cx - rx},${cy + ky} ${cx - rx},${cy} C${cx - rx},${cy - ky} ${cx - kx},${cy - ry} ${cx},${cy - ry} ` +
    `C${cx + kx},${cy - ry} ${cx + rx},${cy - ky} ${cx + rx},${cy} Z`
  );
}

function rectangle(e: Element, v: Viewport): string {
  const [x, y] = [read(e, 'x', v.width), read(e, 'y', v.height)];
  const [w, h] = [read(e, 'width', v.width), read(e, 'height', v.height)];
  if (!(w > 0) || !(h > 0)) return '';
  const givenX = e.attribs['rx'] !== undefined ? read(e, 'rx', v.width) : NaN;
  const givenY = e.attribs['ry'] !== undefined ? read(e, 'ry', v.height) : NaN;
  const rx = Math.min(w / 2, Math.max(0, Number.isNaN(givenX) ? (Number.isNaN(givenY) ? 0 : givenY) : givenX));
  const ry = Math.min(h / 2, Math.max(0, Number.isNaN(givenY) ? (Number.isNaN(givenX) ? 0 : givenX) : givenY));
  if (rx === 0 || ry === 0) return `M${x},${y} L${x + w},${y} L${x + w},${y + h} L${x},${y + h} Z`;
  return (
    `M${x + rx},${y} L${x + w - rx},${y} A${rx},${ry} 0 0 1 ${x + w},${y + ry} L${x + w},${y + h - ry} ` +
    `A${rx},${ry} 0 0 1 ${x + w - rx},${y + h} L${x + rx},${y + h} A${rx},${ry} 0 0 1 ${x},${y + h - ry} L${x},${y + ry} ` +
    `A${rx},${ry} 0 0 1 ${x + rx},${y} Z`
  );
}

function points(e: Element, close: boolean): string {
  const numbers = (e.attribs['points'] ?? '').match(/[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?/gi)?.map(Number) ?? [];
  const pairs: string[] = [];
  for (let i = 0; i + 1 < numbers.length; i += 2) pairs.push(`${numbers[i]},${numbers[i + 1]}`);
  return pairs.length < 2 ? '' : `M${pairs.join(' L')}${close ? ' Z' : ''}`;
}

function dataOf(e: Element, v: Viewport): string {
  const diagonal = Math.sqrt((v.width * v.width + v.height * v.height) / 2);
  switch (e.name) {
    case 'path':
      return e.attribs['d'] ?? '';
    case 'rect':
      return rectangle(e, v);
    case 'circle': {
      const r = read(e, 'r', diagonal);
      return ellipse(read(e, 'cx', v.width), read(e, 'cy', v.height), r, r);
    }
    case 'ellipse': {
      const rx = e.attribs['rx'] === undefined || e.attribs['rx'] === 'auto' ? read(e, 'ry', v.height) : read(e, 'rx', v.width);
      const ry = e.attribs['ry'] === undefined || e.attribs['ry'] === 'auto' ? rx : read(e, 'ry', v.height);
      return ellipse(read(e, 'cx', v.width), read(e, 'cy', v.height), rx, ry);
    }
    case 'line':
      return `M${read(e, 'x1', v.width)},${read(e, 'y1', v.height)} L${read(e, 'x2', v.width)},${read(e, 'y2', v.height)}`;
    case 'polyline':
      return points(e, false);
    case 'polygon':
      return points(e, true);
    default:
      return '';
  }
}

export const SHAPES = new Set(['path', 'rect', 'circle', 'ellipse', 'line', 'polyline', 'polygon']);

/** Outline of a basic shape in its own coordinates; curves stay curves. */
export function shapePath(e: Element, viewport: Viewport): Path {
  return parsePath(dataOf(e, viewport));
}
