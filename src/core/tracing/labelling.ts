import { asTold, colourMeant, withPicked } from './askedColours';
import { backgroundOf } from './background';
import { smallNear, withFewerJumps, withoutFringes, withoutSpecks, withoutStrayColours, type Cleaned } from './cleaning';
import { CLEAN, labelPixels, type Labelled } from './labels';
import type { AskedOfPage } from './options';
import { coloursOf, deepFlat, fewerColours, flatLimit, flatPixels, withoutTints, type Colour } from './palette';
import type { Picture } from './picture';
import { regionsOf, type Parted } from './regions';
import { withoutShades } from './shades';

/** Smaller regions may be noise: they do not say how wide a picture is. */
const SHOWN_PX = 12;
/** Colours of a lossy picture are read so far inside areas, pixels. */
const DEEP_PX = 2;
/** A picture of more colours is shaded, not flat: it is drawn in so many tones, unless a number is asked for; of so many shades at most. */
const MOST_FLAT_COLOURS = 24;
export const TONES = 12;
const MOST_SHADES = 120;
/** What was picked by hand is not joined to what is near it: it counts as if it had so many pixels. */
const PICKED_PX = 1e9;

export interface LabelledPage extends Cleaned {
  pixelsPerMm: number;
  isShaded: boolean;
  /** Small regions that fewer jumps would do without. */
  smallNear: number;
}

/**
 * The colour of every pixel, without fringes and specks, and how large a pixel is.
 * @param progress called with the share done, 0 to 1; may throw to cancel
 */
export function labelledPage(
  picture: Picture,
  noise: number,
  asked: AskedOfPage,
  progress: (done: number) => void = () => undefined,
): LabelledPage {
  const flat = flatPixels(picture, flatLimit(noise));
  const palette = paletteOf(picture, flat, noise).slice(0, MOST_SHADES);
  const isShaded = asked.colours === undefined && palette.length > MOST_FLAT_COLOURS;
  const wantedFirst = isShaded ? fewerColours(palette, TONES).colours : palette;
  progress(0.3);
  const labels = labelPixels(picture, flat, withPicked(wantedFirst, asked.picked), noise);
  const found = noise > CLEAN && !isShaded ? withoutShades(labels, picture, meant(labels, asked.picked)) : labels;
  progress(0.6);
  const wanted = numberWanted(found, asked);
  const counted = wanted === undefined ? found : withFewer(found, wanted, asked.picked ?? []);
  const labelled = asTold(counted, picture, asked, noise > CLEAN);
  progress(0.7);
  const whole = withoutFringes({ labelled, regions: regionsOf(labelled) });
  const pixelsPerMm = shownWidth(whole, asked) / asked.widthMm;
  const clear = wanted === undefined && !asked.split ? withoutStrayColours(whole, palette.length, pixelsPerMm) : whole;
  const calm = asked.fewerJumps ? withFewerJumps(clear, pixelsPerMm) : clear;
  progress(0.85);
  const cleaned = withoutSpecks(calm, pixelsPerMm, asked);
  return {
    ...cleaned,
    pixelsPerMm,
    isShaded,
    smallNear: smallNear(asked.fewerJumps ? withoutSpecks(clear, pixelsPerMm, asked) : cleaned, pixelsPerMm).size,
  };
}

function numberWanted(found: Labelled, asked: AskedOfPage): number | undefined {
  if (asked.colours !== undefined) return asked.colours + besides(found, asked);
  return found.colours.length > MOST_FLAT_COLOURS ? TONES : undefined;
}

/** Number of colours that only the background has. */
function besides(labelled: Labelled, asked: AskedOfPage): number {
  const regions = regionsOf(labelled);
  const background = backgroundOf(labelled, regions, asked);
  if (background.size === 0) return 0;
  const labelsOf = (dropped: boolean): Set<number> =>
    new Set(regions.list.flatMap((r, id) => (background.has(id) === dropped && r.pixels >= SHOWN_PX ? [r.label] : [])));
  const shown = labelsOf(false);
  return [...labelsOf(true)].filter((l) => !shown.has(l)).length;
}

/** Colours of a picture, of its flat pixels; of a lossy one those deep within areas, without tints. */
function paletteOf(picture: Picture, flat: Uint8Array, noise: number): Colour[] {
  // In a picture that is nowhere flat every pixel is asked.
  if (!flat.includes(1)) return coloursOf(picture, flat.fill(1), noise);
  if (noise <= CLEAN) return coloursOf(picture, flat, noise);
  const deep = deepFlat(flat, picture.width, picture.height, DEEP_PX);
  if (!deep.includes(1)) return coloursOf(picture, flat, noise);
  return withoutTints(picture, deep, coloursOf(picture, deep, noise));
}

const meant = ({ colours }: Labelled, hexes: readonly string[] = []): Set<number> => new Set(hexes.map((hex) => colourMeant(colours, hex)));

function withFewer(labelled: Labelled, count: number, picked: readonly string[]): Labelled {
  const pixels = new Uint32Array(labelled.colours.length);
  for (const l of labelled.labels) pixels[l]!++;
  const byHand = meant(labelled, picked);
  const { colours, became } = fewerColours(
    labelled.colours.map((c, i) => ({ ...c, pixels: byHand.has(i) ? PICKED_PX : Math.max(1, pixels[i]!) })),
    count,
  );
  const mixes = colours.map((_, k) => labelled.mixes[became.indexOf(k)]!);
  return { ...labelled, colours, mixes, labels: labelled.labels.map((l) => became[l]!) };
}

/** Width of what is not background, pixels; of the page where that is wanted, or where nothing is shown. */
function shownWidth({ labelled, regions }: Parted, asked: AskedOfPage): number {
  if (asked.wholePage || asked.keepBackground) return labelled.width;
  const background = backgroundOf(labelled, regions, asked);
  let [least, most] = [Infinity, -Infinity];
  for (let i = 0; i < regions.ids.length; i++) {
    const id = regions.ids[i]!;
    if (background.has(id) || regions.list[id]!.pixels < SHOWN_PX) continue;
    const x = i % labelled.width;
    if (x < least) least = x;
    if (x > most) most = x;
  }
  return most >= least ? most + 1 - least : labelled.width;
}
