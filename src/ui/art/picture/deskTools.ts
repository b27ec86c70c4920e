import { Crop, Eraser, Hand, Pipette, ScanLine, Spline, SquareDashedMousePointer, Sun, type LucideIcon } from 'lucide-react';
import type { PicturePlace, PicturePreparation, TracedFrom } from '@/core/document/types';
import type { PageLayout } from '@/core/tracing/page/prepare';
import type { ChoiceChange } from './useTracing';

/** How places are shown to a tool: by a click, a line, a box, four clicks; or not at all, but the view is moved; none while the page is not there. */
export type Gesture = 'wait' | 'move' | 'point' | 'line' | 'box' | 'four';

/** What a tool knows of where it works. */
export interface DeskContext {
  picture: TracedFrom;
  /** The page that is shown. */
  page: PageLayout;
  /** The colour that is seen at a place of it, #rrggbb. */
  hexAt(place: PicturePlace): string | null;
}

export interface DeskTool {
  name: string;
  word: string;
  hint: string;
  Sign: LucideIcon;
  gesture: Gesture;
  /** What of the layout is left out while the tool is in hand; nothing when absent. */
  hides?: readonly (keyof PicturePreparation)[];
  /** It points at the shapes as well as at the picture. */
  onShapes?: true;
  /** What follows from places shown on the page, shares of its sides; null for nothing. */
  take(places: readonly PicturePlace[], context: DeskContext): ChoiceChange | null;
  /** Takes back what was decided with it. */
  clear?: { word: string; applies(picture: TracedFrom): boolean; change(picture: TracedFrom): ChoiceChange };
}

const without = (prepared: PicturePreparation = {}, ...keys: (keyof PicturePreparation)[]): PicturePreparation =>
  Object.fromEntries(Object.entries(prepared).filter(([k]) => !keys.includes(k as keyof PicturePreparation)));

/** How the picture is laid out while a tool is in hand. */
export const shownWith = ({ hides = [] }: DeskTool, prepared: PicturePreparation = {}): PicturePreparation => without(prepared, ...hides);

/** Nothing decided of the layout is nothing at all. */
const preparedAs = (prepared: PicturePreparation): ChoiceChange => ({ prepared: Object.keys(prepared).length > 0 ? prepared : undefined });

/** A second click on a place takes the first back; as near as this share of the picture's sides. */
const AGAIN = 0.012;
const isNear = ([x, y]: PicturePlace, [u, v]: PicturePlace): boolean => Math.abs(x - u) < AGAIN && Math.abs(y - v) < AGAIN;

export const rounded = (v: number): number => Math.round(v * 1e5) / 1e5;
const sourceOf = ([place]: readonly PicturePlace[], { page }: DeskContext): PicturePlace =>
  page.sourceOf(place!).map(rounded) as PicturePlace;

/** The list with a place more, or without it when it is there. */
function toggled(places: readonly PicturePlace[] = [], at: PicturePlace): PicturePlace[] {
  const rest = places.filter((p) => !isNear(p, at));
  return rest.length < places.length ? rest : [...places, at];
}

/** How far the picture is to be turned clockwise for a line to be level, or upright when it is nearer to that, degrees. */
export function levelling(a: PicturePlace, b: PicturePlace, { width, height }: Pick<PageLayout, 'width' | 'height'>): number {
  const deg = (Math.atan2((b[1] - a[1]) * height, (b[0] - a[0]) * width) * 180) / Math.PI;
  return -(deg - 90 * Math.round(deg / 90));
}

/** Four places, in whatever order they were shown, from the upper left clockwise. */
export function inTurn(places: readonly PicturePlace[]): PicturePlace[] {
  const [cx, cy] = [0, 1].map((k) => places.reduce((sum, p) => sum + p[k]!, 0) / places.length) as [number, number];
  const round = places.slice().sort((p, q) => Math.atan2(p[1] - cy, p[0] - cx) - Math.atan2(q[1] - cy, q[0] - cx));
  const first = round.reduce((best, p, i) => (p[0] + p[1] < round[best]![0] + round[best]![1] ? i : best), 0);
  return [...round.slice(first), ...round.slice(0, first)];
}

