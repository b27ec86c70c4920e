import type { Job, LetterOwn, Lettering, Piece } from '../document/types';
import { heightWithin } from '../document/ranges';
import { boundsOf, sub, unit, type Bounds } from '../geometry/point';
import { inkBox } from '../lettering/glyph';
import { layOut, type PlacedGlyph } from '../lettering/layout';
import { isCorrection } from '../lettering/sized';
import { toThousandths } from '../units/rounded';
import type { PredictedOutline } from './edgeMeetings';
import { forecast, type Forecast, type ForecastOptions } from './forecast';

/** How high one letter comes out, mm from its base line, upward. */
export interface LetterHeight {
  /** Its place in the text. */
  index: number;
  char: string;
  wantedTop: number;
  wantedBottom: number;
  /** Bottom of its ink as drawn, before any shift. */
  bottom: number;
  sewnTop: number;
  sewnBottom: number;
}

export const wantedMm = (h: LetterHeight): number => h.wantedTop - h.wantedBottom;
export const sewnMm = (h: LetterHeight): number => h.sewnTop - h.sewnBottom;

/** Edges nearer to a letter's top or bottom than this share of its height are that top or bottom. */
const AT_EDGE = 0.2;
/** And they face up or down as nearly as this, as a cosine. */
const LEVEL = 0.9;
/** Ink that ends this near to a line of the face, in heights of capitals, is meant to sew as high as that line. */
const NEAR_LINE = 0.045;

/** Lines of a text's face, in heights of capitals: base line, height of small letters, of capitals. */
function linesOf(text: Lettering): number[] {
  const top = (sign: string): number[] => {
    const glyph = layOut({ ...text, text: sign, line: 'straight', letters: {} }).letters[0];
    return glyph ? [inkOf(glyph).top] : [];
  };
  return [0, 1, ...top('x')];
}

/** Ink of a letter from its base line, heights of capitals. */
function inkOf({ glyph, height, strokeMm }: PlacedGlyph): { top: number; bottom: number } {
  const { maxY, minY } = inkBox(glyph, strokeMm / height);
  return { top: maxY, bottom: minY };
}

/** A letter raised or lowered by more than this share of the height was meant to be. */
const RAISED = 0.06;

/**
 * How high the letters of a text are predicted to sew, beside how high they are wanted: where ink ends near the base line or a height of
 * the face, that line, for round letters as for flat ones. Letters of which no level edge is known are left out.
 */
export function textHeights(text: Lettering, outlines: readonly PredictedOutline[]): LetterHeight[] {
  const places = outlines.flatMap((o) => o.places);
  const lines = linesOf(text);
  return layOut(text).letters.flatMap((letter): LetterHeight[] => {
    const { top, bottom } = inkOf(letter);
    const { width } = letter.glyph;
    const [foot, head] = [letter.place({ x: width / 2, y: 0 }), letter.place({ x: width / 2, y: 1 })];
    const up = unit(sub(head, foot));
    const box = boxAbout(letter);
    const own = places.filter(({ at }) => at.x > box.minX && at.x < box.maxX && at.y > box.minY && at.y < box.maxY);
    const offAt = (edge: number, side: 1 | -1): number | null => {
      const near = own.filter(({ at, out }) => {
        const high = ((at.x - foot.x) * up.x + (at.y - foot.y) * up.y) / letter.height;
        return side * (out.x * up.x + out.y * up.y) > LEVEL && Math.abs(high - edge) < AT_EDGE * (top - bottom);
      });
      return near.length === 0 ? null : near.reduce((sum, p) => sum + p.offMm, 0) / near.length;
    };
    const [above, below] = [offAt(top, 1), offAt(bottom, -1)];
    if (above === null || below === null) return [];
    const shift = text.letters?.[letter.index]?.shift?.[1] ?? 0;
    // A letter that differs much from the others was meant to: it is wanted so, by whatever it is drawn as.
    const factor = isCorrection(letter.height, text) ? 1 : letter.height / text.height;
    const raised = Math.abs(shift) > RAISED * text.height ? shift : 0;
    const wanted = (edge: number): number => (lines.find((l) => Math.abs(l - edge) < NEAR_LINE) ?? edge) * text.height * factor + raised;
    return [
      {
        index: letter.index,
        char: letter.char,
        bottom: bottom * letter.height,
        wantedTop: wanted(top),
        wantedBottom: wanted(bottom),
        sewnTop: top * letter.height + above + shift,
        sewnBottom: bottom * letter.height - below + shift,
      },
    ];
  });
}

