import { recipeFor, stabilizerFor } from '../cloth/house';
import { approvalWords, questionState, stillApproved } from '../document/folder';
import { signOffWords } from '../document/sewout';
import type { ClothKey, Hoop, Job, Question } from '../document/types';
import { PLACE_WORDS } from '../document/words';
import { measurePlan } from '../plan/measure';
import type { StitchPlan } from '../plan/plan';
import { SEVERITIES, type Finding } from '../proof/finding';
import { CHECKS } from '../proof/registry';
import { planBounds } from '../stitches/planBounds';
import { counted } from '../units/count';
import { formatDuration, formatLength } from '../units/length';
import { hypot } from '../units/trig';
import { cautionsFor } from './cautions';
import { clothColour } from '../render/picture';
import { hangSvg } from './garment/drawing';
import { hangOf, hangWords } from './garment/hang';
import { foamOf, foamWords, type Foam } from './foam';
import { stopsOf } from './stops';
import { stopLines } from './stopWords';

export interface WorksheetStop {
  number: number;
  code: string;
  name: string;
  hex: string;
  hand: string | null;
  sews: string;
  stitches: number;
  trims: number;
  minutes: number;
}

/** Everything that stands on the sheet beside the machine, in the order in which it stands there. */
export interface Worksheet {
  title: string;
  shop: string[];
  /** The figures that are read first. */
  figures: { name: string; figure: string; says: string }[];
  stops: WorksheetStop[];
  /** Cloth, what lies under and over it, hoop, needle, speed, and notes. */
  setting: { name: string; words: string }[];
  /** Where it goes on the garment; null where there is no usual place, or where several lie in the hoop. */
  hang: { title: string; lines: string[]; svg: string; ratio: number } | null;
  /** What is done with the foam, and its outlines; null where none is laid. */
  foam: { lines: string[]; of: Foam } | null;
  findings: { title: string; lines: { severity: string; words: string }[] };
  accepted: string[];
  /** What the customer has not answered yet, and what was agreed. */
  questions: string[];
  approval: string | null;
  cautions: string[];
  hoop: Hoop;
  /** Where the needle first goes in, and how far the design's middle lies from the hoop's, mm. */
  start: { x: number; y: number } | null;
}

export interface WorksheetInput {
  job: Job;
  plan: StitchPlan;
  findings?: readonly Finding[];
  /** The job whose copies lie in the plan, where it is not this very job: what was approved and asked is of that one. */
  of?: Job;
  /** Whose paper it is: name and address. */
  shop?: { name: string; address: string };
}

/** Works out the sheet for a plan, which may be that of several copies. */
export function worksheetOf({ job, plan, findings, shop, of = job }: WorksheetInput): Worksheet {
  const stops = stopsOf(job, plan, recipeFor(job.brief).speed);
  const lines = stopLines(job, stops);
  const foam = foamOf(job);
  return {
    title: job.name,
    shop: shop ? [shop.name, ...shop.address.split('\n')].filter((l) => l.trim() !== '') : [],
    figures: figuresOf(job, plan),
    stops: stops.map((s, i) => {
      const { code = '', name = '', hex = '#ffffff' } = job.threads[s.thread] ?? {};
      return { number: i + 1, code, name, hex, ...lines[i]!, stitches: s.stitches, trims: s.trims, minutes: s.seconds / 60 };
    }),
    setting: settingOf(job, plan),
    hang: hangFor(job, plan),
    foam: foam && { lines: foamWords(foam, job), of: foam },
    findings: findingsOf(findings),
    accepted: acceptedOf(job),
    questions: (of.questions ?? []).filter((q) => q.text.trim()).map(questionLine),
    approval: approvalOf(of),
    cautions: cautionsFor(job),
    hoop: job.brief.hoop,
    start: plan.x.length > 0 ? { x: plan.x[0]!, y: plan.y[0]! } : null,
  };
}

/** What the customer agreed to, and which test was signed off. */
function approvalOf(of: Job): string | null {
  const signed = signOffWords(of);
  const lines = [
    ...(of.approval
      ? [`${approvalWords(of.approval)}.${stillApproved(of) === false ? ' IT WAS CHANGED SINCE: ask again before sewing.' : ''}`]
      : []),
    ...(signed ? [`${signed.words}.${signed.still ? '' : ' IT WAS CHANGED SINCE: sew it again before production.'}`] : []),
  ];
  return lines.length > 0 ? lines.join(' ') : null;
}

function figuresOf(job: Job, plan: StitchPlan): Worksheet['figures'] {
  const f = measurePlan(job, plan);
  const units = job.brief.units ?? 'mm';
  const copies = copiesIn(job);
  return [
    {
      name: 'Stitches',
      figure: f.stitches.toLocaleString('en'),
      says: copies > 1 ? `${copies} copies in one hoop` : `longest ${formatLength(f.longestStitchMm, units)}`,
    },
    {
      name: 'One run',
      figure: formatDuration(f.runSeconds),
      says: `${counted(f.trims, 'trim')}, ${counted(f.colourChanges + f.handStops, 'stop')}`,
    },
    {
      name: 'Size',
      figure: `${length(f.widthMm, units)} × ${length(f.heightMm, units)}`,
      says: `${units === 'in' ? 'inches' : 'mm'}, as planned`,
    },
    { name: 'Thread', figure: `${f.upperThreadM.toFixed(1)} m`, says: `${f.bobbinThreadM.toFixed(1)} m beneath` },
  ];
}

