/*
 * A paper must hold any name, and no one face has all signs. The faces lie in files of a few hundred signs each; a text is divided into
 * stretches that one file can set, and only the files that a paper needs are read.
 */

/** One file of a face: the signs in it, and its heavier brother where there is one. */
export interface PrintFont {
  file: string;
  bold?: string;
  /** First and last code point of each stretch of signs. */
  ranges: [number, number][];
}

/** Where the faces come from: the page asks its server, the headless tool reads what lies beside it. */
export interface Printing {
  index(): Promise<readonly PrintFont[]>;
  load(file: string): Promise<Uint8Array>;
}

let printing: Printing | null = null;

/** Says where faces come from; to be said once, before anything is printed. */
export function providePrinting(from: Printing): void {
  printing = from;
}

export function printingFaces(): Printing {
  if (!printing) throw new Error('nobody said where the faces for print come from');
  return printing;
}

/** A stretch of text that one file sets. */
export interface Run {
  text: string;
  font: PrintFont;
}

/** Stands for a sign that no face has. */
const UNKNOWN = '\u25a1';
const MARK = /\p{M}|\p{Cf}/u;
const RIGHT_TO_LEFT = /[\p{Script=Hebrew}\p{Script=Arabic}]/u;

/** Chooses files for texts; the first file that has a sign is taken, and a stretch goes on in its file as long as it can. */
export class FontChooser {
  readonly used = new Set<PrintFont>();
  private readonly known = new Map<number, PrintFont | null>();

  constructor(private readonly fonts: readonly PrintFont[]) {}

  runs(text: string): Run[] {
    const out: Run[] = [];
    for (const { segment } of new Intl.Segmenter('und', { granularity: 'grapheme' }).segment(inSeenOrder(text))) {
      const last = out[out.length - 1];
      const font = last && this.sets(last.font, segment) ? last.font : this.fontFor(segment);
      const told = font ? segment : UNKNOWN;
      const set = font ?? this.fonts[0]!;
      this.used.add(set);
      if (last?.font === set) last.text += told;
      else out.push({ text: told, font: set });
    }
    return out;
  }

  private fontFor(segment: string): PrintFont | null {
    const code = segment.codePointAt(0)!;
    const known = this.known.get(code);
    if (known !== undefined) return known;
    const found = this.fonts.find((f) => has(f, code)) ?? null;
    this.known.set(code, found);
    return found;
  }

  private sets(font: PrintFont, segment: string): boolean {
    return [...segment].every((sign) => MARK.test(sign) || has(font, sign.codePointAt(0)!));
  }
}

const has = ({ ranges }: PrintFont, code: number): boolean => ranges.some(([from, to]) => code >= from && code <= to);

/** Words are set from left to right, whatever they are written in: those of a script that runs the other way change places. */
function inSeenOrder(text: string): string {
  if (!RIGHT_TO_LEFT.test(text)) return text;
  const words = text.split(' ');
  const out: string[] = [];
  for (let i = 0; i < words.length;) {
    let end = i;
    while (end < words.length && RIGHT_TO_LEFT.test(words[end]!)) end++;
    if (end === i) out.push(words[i++]!);
    else {
      out.push(...words.slice(i, end).reverse());
      i = end;
    }
  }
  return out.join(' ');
}
