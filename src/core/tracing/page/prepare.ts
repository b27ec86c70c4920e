import type { PicturePlace, PicturePreparation } from '../../document/types';
import { distance, type Point } from '../../geometry/point';
import { cos, PI, sin } from '../../units/trig';
import { PICTURE_SIDE_PX } from '../../units/tolerances';
import type { Picture } from '../picture';
import { composed, inverse, isConvex, mapped, scaled, shifted, squareToQuad, type Homography } from './homography';

/** Pixels to each side. */
export type PictureSize = Pick<Picture, 'width' | 'height'>;

/** How large a picture is once it is laid out, pixels, and the ways between it and the picture as it came. */
export interface PageLayout extends PictureSize {
  /** Where a place of the picture as it came lies on the page, shares of its sides; outside 0 to 1 where it was cropped away. */
  placeOf(place: PicturePlace): PicturePlace;
  /** The way back. */
  sourceOf(place: PicturePlace): PicturePlace;
}

/** A picture laid out for tracing: straight, cropped, its white white. */
export interface Page extends PageLayout {
  picture: Picture;
}

const WHOLE = [0, 0, 1, 1] as const;
/** Round a place of this many pixels to each side the picture should be white. */
const WHITE_PX = 2;
/** More than this no channel is brightened: what is so dark was not white. */
const MOST_GAIN = 4;

/** Lays a picture out as asked: first its four corners, then its level, then the crop; white by what should be white. */
export function preparedPicture(source: Picture, preparation: PicturePreparation = {}): Page {
  const { toSource, ...page } = layout(source, preparation);
  const laid = toSource ? sampled(source, toSource, page) : source;
  const picture = preparation.white ? whitened(laid, gainsAt(source, preparation.white)) : laid;
  return { ...page, ...ways(source, page, toSource), picture };
}

/** The same without its pixels. */
export function pageLayout(source: PictureSize, preparation: PicturePreparation = {}): PageLayout {
  const { toSource, ...page } = layout(source, preparation);
  return { ...page, ...ways(source, page, toSource) };
}

function ways(source: PictureSize, page: PictureSize, toSource: Homography | null): Pick<PageLayout, 'placeOf' | 'sourceOf'> {
  if (!toSource) return { placeOf: (p) => p, sourceOf: (p) => p };
  const toPage = inverse(toSource);
  const along =
    (h: Homography, from: PictureSize, to: PictureSize) =>
    ([x, y]: PicturePlace): PicturePlace => {
      const p = mapped(h, { x: x * from.width, y: y * from.height });
      return [p.x / to.width, p.y / to.height];
    };
  return { placeOf: along(toPage, source, page), sourceOf: along(toSource, page, source) };
}

/** Size of the page, pixels, and the way from it to the source; none where it is the source. */
function layout(
  { width, height }: PictureSize,
  { corners, levelDeg = 0, crop = [...WHOLE] }: PicturePreparation,
): { width: number; height: number; toSource: Homography | null } {
  const quad = corners?.map(([x, y]) => ({ x: x * width, y: y * height })) as [Point, Point, Point, Point] | undefined;
  const aslant = quad && quad.length === 4 && isConvex(quad) ? quad : null;
  if (!aslant && levelDeg === 0 && crop.every((v, i) => v === WHOLE[i])) return { width, height, toSource: null };
  const flat = aslant
    ? {
        width: (distance(aslant[0], aslant[1]) + distance(aslant[3], aslant[2])) / 2,
        height: (distance(aslant[0], aslant[3]) + distance(aslant[1], aslant[2])) / 2,
      }
    : { width, height };
  const flatToSource = aslant ? composed(squareToQuad(aslant), scaled(1 / flat.width, 1 / flat.height)) : scaled(1, 1);
  const turn = (levelDeg * PI) / 180;
  const [c, s] = [cos(turn), sin(turn)];
  const turned = {
    width: Math.abs(c) * flat.width + Math.abs(s) * flat.height,
    height: Math.abs(s) * flat.width + Math.abs(c) * flat.height,
  };
  const back: Homography = [c, s, 0, -s, c, 0, 0, 0, 1];
  const turnedToFlat = composed(shifted(flat.width / 2, flat.height / 2), composed(back, shifted(-turned.width / 2, -turned.height / 2)));
  const [left, top, right, bottom] = crop;
  const page = { width: Math.max(1, (right - left) * turned.width), height: Math.max(1, (bottom - top) * turned.height) };
  const reduce = Math.min(1, PICTURE_SIDE_PX / Math.max(page.width, page.height));
  const pageToTurned = composed(shifted(left * turned.width, top * turned.height), scaled(1 / reduce, 1 / reduce));
  return {
    width: Math.max(1, Math.round(page.width * reduce)),
    height: Math.max(1, Math.round(page.height * reduce)),
    toSource: composed(flatToSource, composed(turnedToFlat, pageToTurned)),
  };
}