/** Copies of designs that a sheet's job holds. */
const copiesIn = (job: Job): number => new Set(job.pieces.map((p) => (/^copy \d+$/.test(p.group ?? '') ? p.group : ''))).size;

function hangFor(job: Job, plan: StitchPlan): Worksheet['hang'] {
  if (copiesIn(job) > 1 || plan.x.length === 0) return null;
  const box = planBounds(plan);
  const design = { widthMm: box.maxX - box.minX, heightMm: box.maxY - box.minY };
  const hang = hangOf(job.brief, design);
  return hang && { title: hang.title, lines: hangWords(hang, job.brief.units ?? 'mm'), ...hangSvg(hang, design, clothColour(job)) };
}

const length = (mm: number, units: 'mm' | 'in'): string => formatLength(mm, units).replace(/ \w+$/, '');

/** How cloth that is not hooped as usual is held (craft §5, What holds the cloth). */
const HOOPING: Partial<Record<ClothKey, string>> = {
  cap: 'in the cap frame, its middle seam on the mark',
  'soft-cap': 'in the cap frame, its middle seam on the mark',
  leather: 'not hooped itself: held on hooped stabilizer, so that no ring stays',
  terry: 'lightly, so that no ring is pressed into the pile',
  'soluble-film': 'drum-tight, nothing else in the hoop',
};

function settingOf(job: Job, plan: StitchPlan): Worksheet['setting'] {
  const { brief } = job;
  const recipe = recipeFor(brief);
  const units = brief.units ?? 'mm';
  const box = planBounds(plan);
  const [dx, dy] = [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2];
  const off =
    hypot(dx, dy) < 0.5
      ? 'in the middle of the hoop'
      : `its middle ${formatLength(Math.abs(dx), units)} ${dx < 0 ? 'left' : 'right'} and ${formatLength(Math.abs(dy), units)} ${dy < 0 ? 'above' : 'below'} the hoop’s`;
  const rows: [string, string | undefined][] = [
    ['Garment', brief.garment],
    ['Place', PLACE_WORDS[brief.place]],
    ['Cloth', recipe.name],
    ['Stabilizer', stabilizerFor(recipe, job.settings)],
    ['Topping', recipe.topping],
    [
      'Hoop',
      `${formatLength(brief.hoop.width, units, 0)} × ${formatLength(brief.hoop.height, units, 0)}${brief.hoop.shape === 'round' ? ', round' : ''}; ${off}`,
    ],
    ['Hooping', HOOPING[brief.cloth] ?? 'flat as a drum, the cloth not stretched, the stabilizer hooped with it'],
    ['Needle', recipe.needle],
    ['Speed', `${recipe.speed} stitches a minute`],
    ['Tension', recipe.tension === 1 ? 'usual' : `${Math.round(100 * recipe.tension)} % of the usual`],
    ['Quantity', String(brief.quantity)],
    ['Due', brief.due],
    ['Customer', brief.notes],
  ];
  return rows.flatMap(([name, words]) => (words ? [{ name, words }] : []));
}

const questionLine = (q: Question): string => {
  const state = questionState(q);
  if (state === 'answered') return `${q.text.trim()} ${q.answer!.trim()}`;
  return `OPEN${state === 'asked' ? `, asked on ${q.asked}` : ', not asked yet'}: ${q.text.trim()}`;
};

const SEVERITY_WORDS = { stop: 'SEVERE', warn: 'Warning', note: 'Note' } as const;

/** What the proof found and nobody has mended or accepted; that nobody looked is said as well. */
function findingsOf(findings: readonly Finding[] | undefined): Worksheet['findings'] {
  const open = (findings ?? []).filter((f) => f.accepted === undefined);
  const title = findings === undefined ? 'Not proved' : open.length === 0 ? 'Proved: nothing was found' : `Open findings: ${open.length}`;
  const lines = SEVERITIES.flatMap((s) =>
    open.filter((f) => f.severity === s).map((f) => ({ severity: SEVERITY_WORDS[s], words: f.message })),
  );
  return { title, lines };
}

/** What the proof found and a person lives with, so that nobody at the machine takes it for a mistake. */
function acceptedOf(job: Job): string[] {
  return (job.accepted ?? []).map(({ rule, pieces, reason }) => {
    const title = CHECKS.find((c) => c.rule === rule)?.title ?? rule;
    const names = job.pieces.filter((p) => pieces.includes(p.id)).map((p) => p.name);
    return `${title}${names.length > 0 ? ` (${names.slice(0, 4).join(', ')}${names.length > 4 ? ', …' : ''})` : ''}: ${reason}`;
  });
}
