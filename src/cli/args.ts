import { parseArgs } from 'node:util';
import { InputError } from '../core/document/errors';
import {
  ALIGNMENTS,
  CLOTH_KEYS,
  LETTER_DIRECTIONS,
  LETTER_LINES,
  LETTER_STYLES,
  ROUTE_POLICIES,
  TIE_SHAPES,
  TIES_WHEN,
  type Brief,
  type ClothKey,
  type JobSettings,
  type Lettering,
  type RoutePolicy,
} from '../core/document/types';
import { MM_PER_INCH, parseLength } from '../core/units/length';
import { unitsAsked } from './say';
import type { TraceOptions } from '../core/tracing/options';

export interface InputArgs {
  input: string;
  width?: number;
  height?: number;
  cloth?: ClothKey;
  hoop?: Brief['hoop'];
  threadWeight?: number;
  /** How thread is tied, in place of what the job says. */
  ties?: Pick<JobSettings, 'tieWhen' | 'tieShape' | 'tieDistance'>;
  report?: string;
}

export interface PlanArgs extends InputArgs {
  out: string[];
  /** Without forecast and proof. */
  quick: boolean;
  /** File of a machine's profile. */
  machine?: string;
  /** Several inputs, each planned by itself into files of a folder. */
  many?: { inputs: readonly string[]; dir: string; as: readonly string[]; options: readonly string[] };
}

export interface RouteArgs extends InputArgs {
  policy?: RoutePolicy;
  apply?: string;
}

export const usage = (message: string): InputError => new InputError('bad-usage', message);

export function number(name: string, text: string | undefined, min: number, max: number): number | undefined {
  if (text === undefined) return undefined;
  const value = text.trim() === '' ? NaN : Number(text);
  if (!Number.isFinite(value) || value < min || value > max) throw usage(`--${name} takes a number from ${min} to ${max}, not ‘${text}’.`);
  return value;
}

/** A length: "85" in what was asked for with --units, or with its unit, "85mm", "3.35in". @returns mm */
export function length(name: string, text: string | undefined, min: number, max: number): number | undefined {
  if (text === undefined) return undefined;
  const mm = parseLength(text, unitsAsked());
  if (mm === null || mm < min || mm > max) throw usage(`--${name} takes a number from ${min} to ${max} mm, not ‘${text}’.`);
  return mm;
}

/** Reads the words after `bin/cobble plan`. */
export function readPlanArgs(argv: readonly string[]): PlanArgs {
  const words = parsed(argv, {
    out: { type: 'string', multiple: true },
    quick: { type: 'boolean' },
    machine: { type: 'string' },
    'out-dir': { type: 'string' },
    as: { type: 'string' },
  });
  const { out = [], quick = false, machine } = words.values as { out?: string[]; quick?: boolean; machine?: string };
  const many = readMany(words, out);
  const input = readInput(many ? { ...words, positionals: [many.inputs[0]!] } : words);
  return { ...input, out, quick, ...(machine === undefined ? {} : { machine }), ...(many ? { many } : {}) };
}

/** Several inputs go to a folder, as bundles unless said otherwise; everything else that was said holds for each of them. */
function readMany({ values, positionals }: ReturnType<typeof parsed>, out: readonly string[]): PlanArgs['many'] {
  const { 'out-dir': dir, as, ...rest } = values as Record<string, string | boolean | undefined>;
  if (typeof dir !== 'string') {
    if (as !== undefined) throw usage('--as names the files of --out-dir; give that too.');
    if (positionals.length > 1) throw usage('Several inputs are planned into a folder: name it with --out-dir.');
    return undefined;
  }
  if (out.length > 0 || rest['report'] !== undefined)
    throw usage('With --out-dir, files are named after the inputs: use --as, not --out or --report.');
  if (positionals.length === 0) throw usage('Give the files to plan.');
  const options = Object.entries(rest).flatMap(([key, value]) =>
    value === true ? [`--${key}`] : value === undefined ? [] : [`--${key}=${value}`],
  );
  return {
    inputs: positionals,
    dir,
    as: (typeof as === 'string' ? as : 'cobble').split(',').map((e) => e.trim().replace(/^\./, '')),
    options,
  };
}

/** Reads the words after `bin/cobble proof`. */
export const readProofArgs = (argv: readonly string[]): InputArgs => readInput(parsed(argv, {}));

/** Reads the words after `bin/cobble forecast`. */
export function readForecastArgs(argv: readonly string[]): InputArgs & { grid: 'editing' | 'proof' } {
  const words = parsed(argv, { grid: { type: 'string' } });
  const { grid = 'proof' } = words.values as { grid?: string };
  if (grid !== 'editing' && grid !== 'proof') throw usage(`There is no grid ‘${grid}’; choose editing or proof.`);
  return { ...readInput(words), grid };
}

