import { compile, selectAll } from 'css-select';
import type { CssNode } from 'css-tree';
import generate from 'css-tree/generator';
import parse from 'css-tree/parser';
import walk from 'css-tree/walker';
import type { AnyNode, Element, Text } from 'domhandler';
import { InputError } from '../document/errors';

/** Presentation properties of an element after attributes, style sheets and inheritance. */
export type Style = Readonly<Record<string, string>>;

/** Properties that children take from their parents (SVG 2, property index), among those that matter to sewing. */
const INHERITED = new Set([
  'fill',
  'fill-rule',
  'fill-opacity',
  'stroke',
  'stroke-width',
  'stroke-linecap',
  'stroke-linejoin',
  'stroke-miterlimit',
  'stroke-opacity',
  'stroke-dasharray',
  'stroke-dashoffset',
  'color',
  'visibility',
  'clip-rule',
  'font-size',
  'font-family',
  'font-weight',
  'font-style',
  'text-anchor',
]);
const OWN = new Set(['opacity', 'display', 'filter', 'mask', 'clip-path', 'stop-color', 'stop-opacity', 'mix-blend-mode', 'vector-effect']);
const KNOWN = new Set([...INHERITED, ...OWN]);

export const INITIAL_STYLE: Style = { fill: '#000', stroke: 'none', 'stroke-width': '1' };

function declarations(css: string, context: 'declarationList' | 'stylesheet'): CssNode {
  return parse(css, { context, parseValue: false, onParseError: () => undefined });
}

function readDeclarations(node: CssNode, into: Record<string, string>): void {
  walk(node, {
    visit: 'Declaration',
    enter(d) {
      const name = d.property.toLowerCase();
      const value = generate(d.value).trim();
      if (KNOWN.has(name) && value !== '') into[name] = value;
    },
  });
}

/** Declarations that the drawing's style sheets give to each element, later and more specific ones winning. */
export function sheetStyles(svg: Element): Map<Element, Record<string, string>> {
  const out = new Map<Element, Record<string, string>>();
  const rules: { selector: string; weight: number; order: number; values: Record<string, string> }[] = [];
  const text = selectAll('style', svg)
    .map((e) => e.children.map((c) => (c as Text).data).join(''))
    .join('\n');
  if (text === '') return out;
  walk(declarations(text, 'stylesheet'), {
    visit: 'Rule',
    enter(rule) {
      const values: Record<string, string> = {};
      readDeclarations(rule.block, values);
      for (const selector of generate(rule.prelude).split(',')) {
        rules.push({ selector, weight: specificity(selector), order: rules.length, values });
      }
    },
  });
  rules.sort((a, b) => a.weight - b.weight || a.order - b.order);
  const index = new ElementIndex(svg);
  for (const { selector, values } of rules) {
    for (const element of index.matching(selector)) out.set(element, { ...out.get(element), ...values });
  }
  return out;
}

/** Elements looked at for all rules together, with the siblings that a selector makes them look at. */
const MOST_LOOKS = 20_000_000;
/** Selectors that look at an element's siblings. */
const SIBLINGS = /[~+]|:nth|:first|:last|:only/;
const SIMPLE = /^[\w#.\s>+~*-]+$/;

/** Elements by what a selector's last part asks of them, so that a rule is tried on few. */
class ElementIndex {
  private readonly all: Element[];
  private readonly by = new Map<string, Element[]>();
  private looks = 0;

  constructor(svg: Element) {
    this.all = selectAll('*', [svg], { xmlMode: true });
    for (const e of this.all) {
      this.put(e.name, e);
      if (e.attribs['id'] !== undefined) this.put(`#${e.attribs['id']}`, e);
      for (const c of new Set((e.attribs['class'] ?? '').split(/\s+/))) if (c !== '') this.put(`.${c}`, e);
    }
  }

  private put(key: string, element: Element): void {
    const list = this.by.get(key);
    if (list) list.push(element);
    else this.by.set(key, [element]);
  }

  private candidates(selector: string): readonly Element[] {
    const last = /[^\s>+~]+\s*$/.exec(selector)?.[0].trim() ?? '';
    if (!SIMPLE.test(last)) return this.all;
    const keys = last.match(/[#.]?[\w-]+/g) ?? [];
    const key = keys.find((k) => k.startsWith('#')) ?? keys.find((k) => k.startsWith('.')) ?? keys[0];
    return key === undefined ? this.all : (this.by.get(key) ?? []);
  }

  /** @throws InputError when the drawing's rules together would take too long */
  matching(selector: string): Element[] {
    const found = this.candidates(selector);
    if (found.length === 0) return [];
    const beside = SIBLINGS.test(selector) ? (found[0]!.parent?.children.length ?? 1) : 1;
    this.looks += found.length * beside;
    if (this.looks > MOST_LOOKS)
      throw new InputError(
        'too-complex',
        'The style rules of this artwork are too many for its size; save it with plain colours and try again.',
      );
    try {
      const matches = compile<AnyNode, Element>(selector, { xmlMode: true });
      return found.filter((e) => matches(e));
    } catch {
      return [];
    }
  }
}

function specificity(selector: string): number {
  const count = (pattern: RegExp): number => selector.match(pattern)?.length ?? 0;
  return 10_000 * count(/#/g) + 100 * count(/[.[:]/g) + count(/(^|[\s>+~])[a-z]/gi);
}

/** An element's own and inherited style. */
export function styleOf(element: Element, parent: Style, sheets: ReadonlyMap<Element, Record<string, string>>): Style {
  const out: Record<string, string> = {};
  for (const [name, value] of Object.entries(parent)) if (INHERITED.has(name)) out[name] = value;
  const own: Record<string, string> = {};
  for (const [name, value] of Object.entries(element.attribs)) if (KNOWN.has(name)) own[name] = value.trim();
  Object.assign(own, sheets.get(element));
  const inline = element.attribs['style'];
  if (inline) readDeclarations(declarations(inline, 'declarationList'), own);
  for (const [name, value] of Object.entries(own)) {
    const plain = value.replace(/\s*!important$/, '');
    if (plain === 'inherit') {
      if (parent[name] !== undefined) out[name] = parent[name];
    } else out[name] = plain;
  }
  return out;
}