/** The box of a letter on the page, and a little about it: places in it are the letter's. */
function boxAbout({ glyph, place, height, strokeMm }: PlacedGlyph): Bounds {
  const { minX, minY, maxX, maxY } = boundsOf([...glyph.strokes.map((s) => s.middle), ...(glyph.outline ?? [])].map((l) => l.map(place)));
  const more = (glyph.outline ? 0 : strokeMm / 2) + 0.02 * height;
  return { minX: minX - more, minY: minY - more, maxX: maxX + more, maxY: maxY + more };
}

/** A letter's own height and shift with which what was wrong with it is corrected. */
function corrected(text: Lettering, { own = {}, height: h, misses, low, high }: Tried): LetterOwn {
  const height = own.height ?? text.height;
  const step = STEPS[misses % STEPS.length]!;
  // The base line stays where it is: what is too much below it is a shift, the rest is height.
  const [over, under] = [step * (h.sewnTop - h.wantedTop), step * (h.wantedBottom - h.sewnBottom)];
  const straight = (height * (wantedMm(h) - over - under)) / wantedMm(h);
  // What is sewn jumps where a row more fits in: between a height that was too low and one that was too tall it is halved.
  const halved = misses > 0 && misses % 2 === 1 && low < high ? (low + high) / 2 : straight;
  const next = heightWithin(halved);
  const shift = (own.shift?.[1] ?? 0) + under - (h.bottom / height) * (next - height);
  return { ...own, height: toThousandths(next), shift: [own.shift?.[0] ?? 0, toThousandths(shift)] };
}

/** Texts of a job with what is predicted of their letters. */
export function heightsOfTexts(job: Job, { outlines }: Pick<Forecast, 'outlines'>): { piece: Piece; heights: LetterHeight[] }[] {
  return job.pieces.flatMap((piece, i) =>
    piece.lettering
      ? [
          {
            piece,
            heights: textHeights(
              piece.lettering,
              outlines.filter((o) => o.piece === i),
            ),
          },
        ]
      : [],
  );
}

/** So near a letter has landed, mm. */
const LANDED_MM = 0.03;
/** So near to one another the letters of a text are as high as can be seen, mm: none is off by more than half of this. */
const ALIKE_MM = 0.1;
/** Rounds in which all letters are corrected at once, and then those in which only the worst one is. */
const ROUNDS = { all: 7, single: 20 };

const errorOf = (h: LetterHeight): number => Math.max(Math.abs(h.sewnTop - h.wantedTop), Math.abs(h.sewnBottom - h.wantedBottom));
const worstOf = (heights: readonly LetterHeight[]): number => heights.reduce((most, h) => Math.max(most, errorOf(h)), 0);

/**
 * Texts with every letter drawn so that it is predicted to sew as high as wanted, as nearly as some rounds come.
 * @param only ids of pieces; all texts where absent
 */
export function landTexts(job: Job, options: ForecastOptions & { only?: readonly string[] } = {}): Job {
  const { only, progress = () => undefined, ...rest } = options;
  const landings = new Map<string, Landing>();
  const rounds = ROUNDS.all + ROUNDS.single;
  let now = job;
  for (let round = 0; round < rounds; round++) {
    const sewn = heightsOfTexts(now, forecast(now, { ...rest, progress: (done) => progress((round + done) / rounds) }));
    const next = new Map<string, Lettering>();
    for (const { piece, heights } of sewn) {
      if (heights.length === 0 || (only && !only.includes(piece.id))) continue;
      const landing = landings.get(piece.id) ?? new Landing();
      landings.set(piece.id, landing);
      next.set(piece.id, landing.after(piece.lettering!, heights, round < ROUNDS.all - 1 ? 'all' : 'worst'));
    }
    const near = round < ROUNDS.all ? LANDED_MM : ALIKE_MM / 2;
    if ([...landings.values()].every((b) => b.error <= near)) break;
    now = withTexts(now, next);
  }
  return withTexts(job, new Map([...landings].map(([id, { text }]) => [id, text!])));
}