/** Reads the words after `bin/cobble route`. */
export function readRouteArgs(argv: readonly string[]): RouteArgs {
  const words = parsed(argv, { policy: { type: 'string' }, apply: { type: 'string' } });
  const args: RouteArgs = readInput(words);
  const { policy: wanted, apply } = words.values as { policy?: string; apply?: string };
  if (wanted !== undefined) {
    const policy = ROUTE_POLICIES.find((p) => p === wanted);
    if (!policy) throw usage(`There is no policy ‘${wanted}’; choose one of ${ROUTE_POLICIES.join(', ')}.`);
    args.policy = policy;
  }
  if (apply !== undefined) {
    if (!/\.(cobble|json)$/i.test(apply)) throw usage(`--apply writes a job: name a .cobble or .json file, not ‘${apply}’.`);
    args.apply = apply;
  }
  return args;
}

export interface LetterArgs extends Omit<PlanArgs, 'input'> {
  /** Without `at`; the height is still to be found where a width is given. */
  text: Omit<Lettering, 'text' | 'height'> & { text?: string; height?: number };
  names?: { list: string; dir: string; together?: number };
  /** Letters as the face draws them, not as they land by the forecast. */
  asDrawn: boolean;
}

const LETTER_OPTIONS = [
  'face',
  'spacing',
  'slant',
  'align',
  'style',
  'line',
  'radius',
  'direction',
  'colour',
  'names',
  'out-dir',
  'together',
] as const;

/** Reads the words after `bin/cobble letter`. */
export function readLetterArgs(argv: readonly string[]): LetterArgs & { hex?: string } {
  const own = Object.fromEntries(LETTER_OPTIONS.map((key) => [key, { type: 'string' as const }]));
  const words = parsed(argv, {
    ...own,
    out: { type: 'string', multiple: true },
    quick: { type: 'boolean' },
    'as-drawn': { type: 'boolean' },
  });
  const {
    out = [],
    quick = false,
    'as-drawn': asDrawn = false,
  } = words.values as { out?: string[]; quick?: boolean; 'as-drawn'?: boolean };
  const v = words.values as Record<string, string | undefined>;
  const listed = v['names'] !== undefined;
  if (words.positionals.length !== (listed ? 0 : 1))
    throw usage(listed ? 'The names are in the list; give no text beside it.' : 'Give one text to letter.');
  if (listed !== (v['out-dir'] !== undefined)) throw usage('--names and --out-dir go together.');
  const common = readInput({ ...words, positionals: [''] });
  if (v['together'] !== undefined && !(listed && common.hoop))
    throw usage('--together places the names of a list in a hoop: give --names and --hoop.');
  if (common.width === undefined && common.height === undefined) throw usage('Give --height (of the capitals) or --width.');
  const text: LetterArgs['text'] = { face: v['face'] ?? 'treadle' };
  if (!listed) text.text = words.positionals[0]!.replace(/\\n/g, '\n');
  const numbers = { spacing: number('spacing', v['spacing'], -20, 300), slant: number('slant', v['slant'], -45, 45), radius: length('radius', v['radius'], 5, 2000) }; // prettier-ignore
  for (const [key, value] of Object.entries(numbers)) if (value !== undefined) text[key as keyof typeof numbers] = value;
  if (v['align'] !== undefined) text.align = oneOf('align', v['align'], ALIGNMENTS);
  if (v['style'] === 'columns') text.rules = { line: false };
  else if (v['style'] !== undefined) text.style = oneOf('style', v['style'], LETTER_STYLES);
  if (v['direction'] !== undefined) text.direction = oneOf('direction', v['direction'], LETTER_DIRECTIONS);
  if (v['line'] !== undefined)
    text.line = oneOf(
      'line',
      v['line'],
      LETTER_LINES.filter((l) => l !== 'path' && l !== 'between'),
    );
  if (common.height !== undefined) text.height = common.height;
  const together = length('together', v['together'], 0, 200);
  const names = listed ? { names: { list: v['names']!, dir: v['out-dir']!, ...(together === undefined ? {} : { together }) } } : {};
  return { ...common, out, quick, asDrawn, text, ...names, ...(v['colour'] === undefined ? {} : { hex: readHex(v['colour']) }) };
}

export function oneOf<T extends string>(name: string, value: string, among: readonly T[]): T {
  const found = among.find((a) => a === value);
  if (!found) throw usage(`--${name} is one of ${among.join(', ')}, not ‘${value}’.`);
  return found;
}

