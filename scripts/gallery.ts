// Draws every kind and option of the engine at real size, thread at true width: one SVG and one PNG each, and a sheet per group.
import './clipCompiled';
import { mkdirSync, writeFileSync } from 'node:fs';
import { encode } from 'fast-png';
import { drawSewn } from '../src/core/render/picture';
import { writeSvg } from '../src/core/formats/svg';
import { GALLERY, jobOfSample, SAMPLE_BOX } from '../src/core/gallery/samples';
import { Planner } from '../src/core/plan/planner';

const out = process.argv[2] ?? '.cache/gallery';
const scale = Number(process.argv[3] ?? 10);
const only = process.argv[4];
mkdirSync(out, { recursive: true });
GALLERY.forEach((group, g) => {
  const pictures = group.samples
    .filter((s) => !only || s.id === only)
    .map((sample) => {
      const job = jobOfSample(sample);
      const plan = new Planner().plan(job);
      const picture = drawSewn(job, plan, scale, 0, SAMPLE_BOX);
      writeFileSync(`${out}/${sample.id}.png`, encode({ width: picture.width, height: picture.height, data: picture.data, channels: 4 }));
      writeFileSync(`${out}/${sample.id}.svg`, writeSvg(job, plan));
      const problem = plan.pieces.find((p) => p.problem)?.problem;
      process.stdout.write(
        `${sample.id.padEnd(18)} ${String(plan.x.length).padStart(6)} events${problem ? `  NOT SEWN: ${problem}` : ''}\n`,
      );
      return picture;
    });
  if (pictures.length === 0) return;
  const columns = 3;
  const { width, height } = pictures[0]!;
  const data = new Uint8ClampedArray(width * columns * height * Math.ceil(pictures.length / columns) * 4).fill(255);
  pictures.forEach((p, i) => {
    for (let y = 0; y < height; y++) {
      const at = ((Math.floor(i / columns) * height + y) * width * columns + (i % columns) * width) * 4;
      data.set(p.data.subarray(y * width * 4, (y + 1) * width * 4), at);
    }
  });
  const rows = Math.ceil(pictures.length / columns);
  writeFileSync(`${out}/sheet-${g + 1}.png`, encode({ width: width * columns, height: height * rows, data, channels: 4 }));
});