export const DESK_TOOLS: readonly DeskTool[] = [
  {
    name: 'move',
    word: 'Look',
    hint: 'Drag to move, turn the wheel to come nearer. Both pictures move together.',
    Sign: Hand,
    gesture: 'move',
    take: () => null,
  },
  {
    name: 'drop',
    word: 'Drop a region',
    hint: 'Click what is not to be sewn, in either picture; click its cross to bring it back.',
    Sign: Eraser,
    gesture: 'point',
    onShapes: true,
    take: (places, context) => ({ dropped: toggled(context.picture.dropped, sourceOf(places, context)) }),
    clear: { word: 'Bring all back', applies: (p) => p.dropped !== undefined, change: () => ({ dropped: undefined }) },
  },
  {
    name: 'keep',
    word: 'Keep a spot',
    hint: 'Click a small spot that was left out: it is kept, and grown to what sews.',
    Sign: SquareDashedMousePointer,
    gesture: 'point',
    onShapes: true,
    take: (places, context) => ({ kept: toggled(context.picture.kept, sourceOf(places, context)) }),
    clear: { word: 'Keep none by hand', applies: (p) => p.kept !== undefined, change: () => ({ kept: undefined }) },
  },
  {
    name: 'pick',
    word: 'Pick a colour',
    hint: 'Click a colour in the picture that is missing among the shapes.',
    Sign: Pipette,
    gesture: 'point',
    take: ([place], { picture, hexAt }) => {
      const hex = hexAt(place!);
      if (!hex || picture.picked?.includes(hex)) return null;
      return { picked: [...(picture.picked ?? []), hex], ...(picture.colours === undefined ? {} : { colours: picture.colours + 1 }) };
    },
    clear: { word: 'Forget picked colours', applies: (p) => p.picked !== undefined, change: () => ({ picked: undefined }) },
  },
  {
    name: 'crop',
    word: 'Crop',
    hint: 'Draw a box about what is to be sewn.',
    Sign: Crop,
    gesture: 'box',
    hides: ['crop'],
    take: ([a, b], { picture }) => {
      const held = (v: number): number => rounded(Math.min(1, Math.max(0, v)));
      const [left, right] = [held(Math.min(a![0], b![0])), held(Math.max(a![0], b![0]))];
      const [top, bottom] = [held(Math.min(a![1], b![1])), held(Math.max(a![1], b![1]))];
      if (right - left < LEAST_CROP || bottom - top < LEAST_CROP) return null;
      return preparedAs({ ...picture.prepared, crop: [left, top, right, bottom] });
    },
    clear: {
      word: 'Whole picture',
      applies: (p) => p.prepared?.crop !== undefined,
      change: ({ prepared }) => preparedAs(without(prepared, 'crop')),
    },
  },
  {
    name: 'level',
    word: 'Level',
    hint: 'Draw along a line that should be level, or upright.',
    Sign: ScanLine,
    gesture: 'line',
    hides: ['crop'],
    take: ([a, b], { picture, page }) => {
      const levelDeg = Math.round(((picture.prepared?.levelDeg ?? 0) + levelling(a!, b!, page)) * 100) / 100;
      // A crop was of the picture as it lay before.
      return preparedAs({ ...without(picture.prepared, 'crop', 'levelDeg'), ...(levelDeg === 0 ? {} : { levelDeg }) });
    },
    clear: {
      word: 'As it came',
      applies: (p) => p.prepared?.levelDeg !== undefined,
      change: ({ prepared }) => preparedAs(without(prepared, 'levelDeg', 'crop')),
    },
  },
  {
    name: 'corners',
    word: 'Four corners',
    hint: 'For a photo taken aslant: click the four corners of a patch, a sheet, a screen.',
    Sign: Spline,
    gesture: 'four',
    hides: ['crop', 'levelDeg', 'corners'],
    take: (places, { picture, page }) => {
      const corners = inTurn(places).map((p) => page.sourceOf(p).map(rounded) as PicturePlace);
      return preparedAs({ ...without(picture.prepared, 'crop', 'levelDeg'), corners });
    },
    clear: {
      word: 'As it came',
      applies: (p) => p.prepared?.corners !== undefined,
      change: ({ prepared }) => preparedAs(without(prepared, 'corners', 'levelDeg', 'crop')),
    },
  },
  {
    name: 'white',
    word: 'Make white',
    hint: 'Click paper or cloth that should be white: light and tint are corrected by it.',
    Sign: Sun,
    gesture: 'point',
    take: (places, context) => preparedAs({ ...context.picture.prepared, white: sourceOf(places, context) }),
    clear: {
      word: 'Colours as they came',
      applies: (p) => p.prepared?.white !== undefined,
      change: ({ prepared }) => preparedAs(without(prepared, 'white')),
    },
  },
];

const LEAST_CROP = 0.02;
