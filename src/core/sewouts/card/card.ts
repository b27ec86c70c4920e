import { emptyJob } from '../../document/job';
import type { Brief, ClothKey, Job, Piece } from '../../document/types';
import { recipeOf } from '../../cloth/recipes';
import type { Point } from '../../geometry/point';
import type { Measured } from '../measured';

/** Where the ruler is laid on a calibration card, and what it would read if nothing moved. */
export interface CardMeasure {
  id: string;
  /** What is measured, as a person says it. */
  what: string;
  /** The ruler's ends on the card, mm. */
  ruler: readonly [Point, Point];
  mark: Omit<Measured, 'mm'>;
  drawnMm: number;
}

/** Marks the job as a card, whose measures are known by its pieces. */
export const CARD_NAME = 'Calibration card';
export const isCard = ({ name, pieces }: Pick<Job, 'name' | 'pieces'>): boolean =>
  name.startsWith(CARD_NAME) && pieces.some((p) => p.id === 'card-80');

const HOOP: Brief['hoop'] = { width: 130, height: 180, shape: 'rect' };
const box = (x: number, y: number, w: number, h: number): string => `M${x},${y} h${w} v${h} h${-w} Z`;

/** Bare rows: nothing is added for pull or push, so that what is measured is what the cloth does. */
const BARE = { pullComp: 0, pushComp: 0 } as const;

const BAR_MM = 7;
/** Level rows of these lengths, one under the other. */
const LEVEL: readonly { mm: number; x: number; y: number }[] = [
  { mm: 80, x: -58, y: -84 },
  { mm: 40, x: -58, y: -74 },
  { mm: 20, x: -14, y: -74 },
  { mm: 10, x: 10, y: -74 },
  { mm: 5, x: 24, y: -74 },
];
/** Upright rows. */
const UPRIGHT: readonly { mm: number; x: number; y: number }[] = [
  { mm: 40, x: 50, y: -84 },
  { mm: 20, x: 40, y: -62 },
  { mm: 10, x: 31, y: -62 },
];
const COLUMNS: readonly { mm: number; x: number }[] = [
  { mm: 1, x: -57 },
  { mm: 2, x: -52 },
  { mm: 3, x: -46 },
  { mm: 4, x: -39 },
  { mm: 6, x: -31 },
  { mm: 8, x: -21 },
];
const COLUMN = { y: -60, mm: 16 };
/** Fields that are sewn early and framed late: their gaps tell what the cloth does meanwhile. */
const FIELDS: readonly { id: string; x: number; y: number; mm: number }[] = [
  { id: 'card-wide', x: -55, y: -34, mm: 34 },
  { id: 'card-small', x: -12, y: -34, mm: 22 },
];
const DISC = { x: 35, y: -21, r: 14 };
const RIM_MM = 2.4;
const OUT_MM = 2.2;
const DENSITIES = [0.3, 0.35, 0.4, 0.45, 0.5];

const circle = (x: number, y: number, r: number): string => `M${x - r},${y} a${r},${r} 0 1 0 ${2 * r},0 a${r},${r} 0 1 0 ${-2 * r},0 Z`;

function rows(): Piece[] {
  const fill = (id: string, name: string, area: string, angle: number): Piece =>
    piece(id, name, { kind: 'fill', area, settings: { ...BARE, angle } });
  return [
    ...LEVEL.map(({ mm, x, y }) => fill(`card-${mm}`, `Level rows of ${mm} mm`, box(x, y, mm, BAR_MM), 0)),
    ...UPRIGHT.map(({ mm, x, y }) => fill(`card-up-${mm}`, `Upright rows of ${mm} mm`, box(x, y, BAR_MM, mm), 90)),
  ];
}

const piece = (id: string, name: string, own: Partial<Piece> & Pick<Piece, 'kind'>): Piece => ({
  id,
  name,
  thread: 't1',
  settings: {},
  ...own,
});

const columns = (): Piece[] =>
  COLUMNS.map(({ mm, x }) =>
    piece(`card-column-${mm}`, `Column of ${mm} mm`, {
      kind: 'satin',
      sides: [`M${x},${COLUMN.y} v${COLUMN.mm}`, `M${x + mm},${COLUMN.y} v${COLUMN.mm}`],
      settings: BARE,
    }),
  );

function fields(): { first: Piece[]; late: Piece[] } {
  const settings = { ...BARE, angle: 0 };
  const rim = (id: string, name: string, area: string): Piece => piece(id, name, { kind: 'border', thread: 't2', area, width: RIM_MM });
  return {
    first: [
      ...FIELDS.map(({ id, x, y, mm }) => piece(id, `Field of ${mm} mm`, { kind: 'fill', area: box(x, y, mm, mm), settings })),
      piece('card-disc', 'Disc', { kind: 'fill', area: circle(DISC.x, DISC.y, DISC.r), settings }),
    ],
    late: [
      ...FIELDS.map(({ id, x, y, mm }) =>
        rim(`${id}-rim`, `Late rim of ${mm} mm`, box(x - OUT_MM, y - OUT_MM, mm + 2 * OUT_MM, mm + 2 * OUT_MM)),
      ),
      rim('card-disc-rim', 'Late ring', circle(DISC.x, DISC.y, DISC.r + OUT_MM)),
    ],
  };
}

