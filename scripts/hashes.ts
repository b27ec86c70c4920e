// Hashes of the stitch lists of all demo jobs and of the drawings in a folder, one a line: two checkouts that sew the same print the
// same. `npm run hashes [FOLDER OF SVG]`
import './clipCompiled';
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { jobFromArt } from '../src/core/artwork/newJob';
import { readSvg } from '../src/core/artwork/readSvg';
import { RECIPES } from '../src/core/cloth/recipes';
import type { Job } from '../src/core/document/types';
import { writeCsv } from '../src/core/formats/csv';
import { DEMOS } from '../src/core/gallery/demos';
import { Planner } from '../src/core/plan/planner';

const WIDTHS_MM = [40, 85, 160];

function line(name: string, job: Job): string {
  const plan = new Planner().plan(job);
  const csv = writeCsv(
    plan,
    job.threads.map((t) => t.id),
  );
  return `${createHash('sha256').update(csv).digest('hex').slice(0, 16)} ${String(plan.x.length).padStart(7)} ${name}`;
}

function attempt(name: string, make: () => Job): void {
  try {
    console.log(line(name, make()));
  } catch (error) {
    console.log(`refused ${name}: ${(error as Error).message}`);
  }
}

for (const { name, file, brief } of DEMOS) {
  const svg = readFileSync(join('public', 'demo', file), 'utf8');
  attempt(
    name,
    () =>
      jobFromArt(readSvg(svg), {
        id: 'demo',
        name,
        file,
        brief: { cloth: brief.cloth ?? 'twill', ...(brief.size ? { size: brief.size } : {}) },
      }).job,
  );
}
const folder = process.argv[2];
const cloths = RECIPES.slice(0, 3);
for (const file of folder ? readdirSync(folder).sort() : []) {
  if (!file.endsWith('.svg')) continue;
  const svg = readFileSync(join(folder!, file), 'utf8');
  WIDTHS_MM.forEach((width, i) => {
    const cloth = cloths[i % cloths.length]!.key;
    attempt(
      `${file} ${width} mm on ${cloth}`,
      () => jobFromArt(readSvg(svg), { id: 'a', name: file, file, brief: { cloth, size: { width } } }).job,
    );
  });
}
