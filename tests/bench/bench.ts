// Speed of the kernels and of whole plans: median of several warm runs. Printed, never asserted.
import '../../scripts/clipCompiled';
import { forecast } from '../../src/core/forecast/forecast';
import { SheetMemory } from '../../src/core/forecast/sheetMemory';
import { PROOF_GRID } from '../../src/core/forecast/sheet';
import { prove } from '../../src/core/proof/prove';
import { weigh } from '../../src/core/stitches/weight';
import { readFileSync } from 'node:fs';
import { digitize } from '../../src/core/artwork/digitize';
import { jobFromArt } from '../../src/core/artwork/newJob';
import { readSvg } from '../../src/core/artwork/readSvg';
import { makeRaster } from '../../src/core/render/raster';
import { looksOf } from '../../src/core/render/picture';
import { drawThreads } from '../../src/core/render/thread';
import { jobOf, piece, stitchesOf } from '../../src/core/pieces/fixtures';
import { proposeRoute } from '../../src/core/plan/proposeRoute';
import { Planner } from '../../src/core/plan/planner';
import { large, middling } from './jobs';

function median(run: () => unknown, times = 7): number {
  run();
  run();
  const all = Array.from({ length: times }, () => {
    const began = performance.now();
    run();
    return performance.now() - began;
  });
  return all.sort((a, b) => a - b)[Math.floor(times / 2)]!;
}

const line = (name: string, ms: number, stitches: number): void => {
  const rate = stitches > 0 ? `${Math.round(stitches / ms / 100) / 10} k stitches/ms`.padStart(20) : '';
  console.log(`${name.padEnd(44)} ${ms.toFixed(1).padStart(9)} ms ${String(stitches).padStart(8)} ${rate}`);
};

