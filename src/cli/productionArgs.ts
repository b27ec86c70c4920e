import { without } from '../core/document/without';
import { SHEET_ORDERS, type Hoop, type SheetOrder } from '../core/document/types';
import { length, number, oneOf, parsed, readInput, usage, type InputArgs } from './args';

export interface PlaceArgs extends Omit<InputArgs, 'input'> {
  /** One or several designs. */
  inputs: InputArgs[];
  /** Of each of them. */
  copies?: number;
  /** File of a list of names, each in place of a text of the only input, with the id of the text where it has several. */
  names?: string;
  textId?: string;
  /** As high as the text is, or narrowed to its width. */
  fit: 'height' | 'width';
  grid?: { columns: number; rows: number };
  gapMm: number;
  edgeMm: number;
  order?: SheetOrder;
  alternate?: 'turn' | 'mirror';
  /** By outline, whether or not rows and columns would do. */
  nest: boolean;
  out: string[];
}

const text = { type: 'string' } as const;
const flag = { type: 'boolean' } as const;

/** Reads the words after `bin/cobble place`. */
export function readPlaceArgs(argv: readonly string[]): PlaceArgs {
  const words = parsed(argv, {
    copies: text,
    grid: text,
    gap: text,
    edge: text,
    order: text,
    alternate: text,
    nest: flag,
    names: text,
    text,
    fit: text,
    out: { type: 'string', multiple: true },
  });
  const v = words.values as Record<string, string | undefined>;
  const grid = v['grid'] === undefined ? undefined : readGrid(v['grid']);
  const copies = whole('copies', v['copies'], 1, 200) ?? (grid && grid.columns * grid.rows);
  if (grid && copies! > grid.columns * grid.rows) throw usage(`${copies} copies are more than a grid of ${v['grid']} has.`);
  const { out = [], nest = false } = words.values as { out?: string[]; nest?: boolean };
  if (words.positionals.length === 0) throw usage('Name one or more artworks or jobs to place.');
  if (grid && (words.positionals.length > 1 || v['names'] !== undefined))
    throw usage('--grid is for copies of one design; several designs find their own rows.');
  if (v['names'] !== undefined && words.positionals.length > 1)
    throw usage('--names takes one job: each name stands in place of its text.');
  const inputs = words.positionals.map((input) => readInput({ ...words, positionals: [input] }));
  return {
    ...without(inputs[0]!, 'input'),
    inputs,
    ...(v['names'] === undefined ? {} : { names: v['names'] }),
    ...(v['text'] === undefined ? {} : { textId: v['text'] }),
    fit: v['fit'] === undefined ? 'height' : oneOf('fit', v['fit'], ['height', 'width'] as const),
    ...(copies === undefined ? {} : { copies }),
    ...(grid ? { grid } : {}),
    gapMm: length('gap', v['gap'], 0, 200) ?? 4,
    edgeMm: length('edge', v['edge'], 0, 100) ?? 5,
    ...(v['order'] === undefined ? {} : { order: oneOf('order', v['order'], SHEET_ORDERS) }),
    ...(v['alternate'] === undefined ? {} : { alternate: oneOf('alternate', v['alternate'], ['turn', 'mirror'] as const) }),
    nest,
    out,
  };
}

export interface ProduceArgs {
  inputs: InputArgs[];
  quantity?: number;
  heads?: number;
  operators?: number;
  spareHoops: boolean;
  /** As the job has it when absent. */
  perHoop?: number;
  rates?: string;
  rush: boolean;
  withGarments: boolean;
  report?: string;
  hoop?: Hoop;
}

/** Reads the words after `bin/cobble produce`: any number of inputs, the rest for all of them. */
export function readProduceArgs(argv: readonly string[]): ProduceArgs {
  const further = { quantity: text, heads: text, operators: text, rates: text, 'per-hoop': text };
  const words = parsed(argv, { ...further, 'spare-hoops': flag, rush: flag, 'with-garments': flag });
  if (words.positionals.length === 0) throw usage('Name one or more artworks or jobs to produce.');
  const v = words.values as Record<string, string | undefined>;
  const switches = words.values as Record<string, boolean | undefined>;
  const optional = { quantity: whole('quantity', v['quantity'], 1, 1_000_000), heads: whole('heads', v['heads'], 1, 60), operators: whole('operators', v['operators'], 1, 60), rates: v['rates'], report: v['report'], perHoop: whole('per-hoop', v['per-hoop'], 1, 200) }; // prettier-ignore
  const inputs = words.positionals.map((input) => readInput({ ...words, positionals: [input] }));
  return {
    inputs,
    ...(Object.fromEntries(Object.entries(optional).filter(([, value]) => value !== undefined)) as Partial<ProduceArgs>),
    ...(inputs[0]!.hoop ? { hoop: inputs[0]!.hoop } : {}),
    spareHoops: switches['spare-hoops'] ?? false,
    rush: switches['rush'] ?? false,
    withGarments: switches['with-garments'] ?? false,
  };
}

function whole(name: string, value: string | undefined, min: number, max: number): number | undefined {
  const found = number(name, value, min, max);
  if (found !== undefined && !Number.isInteger(found)) throw usage(`--${name} takes a whole number, not ‘${value}’.`);
  return found;
}

function readGrid(value: string): { columns: number; rows: number } {
  const match = /^(\d{1,3})x(\d{1,3})$/i.exec(value);
  const [columns, rows] = [Number(match?.[1]), Number(match?.[2])];
  if (!(columns >= 1 && rows >= 1 && columns * rows <= 200))
    throw usage(`--grid takes columns x rows, such as 2x3, at most 200 in all, not ‘${value}’.`);
  return { columns, rows };
}
