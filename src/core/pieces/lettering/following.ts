import type { Follows, Job, Lettering, Piece } from '../../document/types';
import { without } from '../../document/without';
import { boundsOf, distance, type Point } from '../../geometry/point';
import { offset, roughOffset, simplifyLine, turnedRight, unite } from '../../geometry/area';
import { ringsToData } from '../../geometry/path';
import { toThousandths } from '../../units/rounded';
import { prepareShape } from '../registry';

/** Openings of a border's inside that are smaller than this are closed, in mm across: a border goes round words, not into letters. */
const CLOSE_MM = 4;
const OFF_MM = 0.05;

/** A text as its shadow: moved, and in the shadow's own thread throughout. */
export function shadowOf(text: Lettering, [dx, dy]: readonly [number, number], style: Lettering['style']): Lettering {
  const [x, y] = text.at ?? [0, 0];
  const kept: Lettering = { ...text, at: [toThousandths(x + dx), toThousandths(y + dy)] };
  delete kept.style;
  if (style) kept.style = style;
  if (text.letters) {
    const own = Object.entries(text.letters).map(([k, { thread: _, ...rest }]) => [k, rest] as const);
    kept.letters = Object.fromEntries(own.filter(([, rest]) => Object.keys(rest).length > 0));
  }
  return kept;
}

/** The outside of a border that stands so far off a text, with the border's own width beyond; null for a text without ink. */
export function aroundText(text: Piece, gapMm: number, widthMm: number, frame?: Follows['frame']): string | null {
  const shape = prepareShape(text);
  if (!shape) return null;
  if (frame) return FRAME_DATA[frame](shape.painted.flat(), gapMm + widthMm);
  const closed = offset(roughOffset(shape.painted, gapMm + CLOSE_MM), -CLOSE_MM);
  // Openings inside a border would each get a border of their own.
  const outer = unite(...closed.map((ring) => [turnedRight(ring)]));
  const area = offset(outer, widthMm).map((ring) => simplifyLine([...ring, ring[0]!], OFF_MM).slice(0, -1));
  return area.length === 0 ? null : ringsToData(area);
}

type FrameData = (ink: readonly Point[], offMm: number) => string;

/** Frames about the middle of the ink, as near to it as a distance all round allows. */
const FRAME_DATA: Record<NonNullable<Follows['frame']>, FrameData> = {
  circle: (ink, off) => {
    const { x, y } = middleOf(ink);
    const r = toThousandths(ink.reduce((most, p) => Math.max(most, distance(p, { x, y })), 0) + off);
    return `M${x - r},${y} A${r},${r} 0 1 1 ${x + r},${y} A${r},${r} 0 1 1 ${x - r},${y} Z`;
  },
  diamond: (ink, off) => {
    const { x, y } = middleOf(ink);
    const r = toThousandths(ink.reduce((most, p) => Math.max(most, Math.abs(p.x - x) + Math.abs(p.y - y)), 0) + off * SQRT2);
    return `M${x - r},${y} L${x},${y - r} L${x + r},${y} L${x},${y + r} Z`;
  },
  square: (ink, off) => {
    const b = boundsOf([ink]);
    const [w, h] = [toThousandths(b.maxX - b.minX + 2 * off), toThousandths(b.maxY - b.minY + 2 * off)];
    const r = toThousandths(Math.min(off, CORNER * Math.min(w, h)));
    const arc = (x: number, y: number): string => `a${r},${r} 0 0 1 ${x},${y}`;
    return `M${toThousandths(b.minX - off + r)},${toThousandths(b.minY - off)} h${w - 2 * r} ${arc(r, r)} v${h - 2 * r} ${arc(-r, r)} h${2 * r - w} ${arc(-r, -r)} v${2 * r - h} ${arc(r, -r)} Z`;
  },
};
const SQRT2 = 1.41421356;
/** Corners of a square are rounded by no more than this share of it. */
const CORNER = 0.2;

function middleOf(ink: readonly Point[]): Point {
  const b = boundsOf([ink]);
  return { x: toThousandths((b.minX + b.maxX) / 2), y: toThousandths((b.minY + b.maxY) / 2) };
}

/** A piece as it follows its text. */
function followedBy(piece: Piece, text: Piece): Piece {
  const { follows } = piece;
  if (!follows) return piece;
  if (follows.shift && text.lettering) return { ...piece, lettering: shadowOf(text.lettering, follows.shift, piece.lettering?.style) };
  if (follows.gap === undefined) return piece;
  if (piece.kind === 'run') return { ...piece, line: aroundText(text, follows.gap, 0, follows.frame) ?? piece.line! };
  return { ...piece, area: aroundText(text, follows.gap, piece.kind === 'fill' ? 0 : (piece.width ?? 0), follows.frame) ?? piece.area! };
}

/**
 * The pieces of a job that follow a text which was changed, as they are to be now. One whose text is gone stands by itself.
 * @param before the job before the change; what did not change since is the same object in both
 */
export function following(now: Job, before: Job): Piece[] {
  return now.pieces.flatMap((piece): Piece[] => {
    if (!piece.follows) return [];
    const isText = (p: Piece): boolean => p.id === piece.follows!.text && p.lettering !== undefined;
    const text = now.pieces.find(isText);
    if (!text) {
      return [without(piece, 'follows')];
    }
    const same = before.pieces.includes(text) && before.pieces.includes(piece);
    return same ? [] : [followedBy(piece, text)];
  });
}

/** A job that was made from another, with what follows its changed texts. */
export function withFollowing(now: Job, before: Job): Job {
  const made = new Map(following(now, before).map((p) => [p.id, p]));
  return made.size === 0 ? now : { ...now, pieces: now.pieces.map((p) => made.get(p.id) ?? p) };
}

/** How wide a border round a text is, and how far it stands off, for a height of letters, mm. */
export const usualBorder = (heightMm: number): { gap: number; width: number } => ({
  gap: Math.max(1, Math.round(2 * heightMm * 0.2) / 2),
  width: Math.min(4, Math.max(1.2, Math.round(10 * heightMm * 0.12) / 10)),
});

/** How far a shadow lies to the right and below, mm. */
export const usualShadow = (heightMm: number): [number, number] => {
  const mm = Math.max(0.6, Math.round(10 * heightMm * 0.08) / 10);
  return [mm, mm];
};
