// `npm run judge`: jobs made from seeds, sound ones and ones with a planted fault each, and how well the proof tells them apart.
import type { Finding } from '../../src/core/proof/finding';
import { Planner } from '../../src/core/plan/planner';
import { prove } from '../../src/core/proof/prove';
import { CHECKS } from '../../src/core/proof/registry';
import { plant, PLANTS, type Planted } from './faults';
import { repairs } from './repairs';
import { SOUND } from './sound';

const SEEDS = Number(process.argv[2] ?? 3);
/** The first seed; others than the usual ones show whether what holds for these holds for all. */
const FIRST = Number(process.argv[3] ?? 1);
const seeds = Array.from({ length: SEEDS }, (_, k) => FIRST + k);
const PLACE_MM = 2;

interface Tally {
  planted: number;
  found: number;
  /** Found where nothing was planted. */
  wrong: number;
  notes: string[];
}
const tallies = new Map<string, Tally>(CHECKS.map((c) => [c.rule, { planted: 0, found: 0, wrong: 0, notes: [] }]));
const tally = (rule: string): Tally => tallies.get(rule)!;
const of = (found: readonly Finding[], rule: string): Finding[] => found.filter((f) => f.rule === rule);
/** How far the nearest place of a finding lies from where the fault was planted, mm. */
const away = (f: Finding, at: NonNullable<Planted['at']>): number => {
  const [a, b] = 'x' in at ? [at, at] : at;
  const long = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  return Math.min(
    ...f.places.map((p) => {
      const t = Math.min(1, Math.max(0, ((p.at.x - a.x) * (b.x - a.x) + (p.at.y - a.y) * (b.y - a.y)) / (long * long)));
      return Math.hypot(p.at.x - a.x - t * (b.x - a.x), p.at.y - a.y - t * (b.y - a.y));
    }),
  );
};

for (const rule of Object.keys(PLANTS)) {
  for (const seed of seeds) {
    const t = tally(rule);
    const { faulty, sound, at, measured, within, sewn } = plant(rule, 1000 * seed + rule.length);
    t.planted++;
    const told = of(prove(faulty, undefined, sewn?.(new Planner().plan(faulty))), rule);
    const placed = at ? told.filter((f) => away(f, at) <= PLACE_MM) : told;
    const right =
      measured === undefined ? placed : placed.filter((f) => Math.abs(f.measured - measured) <= (within ?? 0.1 * Math.abs(measured)));
    if (right.length > 0) t.found++;
    else if (told.length === 0) t.notes.push(`seed ${seed}: not found`);
    else if (placed.length === 0) t.notes.push(`seed ${seed}: ${away(told[0]!, at!).toFixed(1)} mm away`);
    else t.notes.push(`seed ${seed}: ${told[0]!.measured.toFixed(3)}, planted ${measured!.toFixed(3)}`);
    const still = of(prove(sound), rule);
    if (still.length > 0) {
      t.wrong++;
      t.notes.push(`seed ${seed}: in the sound job ${still[0]!.measured.toFixed(2)}`);
    }
  }
}
let soundJobs = 0;
let warned = 0;
for (const [family, make] of Object.entries(SOUND)) {
  for (const seed of seeds) {
    soundJobs++;
    const found = prove(make(seed)).filter((f) => f.severity !== 'note' && f.accepted === undefined);
    if (found.length > 0) warned++;
    for (const f of found) {
      tally(f.rule).wrong++;
      tally(f.rule).notes.push(`${family} ${seed}: ${f.message.slice(0, 140)}`);
    }
  }
}

let [planted, found, wrong] = [0, 0, 0];
for (const [rule, t] of tallies) {
  [planted, found, wrong] = [planted + t.planted, found + t.found, wrong + t.wrong];
  if (t.planted === 0 && t.wrong === 0) continue;
  const recall = t.planted === 0 ? '  - ' : `${Math.round((100 * t.found) / t.planted)} %`;
  const precision = t.found + t.wrong === 0 ? '  - ' : `${Math.round((100 * t.found) / (t.found + t.wrong))} %`;
  process.stdout.write(
    `${rule.padEnd(26)} planted ${String(t.planted).padStart(3)}  recall ${recall.padStart(6)}  precision ${precision.padStart(6)}\n`,
  );
  for (const n of t.notes) process.stdout.write(`    ${n}\n`);
}
const never = [...tallies].filter(([, t]) => t.planted === 0).map(([rule]) => rule);
process.stdout.write(
  `\n${planted} planted faults and ${soundJobs} sound jobs (${warned} with a warning): recall ${((100 * found) / planted).toFixed(1)} %, precision ${((100 * found) / (found + wrong)).toFixed(1)} %\n`,
);
process.stdout.write(`rules without a planted fault: ${never.join(', ') || 'none'}\n`);
if (found < 0.95 * planted || found < 0.95 * (found + wrong) || warned > 0) process.exitCode = 1;

process.stdout.write('\n');
for (const { line, right } of repairs(seeds)) {
  process.stdout.write(`${right ? '  ' : '! '}${line}\n`);
  if (!right) process.exitCode = 1;
}
