import { decodedBitmap } from './bitmap';

/** A bitmap's file: rows from the lowest up, blue before red, each row filled up to four bytes. */
function file(width: number, height: number, bits: 8 | 24, pixels: number[][]): Uint8Array {
  const row = Math.ceil((width * bits) / 32) * 4;
  const palette = bits === 8 ? 1024 : 0;
  const out = new Uint8Array(54 + palette + row * height);
  const view = new DataView(out.buffer);
  out.set([0x42, 0x4d]);
  view.setUint32(2, out.length, true);
  view.setUint32(10, 54 + palette, true);
  for (const [at, v] of [
    [14, 40],
    [18, width],
    [22, height],
  ] as const)
    view.setUint32(at, v, true);
  view.setUint16(26, 1, true);
  view.setUint16(28, bits, true);
  for (let i = 0; i < 256 && palette > 0; i++) out.set([i, i, i, 0], 54 + 4 * i);
  pixels.forEach((p, i) => {
    const [x, y] = [i % width, Math.floor(i / width)];
    out.set(bits === 24 ? p.slice().reverse() : [p[0]!], 54 + palette + (height - 1 - y) * row + (x * bits) / 8);
  });
  return out;
}

test('bitmaps are read from the top, red first, whatever fills their rows', () => {
  const six = [
    [1, 2, 3],
    [4, 5, 6],
    [7, 8, 9],
    [10, 11, 12],
    [13, 14, 15],
    [16, 17, 18],
  ];
  expect([...decodedBitmap(file(3, 2, 24, six)).data]).toEqual(six.flatMap((p) => [...p, 255]));
  expect([...decodedBitmap(file(3, 2, 8, six)).data]).toEqual(six.flatMap(([v]) => [v, v, v, 255]));
});

test('what is cut short is no bitmap', () => {
  expect(() => decodedBitmap(file(3, 2, 24, [[1, 2, 3]]).subarray(0, 40))).toThrow();
});
