import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { random } from '../units/random';
import { otherFile } from './otherFile';

const bytes = (text: string): Uint8Array => Uint8Array.from(text, (c) => c.charCodeAt(0));

test.each([
  ['a.pdf', '%PDF-1.7\n', /is a PDF.*SVG/],
  ['logo.txt', '%PDF-1.4', /is a PDF/],
  ['a.eps', '%!PS-Adobe-3.0 EPSF', /drawing for printers/],
  ['Face.otf', 'OTTO\0\x0b', /is a font.*A font of your own/],
  ['Face.ttf', '\0\x01\0\0\0\x0f', /is a font/],
  ['Face.woff2', 'wOF2\0\x01', /is a font/],
  ['photo.heic', '\0\0\0\x18ftypheic\0\0', /browsers do not open/],
  ['scan.tif', 'II*\0\x08\0', /browsers do not open/],
  ['letter.docx', 'PK\x03\x04\x14\0', /packed/],
  ['art.svgz', '\x1f\x8b\x08\0', /packed/],
  ['page.html', '<!DOCTYPE html><html>', /web page/],
  ['cobble-library.json', '{\n "version": 3', /Library/],
  ['names.csv', 'Ada,left\nBo,right\n', /list/],
  ['nothing.svg', '', /is empty/],
])('%s gets a sentence of its own', (name, content, words) => {
  const said = otherFile(name, bytes(content))!;
  expect(said).toMatch(words);
  expect(said.startsWith(`‘${name}’ is`)).toBe(true);
});

test('bytes that are no text are a machine’s or a program’s own form', () => {
  for (let seed = 1; seed <= 30; seed++) {
    const r = random(seed);
    const head = Uint8Array.from({ length: 200 }, () => Math.floor(256 * r()));
    head[0] = 0x4c;
    expect(otherFile('design.bin', head)).toMatch(/own form.*embroidery machine/);
  }
});

test.each([
  '<svg xmlns="http://www.w3.org/2000/svg"/>',
  '\n  <?xml version="1.0"?>\n<svg/>',
  '\xef\xbb\xbf<svg/>',
  '\xff\xfe<\0s\0v\0g\0',
  '<!-- drawn, by hand\n --><svg/>',
  '<!DOCTYPE svg PUBLIC "-//W3C//DTD SVG 1.1//EN"><svg/>',
])('%j may be a drawing', (content) => {
  expect(otherFile('a.svg', bytes(content))).toBeNull();
});

test('the demo drawings may', () => {
  const folder = join('public', 'demo');
  for (const file of readdirSync(folder).filter((f) => f.endsWith('.svg')))
    expect(otherFile(file, readFileSync(join(folder, file)).subarray(0, 1024))).toBeNull();
});
