import type { ClothKey, LearnedCloth, UnderlayKind } from '../document/types';

/** Starting values for a cloth; a shop's own sew-outs outrank them. Source: the craft's usual practice (craft §5). */
export interface ClothRecipe {
  key: ClothKey;
  name: string;
  /** A usual colour of the cloth, for looking at. */
  hex: string;
  pullComp: number;
  fillSpacing: number;
  satinSpacing: number;
  /** Stitch length of fills, mm. */
  fillLength: number;
  /** Foundation under satins of 3 mm and wider. */
  satinFoundation: readonly UnderlayKind[];
  /** Foundation under fills. */
  fillFoundation: readonly UnderlayKind[];
  /** Knit or pile: small details sink, thin bars are widened more. */
  unstable: boolean;
  stabilizer: string;
  topping: string;
  needle: string;
  /** Stitches per minute. */
  speed: number;
  /** Tension of the stitches, as a share of the usual; what the forecast draws the cloth in by. */
  tension: number;
  /** What the shop's sew-outs told of it. */
  learned?: LearnedCloth;
}

type Row = [
  ClothKey,
  string,
  string,
  number,
  number,
  number,
  number,
  readonly UnderlayKind[],
  readonly UnderlayKind[],
  boolean,
  string,
  string,
  string,
  number,
];

const EDGE_ZIGZAG = ['edge-run', 'zigzag'] as const;
const LATTICE = ['lattice'] as const;
const EDGE_LATTICE = ['edge-run', 'lattice'] as const;

// prettier-ignore
const ROWS: readonly Row[] = [
  ['twill', 'Canvas, denim, twill', '#5d6f86', 0.2, 0.4, 0.4, 3.5, ['edge-run'], LATTICE, false, 'tear-away, 1 medium', 'none', '75/11 sharp', 850],
  ['pique', 'Piqué knit (polo)', '#e9ece8', 0.35, 0.4, 0.4, 3.5, ['centre-run', 'zigzag'], EDGE_LATTICE, true, 'cutaway, 1 medium', 'optional', '75/11 ballpoint', 750],
  ['jersey', 'Jersey (T-shirt)', '#d9dcd8', 0.4, 0.45, 0.42, 3.5, EDGE_ZIGZAG, EDGE_LATTICE, true, 'soft cutaway, or 2 medium tear-away', 'none', '70/10 ballpoint', 600],
  ['fleece', 'Sweatshirt, fleece', '#7c8490', 0.4, 0.4, 0.4, 3.5, ['edge-run', 'double-zigzag'], EDGE_LATTICE, true, 'cutaway medium, or 2 tear-away', 'film', '75/11 ballpoint', 750],
  ['cap', 'Structured cap', '#2d3947', 0.4, 0.4, 0.4, 3.5, EDGE_ZIGZAG, EDGE_LATTICE, false, 'cap tear-away, heavy', 'none', '80/12 sharp, coated', 600],
  ['soft-cap', 'Soft cap', '#6f6a58', 0.45, 0.4, 0.4, 3.5, EDGE_ZIGZAG, EDGE_LATTICE, false, 'cap tear-away, 2', 'none', '75/11 sharp', 600],
  ['terry', 'Terry, pile', '#dfe3dc', 0.45, 0.38, 0.38, 3.5, EDGE_ZIGZAG, ['edge-run', 'lattice', 'lattice'], true, 'cutaway', 'film', '80/12 ballpoint', 700],
  ['felt', 'Felt', '#8b5a52', 0.2, 0.42, 0.4, 3.5, ['centre-run'], LATTICE, false, 'tear-away', 'none', '75/11 sharp', 800], [ 'patch', 'Patch base (twill on heavy cutaway)', '#c9c6ba', 0.2, 0.4, 0.4, 3.5, ['edge-run'], LATTICE, false, 'heavy cutaway', 'none', '75/11 sharp', 900],
  ['leather', 'Leather, vinyl', '#5a4436', 0.15, 0.5, 0.48, 3.5, ['centre-run'], LATTICE, false, 'tear-away, not hooped hard', 'none', '80/12 wedge', 550],
  ['sheer', 'Sheer', '#e6e4ee', 0.2, 0.5, 0.45, 3.5, ['centre-run'], LATTICE, false, 'soluble film', 'none', '65/9 sharp', 600], [ 'soluble-film', 'Soluble film (free-standing lace)', '#dfe8ea', 0, 0.5, 0.5, 3, ['double-zigzag'], LATTICE, false, 'soluble, 2', 'none', '75/11 sharp', 600],
];

export const RECIPES: readonly ClothRecipe[] = ROWS.map(
  ([
    key,
    name,
    hex,
    pullComp,
    fillSpacing,
    satinSpacing,
    fillLength,
    satinFoundation,
    fillFoundation,
    unstable,
    stabilizer,
    topping,
    needle,
    speed,
  ]) => ({
    key,
    name,
    hex,
    pullComp,
    fillSpacing,
    satinSpacing,
    fillLength,
    satinFoundation,
    fillFoundation,
    unstable,
    stabilizer,
    topping,
    needle,
    speed,
    tension: 1,
  }),
);

const BY_KEY = new Map(RECIPES.map((r) => [r.key, r]));

export function recipeOf(key: ClothKey): ClothRecipe {
  return BY_KEY.get(key)!;
}
