import { nearestThreads } from '../cloth/threads';
import { heightWithin } from '../document/ranges';
import { nameOfText, withThread } from '../document/job';
import type { Lettering, Piece, Thread } from '../document/types';
import { dividedAt, lineLength } from '../geometry/line';
import { apply, dataToRings, ringsToData, scaleOf, type Matrix } from '../geometry/path';
import { boundsOf, boundsTouch, type Bounds, type Point } from '../geometry/point';
import { layOut } from '../lettering/layout';
import { faceOf, smallestIn } from '../lettering/faces';
import { extentOf } from '../lettering/textJob';
import { prepareShape } from '../pieces/registry';
import { atan2, PI } from '../units/trig';
import { toThousandths } from '../units/rounded';

/** A text in a drawing: it comes as what it says, and is set as lettering. */
export interface ArtText {
  text: string;
  /** From its own units to the drawing's. */
  matrix: Matrix;
  /** Where its base line begins, stands in the middle, or ends, in its own units. */
  at: Point;
  anchor: 'start' | 'middle' | 'end';
  /** Size of its font, own units. */
  size: number;
  hex: string;
  family: string;
  bold: boolean;
  italic: boolean;
  /** The line that it stands on, its own units, and where along it `at` is: as a share of its length, or as a length. */
  along?: { path: string; share?: number; offset?: number };
}

/** Capitals are about so much of a font's size. */
const CAPITALS = 0.7;
const USUAL_WEIGHT = 40;
const ITALIC_DEGREES = 12;
/** At this height, mm, no rule for small letters counts. */
const NOMINAL_MM = 20;

/** The face that comes nearest to a family's name; small letters are set in the face that is made for them. */
function faceFor(family: string, heightMm: number): string {
  const face = largeFaceFor(family);
  return heightMm < smallestIn(faceOf(face)!, USUAL_WEIGHT) ? 'thimble' : face;
}

function largeFaceFor(family: string): string {
  const name = family.toLowerCase();
  if (/script|cursive|hand|brush/.test(name)) return 'skein';
  if (/round|comic/.test(name)) return 'bobbin';
  if (/slab|typewriter|courier|mono|(^|[^-])\bserif|times|georgia|roman|garamond/.test(name) && !/sans/.test(name)) return 'gable';
  return 'treadle';
}

/** Signs of a text that no face of Cobble's own has, each once: all of them have the same. */
export const signsLacking = (text: string): string[] => layOut({ text, face: largeFaceFor(''), height: NOMINAL_MM }).missing;

/** A text of a drawing as lettering, the drawing laid out by a matrix; null when none of its signs can be set. */
export function letteringOf(t: ArtText, toMm: Matrix): Lettering | null {
  const own = scaleOf(t.matrix) * scaleOf(toMm);
  const height = heightWithin(toThousandths(CAPITALS * t.size * own));
  const lettering = { text: t.text, face: faceFor(t.family, height), height, ...(t.italic ? { slant: ITALIC_DEGREES } : {}) };
  return placed(t, toMm, lettering);
}

function placed(t: ArtText, toMm: Matrix, lettering: Lettering): Lettering | null {
  const { lengthMm, letters } = layOut(lettering);
  if (letters.length === 0) return null;
  const line = t.along && lineUnder(t, toMm, lengthMm);
  if (line) return { ...lettering, line: 'path', path: line, at: [0, 0] };
  const [a, b] = [t.at, { x: t.at.x + 1, y: t.at.y }].map((p) => apply(toMm, apply(t.matrix, p))) as [Point, Point];
  const length = Math.sqrt((b.x - a.x) ** 2 + (b.y - a.y) ** 2) || 1;
  // In a mirrored drawing a text stands where its mirror image would, and is still read.
  const back = toMm[0] * toMm[3] - toMm[1] * toMm[2] < 0 && b.x < a.x ? -1 : 1;
  const [ux, uy] = [(back * (b.x - a.x)) / length, (back * (b.y - a.y)) / length];
  const ahead = back * { start: lengthMm / 2, middle: 0, end: -lengthMm / 2 }[t.anchor];
  const turn = toThousandths((-atan2(uy, ux) * 180) / PI);
  return { ...lettering, at: [toThousandths(a.x + ux * ahead), toThousandths(a.y + uy * ahead)], ...(turn === 0 ? {} : { turn }) };
}