console.log('Growth: the same shape larger, straight rows at 30 degrees');
for (const side of [25, 80, 250, 400]) {
  const square = piece('fill', { area: `M0,0 H${side} V${side} H0 Z` }, { angle: 30, underlay: [] });
  line(
    `fill, ${side} mm square`,
    median(() => stitchesOf(square)),
    stitchesOf(square).x.length,
  );
}
for (const side of [40, 120]) {
  const square = piece(
    'fill',
    { area: `M0,0 H${side} V${side} H0 Z` },
    { angle: 30, spacing: 5, underlay: [{ kind: 'edge-run' }, { kind: 'lattice' }] },
  );
  line(
    `underlay, edge run and lattice, ${side} mm square`,
    median(() => stitchesOf(square)),
    stitchesOf(square).x.length,
  );
}
for (const length of [100, 1000, 10000, 50000]) {
  const bar = piece('satin', { sides: [`M0,0 H${length}`, `M0,4 H${length}`] }, { underlay: [] });
  line(
    `satin between two sides, ${length} mm`,
    median(() => stitchesOf(bar), 5),
    stitchesOf(bar).x.length,
  );
}
for (const radius of [15, 50]) {
  const bow = piece('fill', {
    area: `M-${radius},0 A${radius},${radius} 0 0 1 ${radius},0 H${radius / 3} A${radius / 3},${radius / 3} 0 0 0 -${radius / 3},0 Z`,
    slants: [`M-${radius},0 H-${radius / 3}`, `M0,-${radius} V-${radius / 3}`, `M${radius / 3},0 H${radius}`],
  });
  line(
    `turning fill, ${2 * radius} mm bow, field known`,
    median(() => stitchesOf(bow), 5),
    stitchesOf(bow).x.length,
  );
}
const heronText = readFileSync('public/demo/heron.svg', 'utf8');
const doc = readSvg(heronText);
line(
  'demo artwork: read and digitize',
  median(() => digitize(readSvg(heronText), { width: 85, cloth: 'pique', settings: {} }), 5),
  0,
);
const { job } = jobFromArt(doc, { id: 'h', name: 'h', file: 'h.svg', brief: { cloth: 'pique', size: { width: 85 } } });
const planner = new Planner();
const plan = planner.plan(job);
line(
  'demo job: whole plan, shapes known',
  median(() => new Planner().plan(job)),
  plan.x.length,
);
let spacing = 0.4;
const edit = (): void => {
  spacing = spacing === 0.4 ? 0.41 : 0.4 + Math.round(performance.now()) / 1e9;
  planner.plan({ ...job, pieces: job.pieces.map((p, i) => (i === 0 ? { ...p, settings: { spacing } } : p)) });
};
line('demo job: one piece of 3,000 edited', median(edit), 0);
const many = jobOf(
  Array.from({ length: 300 }, (_, i) =>
    piece('fill', { area: `M${(i % 20) * 12},${Math.floor(i / 20) * 12} h11 v11 h-11 Z` }, { angle: (i * 30) % 180 }),
  ),
);
const larger = jobOf(
  Array.from({ length: 300 }, (_, i) =>
    piece('fill', { area: `M${(i % 20) * 16},${Math.floor(i / 20) * 16} h15 v15 h-15 Z` }, { angle: (i * 30) % 180 }),
  ),
);
line(
  '300 pieces of 15 mm: whole plan, shapes known',
  median(() => new Planner().plan(larger), 3),
  new Planner().plan(larger).x.length,
);
const scattered = jobOf(
  Array.from({ length: 300 }, (_, i) => {
    const k = (i * 137) % 300;
    return piece(
      'fill',
      { area: `M${(k % 20) * 12},${Math.floor(k / 20) * 12} h11 v11 h-11 Z`, thread: `t${k % 3}` },
      { angle: (k * 30) % 180 },
    );
  }),
);
const route = proposeRoute(scattered, 'stops', planner);
line(
  `300 pieces: order proposed, ${route.before.colourChanges} to ${route.after.colourChanges} stops`,
  median(() => proposeRoute(scattered, 'stops', planner), 3),
  0,
);
const big = new Planner().plan(many);
line(
  '300 pieces: whole plan, shapes known',
  median(() => new Planner().plan(many), 3),
  big.x.length,
);
line(
  'picture of that job, 1280x800 at 4 px/mm',
  median(() => drawThreads(makeRaster(1280, 800, 4, 0, 0), big, looksOf(many)), 5),
  big.x.length,
);

const wide = large();
const widePlan = planner.plan(wide);
line(
  'forecast on the editing grid',
  median(() => forecast(wide, { planner, plan: widePlan }), 3),
  widePlan.x.length,
);
line(
  'forecast on the proof grid',
  median(() => forecast(wide, { planner, plan: widePlan, grid: PROOF_GRID }), 3),
  widePlan.x.length,
);
const seen = forecast(wide, { planner, plan: widePlan });
line(
  'all checks, the forecast known',
  median(() => prove(wide, planner, widePlan, seen), 3),
  widePlan.x.length,
);
line(
  'weight',
  median(() => weigh(widePlan), 5),
  widePlan.x.length,
);

const edited = middling();
const memory = new SheetMemory();
let turn = 0;
/** One piece changes; the plan, the forecast and all rules follow. */
const recheck = (at: number): void => {
  const own = 0.4 + (turn++ % 50) / 1000;
  const job = { ...edited, pieces: edited.pieces.map((p, i) => (i === at ? { ...p, settings: { ...p.settings, spacing: own } } : p)) };
  const plan = planner.plan(job);
  prove(job, planner, plan, forecast(job, { planner, plan, memory }));
};
const size = planner.plan(edited).x.length;
for (const [at, words] of [
  [3, 'early'],
  [32, 'in the middle'],
  [60, 'late'],
] as const) {
  line(
    `one piece edited ${words}: plan, forecast, all checks`,
    median(() => recheck(at), 5),
    size,
  );
}
const once = planner.plan(edited);
const known = forecast(edited, { planner, plan: once });
line(
  'all checks of that job, the forecast known',
  median(() => prove(edited, planner, once, known), 5),
  size,
);
