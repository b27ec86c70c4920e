// How much of an emblem its traced shapes leave open: pixels well within the drawing that no shape covers. Printed, never asserted.
// `npm run tracing:slots -- FOLDER [--every=N]`
import '../../scripts/clipCompiled';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { shapesSvg } from '../../src/core/tracing/shapesSvg';
import { trace } from '../../src/core/tracing/trace';
import { pictureOf, readEmblem, WIDTH_MM } from './emblem';

const PX = 12;
/** So far from the emblem's own edge nothing is asked, pixels: the border error is measured elsewhere. */
const EDGE_PX = 3;
const [folder = 'public/demo'] = process.argv.slice(2).filter((a) => !a.startsWith('--'));
const each = Number(process.argv.find((a) => a.startsWith('--every='))?.slice(8) ?? 1);

const shares: number[] = [];
for (const file of readdirSync(folder).filter((f, i) => f.endsWith('.svg') && i % each === 0)) {
  const emblem = await readEmblem(join(folder, file));
  if (emblem.hasGradient) continue;
  const picture = await pictureOf(emblem, { name: '', pixelsPerMm: PX });
  const svg = shapesSvg(trace(picture, { widthMm: WIDTH_MM, wholePage: true }));
  const { data, info } = await sharp(Buffer.from(svg), { density: 72 * (25.4 / 72) * PX })
    .resize({ width: picture.width, height: picture.height, fit: 'fill' })
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const isWithin = (x: number, y: number): boolean => {
    for (let v = y - EDGE_PX; v <= y + EDGE_PX; v++)
      for (let u = x - EDGE_PX; u <= x + EDGE_PX; u++)
        if (u < 0 || v < 0 || u >= info.width || v >= info.height || picture.data[(v * info.width + u) * 4 + 3]! < 255) return false;
    return true;
  };
  let [within, open] = [0, 0];
  for (let y = 0; y < info.height; y++)
    for (let x = 0; x < info.width; x++) {
      if (!isWithin(x, y)) continue;
      within++;
      if (data[(y * info.width + x) * 4 + 3]! < 128) open++;
    }
  if (within === 0) continue;
  shares.push(open / within);
  if (open / within > 0.0005) console.log(`${file.padEnd(40)} ${((100 * open) / within).toFixed(3)} %`);
}
console.log(
  `${shares.length} drawings; open within: worst ${(100 * Math.max(...shares)).toFixed(3)} %, under 0.05 %: ${shares.filter((s) => s < 0.0005).length}`,
);