const letters = (): Piece =>
  piece('card-letters', 'Letters HO', {
    kind: 'lettering',
    thread: 't2',
    lettering: { text: 'HO', face: 'treadle', height: 14, at: [-40, 26] },
  });

const density = (): Piece[] =>
  DENSITIES.map((spacing, k) =>
    piece(`card-density-${k}`, `Rows ${spacing.toFixed(2)} mm apart`, {
      kind: 'fill',
      area: box(-14 + 14 * k, 12, 12, 14),
      settings: { angle: 45, spacing },
    }),
  );

/** Columns whose back tells the tension: a third of the bobbin thread in their middle. */
const tension = (): Piece[] =>
  [0, 1, 2].map((k) =>
    piece(`card-tension-${k}`, 'Tension, look at the back', {
      kind: 'satin',
      thread: k === 1 ? 't2' : 't1',
      sides: [`M${-55 + 9 * k},34 v26`, `M${-51 + 9 * k},34 v26`],
    }),
  );

/** A sampler to be sewn once on a cloth: rows, columns, gaps, letters, densities and tension. */
export function cardJob(id: string, cloth: ClothKey, recipe?: Brief['recipe']): Job {
  const { first, late } = fields();
  const name = `${CARD_NAME}, ${(recipe?.name ?? recipeOf(cloth).name).toLowerCase()}`;
  const brief: Partial<Brief> = {
    cloth,
    ...(recipe ? { recipe } : {}),
    hoop: HOOP,
    place: 'other',
    garment: 'A piece of the cloth itself, as it is sewn on',
    notes: 'Sew it as you would a job: same stabilizer, needle, tension and speed. Then lay the ruler where the card says.',
  };
  return {
    ...emptyJob(id, name, brief),
    settings: { trimDistance: 2 },
    threads: [
      { id: 't1', code: 'Q214', name: 'Deep water', hex: '#0b5563', weight: 40 },
      { id: 't2', code: 'Q101', name: 'Ember', hex: '#c8401f', weight: 40 },
    ],
    pieces: [...rows(), ...columns(), ...first, ...density(), ...tension(), letters(), ...late],
  };
}

const level = (x: number, y: number, mm: number): readonly [Point, Point] => [
  { x, y },
  { x: x + mm, y },
];
const upright = (x: number, y: number, mm: number): readonly [Point, Point] => [
  { x, y },
  { x, y: y + mm },
];

/** Fifteen places where the ruler is laid, in the order in which they lie on the card. */
export function cardMeasures(): CardMeasure[] {
  const bar = (mm: number): CardMeasure => {
    const { x, y } = LEVEL.find((l) => l.mm === mm)!;
    const mark = { kind: 'size' as const, axis: 'x' as const, piece: `card-${mm}` };
    return { id: `level-${mm}`, what: `Length of the level bar of ${mm} mm`, ruler: level(x, y + BAR_MM / 2, mm), mark, drawnMm: mm };
  };
  const standing = (mm: number): CardMeasure => {
    const { x, y } = UPRIGHT.find((l) => l.mm === mm)!;
    const mark = { kind: 'size' as const, axis: 'y' as const, piece: `card-up-${mm}` };
    return { id: `upright-${mm}`, what: `Height of the upright bar of ${mm} mm`, ruler: upright(x + BAR_MM / 2, y, mm), mark, drawnMm: mm };
  };
  const column = (mm: number): CardMeasure => {
    const { x } = COLUMNS.find((c) => c.mm === mm)!;
    const mark = { kind: 'size' as const, axis: 'x' as const, piece: `card-column-${mm}` };
    return {
      id: `column-${mm}`,
      what: `Width of the column of ${mm} mm`,
      ruler: level(x, COLUMN.y + COLUMN.mm / 2, mm),
      mark,
      drawnMm: mm,
    };
  };
  const gap = (id: string, what: string, piece: string, x: number, y: number): CardMeasure => ({
    id,
    what,
    ruler: level(x - 1.2, y, 2.4),
    mark: { kind: 'gap', piece, against: `${piece}-rim`, at: [x, y] },
    drawnMm: 0,
  });
  const [wide, small] = FIELDS as [(typeof FIELDS)[number], (typeof FIELDS)[number]];
  return [
    ...[80, 40, 20, 10].map(bar),
    ...[40, 20].map(standing),
    ...[2, 4, 8].map(column),
    gap('gap-left', 'Gap left of the large field', wide.id, wide.x, wide.y + wide.mm / 2),
    gap('gap-right', 'Gap right of the large field', wide.id, wide.x + wide.mm, wide.y + wide.mm / 2),
    gap('gap-small-left', 'Gap left of the small field', small.id, small.x, small.y + small.mm / 2),
    gap('gap-small-right', 'Gap right of the small field', small.id, small.x + small.mm, small.y + small.mm / 2),
    gap('gap-disc', 'Gap right of the disc', 'card-disc', DISC.x + DISC.r, DISC.y),
    {
      id: 'height-h',
      what: 'Height of the letter H',
      ruler: upright(-52, 12, 14),
      mark: { kind: 'height', piece: 'card-letters', letter: 0 },
      drawnMm: 14,
    },
  ];
}
