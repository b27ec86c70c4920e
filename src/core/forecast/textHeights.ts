import type { Job, Lettering, Piece } from '../document/types';
import { boundsOf, sub, unit, type Bounds } from '../geometry/point';
import { inkBox } from '../lettering/glyph';
import { layOut, type PlacedGlyph } from '../lettering/layout';
import { isCorrection } from '../lettering/sized';
import type { PredictedOutline } from './edgeMeetings';
import type { Forecast } from './forecast';

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
