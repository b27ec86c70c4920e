import { readFileSync } from 'node:fs';
import { jobFromArt } from '../../../src/core/artwork/newJob';
import { readSvg } from '../../../src/core/artwork/readSvg';
import { parseJob } from '../../../src/core/document/schema';
import type { Job } from '../../../src/core/document/types';
import { forecast } from '../../../src/core/forecast/forecast';
import { writeCsv } from '../../../src/core/formats/csv';
import { jobOf, piece } from '../../../src/core/pieces/fixtures';
import { Planner } from '../../../src/core/plan/planner';
import { measurePlan } from '../../../src/core/plan/measure';
import { weighed } from '../../../src/core/plan/weighed';
import { planReport } from '../../../src/core/plan/planReport';
import { proposeRoute } from '../../../src/core/plan/proposeRoute';
import { prove } from '../../../src/core/proof/prove';
import { oneOf, type Attack, type Random } from './kinds';
import { wrongIn } from './sewn';

const NUMBERS: unknown[] = [0, -0, 1e-9, -1, 0.5, 1000, -1000, 4e8, -4e8, 1e12, 1e308, null, '', '7', 'NaN', true, [], {}];
const PATHS = [
  'M0,0',
  'M0,0 L0,0',
  'M0,0 h0 v0 z',
  'not a path',
  'M0,0 L400000000,0 L400000000,10 Z',
  'M-400000000,0 h1 v1 h-1 z M400000000,0 h1 v1 h-1 z',
  'M900,900 h5 v5 h-5 z',
  'M-499,-499 h998 v998 h-998 z',
  'M0,0 C1e5,1e5 -1e5,1e5 60,0 Z',
  'M0,0 L50,0 L0,0.0001 L50,0.0001 Z',
  'M0,0 h10 v10 h-10 z M2,2 h6 v6 h-6 z M2,2 h6 v6 h-6 z',
  'M0,0' +
    Array.from({ length: 3000 }, (_, i) => `L${(40 * Math.sin(i * 1.7)).toFixed(2)},${(40 * Math.cos(i * 2.3)).toFixed(2)}`).join('') +
    'Z',
  'M0,0' + Array.from({ length: 20000 }, (_, i) => `L${(i / 250).toFixed(3)},${i % 2}`).join('') + 'V30H0Z',
  '',
];
const SETTINGS: Record<string, unknown[]> = {
  spacing: [0.15, 5, 0, 0.01, -1],
  stitchLength: [0.5, 12, 0.1],
  angle: [0, 89.999, 360, -360],
  pullComp: [0, 3],
  pushComp: [0, 2],
  passes: [1, 9],
  zigzagWidth: [0.8, 12],
  motifSpacing: [0, 50],
  foam: [0, 6],
  underlay: [
    [{ kind: 'lattice', spacing: 0.5 }],
    Array(8).fill({ kind: 'zigzag', spacing: 0.5, inset: 0 }),
    [{ kind: 'edge-run', inset: 5, length: 0.5 }],
  ],
  stagger: ['mixed', 'brick', 'quarter', 'carved'],
  style: ['plain', 'double', 'bean', 'backstitch', 'zigzag', 'motif'],
  ends: ['open', 'covered', 'capped'],
  corners: ['turn', 'butt', 'mitre', 'cap'],
  spacingTo: [0.15, 5],
  overLimit: ['split', 'fill'],
};

