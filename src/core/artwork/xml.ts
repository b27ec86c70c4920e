import { Document, Element, Text, type ParentNode } from 'domhandler';
import { SaxesParser } from 'saxes';
import { MAX_SVG_BYTES } from '../units/tolerances';
import { InputError } from '../document/errors';

const MOST_ELEMENTS = 200_000;
const DEEPEST = 256;

/**
 * Reads XML text into a tree without ever expanding entities, running scripts or fetching anything.
 * @throws InputError when it is too large, defines entities, or is not well-formed XML with an `svg` root
 */
export function parseSvgText(text: string): Element {
  if (text.length > MAX_SVG_BYTES) {
    const megabytes = (text.length / 1e6).toFixed(0);
    throw new InputError('too-large', `This artwork is ${megabytes} MB; simplify it to less than ${MAX_SVG_BYTES / 1e6} MB and try again.`);
  }
  const root = new Document([]);
  const stack: ParentNode[] = [root];
  let elements = 0;
  const parser = new SaxesParser({ xmlns: false, fragment: false });
  parser.on('doctype', (body) => {
    if (body.includes('<!ENTITY')) {
      throw new InputError(
        'entities',
        'This SVG defines its own entities, which Cobble does not expand; save it as a plain SVG and try again.',
      );
    }
  });
  parser.on('opentag', (tag) => {
    if (++elements > MOST_ELEMENTS || stack.length > DEEPEST) {
      throw new InputError('too-complex', 'This SVG has more elements than a hoop could sew; simplify it and try again.');
    }
    const attributes: Record<string, string> = {};
    for (const [name, value] of Object.entries(tag.attributes)) attributes[name] = String(value);
    const element = new Element(local(tag.name), attributes);
    append(stack[stack.length - 1]!, element);
    stack.push(element);
  });
  parser.on('closetag', () => void stack.pop());
  const addText = (value: string): void => {
    if (value.trim() !== '') append(stack[stack.length - 1]!, new Text(value));
  };
  parser.on('text', addText);
  parser.on('cdata', addText);
  parser.on('error', (error) => {
    throw new InputError('not-svg', `This file is not a readable SVG (${reason(error.message)}); export it again as SVG and drop that.`);
  });
  parser.write(text.replace(/^\uFEFF/, '')).close();
  const svg = root.children.find((c): c is Element => c instanceof Element);
  if (svg?.name !== 'svg') throw new InputError('not-svg', 'This file is not an SVG drawing; export the artwork as SVG and drop that.');
  return svg;
}

const local = (name: string): string => name.slice(name.indexOf(':') + 1);
const reason = (message: string): string => message.replace(/^\d+:\d+:\s*/, (at) => `line ${at.split(':')[0]}: `).replace(/\.$/, '');

function append(parent: ParentNode, child: Element | Text): void {
  const before = parent.children[parent.children.length - 1];
  child.parent = parent;
  if (before) {
    before.next = child;
    child.prev = before;
  }
  parent.children.push(child);
}
