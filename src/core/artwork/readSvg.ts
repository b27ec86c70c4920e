import type { Element } from 'domhandler';
import { IDENTITY, multiply, scaleOf, transformPath, type Matrix, type Path } from '../geometry/path';
import { dashed, type DashPattern } from '../geometry/dashes';
import type { CapName, FillRuleName, JoinName } from '../geometry/area';
import { MAX_ART_NODES } from '../units/tolerances';
import { InputError } from '../document/errors';
import { readable } from './names';
import { numberOf, physicalLength, resolvePaint } from './paint';
import { SHAPES, shapePath, type Viewport } from './shapes';
import { INITIAL_STYLE, sheetStyles, styleOf, type Style } from './cssStyles';
import { oneOf, transformOf } from './attributes';
import { textsOf } from './readTexts';
import type { ArtText } from './texts';
import { parseSvgText } from './xml';

/** One act of painting, in the drawing's own units, back to front. */
export interface ArtItem {
  name: string;
  path: Path;
  hex: string;
  alpha: number;
  rule: FillRuleName;
  /** Set for strokes. */
  stroke?: { width: number; cap: CapName; join: JoinName; miterLimit: number };
  /** Painting is limited to these shapes, all of them. */
  clips: readonly ClipShape[];
  /** Items of one element share this number. */
  element: number;
}

export interface ClipShape {
  paths: readonly { path: Path; rule: FillRuleName }[];
}

/** What was left out or changed, and how often. */
export interface ArtNote {
  what: string;
  count: number;
}

export interface ArtDocument {
  items: ArtItem[];
  notes: ArtNote[];
  /** Texts, which are set as lettering; none where absent. */
  texts?: ArtText[];
  /** Size of one drawing unit in mm when the document says so in physical units. */
  mmPerUnit: number | null;
}

const IGNORED_SILENTLY = new Set([
  'title',
  'desc',
  'metadata',
  'style',
  'defs',
  'namedview',
  'symbol',
  'clipPath',
  'mask',
  'linearGradient',
  'radialGradient',
  'pattern',
  'filter',
  'marker',
  'RDF',
  'perspective',
  'path-effect',
  'font',
  'view',
  'switchless',
]);
const CONTAINERS = new Set(['g', 'a', 'svg', 'switch']);
const DEEPEST_USE = 12;
const MOST_VISITS = 200_000;
const NOT_SEWN: Readonly<Record<string, string>> = {
  image: 'picture',
  foreignObject: 'foreign content',
  script: 'script (never run)',
  animate: 'animation',
  animateTransform: 'animation',
  animateMotion: 'animation',
  set: 'animation',
};

/** Reads an SVG drawing into what it paints. Nothing in it is run or fetched. */
export function readSvg(text: string): ArtDocument {
  const svg = parseSvgText(text);
  return new Reader(svg).read();
}

const read = new Map<string, ArtDocument>();
const MOST_READ = 3;

/** The same for drawings that are read again and again: the last few are kept. @throws InputError */
export function drawingOf(text: string): ArtDocument {
  const known = read.get(text);
  if (known) return known;
  const made = readSvg(text);
  if (read.size >= MOST_READ) read.delete(read.keys().next().value!);
  read.set(text, made);
  return made;
}

interface Context {
  matrix: Matrix;
  style: Style;
  opacity: number;
  clips: readonly ClipShape[];
  name: string;
  uses: number;
}

class Reader {
  private readonly items: ArtItem[] = [];
  private readonly texts: ArtText[] = [];
  private readonly notes = new Map<string, number>();
  private readonly byId = new Map<string, Element>();
  private readonly sheets: ReadonlyMap<Element, Record<string, string>>;
  private readonly viewport: Viewport;
  private nodes = 0;
  private elements = 0;
  /** Elements looked at, each as often as it is used. */
  private visits = 0;

  constructor(private readonly svg: Element) {
    this.sheets = sheetStyles(svg);
    const box = viewBoxOf(svg);
    this.viewport = box
      ? { width: box[2], height: box[3] }
      : { width: physicalLength(svg.attribs['width']) ?? 100, height: physicalLength(svg.attribs['height']) ?? 100 };
    this.index(svg);
  }

  read(): ArtDocument {
    const style = styleOf(this.svg, INITIAL_STYLE, this.sheets);
    this.children(this.svg, { matrix: IDENTITY, style, opacity: numberOf(style['opacity'], 1), clips: [], name: '', uses: 0 });
    const notes = [...this.notes].map(([what, count]) => ({ what, count }));
    return { items: this.items, notes, texts: this.texts, mmPerUnit: this.physicalScale() };
  }