let made: Job[] | null = null;
function seeds(): Job[] {
  made ??= [
    jobFromArt(readSvg(readFileSync('tests/fixtures/lantern.svg', 'utf8')), {
      id: 's',
      name: 's',
      file: 's.svg',
      brief: { cloth: 'pique', size: { width: 60 } },
    }).job,
    jobOf([
      piece('fill', { area: 'M-20,-20 H20 V20 H-20 Z M-5,-5 H5 V5 H-5 Z' }),
      piece('satin', { line: 'M-20,25 L20,25', width: 4 }),
      piece('satin', { sides: ['M-20,30 H20', 'M-20,34 C0,36 10,33 20,34'] }),
      piece('satin', { area: 'M-20,38 H20 V42 H-20 Z' }),
      piece('run', { line: 'M-20,-25 C-10,-30 10,-20 20,-25' }),
      piece('run', { line: 'M-20,-30 H20', motif: 'M0,0 L1,1 L2,0' }, { style: 'motif' }),
      piece('border', { area: 'M-30,-30 H30 V30 H-30 Z', width: 4 }),
      piece('applique', { area: 'M-12,-12 H-2 V-2 H-12 Z', width: 3 }),
    ]),
  ];
  return made;
}

type Node = Record<string, unknown> | unknown[];

/** Every place of a record that holds a value. */
function places(node: Node, out: { in: Node; key: string }[] = []): { in: Node; key: string }[] {
  for (const key of Object.keys(node)) {
    out.push({ in: node, key });
    const child = (node as Record<string, unknown>)[key];
    if (typeof child === 'object' && child !== null) places(child as Node, out);
  }
  return out;
}

const set = (node: Node, key: string, value: unknown): void => void ((node as Record<string, unknown>)[key] = value);

function mutate(job: Job, random: Random): void {
  const piece = Array.isArray(job.pieces) ? oneOf(job.pieces, random) : null;
  const kind = Math.floor(random() * 8);
  if (typeof piece !== 'object' || piece === null || typeof piece.settings !== 'object' || piece.settings === null || kind === 0) {
    const at = oneOf(places(job as unknown as Node), random);
    set(at.in, at.key, oneOf([...NUMBERS, ...PATHS.slice(0, 11)], random));
  } else if (kind === 1) set(piece as unknown as Node, oneOf(['area', 'line', 'carve', 'motif'], random), oneOf(PATHS, random));
  else if (kind === 2) set(piece as unknown as Node, 'sides', [oneOf(PATHS, random), oneOf(PATHS, random)]);
  else if (kind === 3)
    set(
      piece as unknown as Node,
      'slants',
      Array.from({ length: 1 + Math.floor(random() * 4) }, () => oneOf(PATHS, random)),
    );
  else if (kind === 4)
    set(piece as unknown as Node, oneOf(['start', 'end'], random), [oneOf([0, 900, -4e8, 1e-9], random), oneOf([0, 900, 4e8], random)]);
  else if (kind === 5) set(piece as unknown as Node, 'kind', oneOf(['run', 'satin', 'fill', 'border', 'applique'], random));
  else if (kind === 6) set(piece as unknown as Node, 'width', oneOf([0.4, 12, 0, -1, 1e9], random));
  else {
    const key = oneOf(Object.keys(SETTINGS), random);
    set(piece.settings as Node, key, oneOf(SETTINGS[key]!, random));
  }
}

/** Plans a record, and looks at it from every side that a page or a command would. */
function look(record: unknown, random: Random): string | null {
  const job = parseJob(record);
  const planner = new Planner();
  const plan = planner.plan(job);
  const wrong = wrongIn(job, plan);
  if (wrong) return wrong;
  measurePlan(job, plan);
  writeCsv(
    plan,
    job.threads.map((t) => t.id),
  );
  const deep = random();
  if (deep < 0.4) planReport(job, { plan, weight: weighed(job, planner, plan), timingMs: {}, judged: null });
  else if (deep < 0.6) prove(job, planner, plan, forecast(job, { planner, plan }));
  else if (deep < 0.65) proposeRoute(job, 'registration', planner);
  return null;
}

/** Job records that a hand, a program or a broken disk has altered. */
export const records: Attack = {
  name: 'records',
  usual: 3000,
  case(_, random) {
    const job = structuredClone(oneOf(seeds(), random));
    const times = 1 + Math.floor(random() * 4);
    for (let i = 0; i < times; i++) mutate(job, random);
    return { what: 'mutated record', keep: JSON.stringify(job), run: () => look(JSON.parse(JSON.stringify(job)), random) };
  },
};
