import type { ClothRecipe } from '../../cloth/recipes';
import type { JobSettings, PieceSettings, UnderlayKind, UnderlayLayer } from '../../document/types';
import type { Resolved } from '../../document/resolved';
import { AREA_INSET_MM, COLUMN_INSET_MM, HIDES_TO_MM } from '../../units/craft';

const DEFAULTS: Record<UnderlayKind, UnderlayLayer> = {
  'centre-run': { kind: 'centre-run', length: 2.5 },
  'edge-run': { kind: 'edge-run', length: 2.5, inset: COLUMN_INSET_MM },
  zigzag: { kind: 'zigzag', spacing: 2, inset: COLUMN_INSET_MM },
  'double-zigzag': { kind: 'double-zigzag', spacing: 2.5, inset: COLUMN_INSET_MM },
  lattice: { kind: 'lattice', spacing: 2.5, length: 3.5, inset: AREA_INSET_MM },
};

/** A layer of the given kind with its usual values. */
export const layerOf = (kind: UnderlayKind): UnderlayLayer => ({ ...DEFAULTS[kind] });

const of = (kinds: readonly UnderlayKind[], from: 'recipe' | 'rule', why: string): Resolved<UnderlayLayer[]> => ({
  value: kinds.map(layerOf),
  from,
  why,
});

/** Why there is no foundation whatever the piece; null when there may be one. */
function noneBecause({ foam = 0 }: PieceSettings, spacingMm: number): string | null {
  if (foam > 0) return 'none over foam: it would flatten it';
  return spacingMm >= HIDES_TO_MM ? 'none under light cover' : null;
}

/** The foundation of a sort of piece that always has the same. */
export function foundationOf(
  own: PieceSettings,
  spacingMm: number,
  kinds: readonly UnderlayKind[],
  why: string,
): Resolved<UnderlayLayer[]> {
  const none = noneBecause(own, spacingMm);
  return none ? of([], 'rule', none) : of(kinds, 'rule', why);
}

/** The foundation of a column by cover, width and cloth (craft §4, Underlay). */
export function columnUnderlay(
  own: PieceSettings,
  widthMm: number,
  spacingMm: number,
  recipe: ClothRecipe,
  school: JobSettings = {},
): Resolved<readonly UnderlayLayer[]> {
  const none = noneBecause(own, spacingMm);
  if (none) return of([], 'rule', none);
  if (widthMm < 1.5 && school.thinUnderlay === 'centre-run') return of(['centre-run'], 'rule', 'by your school: holds thin letters');
  if (widthMm < 1.5) return of([], 'rule', 'no room under 1.5 mm: it would loop out');
  if (widthMm < 3) return of(['centre-run'], 'rule', 'satin of 1.5 to 3 mm');
  if (recipe.key === 'leather') return of(['centre-run'], 'recipe', 'few holes in leather');
  if (widthMm <= 5) return of(recipe.satinFoundation, 'recipe', recipe.name);
  const wide = recipe.satinFoundation.includes('double-zigzag')
    ? (['edge-run', 'double-zigzag'] as const)
    : (['edge-run', 'zigzag'] as const);
  return of(wide, 'rule', 'satin over 5 mm');
}

/** The foundation of an area of rows (craft §4, Underlay). */
export function fillUnderlay(own: PieceSettings, widthMm: number, spacingMm: number, recipe: ClothRecipe): Resolved<UnderlayLayer[]> {
  const none = noneBecause(own, spacingMm);
  if (none) return of([], 'rule', none);
  if (widthMm < 2) return of([], 'rule', 'too narrow for a lattice');
  const layers = recipe.fillFoundation
    .map(layerOf)
    .map((layer) => (layer.kind === 'edge-run' ? { ...layer, inset: AREA_INSET_MM } : layer));
  const second = layers.filter((l) => l.kind === 'lattice')[1];
  if (second) second.angle = 0;
  return { value: layers, from: 'recipe', why: recipe.name };
}
