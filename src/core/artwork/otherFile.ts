import { InputError } from '../document/errors';

/** So much of a file tells what it is, bytes. */
export const TELLING_BYTES = 1024;

interface Kind {
  /** Whether a file begins so. */
  is(head: Uint8Array, text: string, name: string): boolean;
  /** What it is and what to do, after its name. */
  says: string;
}

const begins = (...bytes: number[]) => (head: Uint8Array): boolean => bytes.every((b, i) => b < 0 || head[i] === b); // prettier-ignore
const letters = (word: string, at = 0) => (_: Uint8Array, text: string): boolean => text.startsWith(word, at); // prettier-ignore
const any =
  (...tests: Kind['is'][]): Kind['is'] =>
  (head, text, name) =>
    tests.some((is) => is(head, text, name));

const NOT_FOR_BROWSERS = 'is a picture of a kind that browsers do not open: save it as PNG, or as JPEG of good quality, and drop that.';

/** Kinds by the bytes that their files begin with. */
const BY_BYTES: readonly Kind[] = [
  {
    is: letters('%PDF'),
    says: 'is a PDF. Open it in the program that drew it and save the artwork as SVG, or as a PNG of 1,500 pixels or more, and drop that.',
  },
  {
    is: any(letters('%!PS'), begins(0xc5, 0xd0, 0xd3, 0xc6)),
    says: 'is a drawing for printers, which Cobble does not read. Save it as SVG from the program that drew it, and drop that.',
  },
  {
    is: any(begins(0, 1, 0, 0), letters('OTTO'), letters('true'), letters('ttcf'), letters('wOFF'), letters('wOF2')),
    says: 'is a font. It is added where a text gets its face: draw a text on the Bench, open its faces, and choose ‘A font of your own’.',
  },
  {
    is: any(
      begins(0x49, 0x49, 0x2a, 0),
      begins(0x4d, 0x4d, 0, 0x2a),
      letters('8BPS'),
      letters('ftypheic', 4),
      letters('ftypmif1', 4),
      letters('ftypavif', 4),
    ),
    says: NOT_FOR_BROWSERS,
  },
  {
    is: begins(0x50, 0x4b, 3, 4),
    says: 'is packed, and not as a Cobble bundle. Unpack it and drop the drawing or picture that is in it.',
  },
  { is: begins(0x1f, 0x8b), says: 'is packed. Unpack it and drop the drawing that is in it.' },
];

/** Kinds of text. */
const BY_TEXT: readonly Kind[] = [
  {
    is: (_, text) => /^\s*(<!doctype html|<html)/i.test(text),
    says: 'is a web page, not a drawing. Save the artwork itself as SVG or as a picture, and drop that.',
  },
  {
    is: (_, text, name) => /\.json$/i.test(name) || /^\s*[{[]/.test(text),
    says: 'is a record, not a drawing. A library is read in the Library; a job comes back from its bundle (.cobble).',
  },
  {
    is: (_, __, name) => /\.(csv|tsv)$/i.test(name),
    says: 'is a list. Names are read where copies lie in the hoop, on the Floor; stitches of a list have no shapes to go on with, so drop the artwork or its bundle.',
  },
];

/** What no text has: such bytes come with programs' and machines' own files. */
const isBinary = (head: Uint8Array): boolean =>
  head.some((b) => b === 0 || (b < 32 && b !== 9 && b !== 10 && b !== 12 && b !== 13 && b !== 27));

const OWN_FORMAT =
  'is in a program’s or a machine’s own form, which Cobble does not read. If it is an embroidery machine’s file, it holds stitches and no shapes: drop the artwork that it was made from (SVG or a picture).';

/**
 * Why a file is not a drawing, as a sentence for people; null where it may be one.
 * @param head its first bytes, up to `TELLING_BYTES`
 */
export function otherFile(name: string, head: Uint8Array): string | null {
  if (head.length === 0) return `‘${name}’ is empty. Save it once more where it comes from.`;
  // Two marks of order at its beginning say that it is text of two bytes to a sign, which readers of drawings know.
  if ((head[0] === 0xff && head[1] === 0xfe) || (head[0] === 0xfe && head[1] === 0xff)) return null;
  const text = String.fromCharCode(...head);
  const found = (kinds: readonly Kind[]): Kind | undefined => kinds.find((k) => k.is(head, text, name));
  const says = found(BY_BYTES)?.says ?? (isBinary(head) ? OWN_FORMAT : found(BY_TEXT)?.says);
  return says === undefined ? null : `‘${name}’ ${says}`;
}

/** @throws InputError for a file that is no drawing, saying what it is and what to do */
export function requireDrawing(name: string, head: Uint8Array): void {
  const why = otherFile(name, head.subarray(0, TELLING_BYTES));
  if (why !== null) throw new InputError('not-svg', why);
}
