/** A decoded picture: four bytes a pixel (red, green, blue, opacity), row by row from the top. */
export interface Picture {
  width: number;
  height: number;
  data: Uint8Array | Uint8ClampedArray;
}

/** A colour as four numbers of 0 to 255: red, green and blue times opacity, and opacity. What is mixed at an edge lies between two of these. */
export type Mix = readonly [number, number, number, number];

/** The same picture with its colours times their opacity, so that edges against nothing are mixtures too. */
export function premultiplied({ width, height, data }: Picture): Picture {
  const out = new Uint8Array(data.length);
  for (let i = 0; i < data.length; i += 4) {
    const a = data[i + 3]!;
    if (a === 255) {
      out[i] = data[i]!;
      out[i + 1] = data[i + 1]!;
      out[i + 2] = data[i + 2]!;
    } else if (a > 0) for (let k = 0; k < 3; k++) out[i + k] = Math.round((data[i + k]! * a) / 255);
    out[i + 3] = a;
  }
  return { width, height, data: out };
}

/** How far apart two mixtures are, of 0 to about 500. */
export const apart = (a: Mix, b: Mix): number =>
  Math.sqrt((a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2 + (a[2] - b[2]) ** 2 + (a[3] - b[3]) ** 2);

/** How a colour is written, as seen when it is not mixed with nothing. */
export function hexOf([r, g, b, a]: Mix): string {
  const byte = (v: number): string =>
    Math.max(0, Math.min(255, Math.round(a > 0 ? (v * 255) / a : v)))
      .toString(16)
      .padStart(2, '0');
  return `#${byte(r)}${byte(g)}${byte(b)}`;
}

/** A colour that is written as #rrggbb. */
export const mixOfHex = (hex: string): Mix => [
  parseInt(hex.slice(1, 3), 16),
  parseInt(hex.slice(3, 5), 16),
  parseInt(hex.slice(5, 7), 16),
  255,
];

/** What is seen through is nothing. */
export const isNothing = (m: Mix): boolean => m[3] < 128;

/** How much a difference of hue counts beside one of lightness where hue is blurred. */
const HUE_SHARE = 0.35;

/** A colour as lightness and two of hue (as JPEG keeps them), the latter of little weight; opacity stays. Of 0 to 255. */
export const lumaOf = ([r, g, b, a]: Mix): Mix => {
  const y = 0.299 * r + 0.587 * g + 0.114 * b;
  return [y, 128 + HUE_SHARE * 0.564 * (b - y), 128 + HUE_SHARE * 0.713 * (r - y), a];
};

/** The picture in these terms: lossy pictures keep lightness sharp and blur hue over several pixels. */
export function lumaPicture({ width, height, data }: Picture): Picture {
  const out = new Uint8Array(data.length);
  for (let i = 0; i < data.length; i += 4) {
    const [y, u, v, a] = lumaOf([data[i]!, data[i + 1]!, data[i + 2]!, data[i + 3]!]);
    out[i] = Math.round(y);
    out[i + 1] = Math.round(u);
    out[i + 2] = Math.round(v);
    out[i + 3] = a;
  }
  return { width, height, data: out };
}