/** The part of its line that a text stands on, as far to both sides of the text's middle: letters are set from there. Null for no line. */
function lineUnder({ along, anchor, matrix }: ArtText, toMm: Matrix, lengthMm: number): string | null {
  const own = dataToRings(along!.path)[0];
  if (!own || own.length < 2) return null;
  const line = own.map((p) => apply(toMm, apply(matrix, p)));
  const total = lineLength(line);
  const from = along!.share === undefined ? (along!.offset ?? 0) * scaleOf(matrix) * scaleOf(toMm) : along!.share * total;
  const middle = from + { start: lengthMm / 2, middle: 0, end: -lengthMm / 2 }[anchor];
  const half = Math.min(middle, total - middle);
  if (half <= 0) return null;
  const [, after] = dividedAt(line, middle - half);
  const [part] = dividedAt(after, 2 * half);
  const kept = (part.length > 1 ? part : after).map((p) => ({ x: toThousandths(p.x), y: toThousandths(p.y) }));
  // In a mirrored drawing it is read the other way along its line.
  const mirrored = toMm[0] * toMm[3] - toMm[1] * toMm[2] < 0;
  return ringsToData([mirrored ? kept.reverse() : kept], false);
}

/** About where a text lies in its drawing, drawing's units: before its size in mm is known. */
export function boxOfText(t: ArtText): Bounds | null {
  const k = NOMINAL_MM / (CAPITALS * t.size * scaleOf(t.matrix));
  if (!(k > 0) || !Number.isFinite(k)) return null;
  const large = placed(t, [k, 0, 0, k, 0, 0], { text: t.text, face: faceFor(t.family, NOMINAL_MM), height: NOMINAL_MM });
  const b = large && extentOf(large);
  return b && { minX: b.minX / k, minY: b.minY / k, maxX: b.maxX / k, maxY: b.maxY / k };
}

/**
 * Pieces of a drawing with its texts among them, in the job's threads; one of the same colour counts as the same. A text is sewn with what
 * else is sewn in its thread, unless something that is sewn later lies beneath it.
 */
export function textPieces(
  texts: readonly ArtText[],
  toMm: Matrix,
  { threads, pieces, weight }: { threads: readonly Thread[]; pieces: readonly Piece[]; weight: number },
): { pieces: Piece[]; threads: Thread[] } {
  if (texts.length === 0) return { pieces: pieces.slice(), threads: threads.slice() };
  let all = threads.slice();
  let n = Math.max(0, ...pieces.map((p) => Number(/^p(\d+)$/.exec(p.id)?.[1] ?? 0)));
  const out = pieces.slice();
  for (const t of texts) {
    const lettering = letteringOf(t, toMm);
    if (!lettering) continue;
    const { threads: more, id: thread } = withThread(all, { ...nearestThreads(t.hex)[0]!.thread, weight });
    all = more;
    const common = { id: `p${++n}`, name: nameOfText(t.text), kind: 'lettering', thread } as const;
    out.splice(placeFor(lettering, thread, out), 0, { ...common, lettering, settings: {}, why: 'a text of the drawing' });
  }
  return { pieces: out, threads: all };
}

/** After the last piece of a thread, or at the end where something after that lies beneath the text. */
function placeFor(lettering: Lettering, thread: string, pieces: readonly Piece[]): number {
  const box = extentOf(lettering);
  const last = pieces.findLastIndex((p) => p.thread === thread);
  if (last < 0 || !box) return pieces.length;
  const isBeneath = (p: Piece): boolean => {
    const shape = prepareShape(p);
    return shape !== null && boundsTouch(boundsOf(shape.painted), box);
  };
  return pieces.slice(last + 1).some(isBeneath) ? pieces.length : last + 1;
}
