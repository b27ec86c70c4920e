// How far the plan of a picture differs from the plan of the drawing that it was made of. Takes a folder of SVG drawings; minutes. Printed,
// never asserted. `npm run tracing:plans -- FOLDER [--every=N]`
import '../../scripts/clipCompiled';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { jobFromArt } from '../../src/core/artwork/newJob';
import { readSvg } from '../../src/core/artwork/readSvg';
import { measurePlan } from '../../src/core/plan/measure';
import { Planner } from '../../src/core/plan/planner';
import { shapesSvg } from '../../src/core/tracing/shapesSvg';
import { trace } from '../../src/core/tracing/trace';
import { pictureOf, readEmblem, WIDTH_MM } from './emblem';

const FIGURES = ['stitches', 'trims', 'stops', 'pieces'] as const;
type Figures = Record<(typeof FIGURES)[number], number>;

function figuresOf(svg: string): Figures {
  const { job } = jobFromArt(readSvg(svg), { id: 'x', name: 'x', file: 'x.svg', brief: { cloth: 'pique', size: { width: WIDTH_MM } } });
  const { stitches, trims, colourChanges } = measurePlan(job, new Planner().plan(job));
  return { stitches, trims, stops: colourChanges + 1, pieces: job.pieces.length };
}

const [folder = 'public/demo', ...only] = process.argv.slice(2).filter((a) => !a.startsWith('--'));
const each = Number(process.argv.find((a) => a.startsWith('--every='))?.slice(8) ?? 1);
const files = readdirSync(folder)
  .filter((f) => f.endsWith('.svg') && (only.length === 0 || only.some((o) => f.includes(o))))
  .filter((_, i) => i % each === 0);

const ratios: Figures[] = [];
for (const file of files) {
  try {
    const emblem = await readEmblem(join(folder, file));
    if (emblem.hasGradient) continue;
    const drawn = figuresOf(readFileSync(join(folder, file), 'utf8'));
    const seen = figuresOf(shapesSvg(trace(await pictureOf(emblem, { name: '', pixelsPerMm: 12 }), { widthMm: WIDTH_MM })));
    console.log(`${file.padEnd(40)} ${FIGURES.map((f) => `${f} ${seen[f]}/${drawn[f]}`).join('  ')}`);
    ratios.push(Object.fromEntries(FIGURES.map((f) => [f, seen[f] / Math.max(1, drawn[f])])) as unknown as Figures);
  } catch (error) {
    console.log(`${file.padEnd(40)} refused: ${(error as Error).message}`);
  }
}
const middle = (values: number[]): number => values.sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;
console.log(`\nmedian of ${ratios.length}, picture against drawing`);
for (const f of FIGURES) {
  const all = ratios.map((r) => r[f]);
  const near = all.filter((v) => Math.abs(v - 1) <= 0.1).length;
  console.log(
    `  ${f.padEnd(10)} ${middle(all).toFixed(3)}; within a tenth: ${near}; deviation ${middle(all.map((v) => Math.abs(v - 1))).toFixed(3)} (median)`,
  );
}