  private physicalScale(): number | null {
    const written = this.svg.attribs['width'] ?? '';
    if (!/[a-z]$/i.test(written.trim()) || /px\s*$/i.test(written)) return null;
    const width = physicalLength(written);
    const box = viewBoxOf(this.svg);
    if (width === null) return null;
    return box ? width / box[2] : 25.4 / 96;
  }

  private index(element: Element): void {
    const stack = [element];
    for (let e = stack.pop(); e; e = stack.pop()) {
      const id = e.attribs['id'];
      if (id !== undefined && !this.byId.has(id)) this.byId.set(id, e);
      for (const c of e.children) if ('attribs' in c) stack.push(c);
    }
  }

  private note(what: string): void {
    this.notes.set(what, (this.notes.get(what) ?? 0) + 1);
  }

  private children(element: Element, context: Context): void {
    for (const child of element.children) if ('attribs' in child) this.visit(child, context);
  }

  private visit(element: Element, parent: Context): void {
    if (++this.visits > MOST_VISITS)
      throw new InputError('too-complex', 'This artwork repeats its parts more often than a hoop could sew; simplify it and try again.');
    const reason = NOT_SEWN[element.name];
    if (reason) {
      this.note(reason);
      return;
    }
    const shape = SHAPES.has(element.name);
    if (!shape && element.name !== 'use' && element.name !== 'text' && !CONTAINERS.has(element.name)) {
      if (!IGNORED_SILENTLY.has(element.name) && element.name !== 'grid') this.note(`‘${element.name}’ element`);
      return;
    }
    const style = styleOf(element, parent.style, this.sheets);
    if (style['display'] === 'none') return;
    const matrix = multiply(parent.matrix, transformOf(element));
    const context: Context = {
      matrix,
      style,
      opacity: parent.opacity * Math.min(1, Math.max(0, numberOf(style['opacity'], 1))),
      clips: this.clipsOf(style, matrix, parent.clips),
      name: nameOf(element) ?? parent.name,
      uses: parent.uses,
    };
    if (style['filter'] && style['filter'] !== 'none') this.note('filter effect');
    if (style['mask'] && style['mask'] !== 'none') this.note('mask');
    if (shape) this.paint(element, context);
    else if (element.name === 'text') this.lettered(element, context);
    else if (element.name === 'use') this.use(element, context);
    else if (element.name === 'svg') this.children(element, nested(element, context));
    else this.children(element, context);
  }

  private lettered(element: Element, context: Context): void {
    const { sheets, byId, viewport } = this;
    const room = MOST_TEXTS - this.texts.length;
    const found = textsOf(element, context, { sheets, byId, viewport, note: (what) => this.note(what) });
    this.texts.push(...found.slice(0, room));
  }

  private use(element: Element, context: Context): void {
    const reference = element.attribs['href'] ?? element.attribs['xlink:href'] ?? '';
    if (!reference.startsWith('#')) {
      this.note('reference to another file (never loaded)');
      return;
    }
    const target = this.byId.get(reference.slice(1));
    if (!target || context.uses >= DEEPEST_USE) return;
    const [x, y] = [numberOf(element.attribs['x'], 0, this.viewport.width), numberOf(element.attribs['y'], 0, this.viewport.height)];
    const moved: Context = { ...context, matrix: multiply(context.matrix, [1, 0, 0, 1, x, y]), uses: context.uses + 1 };
    if (target.name === 'symbol' || target.name === 'svg') {
      const style = styleOf(target, moved.style, this.sheets);
      this.children(target, nested(target, { ...moved, style }, element));
    } else this.visit(target, moved);
  }

  private clipsOf(style: Style, matrix: Matrix, parent: readonly ClipShape[]): readonly ClipShape[] {
    const id = /^url\(\s*['"]?#([^'")]+)['"]?\s*\)/.exec(style['clip-path'] ?? '')?.[1];
    const clip = id === undefined ? undefined : this.byId.get(id);
    if (!clip) return parent;
    if (clip.attribs['clipPathUnits'] === 'objectBoundingBox') {
      this.note('clip in box units');
      return parent;
    }
    const base = multiply(matrix, transformOf(clip));
    const paths = clip.children.flatMap((c) => {
      if (!('attribs' in c)) return [];
      const target = c.name === 'use' ? this.byId.get((c.attribs['href'] ?? c.attribs['xlink:href'] ?? '').slice(1)) : c;
      if (!target || !SHAPES.has(target.name)) return [];
      const own = styleOf(target, {}, this.sheets);
      const m = multiply(multiply(base, transformOf(c)), target === c ? IDENTITY : transformOf(target));
      return [{ path: transformPath(shapePath(target, this.viewport), m), rule: ruleOf(own['clip-rule']) }];
    });
    return [...parent, { paths }];
  }

