import type { Element } from 'domhandler';
import { formatHex, parse as parseColour, type Rgb, rgb } from 'culori';
import type { Style } from './cssStyles';

/** A solid colour to sew, or none. */
export interface Paint {
  hex: string;
  /** 0 to 1; below 1 what lies beneath shines through. */
  alpha: number;
  note?: string;
}

/** A length or number at the head of a value; percentages of `whole`. */
export function numberOf(value: string | undefined, fallback: number, whole = 1): number {
  if (value === undefined) return fallback;
  const n = Number.parseFloat(value);
  if (!Number.isFinite(n)) return fallback;
  return value.trim().endsWith('%') ? (n / 100) * whole : n;
}

const MM_PER: Readonly<Record<string, number>> = { mm: 1, cm: 10, in: 25.4, pt: 25.4 / 72, pc: 25.4 / 6, px: 25.4 / 96, q: 0.25 };

/** A document length in mm, or null for percentages and nonsense. */
export function physicalLength(value: string | undefined): number | null {
  const match = /^\s*([+-]?\d*\.?\d+(?:e[+-]?\d+)?)\s*([a-z]*)\s*$/i.exec(value ?? '');
  if (!match) return null;
  const per = MM_PER[match[2]!.toLowerCase() || 'px'];
  const n = Number(match[1]);
  return per !== undefined && Number.isFinite(n) && n > 0 ? n * per : null;
}

function solid(value: string, current: string): Paint | null {
  const colour = parseColour(value.toLowerCase() === 'currentcolor' ? current : value);
  if (!colour) return null;
  return { hex: formatHex({ ...rgb(colour), alpha: 1 }), alpha: colour.alpha ?? 1 };
}

/**
 * Resolves `fill` or `stroke` to one colour. A gradient becomes the mean of its stops, weighted by the length each rules.
 * @returns null when nothing is painted
 */
export function resolvePaint(
  value: string | undefined,
  opacity: string | undefined,
  style: Style,
  byId: ReadonlyMap<string, Element>,
  unsupported: (what: string) => void,
): Paint | null {
  if (!value || value === 'none' || value === 'transparent') return null;
  const alpha = Math.min(1, Math.max(0, numberOf(opacity, 1)));
  const reference = /^url\(\s*['"]?#([^'")]+)['"]?\s*\)\s*(.*)$/.exec(value);
  let paint: Paint | null;
  if (reference) {
    const target = byId.get(reference[1]!);
    paint = target ? serverPaint(target, byId, unsupported) : null;
    if (!paint && reference[2]) paint = solid(reference[2], style['color'] ?? '#000');
  } else paint = solid(value, style['color'] ?? '#000');
  return paint && { ...paint, alpha: paint.alpha * alpha };
}

function serverPaint(server: Element, byId: ReadonlyMap<string, Element>, unsupported: (what: string) => void): Paint | null {
  if (server.name === 'pattern') {
    unsupported('pattern');
    return { hex: '#808080', alpha: 1 };
  }
  if (server.name !== 'linearGradient' && server.name !== 'radialGradient') return null;
  const stops = stopsOf(server, byId, 0);
  if (stops.length === 0) return null;
  unsupported('gradient');
  return meanOf(stops);
}

interface Stop {
  offset: number;
  colour: Rgb;
  alpha: number;
}

function stopsOf(server: Element, byId: ReadonlyMap<string, Element>, depth: number): Stop[] {
  const own = server.children.filter((c): c is Element => 'name' in c && c.name === 'stop');
  if (own.length === 0) {
    const target = byId.get((server.attribs['href'] ?? server.attribs['xlink:href'] ?? '').replace(/^#/, ''));
    return target && depth < 8 ? stopsOf(target, byId, depth + 1) : [];
  }
  let floor = 0;
  return own.map((stop) => {
    const inline = stop.attribs['style'] ?? '';
    const read = (name: string): string | undefined =>
      new RegExp(`(?:^|;)\\s*${name}\\s*:\\s*([^;]+)`).exec(inline)?.[1] ?? stop.attribs[name];
    floor = Math.min(1, Math.max(floor, numberOf(stop.attribs['offset'], 0)));
    const paint = solid(read('stop-color')?.trim() ?? '#000', '#000');
    const colour = rgb(parseColour(paint?.hex ?? '#000')) as Rgb;
    return { offset: floor, colour, alpha: (paint?.alpha ?? 1) * numberOf(read('stop-opacity'), 1) };
  });
}

function meanOf(stops: readonly Stop[]): Paint {
  const sum = { r: 0, g: 0, b: 0, alpha: 0 };
  let total = 0;
  stops.forEach((s, i) => {
    const before = i === 0 ? 0 : (stops[i - 1]!.offset + s.offset) / 2;
    const after = i === stops.length - 1 ? 1 : (s.offset + stops[i + 1]!.offset) / 2;
    const weight = Math.max(1e-6, after - before);
    total += weight;
    sum.r += s.colour.r * weight;
    sum.g += s.colour.g * weight;
    sum.b += s.colour.b * weight;
    sum.alpha += s.alpha * weight;
  });
  const hex = formatHex({ mode: 'rgb', r: sum.r / total, g: sum.g / total, b: sum.b / total });
  return { hex, alpha: sum.alpha / total };
}
