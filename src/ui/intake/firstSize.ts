/** Width taken for artwork that does not say how large it is, mm; the brief asks for the real one. */
export const FIRST_GUESS_MM = 80;