  private paint(element: Element, context: Context): void {
    const { style } = context;
    if (style['visibility'] === 'hidden' || style['visibility'] === 'collapse') return;
    const path = transformPath(shapePath(element, this.viewport), context.matrix).filter((s) => s.segments.length > 0);
    this.nodes += path.reduce((n, s) => n + s.segments.length, 0);
    if (this.nodes > MAX_ART_NODES) {
      throw new InputError('too-complex', 'This artwork has more nodes than a hoop could sew; simplify it and try again.');
    }
    if (path.length === 0) return;
    const number = this.elements++;
    const common = { name: context.name, path, clips: context.clips, element: number };
    const note = (what: string): void =>
      this.note(what === 'gradient' ? 'gradient (its mean colour is used)' : `${what} (a flat grey is used)`);
    const fill = resolvePaint(style['fill'], style['fill-opacity'], style, this.byId, note);
    const rule = ruleOf(style['fill-rule']);
    if (fill && element.name !== 'line') this.add({ ...common, hex: fill.hex, alpha: fill.alpha * context.opacity, rule });
    const stroke = resolvePaint(style['stroke'], style['stroke-opacity'], style, this.byId, note);
    const width = numberOf(style['stroke-width'], 1, this.viewport.width) * scaleOf(context.matrix);
    if (!stroke || !(width > 0)) return;
    const pattern = this.dashesOf(style, context.matrix);
    this.add({
      ...common,
      path: pattern ? path.flatMap((sub) => dashed(sub, pattern)) : path,
      hex: stroke.hex,
      alpha: stroke.alpha * context.opacity,
      rule: 'nonzero',
      stroke: {
        width,
        cap: oneOf(style['stroke-linecap'], ['butt', 'round', 'square'] as const),
        join: oneOf(style['stroke-linejoin'], ['miter', 'round', 'bevel'] as const),
        miterLimit: numberOf(style['stroke-miterlimit'], 4),
      },
    });
  }

  private dashesOf(style: Style, matrix: Matrix): DashPattern | null {
    const text = style['stroke-dasharray'] ?? 'none';
    const long = (v: string | undefined): number => numberOf(v, 0, this.viewport.width) * scaleOf(matrix);
    const lengths = text
      .trim()
      .split(/[\s,]+/)
      .map(long);
    return lengths.some((v) => v > 0) ? { lengths, offset: long(style['stroke-dashoffset']) } : null;
  }

  private add(item: ArtItem): void {
    if (item.alpha < 0.05) return;
    if (item.alpha < 0.95) this.note('half-transparent paint (sewn as a solid colour)');
    this.items.push(item);
  }
}

/** What people called an element: its label, its title or its id; undefined when only a program named it. */
function nameOf(element: Element): string | undefined {
  const label = Object.entries(element.attribs).find(([key]) => key === 'label' || key.endsWith(':label'))?.[1];
  const title = element.children.find((c): c is Element => 'attribs' in c && c.name === 'title');
  return [label, title && textOf(title), element.attribs['id']].find((text) => text !== undefined && readable(text) !== '');
}

const MOST_TEXTS = 200;

const textOf = (element: Element): string => element.children.map((c) => ('data' in c ? c.data : '')).join('');

const ruleOf = (value: string | undefined): FillRuleName => (value === 'evenodd' ? 'evenodd' : 'nonzero');

function viewBoxOf(e: Element): [number, number, number, number] | null {
  const parts = (e.attribs['viewBox'] ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  if (parts.length !== 4 || parts.some((n) => !Number.isFinite(n)) || !(parts[2]! > 0) || !(parts[3]! > 0)) return null;
  return parts as [number, number, number, number];
}

/** Context inside a nested `svg` or a used `symbol`: its viewBox laid into its box, centred and fitted. */
function nested(e: Element, context: Context, placed: Element = e): Context {
  const box = viewBoxOf(e);
  const x = placed === e ? numberOf(e.attribs['x'], 0) : 0;
  const y = placed === e ? numberOf(e.attribs['y'], 0) : 0;
  let matrix = multiply(context.matrix, [1, 0, 0, 1, x, y]);
  if (box) {
    const width = numberOf(placed.attribs['width'] ?? e.attribs['width'], box[2], box[2]);
    const height = numberOf(placed.attribs['height'] ?? e.attribs['height'], box[3], box[3]);
    const k = Math.min(width / box[2], height / box[3]);
    const dx = (width - box[2] * k) / 2 - box[0] * k;
    const dy = (height - box[3] * k) / 2 - box[1] * k;
    matrix = multiply(matrix, [k, 0, 0, k, dx, dy]);
  }
  return { ...context, matrix };
}
