import { emptyJob } from '../../src/core/document/job';
import type { Brief, ClothKey, Job, Piece, PieceSettings } from '../../src/core/document/types';
import type { Point } from '../../src/core/geometry/point';
import { random } from '../../src/core/units/random';

/** Chance that is the same for the same seed. */
export interface Chance {
  between(a: number, b: number): number;
  whole(a: number, b: number): number;
  pick<T>(list: readonly T[]): T;
}

export function chance(seed: number): Chance {
  const next = random(seed);
  const whole = (a: number, b: number): number => a + Math.floor(next() * (b - a + 1));
  return { between: (a, b) => a + (b - a) * next(), whole, pick: (list) => list[whole(0, list.length - 1)]! };
}

const xy = (p: Point): string => `${p.x.toFixed(3)},${p.y.toFixed(3)}`;
export const ringData = (points: readonly Point[]): string => `M${points.map(xy).join(' L')} Z`;

type More = Partial<Omit<Piece, 'settings'>> & { settings?: PieceSettings };
const made = (kind: Piece['kind'], shape: Partial<Piece>, { settings = {}, ...more }: More): Piece => ({
  id: '',
  name: 'Piece',
  kind,
  thread: 't1',
  ...shape,
  ...more,
  settings,
});

/** A level rectangle about a middle, filled. */
export const block = (c: Point, w: number, h: number, more: More = {}): Piece =>
  made('fill', { area: `M${xy({ x: c.x - w / 2, y: c.y - h / 2 })} h${w} v${h} h${-w} Z` }, more);

/** A level column about a middle. */
export const bar = (c: Point, length: number, width: number, more: More = {}): Piece => {
  const side = (dy: number): string => `M${xy({ x: c.x - length / 2, y: c.y + dy })} h${length}`;
  return made('satin', { sides: [side(-width / 2), side(width / 2)] }, more);
};

/** A satin round a rectangle about a middle. */
export const frame = (c: Point, w: number, h: number, width: number, more: More = {}): Piece =>
  made('satin', { line: `M${xy({ x: c.x - w / 2, y: c.y - h / 2 })} h${w} v${h} h${-w} Z`, width, join: 'miter', cap: 'butt' }, more);

export const area = (kind: Piece['kind'], data: string, more: More = {}): Piece => made(kind, { area: data }, more);
export const line = (data: string, more: More = {}): Piece => made('run', { line: data }, more);

/** A job of pieces in a hoop that holds them. */
export function jobOf(cloth: ClothKey, pieces: readonly Piece[], brief: Partial<Brief> = {}, more: Partial<Job> = {}): Job {
  const job = emptyJob('judged', 'Judged', { cloth });
  const ids = [...new Set(pieces.map((p) => p.thread))];
  return {
    ...job,
    ...more,
    brief: { ...job.brief, size: {}, hoop: { width: 400, height: 400, shape: 'rect' }, ...brief },
    threads: ids.map((id, i) => ({ id, code: `Q${i}`, name: `Cone ${i}`, hex: HEXES[i % HEXES.length]!, weight: 40 })),
    pieces: pieces.map((p, i) => ({ ...p, id: `p${i + 1}`, name: p.name === 'Piece' ? `Piece ${i + 1}` : p.name })),
  };
}
const HEXES = ['#0b5563', '#b3202e', '#e0b13a', '#3c7d3a', '#5b3b7a'];

export const CLOTHS: readonly ClothKey[] = ['twill', 'pique', 'jersey', 'fleece', 'felt'];
