// How near tracings come to the drawings whose pictures they are made of. Takes a folder of SVG drawings, or those of the gallery; minutes.
// Printed, never asserted.
import '../../scripts/clipCompiled';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { trace } from '../../src/core/tracing/trace';
import { pictureOf, readEmblem, WIDTH_MM, type Rendering } from './emblem';
import { measure, type Measured } from './measure';

const RENDERINGS: readonly Rendering[] = [
  { name: '12 px/mm PNG', pixelsPerMm: 12 },
  { name: '5 px/mm PNG', pixelsPerMm: 5 },
  { name: '5 px/mm JPEG 75', pixelsPerMm: 5, jpeg: 75 },
];

const [folder = 'public/demo', ...only] = process.argv.slice(2).filter((a) => !a.startsWith('--'));
const isLong = process.argv.includes('--each');
/** Only each so many drawings. */
const each = Number(process.argv.find((a) => a.startsWith('--every='))?.slice(8) ?? 1);
const files = readdirSync(folder)
  .filter((f) => f.endsWith('.svg') && (only.length === 0 || only.some((o) => f.includes(o))))
  .filter((_, i) => i % each === 0)
  .map((f) => join(folder, f));

const rows = new Map<string, (Measured & { name: string; ms: number; flat: boolean })[]>(RENDERINGS.map((r) => [r.name, []]));
for (const file of files) {
  const emblem = await readEmblem(file);
  for (const rendering of RENDERINGS) {
    const picture = await pictureOf(emblem, rendering);
    const began = performance.now();
    const traced = trace(picture, { widthMm: WIDTH_MM, wholePage: true });
    const ms = performance.now() - began;
    rows.get(rendering.name)!.push({
      name: emblem.name,
      ms,
      flat: !emblem.hasGradient,
      ...measure(emblem, traced),
      sourceColours: rendering.jpeg ? emblem.coloursOnWhite : emblem.colours,
    });
  }
}

const middle = (values: number[]): number => values.sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;
const sum = (values: number[]): number => values.reduce((a, b) => a + b, 0);
const percent = (a: number, b: number): string => `${((100 * a) / b).toFixed(1)} %`;
for (const [name, all] of rows) {
  const flat = all.filter((r) => r.flat);
  console.log(`\n${name}: ${flat.length} flat drawings of ${all.length}`);
  if (isLong)
    for (const r of flat)
      console.log(
        `  ${r.name.padEnd(44)} ${r.medianMm.toFixed(3)} ${r.p95Mm.toFixed(3)}  corners ${r.cornersFound}/${r.corners}  nodes ${r.nodes}/${r.sourceNodes}  colours ${r.colours}/${r.sourceColours}  ${r.ms.toFixed(0)} ms`,
      );
  console.log(
    `  border error, median of medians  ${middle(flat.map((r) => r.medianMm)).toFixed(3)} mm; worst ${Math.max(...flat.map((r) => r.medianMm)).toFixed(3)}`,
  );
  console.log(
    `  border error, median of 95th     ${middle(flat.map((r) => r.p95Mm)).toFixed(3)} mm; within table: ${flat.filter((r) => r.p95Mm <= (name.startsWith('12') ? 0.12 : name.endsWith('PNG') ? 0.25 : 0.35)).length}`,
  );
  console.log(`  corners within 0.3 mm            ${percent(sum(flat.map((r) => r.cornersFound)), sum(flat.map((r) => r.corners)))}`);
  console.log(
    `  nodes against the source         ${middle(flat.map((r) => r.nodes / r.sourceNodes)).toFixed(2)} (median), ${(sum(flat.map((r) => r.nodes)) / sum(flat.map((r) => r.sourceNodes))).toFixed(2)} (all)`,
  );
  console.log(`  number of colours right          ${percent(flat.filter((r) => r.colours === r.sourceColours).length, flat.length)}`);
  console.log(`  time                             ${middle(flat.map((r) => r.ms)).toFixed(0)} ms (median)`);
}
