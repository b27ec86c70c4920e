/** Named tolerances and fixed limits of the engine. Each says its size, its purpose and where it comes from. */

/** Thread width on cloth, mm, of 40-weight thread (craft: 40 wt is 0.40 mm wide). */
export const THREAD_WIDTH_MM = 0.4;
/** Plan coordinates lie on this lattice, mm, so that a CSV with three decimals holds the plan exactly. */
export const PLAN_LATTICE_MM = 0.001;
/** Largest distance between a curve and its flattened polyline, mm: a tenth of a thread. */
export const FLATTEN_MM = 0.02;
/** Points nearer than this are one point, mm: far below a needle's diameter. */
export const SAME_POINT_MM = 0.005;
/** Shortest cover stitch worth sewing, mm: below it threads break and nest (craft §3). */
export const SHORTEST_STITCH_MM = 0.4;
/** Interior penetrations keep this distance from a row's ends, mm (engineering §5). */
export const ROW_END_CLEAR_MM = 0.5;
/** Longest single stitch a common machine makes, mm (craft §3). */
export const MACHINE_LIMIT_MM = 12;
/** What machines make that are told to, as for broad satin over foam (craft §8), mm. */
export const LONGEST_MACHINE_MM = 15;
/** Chord error of runs on curves, mm (craft §4). */
export const CHORD_ERROR_MM = 0.1;
/** Overlap of neighbouring pieces, mm (craft §4: pieces that butt overlap at least 1.0 in total). */
export const OVERLAP_MM = 1;
/** Openings narrower than this under later cover are sewn through, mm (craft §6, Holes). */
export const OPENING_MM = 4;
/** Areas smaller than this vanish in the cloth, mm²: about two threads square. */
export const SPECK_MM2 = 0.5;
/** Largest artwork file taken in, bytes. */
export const MAX_SVG_BYTES = 20_000_000;
/** Largest bundle taken in, bytes. */
export const MAX_BUNDLE_BYTES = 500_000_000;
/** Most path nodes taken in from one artwork: beyond it no hoop could sew the detail. */
export const MAX_ART_NODES = 400_000;
/** Largest picture file taken in, bytes, and largest picture, pixels. */
export const MAX_PICTURE_BYTES = 60_000_000;
export const MAX_PICTURE_PIXELS = 50_000_000;
/** Longer side of a picture as it is kept and traced, pixels: larger ones are reduced to it. */
export const PICTURE_SIDE_PX = 4000;
