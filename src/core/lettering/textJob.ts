import { nearestThreads } from '../cloth/threads';
import { without } from '../document/without';
import { InputError } from '../document/errors';
import { emptyJob, fitsHoop, nameOfText, smallestHoop } from '../document/job';
import { heightWithin, LETTER_HEIGHTS } from '../document/ranges';
import type { Brief, Job, JobSettings, Lettering } from '../document/types';
import { boundsOf, type Bounds } from '../geometry/point';
import { FACES } from './faces';
import { inkBox } from './glyph';
import { toThousandths } from '../units/rounded';
import { layOut } from './layout';
import { SHIPPED_FACES } from './outline/catalogue';

/** Where the ink of a text lies, mm; null when none of its signs can be drawn. */
export function extentOf(text: Lettering): Bounds | null {
  const { letters } = layOut(text);
  const boxes = letters.map(({ glyph, place, strokeMm, height }): Bounds => {
    const { minX, minY, maxX, maxY } = inkBox(glyph, strokeMm / height);
    return boundsOf([[minX, maxX].flatMap((x) => [minY, maxY].map((y) => place({ x, y })))]);
  });
  if (boxes.length === 0) return null;
  return {
    minX: Math.min(...boxes.map((b) => b.minX)),
    minY: Math.min(...boxes.map((b) => b.minY)),
    maxX: Math.max(...boxes.map((b) => b.maxX)),
    maxY: Math.max(...boxes.map((b) => b.maxY)),
  };
}

/** The text moved so that the middle of its ink lies at a place. */
export function centred(text: Lettering, [x, y]: readonly [number, number] = [0, 0]): Lettering {
  const b = extentOf(text);
  if (!b) return text;
  const [atX, atY] = text.at ?? [0, 0];
  return { ...text, at: [toThousandths(atX + x - (b.minX + b.maxX) / 2), toThousandths(atY + y - (b.minY + b.maxY) / 2)] };
}

/** The height at which a text is so wide, mm. @throws InputError when there is none */
export function heightForWidth(text: Lettering, widthMm: number): number {
  let [low, high] = [LETTER_HEIGHTS.min, LETTER_HEIGHTS.max] as [number, number];
  const widthAt = (height: number): number => {
    const b = extentOf({ ...text, height });
    return b ? b.maxX - b.minX : 0;
  };
  if (widthAt(low) > widthMm || widthAt(high) < widthMm)
    throw new InputError('bad-usage', `‘${text.text}’ cannot be ${widthMm} mm wide; give another width, or a height.`);
  for (let i = 0; i < 40 && high - low > 1e-3; i++) {
    const middle = (low + high) / 2;
    if (widthAt(middle) < widthMm) low = middle;
    else high = middle;
  }
  return Math.round(((low + high) / 2) * 100) / 100;
}

/** How high the small letters of a text are, mm: its x as it is drawn; null where it has none. */
export function smallLettersMm(text: Lettering): number | null {
  const plain = without(text, 'letters', 'pairs', 'path', 'upper');
  const x = layOut({ ...plain, text: 'x', line: 'straight' }).letters[0];
  return x ? inkBox(x.glyph, x.strokeMm / x.height).maxY * x.height : null;
}

/** The height of capitals at which small letters are so high, mm. */
export function heightForSmall(text: Lettering, mm: number): number {
  let height = text.height;
  // The share hardly depends on the height, but strokes of the smallest letters are thicker.
  for (let i = 0; i < 4; i++) height = heightWithin((height * mm) / (smallLettersMm({ ...text, height }) ?? mm));
  return toThousandths(height);
}

export interface TextJobOptions {
  id: string;
  name: string;
  text: Lettering;
  brief?: Partial<Brief>;
  school?: JobSettings;
  hex?: string;
  threadWeight?: number;
}

/**
 * A job of one text, in the middle of its hoop. Without a hoop, the smallest offered one that fits is taken.
 * @throws InputError for signs that the face does not have, or a text that does not fit
 */
export function jobOfText({ id, name, text, brief = {}, school = {}, hex = '#1d2a44', threadWeight = 40 }: TextJobOptions): Job {
  const { missing, letters } = layOut(text);
  if (missing.length > 0)
    throw new InputError(
      'bad-usage',
      `‘${text.outlines?.name ?? text.face}’ has no ${missing.map((c) => `‘${c}’`).join(', ')}; write it otherwise or take another face.`,
    );
  if (letters.length === 0) throw new InputError('bad-usage', 'There is nothing to sew: the text has no letters.');
  const placed = centred(text);
  const b = extentOf(placed)!;
  const [width, height] = [b.maxX - b.minX, b.maxY - b.minY];
  const hoop = brief.hoop ?? smallestHoop(width, height);
  if (!hoop || !fitsHoop(hoop, width, height))
    throw new InputError(
      'too-big-for-hoop',
      `The text is ${width.toFixed(1)} x ${height.toFixed(1)} mm, larger than the hoop; make it smaller.`,
    );
  const base = emptyJob(id, name, brief);
  const { thread } = nearestThreads(hex)[0]!;
  return {
    ...base,
    brief: { ...base.brief, hoop, size: { width: Math.round(width * 100) / 100 } },
    settings: { ...base.settings, ...school },
    threads: [{ id: 't1', ...thread, weight: threadWeight }],
    pieces: [{ id: 'p1', name: nameOfText(text.text), kind: 'lettering', thread: 't1', lettering: placed, settings: {} }],
  };
}

export const faceKeys = (): string => [...FACES, ...SHIPPED_FACES].map((f) => f.key).join(', ');
