// All that is written on a PDF's pages, in the order in which it was written: glyphs become signs by each face's own table.
import { readFileSync } from 'node:fs';
import { inflateSync } from 'node:zlib';
import { PDFDocument, PDFDict, PDFName } from 'pdf-lib';

const text = (stream) => inflateSync(stream.contents).toString('latin1');

/** Signs by the number of a glyph, from a ToUnicode table (PDF 32000-1, 9.10.3). */
function signsOf(table) {
  const signs = new Map();
  const said = (hex) => Buffer.from(hex, 'hex').swap16().toString('utf16le');
  for (const [, from, list] of table.matchAll(/<([0-9a-f]+)>\s*<[0-9a-f]+>\s*\[([^\]]*)\]/gi))
    [...list.matchAll(/<([0-9a-f]+)>/gi)].forEach(([, hex], i) => signs.set(parseInt(from, 16) + i, said(hex)));
  return signs;
}

export async function pdfWords(path) {
  const pdf = await PDFDocument.load(readFileSync(path));
  let words = '';
  for (const page of pdf.getPages()) {
    const fonts = page.node.Resources().lookup(PDFName.of('Font'), PDFDict);
    const tables = new Map(
      fonts.keys().map((key) => [key.asString(), signsOf(text(fonts.lookup(key, PDFDict).lookup(PDFName.of('ToUnicode'))))]),
    );
    let signs = new Map();
    for (const [, font, shown] of text(page.node.Contents()).matchAll(/(\/\w+) [\d.]+ Tf|\[([^\]]*)\] TJ/g)) {
      if (font) signs = tables.get(font) ?? signs;
      else {
        for (const [, hex] of shown.matchAll(/<([0-9a-f]+)>/gi))
          for (let i = 0; i < hex.length; i += 4) words += signs.get(parseInt(hex.slice(i, i + 4), 16)) ?? '?';
        words += ' ';
      }
    }
  }
  return words.replace(/\s+/g, ' ');
}
