/** Spacing over foam, mm (craft §4). */
export const FOAM_SPACING_MM = 0.2;