/** A letter as it came out best so far, and how many other tries since were no better. */
interface Tried {
  error: number;
  own: LetterOwn | undefined;
  height: LetterHeight;
  misses: number;
  /** Heights as drawn, mm: the tallest that sewed too low, the lowest that sewed too tall. */
  low: number;
  high: number;
}
/** Shares of what is wrong that are corrected, one try after the other: rows fall elsewhere in a letter of another height, so that what should land may not. */
const STEPS = [1, 0.6, 1.4, 0.3, 1.8, 0.8, 1.2, 0.45, 2.2, 0.15];
/** After so many tries in vain it is another letter's turn. */
const MOST_MISSES = 5;

/**
 * Letters of one text on their way to their heights. All of them are corrected at once at first; then one by one, the worst first, since
 * the path goes another way through neighbours of another height, and rows fall elsewhere.
 */
class Landing {
  /** The best text so far, what its worst letter is off by, and how all came out. */
  text: Lettering | null = null;
  error = Infinity;
  /** Squares of what its letters miss. */
  private off = Infinity;
  private heights: readonly LetterHeight[] = [];
  private readonly tried = new Map<number, Tried>();
  private readonly given = new Map<number, number>();

  /** Takes in how a text came out. @returns the text to try next */
  after(text: Lettering, heights: readonly LetterHeight[], which: 'all' | 'worst'): Lettering {
    const off = heights.reduce((sum, h) => sum + Math.max(0, errorOf(h) - LANDED_MM) ** 2, 0);
    if (off < this.off) {
      [this.text, this.off, this.error, this.heights] = [text, off, worstOf(heights), heights];
      this.given.clear();
    }
    for (const height of heights) this.learn(text, height);
    return which === 'all' ? this.withAll(text) : this.withWorst();
  }

  private learn(text: Lettering, height: LetterHeight): void {
    const before = this.tried.get(height.index);
    const own = text.letters?.[height.index];
    const drawn = own?.height ?? text.height;
    const short = sewnMm(height) < wantedMm(height);
    const low = Math.max(before?.low ?? -Infinity, short ? drawn : -Infinity);
    const high = Math.min(before?.high ?? Infinity, short ? Infinity : drawn);
    const now: Tried = { error: errorOf(height), own, height, misses: 0, low, high };
    this.tried.set(height.index, before && before.error <= now.error ? { ...before, misses: before.misses + 1, low, high } : now);
  }

  private withAll(text: Lettering): Lettering {
    const letters = { ...text.letters };
    for (const [index, best] of this.tried) {
      const next = best.error <= LANDED_MM ? best.own : corrected(text, best);
      if (next) letters[index] = next;
      else delete letters[index];
    }
    return { ...text, letters };
  }

  /** The best text with its worst letter corrected once more; where that was tried in vain, the next one. */
  private withWorst(): Lettering {
    const text = this.text!;
    const left = this.heights.filter((h) => (this.given.get(h.index) ?? 0) < MOST_MISSES);
    if (left.length === 0) return text;
    const height = left.reduce((a, b) => (errorOf(b) > errorOf(a) ? b : a));
    const misses = this.given.get(height.index) ?? 0;
    this.given.set(height.index, misses + 1);
    const { low, high } = this.tried.get(height.index)!;
    const next = corrected(text, { error: errorOf(height), own: text.letters?.[height.index], height, misses, low, high });
    return { ...text, letters: { ...text.letters, [height.index]: next } };
  }
}

const withTexts = (job: Job, texts: ReadonlyMap<string, Lettering>): Job => ({
  ...job,
  pieces: job.pieces.map((p) => (texts.has(p.id) ? { ...p, lettering: texts.get(p.id)! } : p)),
});