function readHex(text: string): string {
  if (!/^#[0-9a-f]{6}$/i.test(text)) throw usage(`--colour is written as #rrggbb, not ‘${text}’.`);
  return text;
}

export interface TraceArgs extends Omit<TraceOptions, 'wholePage'> {
  input: string;
  out?: string;
  report?: string;
}

/** Reads the words after `bin/cobble trace`. */
export function readTraceArgs(argv: readonly string[]): TraceArgs {
  const words = parsed(argv, {
    colours: { type: 'string' },
    tolerance: { type: 'string' },
    out: { type: 'string' },
    'keep-background': { type: 'boolean' },
    'as-measured': { type: 'boolean' },
  });
  const v = words.values as Record<string, string | undefined>;
  const { input, width, report } = readInput(words);
  if (width === undefined) throw usage('Give --width: a picture has no size of its own.');
  const colours = number('colours', v['colours'], 1, 250);
  const toleranceMm = length('tolerance', v['tolerance'], 0.01, 2);
  return {
    input,
    widthMm: width,
    ...(colours === undefined ? {} : { colours: Math.round(colours) }),
    ...(toleranceMm === undefined ? {} : { toleranceMm }),
    ...(words.values['keep-background' as never] ? { keepBackground: true } : {}),
    ...(words.values['as-measured' as never] ? { square: false } : {}),
    ...(v['out'] === undefined ? {} : { out: v['out'] }),
    ...(report === undefined ? {} : { report }),
  };
}

/** Reads the words after `bin/cobble faces`. */
export function readFacesArgs(argv: readonly string[]): { report?: string } {
  const { values, positionals } = parsed(argv, {});
  if (positionals.length > 0) throw usage('faces takes no input.');
  return values.report === undefined ? {} : { report: values.report };
}

/** Reads the words after `bin/cobble compare`: two inputs, the rest for both. */
export function readCompareArgs(argv: readonly string[]): { inputs: [InputArgs, InputArgs]; report?: string } {
  const words = parsed(argv, {});
  const [a, b, ...more] = words.positionals;
  if (a === undefined || b === undefined || more.length > 0) throw usage(`Name two artworks or jobs to compare.`);
  const one = (input: string): InputArgs => readInput({ ...words, positionals: [input] });
  const { report } = words.values;
  return { inputs: [one(a), one(b)], ...(report === undefined ? {} : { report }) };
}

type Words = ReturnType<typeof parsed>;

export function readInput({ values: all, positionals }: Words): InputArgs {
  const values = all as Record<string, string | undefined>;
  if (positionals.length !== 1) throw usage(`Name one artwork or job to plan.`);
  if (values['width'] !== undefined && values['height'] !== undefined)
    throw usage('Give --width or --height, not both: one follows from the other.');
  const out: InputArgs = { input: positionals[0]! };
  const width = length('width', values['width'], 1, 1000);
  const height = length('height', values['height'], 1, 1000);
  const weight = number('thread-weight', values['thread-weight'], 8, 150);
  if (width !== undefined) out.width = width;
  if (height !== undefined) out.height = height;
  if (weight !== undefined) out.threadWeight = weight;
  if (values['report'] !== undefined) out.report = values['report'];
  if (values['cloth'] !== undefined) {
    const cloth = CLOTH_KEYS.find((k) => k === values['cloth']);
    if (!cloth) throw usage(`There is no cloth ‘${values['cloth']}’; choose one of ${CLOTH_KEYS.join(', ')}.`);
    out.cloth = cloth;
  }
  if (values['hoop'] !== undefined) out.hoop = readHoop(values['hoop']);
  const ties = readTies(values);
  if (ties) out.ties = ties;
  return out;
}

function readTies(values: Record<string, string | undefined>): InputArgs['ties'] | null {
  const distance = length('tie-distance', values['tie-distance'], 0.5, 50);
  const ties = {
    ...(values['ties'] === undefined ? {} : { tieWhen: oneOf('ties', values['ties'], TIES_WHEN) }),
    ...(values['tie-shape'] === undefined ? {} : { tieShape: oneOf('tie-shape', values['tie-shape'], TIE_SHAPES) }),
    ...(distance === undefined ? {} : { tieDistance: distance }),
  };
  return Object.keys(ties).length > 0 ? ties : null;
}

function readHoop(text: string): Brief['hoop'] {
  const match = /^(\d+(?:\.\d+)?)x(\d+(?:\.\d+)?)$/i.exec(text);
  const per = unitsAsked() === 'in' ? MM_PER_INCH : 1;
  const [width, height] = [match?.[1], match?.[2]].map((side) => Math.round(Number(side) * per * 10) / 10) as [number, number];
  if (!(width >= 10 && width <= 1000 && height >= 10 && height <= 1000)) {
    throw usage(`--hoop takes width x height in mm, each from 10 to 1000, such as 100x100, not ‘${text}’.`);
  }
  return { width, height, shape: 'rect' };
}

export function parsed(argv: readonly string[], further: Record<string, { type: 'string' | 'boolean'; multiple?: boolean }>) {
  const text = { type: 'string' } as const;
  try {
    return parseArgs({
      args: [...argv],
      allowPositionals: true,
      options: {
        width: text,
        height: text,
        cloth: text,
        hoop: text,
        'thread-weight': text,
        ties: text,
        'tie-shape': text,
        'tie-distance': text,
        report: text,
        ...further,
      },
    });
  } catch (error) {
    throw usage(`${(error as Error).message.split('. ')[0]!.replace(/\.$/, '')}.`);
  }
}