/** The picture under a map, each pixel from the four about its place; what lies outside is as the nearest rim. */
function sampled({ width, height, data }: Picture, toSource: Homography, { width: w, height: h }: PictureSize): Picture {
  const out = new Uint8ClampedArray(w * h * 4);
  const held = (v: number, most: number): number => Math.min(most, Math.max(0, v));
  for (let y = 0, o = 0; y < h; y++) {
    for (let x = 0; x < w; x++, o += 4) {
      const at = mapped(toSource, { x: x + 0.5, y: y + 0.5 });
      const [u, v] = [held(at.x - 0.5, width - 1), held(at.y - 0.5, height - 1)];
      const [left, top] = [Math.floor(u), Math.floor(v)];
      const [right, bottom] = [Math.min(width - 1, left + 1), Math.min(height - 1, top + 1)];
      const [a, b] = [u - left, v - top];
      mixInto(out, o, data, [
        [(top * width + left) * 4, (1 - a) * (1 - b)],
        [(top * width + right) * 4, a * (1 - b)],
        [(bottom * width + left) * 4, (1 - a) * b],
        [(bottom * width + right) * 4, a * b],
      ]);
    }
  }
  return { width: w, height: h, data: out };
}

/** What is seen through lends no colour. */
function mixInto(out: Uint8ClampedArray, o: number, data: Picture['data'], from: readonly (readonly [number, number])[]): void {
  let opacity = 0;
  for (const [i, share] of from) opacity += share * data[i + 3]!;
  for (let k = 0; k < 3 && opacity > 0; k++) {
    let sum = 0;
    for (const [i, share] of from) sum += share * data[i + 3]! * data[i + k]!;
    out[o + k] = sum / opacity;
  }
  out[o + 3] = opacity;
}

function gainsAt({ width, height, data }: Picture, [x, y]: PicturePlace): [number, number, number] {
  const [cx, cy] = [Math.floor(x * width), Math.floor(y * height)];
  const sums = [0, 0, 0];
  let n = 0;
  for (let v = Math.max(0, cy - WHITE_PX); v <= Math.min(height - 1, cy + WHITE_PX); v++) {
    for (let u = Math.max(0, cx - WHITE_PX); u <= Math.min(width - 1, cx + WHITE_PX); u++, n++)
      for (let k = 0; k < 3; k++) sums[k]! += data[(v * width + u) * 4 + k]!;
  }
  return sums.map((sum) => (n > 0 ? Math.min(MOST_GAIN, 255 / Math.max(1, sum / n)) : 1)) as [number, number, number];
}

function whitened({ width, height, data }: Picture, gains: readonly [number, number, number]): Picture {
  const out = new Uint8ClampedArray(data.length);
  for (let i = 0; i < data.length; i += 4) {
    for (let k = 0; k < 3; k++) out[i + k] = data[i + k]! * gains[k]!;
    out[i + 3] = data[i + 3]!;
  }
  return { width, height, data: out };
}
