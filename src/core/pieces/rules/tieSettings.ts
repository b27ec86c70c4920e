import type { ClothRecipe } from '../../cloth/recipes';
import type { Resolved } from '../../document/resolved';
import type { ClothKey, JobSettings, PieceSettings, TieShape } from '../../document/types';

/** Usual tie: three stitches of about 0.7 mm, back along the line (craft §6). */
export const TIE_LENGTH_MM = 0.7;
const TIE_COUNT = 3;
/** A knot dimples columns narrower than this, mm. */
const THIN_MM = 1.5;
const BROAD_MM = 6;

export interface TieSettings {
  tieIn: Resolved<boolean>;
  tieOff: Resolved<boolean>;
  tieShape: Resolved<TieShape>;
  tieLength: Resolved<number>;
  tieCount: Resolved<number>;
}

const pick = <T>(hand: T | undefined, value: T, why: string): Resolved<T> =>
  hand === undefined ? { value, from: 'rule', why } : { value: hand, from: 'hand', why: 'set by hand' };

/**
 * How a piece's thread is locked: fewer and shorter stitches in thin columns, more where stitches are long or the cloth is thick.
 * @param columnMm width of the piece when it is a column, else null
 * @param shop what the job says of ties for all pieces
 */
export function tiesFor(
  own: PieceSettings,
  columnMm: number | null,
  recipe: ClothRecipe,
  shop: Pick<JobSettings, 'tieShape'> = {},
): TieSettings {
  const thin = columnMm !== null && columnMm < THIN_MM;
  const strong = (columnMm !== null && columnMm > BROAD_MM) || recipe.key === 'terry' || recipe.key === 'fleece';
  const count = thin ? TIE_COUNT - 1 : strong ? TIE_COUNT + 1 : TIE_COUNT;
  const why = thin ? 'a knot dimples thin columns' : strong ? 'long stitches or thick cloth' : 'usual';
  return {
    tieIn: pick(own.tieIn, true, 'where the thread was cut'),
    tieOff: pick(own.tieOff, true, 'before the thread is cut'),
    tieShape: pick<TieShape>(
      own.tieShape,
      shop.tieShape ?? 'line',
      shop.tieShape && shop.tieShape !== 'line' ? 'how this job is tied' : 'back along the line: stays hidden',
    ),
    tieLength: pick(own.tieLength, thin ? 0.5 : TIE_LENGTH_MM, why),
    tieCount: pick(own.tieCount, count, why),
  };
}

/** When thread is locked: around trims, but never in lace, where a knot would be seen from both sides. */
export const usualTies = (cloth: ClothKey): 'trims' | 'never' => (cloth === 'soluble-film' ? 'never' : 'trims');
