import { selectAll } from 'css-select';
import type { CssNode } from 'css-tree';
import generate from 'css-tree/generator';
import parse from 'css-tree/parser';
import walk from 'css-tree/walker';
import type { Element, Text } from 'domhandler';

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
  'color',
  'visibility',
  'clip-rule',
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
  for (const { selector, values } of rules) {
    for (const element of matching(selector, svg)) out.set(element, { ...out.get(element), ...values });
  }
  return out;
}

function matching(selector: string, svg: Element): Element[] {
  try {
    return selectAll(selector, [svg], { xmlMode: true });
  } catch {
    return [];
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
