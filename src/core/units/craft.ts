/** Limits of the craft that several rules speak of, each with its source. What a shop may set differently is a setting, of which these are the usual values. */

/** Widest satin of the default school, mm: beyond it rows snag and sag (craft §4). */
export const WIDEST_SATIN_MM = 9;
/** A row longer than a limit by less is sewn whole: a split hair looks worse than a long one, mm. */
export const SPLIT_BEYOND_MM = 0.5;
/** Rows over the satin limit for less than this along a column are a corner of it, mm. */
export const LEAST_LONG_ROWS_MM = 1;
/** Narrower satin sinks and its holes run together: it is never sewn narrower, with the thread's own width inside, mm (craft §4). */
export const LEAST_SEWN_MM = 1;
/** Rows up to so far apart hide what runs beneath them, mm; from there on cover is light, and gets no foundation (craft §4, §6). */
export const HIDES_TO_MM = 0.6;
/** Usual distance of a column's foundation from its edges, mm (craft §4, Underlay). */
export const COLUMN_INSET_MM = 0.6;
/** And of the foundation of an area of rows, mm. */
export const AREA_INSET_MM = 0.8;
/** Rows differ at least so much from those beneath and beside them, degrees, or edges sink between them and foundation lifts nothing (craft §4, §7). */
export const LEAST_CROSSING_DEG = 30;
/** A piece lies on another, as far as directions go, when this share of it does. */
export const ON_GROUND_SHARE = 0.5;
/** Cover opener than this is no ground to sink into, mm. */
export const GROUND_TO_MM = 0.8;
/** Thread that lies bare for so long between two pieces is cut by hand, and has to be locked on both sides, mm (craft §6, Ties). */
export const CUT_BY_HAND_MM = 2;
